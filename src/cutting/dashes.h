// Lines broken into dashes.
#pragma once

#include <optional>
#include <span>
#include <vector>

#include "geometry/outline.h"
#include "geometry/problem.h"

namespace widecut {

/// Why these lengths cannot be dashes; nothing when they can (or are none).
std::optional<Problem> refusedDashes(std::span<const double> dashes);

/// The drawn parts of a contour as open contours, lengths measured along it from its start; `start` says where in the
/// pattern that is. Without dashes the contour itself. Patterns so fine that more than 20000 dashes would come are
/// drawn whole.
std::vector<Contour> dashed(const Contour& contour, std::span<const double> dashes, double start);

/// The length of a segment, within 1e-7 of it.
double lengthOf(Point from, const Segment& segment);
/// Of all contours, closed ones all the way round.
double lengthOf(const Outline& outline);

}  // namespace widecut
