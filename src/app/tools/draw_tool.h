// Tools 4, 5 and 6: rectangle, ellipse, polygon and star.
#pragma once

#include "app/desk/desk.h"
#include "app/tools/tool.h"
#include "geometry/outline.h"

namespace widecut {

class DrawTool : public Tool {
 public:
  enum class Shape : unsigned char { Rectangle, Ellipse, Polygon };
  DrawTool(Mat& mat, Desk& desk, Shape shape) : Tool(mat, desk), shape_(shape), trial_(desk) {}

  void press(const Pointer& pointer) override;
  void drag(const Pointer& pointer) override;
  void release(const Pointer& pointer) override;
  void hover(const Pointer& pointer) override;
  bool key(QKeyEvent& event) override;
  void keyUp(const QKeyEvent& event) override;
  bool wants(const QKeyEvent& key) const override;
  void putAway() override;
  void paint(QPainter& painter) override;
  QString hint() const override;
  QCursor cursor() const override { return Qt::CrossCursor; }

 private:
  Box drawn() const;
  Outline unitShape() const;
  Item shapeIn(const Box& box) const;
  /// What the shape does to the item that was selected when the drag began.
  std::optional<Role> join() const;
  void showJoined();
  void letGoOfKey();
  void lay(const Box& box);

  Shape shape_;
  bool drawing_ = false;
  Trial trial_;
  Id target_ = 0;
  int heldKey_ = 0;  ///< The key that says what the shape does, for as long as it is down.
  std::optional<Role> beforeHeld_;
  Pointer pressed_{};
  Pointer now_{};
};

}  // namespace widecut
