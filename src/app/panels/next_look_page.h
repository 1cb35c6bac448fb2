// What the next shape is painted with, while a drawing tool is in hand.
#pragma once

#include <QWidget>

#include "app/desk/desk.h"

class QPushButton;

namespace widecut {

class MeasureField;

class NextLookPage : public QWidget {
  Q_OBJECT
 public:
  explicit NextLookPage(Desk& desk, QWidget* parent = nullptr);
  /// True when a tool is in hand that lays what has a fill or an outline, and nothing is selected.
  bool applies() const;
  void refresh();

 private:
  void setFill(std::optional<Colour> colour);
  void setOutline(std::optional<Colour> colour);
  void setWidth(double width);
  void changed();

  Desk& desk_;
  QPushButton *fill_, *outline_, *tones_;
  MeasureField* width_;
};

}  // namespace widecut
