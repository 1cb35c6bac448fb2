// Lines whose width changes along them, and places along lines.
#pragma once

#include <vector>

#include "geometry/outline.h"
#include "geometry/problem.h"

namespace widecut {

/// A place of a line: where it is, the direction to its right there (y points down), and how far along.
struct LinePlace {
  Point at, normal;
  double along = 0;
};
/// Places along a contour: its nodes (twice where it turns), and between them so many that the chords stray from it by
/// less than a thousandth of `width` and no step is longer than the whole by `steps`. Empty for a contour without
/// length.
std::vector<LinePlace> placesAlong(const Contour& contour, double width, int steps);

/// The area of a line, `width` points wide in the middle of each contour and these shares of it at its ends, in between
/// evenly more or less. Corners are round; ends are square, or a point where the share is 0.
Result<Outline> taperedLine(const Outline& outline, double width, double startShare, double endShare);

}  // namespace widecut
