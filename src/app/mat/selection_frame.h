// The box with handles round the selection.
#pragma once

#include <QPainter>
#include <optional>
#include <vector>

#include "app/desk/pivot.h"
#include "app/mat/mat.h"

namespace widecut {

/// A box in a space of its own, and the rigid map from there to the sheet: turned like the item for one item,
/// upright for several.
struct SelectionFrame {
  Affine toSheet;
  Box box;

  /// Nothing when nothing with an extent is selected.
  static std::optional<SelectionFrame> of(const Project& project, const std::vector<Id>& items);
};

/// Whether it is so small on the mat that its grips stand outside, and its body has no room for others.
bool isSmall(const SelectionFrame& frame, const Mat& mat);

/// A grip: `across` and `down` are −1, 0 or 1 from the middle of the box; the turning grip stands above it, or is the
/// place outside a corner; those that slant it stand beside it and below.
struct Grip {
  int across = 0;
  int down = 0;
  bool turns = false;
  bool slants = false;  ///< Moves its side along itself; the opposite one stays.
  bool operator==(const Grip&) const = default;
};

/// A place of a box.
Point placeIn(const Box& box, PivotPlace place);
/// The point about which the selection turns.
Point pivotPoint(const SelectionFrame& frame, const Pivot& pivot);
std::optional<Grip> gripAt(const SelectionFrame& frame, const Mat& mat, QPointF onMat);
void paintGrips(QPainter& painter, const SelectionFrame& frame, const Mat& mat, const std::optional<Grip>& hot);
QCursor cursorFor(const Grip& grip, const SelectionFrame& frame);

/// The map of the sheet when the grip is dragged to a place. `regular` keeps the proportions (turning and slanting:
/// steps of 15°), `fromPivot` keeps the pivot instead of what lies opposite.
Affine gripMap(const SelectionFrame& frame, const Grip& grip, Point pressed, Point now, bool regular, bool fromPivot,
               const Pivot& pivot);

/// Draws an item's outline (chain of maps applied) with the painter's pen and brush, in the mat's pixels.
void paintOutline(QPainter& painter, const Mat& mat, const Project& project, Id item);
/// The same, but words get lines under them, which leave them legible.
void paintSelected(QPainter& painter, const Mat& mat, const Project& project, Id item);

}  // namespace widecut
