// Effects on pixels.
#pragma once

#include <QImage>
#include <QPoint>
#include <QRect>

#include "project/effects.h"

namespace widecut {

/// A picture and the pixel that its top left is.
struct PlacedPicture {
  QImage image;  ///< ARGB32_Premultiplied.
  QPoint at;
  QRect rect() const { return {at, image.size()}; }
};

/// The pixels of the body that an effect has to see, to be right in `wanted`; `body` is where the body has any.
QRect bodyNeeded(const Effect& effect, double scale, const QRect& wanted, const QRect& body);
/// The pixels that an effect is worked out on: those, and where it reads them.
QRect roomFor(const Effect& effect, double scale, const QRect& wanted, const QRect& body);

/// What an effect paints in `wanted`, in its colour and opacity. `scale` is in pixels per point of its lengths, `box`
/// where the whole body lies. What paints in front is kept within the body's alpha; with `isWide` it goes on beyond
/// it, for those who clip it by outlines. Of a soft edge it is the body's alpha as it is to be, divided by what it is.
PlacedPicture effectPicture(const Effect& effect, const PlacedPicture& body, double scale, const QRect& wanted,
                            const QRectF& box, bool isWide = false);

/// Multiplies the picture by the alpha of another one; where that has no pixels nothing is left.
void fade(PlacedPicture& picture, const PlacedPicture& mask);

}  // namespace widecut
