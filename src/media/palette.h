// The colours of a photo.
#pragma once

#include <QImage>
#include <vector>

#include "media/photo.h"
#include "project/colour.h"

namespace widecut {

/// The middles of that many groups of colours, largest group first: k-means in OKLab over a small version of the
/// picture, begun from its mean and then each time from what lies furthest from all, so that the same picture gives the
/// same colours each time. Groups of less than a hundredth of the picture, and middles that look alike, are left out.
std::vector<Colour> paletteOf(const QImage& picture, int count);
/// Of a photo; empty for one that cannot be decoded.
std::vector<Colour> paletteOf(PhotoStore& store, const Medium& medium, int count);

}  // namespace widecut
