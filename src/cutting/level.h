// Fills that reach a share of an outline.
#pragma once

#include "cutting/operand.h"
#include "geometry/problem.h"

namespace widecut {

/// What a share is measured by.
enum class LevelBy : unsigned char {
  Height,  ///< Of its box, from its bottom.
  Area,    ///< Of its true area, from its bottom.
  Width,   ///< Of its box, from its left.
  Turn,    ///< Of a full turn about the middle of its box, clockwise from the top.
  Along    ///< Of a line, by its length.
};

/// A level in a shape: where its surface lies, and the part of the outline below it (towards greater y).
struct Level {
  double y = 0;
  Outline filled;
};

/// The level that fills a share (0…1) of the shape, by the height of its box or by its true area, holes and overlaps
/// counted as the rule says. By area the share is met within 1e-9. Refuses shares outside 0…1 and shapes without area.
/// `by` is height or area.
Result<Level> levelAt(const Operand& shape, double share, LevelBy by);

/// The part of the shape that a share (0…1) fills, by whatever it is measured. Refuses what levelAt refuses. Of a level
/// along a line, `line` is that; straight upwards through the shape where it is null.
Result<Outline> filledTo(const Operand& shape, double share, LevelBy by, const Contour* line = nullptr);

/// The area of an outline without overlaps that lies below y (towards greater y). Exact for its polynomials.
double areaBelow(const Outline& outline, double y);

}  // namespace widecut
