// Tools 4 and 5: rectangle and ellipse.
#pragma once

#include "app/tool.h"
#include "geometry/box.h"

namespace widecut {

class DrawTool : public Tool {
 public:
  enum class Shape : unsigned char { Rectangle, Ellipse };
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

  Shape shape_;
  bool drawing_ = false;
  Pointer pressed_{};
  Pointer now_{};
};

}  // namespace widecut
