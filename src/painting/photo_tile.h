// The part of a photo that falls on some pixels of a delivery, every pixel the mean of what it covers.
#pragma once

#include <QImage>
#include <QTransform>

#include "media/photo.h"

namespace widecut {

/// The pixels `on` of the target, filled by the photo as the map from its pixels to the target's lays it; beyond its
/// edges its edge pixels count on. Only for maps that make the photo smaller. An empty image when it cannot be decoded.
QImage photoTile(const Medium& medium, const Adjustments* adjustments, PhotoStore& store,
                 const QTransform& pixelsToTarget, const QRect& on);

/// The part of a level that shows on these pixels, for levels that are too large for a painter's brush, which counts up
/// to 32767; others come back as they are.
PhotoLevel partOn(PhotoLevel level, const QTransform& pixelsToTarget, const QRect& on);

}  // namespace widecut
