// The line that an item is mirrored at while it is edited, on the mat.
#pragma once

#include <QPainter>
#include <optional>

#include "app/mat/mat.h"
#include "project/edits/reshaping.h"

namespace widecut {

/// From one end to the other, a little beyond the item; the first end has a knob that turns it.
struct AxisLine {
  QPointF from, to;

  /// Nothing when the item is not mirrored.
  static std::optional<AxisLine> of(const Mat& mat, const Project& project, const Item& item);
  bool isOnKnob(QPointF onMat) const;
  bool isOnLine(QPointF onMat) const;
  void paint(QPainter& painter, bool lit, bool knobLit) const;
};

/// A hold of the axis that an item is mirrored at: along it, or at its knob.
struct AxisHit {
  Id item = 0;
  bool turns = false;
};
std::optional<AxisHit> axisAt(const Mat& mat, const Project& project, const std::vector<ItemPtr>& items, QPointF onMat);

/// The axis after a drag along the sheet; near the middle of the item it stays there.
MirrorAxis movedAxis(const Desk& desk, const Mat& mat, const Item& item, const MirrorAxis& axis, Point by);
/// The axis turned so that its knob is under the pointer; with Shift in steps of 15° on the sheet.
MirrorAxis turnedAxis(const Desk& desk, const Mat& mat, const Item& item, const MirrorAxis& axis,
                      const Pointer& pointer);

}  // namespace widecut
