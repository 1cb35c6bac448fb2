// The tools that lay down starters: rectangle, ellipse, polygon, and any kind from the bench.
#pragma once

#include "app/desk/desk.h"
#include "app/desk/trial.h"
#include "app/tools/snapper.h"
#include "app/tools/tool.h"
#include "geometry/outline.h"
#include "shapes/starter.h"

namespace widecut {

class DrawTool : public Tool {
 public:
  DrawTool(Mat& mat, Desk& desk) : Tool(mat, desk), trial_(desk), snapper_(mat, desk) {}

  void press(const Pointer& pointer) override;
  void drag(const Pointer& pointer) override;
  void release(const Pointer& pointer) override;
  void hover(const Pointer& pointer) override;
  bool wheel(const Pointer& pointer, double steps) override;
  bool key(QKeyEvent& event) override;
  void keyUp(const QKeyEvent& event) override;
  bool wants(const QKeyEvent& key) const override;
  void putAway() override;
  void paint(QPainter& painter) override;
  QString hint() const override;
  QCursor cursor() const override { return desk_.nextKind() ? Qt::CrossCursor : Qt::ArrowCursor; }

 private:
  Box drawn() const;
  /// Where the corner that is drawn comes to rest.
  Pointer atRest(const Pointer& pointer);
  Box onSheetFrom(const Box& box) const;
  Outline shapeOutline(const Box& box) const;
  Item shapeIn(const Box& box) const;
  Box usualBox(Point middle) const;
  /// What the shape does to the item that was selected when the drag began.
  std::optional<Role> join() const;
  void showJoined();
  void letGoOfKey();
  /// Puts the shape down, and takes up the select tool; the id of what was made.
  Id lay(const Box& box);
  /// One more, or less, of what the kind counts. False when it counts nothing.
  bool changeCount(int by);
  void typeSize(const QKeyEvent& key);

  bool drawing_ = false;
  std::optional<StarterSize> typed_;  ///< The size that was typed during the drag.
  Trial trial_;
  Snapper snapper_;
  Id target_ = 0;
  int heldKey_ = 0;  ///< The key that says what the shape does, for as long as it is down.
  std::optional<Role> beforeHeld_;
  Pointer pressed_{};
  Pointer now_{};        ///< At rest.
  Pointer asDragged_{};  ///< Where the pointer is.
};

}  // namespace widecut
