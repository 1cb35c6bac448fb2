// A subject brought out of the even ground that it stands before.
#pragma once

#include <QImage>

#include "geometry/outline.h"
#include "geometry/problem.h"

namespace widecut {

/// How a ground is told from what stands before it.
struct GroundCut {
  double tolerance = 0.12;  ///< How far colours of the ground may be from where it begins, in OKLab: 0…1.
  double smoothness = 1.5;  ///< How far the outline may stray from the edge, in pixels of the picture: 0.3…20.
};

/// The outline of what stands before the ground, in pixels of the picture. The ground is what is reached from the
/// picture's edges, pixel by pixel, through colours that are within the tolerance of those at which the way began; it
/// begins wherever the edge is coloured as most of its upper third is. What is smaller than a thousandth of the picture
/// is ground when it stands alone, and subject when it is a hole. The border is followed between pixels, where half of
/// those around are ground, and then drawn by few curves. Refuses pictures that are all ground, or have none.
Result<Outline> outOfGround(const QImage& picture, const GroundCut& how);

}  // namespace widecut
