// Cutting outlines apart, cleaning them, trimming them.
#pragma once

#include <vector>

#include "cutting/operand.h"
#include "geometry/problem.h"

namespace widecut {

/// The separate regions of an outline, each with its holes, in a stable order.
Result<std::vector<Outline>> regionsOf(const Operand& shape);

/// The pieces that a stroke parts a shape into. `stroke` holds open contours (closed ones cut along all their way).
/// With a gap (points, ≥ 0) the pieces stay that far apart; ends of a stroke inside the shape then leave a notch.
/// Without one, a stroke parts what it crosses from edge to edge, and ends inside the shape are passed over.
Result<std::vector<Outline>> knifed(const Operand& shape, const Outline& stroke, double gap);

/// What a stroke with a gap (points, > 0) takes away.
Result<Outline> knifeBand(const Outline& stroke, double gap);

/// The same area without self-crossings, overlaps and doubled edges: outer contours one way round, holes the other.
Result<Outline> simplified(const Operand& shape);

/// What of the shape lies within the box.
Result<Outline> trimmed(const Operand& shape, const Box& box);

}  // namespace widecut
