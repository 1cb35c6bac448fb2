// Pieces that lie edge to edge, painted without hairlines along their edges.
#pragma once

#include <span>

#include "scene/scene.h"

namespace widecut {

/// Pixels on an edge between two pieces would show some of what lies behind both. So, where pieces of one division
/// (`Item::division`) lie as they were cut, those that are filled alike are painted as one, in the place of the
/// backmost of them; and what lies further back reaches under later pieces that the others wholly enclose. Their
/// layers get other contents, the same ones as long as the pieces lie alike to one another; all others stay.
void paintWithoutSeams(std::span<Layer> layers);

}  // namespace widecut
