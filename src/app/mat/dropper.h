// Picking a colour off the mat.
#pragma once

#include <QWidget>
#include <functional>

#include "project/colour.h"

namespace widecut {

class Desk;
class Mat;

/// Lies over the mat while a colour is picked: shows the colour under the pointer, takes it at a click, goes at Escape.
class Dropper : public QWidget {
  Q_OBJECT
 public:
  Dropper(Mat& mat, Desk& desk, std::function<void(Colour)> take);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;

 private:
  Colour colourAt(QPointF onMat) const;
  void leave();

  Mat& mat_;
  Desk& desk_;
  std::function<void(Colour)> take_;
  std::optional<QPointF> at_;
};

}  // namespace widecut
