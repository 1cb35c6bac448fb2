// The faces of an arrangement, each with its holes.
#pragma once

#include <span>
#include <vector>

#include "cutting/arrangement.h"
#include "cutting/planar_map.h"

namespace widecut {

/// Every face that some operand covers by its rule; neighbours covered by the same operands are one face. The
/// operand `wall` (−1: none) covers nothing: its edges part faces wherever they do not end loose. Faces stand in the
/// order of their first sources.
std::vector<Face> facesOf(const Arrangement& map, std::span<const FillRule> rules, int wall);

}  // namespace widecut
