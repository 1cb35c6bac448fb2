// Effects on pixels.
#pragma once

#include <QImage>
#include <QPoint>
#include <QRect>
#include <memory>
#include <vector>

#include "project/effects.h"

namespace widecut {

class Softened;

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

/// A body's alpha softened before.
struct KeptSoft {
  double deviation;
  bool isOfSolid;  ///< What is a quarter opaque counts as solid.
  QRect room;      ///< The pixels that it holds, counted from the body's first one.
  std::shared_ptr<const Softened> soft;
};

/// What is asked of an effect.
struct EffectAsk {
  double scale;            ///< Pixels per point of its lengths.
  QRect wanted;            ///< The pixels to be painted.
  QRectF box;              ///< Where the whole body lies.
  bool isWide = false;     ///< What paints in front goes on beyond the body's alpha: outlines clip it.
  bool isCovered = false;  ///< The body is laid over it as it is, so where that is opaque nothing need be painted.
  std::vector<KeptSoft>* kept = nullptr;  ///< Of this body.
};

/// What an effect paints, in its colour and opacity. What paints in front is kept within the body's alpha. Of a soft
/// edge it is the body's alpha as it is to be, divided by what it is.
PlacedPicture effectPicture(const Effect& effect, const PlacedPicture& body, const EffectAsk& ask);

/// Multiplies the picture by the alpha of another one; where that has no pixels nothing is left.
void fade(PlacedPicture& picture, const PlacedPicture& mask);

}  // namespace widecut
