// Photos and pixels as the program and its reading process send them each other.
#pragma once

#include <QImage>

#include "media/photo_header.h"
#include "reading/message.h"

namespace widecut {

/// Numbers and profile of a header at the beginning of a message, and back. The problem says that the answer is none.
reading::Message messageOf(const PhotoHeader& header);
Result<PhotoHeader> headerFrom(const reading::Message& message);

/// What stands in an answer after its header: width, height, and whether it has alpha.
inline constexpr std::size_t headerNumbers = 7;
/// The pixels of an answer, whose memory they keep; a null image where they do not fit it. `at` is the place of their
/// numbers.
QImage pixelsOf(const reading::Message& message, std::size_t at);

}  // namespace widecut
