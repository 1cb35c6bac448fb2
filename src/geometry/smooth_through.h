// A pleasing curve through points.
#pragma once

#include <span>
#include <vector>

#include "geometry/outline.h"

namespace widecut {

/// A smooth contour through the points, each a node, whose directions and curvatures go on evenly (J. D. Hobby,
/// “Smooth, easy to compute interpolating splines”, 1986, with all tensions and curls 1). Points that follow one
/// another at one place count once. Two points give a straight edge, one a contour without edges.
Contour smoothThrough(std::span<const Point> points, bool closed);

}  // namespace widecut
