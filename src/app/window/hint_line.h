// The line below the bench: what the mouse and keys do right now, what is being worked on, where the pointer is.
#pragma once

#include <QTimer>
#include <QWidget>

class QLabel;
class QProgressBar;
class QToolButton;

namespace widecut {

class Background;
class Desk;
class Mat;

class HintLine : public QWidget {
  Q_OBJECT
 public:
  HintLine(Desk& desk, Mat& mat, Background& background, QWidget* parent);

 private:
  void showHint();
  void showWork();
  Mat& mat_;
  Background& background_;
  QLabel *hint_, *work_, *position_;
  QProgressBar* bar_;
  QToolButton* stop_;
  QTimer toldEnd_;
  QTimer workSoon_;  ///< What is over at once shows no bar.
  QTimer workOn_;
};

}  // namespace widecut
