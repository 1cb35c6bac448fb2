// Plain shapes by number. Each is centred on the origin and runs clockwise on the sheet.
#pragma once

#include "geometry/outline.h"

namespace widecut {

/// A rectangle, from its top left corner. Lengths in points, not negative.
Outline rectangleOutline(double width, double height);
/// An ellipse of four cubics, from its top node; radial error below 0.03 % of the radius.
Outline ellipseOutline(double width, double height);
/// A regular polygon (sides ≥ 3, else 3) in the ellipse of this size, with a corner at the top.
Outline polygonOutline(double width, double height, int sides);
/// A star: `points` (≥ 3, else 3) tips on the ellipse, inner corners at 1 − depth of it (depth 0…1).
Outline starOutline(double width, double height, int points, double depth);
/// The outline moved and scaled so that its box is `box`. An outline without width or height is only
/// moved along that side.
Outline fitted(const Outline& outline, const Box& box);

}  // namespace widecut
