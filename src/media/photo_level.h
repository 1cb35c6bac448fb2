// Scaled copies of pictures to paint from.
#pragma once

#include <QImage>

#include "geometry/affine.h"

namespace widecut {

/// A photo at a half, a quarter … of its size. `image` carries a border of one repeated pixel, so that
/// painting with interpolation never mixes opposite edges.
struct PhotoLevel {
  QImage image;
  Affine toPixels;  ///< From coordinates of `image` to the pixels of the whole photo.
};

/// An image with such a border, as a level of a photo of that size.
inline PhotoLevel levelOf(QImage image, int width, int height) {
  const Affine toPixels = Affine::scale(double(width) / (image.width() - 2), double(height) / (image.height() - 2)) *
                          Affine::move({-1, -1});
  return {std::move(image), toPixels};
}

/// A photo's size after so many halvings, rounded up.
QSize halved(QSize size, int halvings);
/// A picture of 32 bits a pixel with an edge of one repeated pixel all round.
QImage bordered(const QImage& picture);
/// The middle of an image that has room for such an edge is there; makes the edge.
void fillBorder(QImage& image);

}  // namespace widecut
