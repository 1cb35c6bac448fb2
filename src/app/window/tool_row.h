// The row above the mat: the tools, each with its number, and the zoom.
#pragma once

#include <QWidget>

namespace widecut {

class CommandActions;
class Desk;
class Mat;

class ToolRow : public QWidget {
  Q_OBJECT
 public:
  ToolRow(Desk& desk, Mat& mat, CommandActions& commands, QWidget* parent);
};

}  // namespace widecut
