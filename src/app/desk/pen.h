// How the pen draws.
#pragma once

#include "geometry/measure.h"

namespace widecut {

enum class PenMode : unsigned char {
  Nodes,    ///< Clicks make corners, drags make curves.
  Through,  ///< Clicks make smooth nodes: the curve through them looks right by itself.
  Freehand  ///< A stroke becomes an outline of few nodes.
};

struct Pen {
  PenMode mode = PenMode::Nodes;
  double tolerance = 0.5 * pointsPerMillimetre;  ///< How far a freehand outline may stray from the stroke; > 0.
};

}  // namespace widecut
