// Photo files to sRGB pixels.
#pragma once

#include <QImage>

#include "media/photo_header.h"

namespace widecut {

/// A decoded photo: RGB32, or ARGB32_Premultiplied where it has alpha; upright, in sRGB.
/// `halvings` asks for 1/2, 1/4 … of its size, rounded up. `border` adds an edge of one repeated pixel all round.
/// The problem, without a name, says why it cannot be decoded.
Result<QImage> decodedPhoto(const std::string& bytes, const PhotoHeader& header, int halvings, bool border);

/// The photo's size after so many halvings.
QSize halved(QSize size, int halvings);

/// A picture with an edge of one repeated pixel all round.
QImage bordered(const QImage& picture);

}  // namespace widecut
