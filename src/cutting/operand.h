// What is laid over one another.
#pragma once

#include "geometry/outline.h"

namespace widecut {

/// One shape that takes part in a map. Open contours count as closed by a straight edge.
struct Operand {
  Outline outline;
  FillRule rule = FillRule::Nonzero;
};

}  // namespace widecut
