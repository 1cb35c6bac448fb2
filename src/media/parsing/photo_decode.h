// Photo files to sRGB pixels: the part that decodes. Only called in the reading process, by tests and fuzzers.
#pragma once

#include <QImage>
#include <functional>

#include "media/photo_header.h"

namespace widecut::parsing {

/// Makes the image into which a photo is decoded.
using PixelRoom = std::function<QImage(QSize size, QImage::Format format)>;

/// See widecut::decodedPhoto. Where it can be, the photo is decoded into an image of `room`.
Result<QImage> decodedPhoto(std::string_view bytes, const PhotoHeader& header, int halvings, bool border,
                            const PixelRoom& room = {});

}  // namespace widecut::parsing
