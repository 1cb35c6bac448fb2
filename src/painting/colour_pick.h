// The colour at a place of a sheet, as it is delivered.
#pragma once

#include "media/photo.h"
#include "scene/scene.h"

namespace widecut {

/// The colour of the square `side` points wide about this place, paper included, with photos as they are. Outside the
/// sheet's paper it is what would lie there on white.
Colour colourOn(const Scene& scene, PhotoStore& store, Point place, double side);

}  // namespace widecut
