#include "media/jpeg_segments.h"

namespace widecut {

std::uint32_t wholeNumber(std::string_view bytes, std::size_t at, int count, bool isBigEndian) {
  std::uint32_t v = 0;
  for (int i = 0; i < count; ++i) {
    const std::size_t from = at + static_cast<std::size_t>(isBigEndian ? i : count - 1 - i);
    v = v << 8 | (from < bytes.size() ? static_cast<unsigned char>(bytes[from]) : 0u);
  }
  return v;
}

void eachJpegSegment(std::string_view bytes, const std::function<bool(const JpegSegment&)>& visit) {
  std::size_t at = 2;
  while (at + 4 <= bytes.size() && static_cast<unsigned char>(bytes[at]) == 0xFF) {
    const int marker = static_cast<unsigned char>(bytes[at + 1]);
    if (marker == 0xFF) {  // padding
      ++at;
      continue;
    }
    const std::size_t length = wholeNumber(bytes, at + 2, 2, true);
    if (marker == 0xDA || length < 2 || at + 2 + length > bytes.size()) return;
    if (!visit({marker, bytes.substr(at + 4, length - 2), at, at + 2 + length})) return;
    at += 2 + length;
  }
}

}  // namespace widecut
