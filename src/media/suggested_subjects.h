// Zones of a photo that are worth keeping whole, found in its pixels.
#pragma once

#include "media/photo.h"

namespace widecut {

/// Subjects that the photo seems to have, largest first, eight at most: the heads of faces that look at the camera or,
/// where there are none, what stands out. Faces are found by the histograms of gradients and the trained weights that
/// the dlib library ships (a linear classifier over a pyramid of scales). What stands out is where colours are both
/// rare in the picture and unlike those around them: regions where, in OKLab, the distance of a small neighbourhood's
/// mean from the picture's, by how far colours of the picture spread, times that from its surroundings' is two
/// deviations above the mean. What reaches an edge of the picture is left out. Empty for photos that cannot be decoded.
std::vector<Subject> suggestedSubjects(PhotoStore& store, const Medium& photo);

/// The two ways by themselves, for a picture; zones in its pixels.
std::vector<Box> facesIn(const QImage& picture);
std::vector<Box> standingOutIn(const QImage& picture);

}  // namespace widecut
