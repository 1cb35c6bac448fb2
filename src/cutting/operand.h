// What is laid over one another.
#pragma once

#include "geometry/outline.h"

namespace widecut {

/// One shape that takes part in a map. Open contours count as closed by a straight edge.
struct Operand {
  Outline outline;
  FillRule rule = FillRule::Nonzero;
};

/// True when the rule counts places with this winding number as covered.
inline bool covers(FillRule rule, int winding) { return rule == FillRule::Nonzero ? winding != 0 : winding % 2 != 0; }

}  // namespace widecut
