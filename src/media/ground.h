// A subject brought out of the even ground that it stands before.
#pragma once

#include "media/photo.h"

namespace widecut {

/// How a ground is told from what stands before it.
struct GroundCut {
  double tolerance = 0.12;  ///< How far colours of the ground may be from where it begins, in OKLab: 0…1.
  double smoothness = 1.5;  ///< How far the outline may stray from the edge, in pixels of the level, > 0.
};

/// The outline of what stands before the ground, in pixels of the photo of which this is a level. The ground is what is
/// reached from the picture's edges, pixel by pixel, through colours that are within the tolerance of those at which
/// the way began; it begins wherever the edge is coloured as most of its upper third is. What is smaller than a
/// thousandth of the picture is ground when it stands alone, and subject when it is a hole. The border is followed
/// between pixels, where half of those around are ground, and then drawn by few curves. Refuses pictures that are all
/// ground, or have none, and levels without an image.
Result<Outline> outOfGround(const PhotoLevel& level, const GroundCut& how);

}  // namespace widecut
