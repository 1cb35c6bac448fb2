#include "media/photo_header.h"

#include "media/jpeg_segments.h"
#include "media/pixel_exchange.h"
#include "reading/process.h"

namespace widecut {

const char* formatName(PhotoKind kind) {
  switch (kind) {
    case PhotoKind::Jpeg:
      return "jpeg";
    case PhotoKind::Png:
      return "png";
    case PhotoKind::WebP:
      return "webp";
    case PhotoKind::Tiff:
      return "tiff";
  }
  return "";
}

Affine PhotoHeader::toUpright() const {
  const double w = storedWidth, h = storedHeight;
  switch (orientation) {
    case 2:
      return {-1, 0, 0, 1, w, 0};
    case 3:
      return {-1, 0, 0, -1, w, h};
    case 4:
      return {1, 0, 0, -1, 0, h};
    case 5:
      return {0, 1, 1, 0, 0, 0};
    case 6:
      return {0, 1, -1, 0, h, 0};
    case 7:
      return {0, -1, -1, 0, h, w};
    case 8:
      return {0, -1, 1, 0, 0, w};
    default:
      return {};
  }
}

std::optional<PhotoKind> photoKind(std::string_view bytes) {
  if (bytes.starts_with("\x89PNG\r\n\x1a\n")) return PhotoKind::Png;
  if (bytes.starts_with("\xFF\xD8\xFF")) return PhotoKind::Jpeg;
  if (bytes.starts_with("RIFF") && bytes.size() >= 12 && bytes.substr(8, 4) == "WEBP") return PhotoKind::WebP;
  if (bytes.starts_with(std::string_view("II*\0", 4)) || bytes.starts_with(std::string_view("MM\0*", 4)))
    return PhotoKind::Tiff;
  return std::nullopt;
}

Result<PhotoHeader> photoHeader(const std::string& bytes) {
  if (!photoKind(bytes)) return problem(notAPhoto);
  auto answer = reading::ask({"photo header", {}, {}, reading::copied(bytes)});
  if (!answer) return tl::unexpected(answer.error());
  return headerFrom(*answer);
}

std::string withoutExif(const std::string& jpeg) {
  std::string out = jpeg;
  std::size_t gone = 0;
  eachJpegSegment(jpeg, [&](const JpegSegment& s) {
    if (s.marker == 0xE1 && s.payload.starts_with(exifMark)) {
      out.erase(s.from - gone, s.to - s.from);
      gone += s.to - s.from;
    }
    return true;
  });
  return out;
}

}  // namespace widecut
