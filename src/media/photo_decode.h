// Photo files to sRGB pixels.
#pragma once

#include <QImage>

#include "media/photo_header.h"
#include "reading/process.h"

namespace widecut {

/// A decoded photo: RGB32, or ARGB32_Premultiplied where it has alpha; upright, in sRGB. Decoded in the reading
/// process, whose pixels it shows without a copy.
/// `halvings` asks for 1/2, 1/4 … of its size, rounded up. `border` adds an edge of one repeated pixel all round.
/// The problem, without a name, says why it cannot be decoded.
Result<QImage> decodedPhoto(const std::string& bytes, int halvings, bool border,
                            const reading::Patience& patience = {});
/// What a photo says of itself, after all of it was looked at, a little smaller where that is cheaper. Problems as
/// above.
Result<PhotoHeader> checkedPhoto(const std::string& bytes, const reading::Patience& patience = {});

}  // namespace widecut
