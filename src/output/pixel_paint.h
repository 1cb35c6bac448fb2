// What formats of outlines have no words for, as pixels.
#pragma once

#include <QImage>

#include "media/photo.h"
#include "scene/drawing.h"

namespace widecut {

/// Pixels that lie on a box of the scene.
struct PixelPaint {
  QImage image;  ///< ARGB32_Premultiplied; null where nothing shows.
  Box box;
};

/// What an effect paints, within `area`, at so many pixels per inch, or fewer where there would be more than 40
/// million. Effects in front go on beyond the item's edge with `isWide`, to be clipped by its outlines.
PixelPaint pixelsOf(const EffectPixels& effect, const Box& area, PhotoStore& store, double ppi, bool isWide = false);
/// A gradient round a middle, as pixels of the outline's box.
PixelPaint pixelsOf(const GradientBrush& gradient, const Box& box, double ppi);
/// The outline that clips what a content paints in front: of its fills, where they all have the same one and nothing
/// lies inside; null for others.
std::shared_ptr<const Outline> clipOf(const Content& content);

}  // namespace widecut
