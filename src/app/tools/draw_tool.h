// Tools 4, 5 and 6: rectangle, ellipse, polygon and star.
#pragma once

#include "app/tools/tool.h"
#include "geometry/outline.h"

namespace widecut {

class DrawTool : public Tool {
 public:
  enum class Shape : unsigned char { Rectangle, Ellipse, Polygon };
  DrawTool(Mat& mat, Desk& desk, Shape shape) : Tool(mat, desk), shape_(shape) {}

  void press(const Pointer& pointer) override;
  void drag(const Pointer& pointer) override;
  void release(const Pointer& pointer) override;
  void hover(const Pointer& pointer) override;
  bool key(QKeyEvent& event) override;
  void putAway() override;
  void paint(QPainter& painter) override;
  QString hint() const override;
  QCursor cursor() const override { return Qt::CrossCursor; }

 private:
  Box drawn() const;
  Outline unitShape() const;

  Shape shape_;
  bool drawing_ = false;
  Pointer pressed_{};
  Pointer now_{};
};

}  // namespace widecut
