// What a photo file says of itself: the part that parses it. Only called in the reading process, by tests and fuzzers.
#pragma once

#include "media/photo_header.h"

namespace widecut::parsing {

/// See widecut::photoHeader.
Result<PhotoHeader> photoHeader(std::string_view bytes);
/// The orientation noted in EXIF data that begins with its byte order ("II" or "MM"); 1 when there is none.
int exifOrientation(std::string_view exif);

}  // namespace widecut::parsing
