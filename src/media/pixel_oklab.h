// Pixels of pictures as colours that are even to the eye.
#pragma once

#include <QRgb>

#include "project/colour.h"

namespace widecut {

/// The colour of an opaque pixel.
inline Oklab oklabOfPixel(QRgb pixel) {
  return oklabOf(Colour{static_cast<std::uint8_t>(qRed(pixel)), static_cast<std::uint8_t>(qGreen(pixel)),
                        static_cast<std::uint8_t>(qBlue(pixel))});
}

}  // namespace widecut
