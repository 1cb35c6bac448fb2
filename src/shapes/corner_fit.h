// How large a treatment a corner has room for, and where it leaves the two sides.
#pragma once

#include "shapes/curve_chain.h"
#include "shapes/nodes.h"

namespace widecut {

/// Where a treatment leaves a side: its place on the side, seen from the corner, and the length up to there.
struct Trim {
  double place = 0, length = 0;
};
/// A treatment as it fits; of size 0 where nothing does.
struct CornerFit {
  Trim in, out;
  double size = 0;
  Point centre;  ///< Of what is round.
};

/// The treatment between two sides that lead away from its corner: as large as asked for, or as reaches no further
/// along them than these lengths.
CornerFit fittedCorner(const Corner& wanted, const CurveChain& in, const CurveChain& out, double mostIn,
                       double mostOut);

}  // namespace widecut
