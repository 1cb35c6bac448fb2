// Handles that the selected item has of its own, besides those of its frame.
#pragma once

#include <QPainter>

#include "app/desk/desk.h"
#include "app/desk/trial.h"
#include "app/tools/tool.h"

namespace widecut {

/// Handles of the only selected item. The select tool asks these before the frame's.
class ItemGrips {
 public:
  ItemGrips(Mat& mat, Desk& desk) : mat_(mat), desk_(desk), trial_(desk) {}
  virtual ~ItemGrips() = default;
  ItemGrips(const ItemGrips&) = delete;
  ItemGrips& operator=(const ItemGrips&) = delete;

  /// True when one of them lies here.
  virtual bool hover(const Pointer& pointer) = 0;
  /// Takes hold of the one that lies here; false when there is none.
  virtual bool press(const Pointer& pointer) = 0;
  virtual void drag(const Pointer& pointer) = 0;
  /// Makes what the drag showed.
  virtual void release() = 0;
  virtual bool isHeld() const = 0;
  /// True when the wheel did something at a handle.
  virtual bool wheel(const Pointer&, double /*steps*/) { return false; }
  /// True when they lie within the item, and are not offered where that is small on the mat.
  virtual bool needsRoom() const { return false; }
  /// True when they stand in the place of the frame's handles.
  virtual bool replaceFrame() const { return false; }
  virtual void paint(QPainter& painter) const = 0;
  virtual QString hint() const = 0;
  /// Takes back what is being dragged.
  void cancel() {
    trial_.drop();
    letGo();
  }

 protected:
  virtual void letGo() = 0;
  static constexpr double reach = 8;  ///< Pixels.
  Mat& mat_;
  Desk& desk_;
  Trial trial_;
};

}  // namespace widecut
