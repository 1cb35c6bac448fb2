// What a JPEG has before its pixels.
#pragma once

#include <cstdint>
#include <functional>
#include <string_view>

namespace widecut {

struct JpegSegment {
  int marker = 0;
  std::string_view payload;
  std::size_t from = 0, to = 0;  ///< Bytes of the file, with its marker and length.
};
/// Visits the segments before the picture's data, until `visit` returns false or one is damaged.
void eachJpegSegment(std::string_view bytes, const std::function<bool(const JpegSegment&)>& visit);
/// What the payload of a segment with EXIF data begins with.
inline constexpr std::string_view exifMark{"Exif\0\0", 6};

/// A whole number of so many bytes, up to 4, at a place; what lies beyond the end counts as 0.
std::uint32_t wholeNumber(std::string_view bytes, std::size_t at, int count, bool isBigEndian);

}  // namespace widecut
