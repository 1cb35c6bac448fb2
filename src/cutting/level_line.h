// Where a level stands in a shape, for those who draw it and drag it.
#pragma once

#include "cutting/level.h"

namespace widecut {

/// The surface of a level, across the box of the shape; by turn, the hand of the dial, from its middle.
struct LevelLine {
  Point from, to;
  /// Where it is taken hold of.
  Point grip(LevelBy by) const { return by == LevelBy::Turn ? to : mix(from, to, 0.5); }
};
/// Refuses what levelAt refuses. `line` as in filledTo.
Result<LevelLine> levelLine(const Operand& shape, double share, LevelBy by, const Contour* line = nullptr);

/// The share (0…1) of the level that goes through a point. Refuses shapes without area.
Result<double> shareThrough(const Operand& shape, Point at, LevelBy by, const Contour* line = nullptr);

}  // namespace widecut
