#include "media/photo_header.h"

#include <QBuffer>
#include <QImageReader>
#include <cstdint>
#include <functional>
#include <map>

#include "project/limits.h"

namespace widecut {
namespace {

std::uint32_t number(std::string_view bytes, std::size_t at, int count, bool bigEndian) {
  std::uint32_t v = 0;
  for (int i = 0; i < count; ++i) {
    const std::size_t from = at + static_cast<std::size_t>(bigEndian ? i : count - 1 - i);
    v = v << 8 | (from < bytes.size() ? static_cast<unsigned char>(bytes[from]) : 0u);
  }
  return v;
}

struct JpegSegment {
  int marker;
  std::string_view payload;
  std::size_t from, to;  ///< With its marker and length.
};

/// Visits the segments before the picture's data, until `visit` returns false.
void eachJpegSegment(std::string_view bytes, const std::function<bool(const JpegSegment&)>& visit) {
  std::size_t at = 2;
  while (at + 4 <= bytes.size() && static_cast<unsigned char>(bytes[at]) == 0xFF) {
    const int marker = static_cast<unsigned char>(bytes[at + 1]);
    if (marker == 0xFF) {  // padding
      ++at;
      continue;
    }
    const std::size_t length = number(bytes, at + 2, 2, true);
    if (marker == 0xDA || length < 2 || at + 2 + length > bytes.size()) return;
    if (!visit({marker, bytes.substr(at + 4, length - 2), at, at + 2 + length})) return;
    at += 2 + length;
  }
}

constexpr std::string_view exifMark{"Exif\0\0", 6};

void readJpeg(std::string_view bytes, PhotoHeader& header) {
  constexpr std::string_view iccMark{"ICC_PROFILE\0", 12};
  std::map<int, std::string_view> profile;
  eachJpegSegment(bytes, [&](const JpegSegment& s) {
    const bool frame = s.marker >= 0xC0 && s.marker <= 0xCF && s.marker != 0xC4 && s.marker != 0xC8 && s.marker != 0xCC;
    if (frame && s.payload.size() >= 6) {
      header.storedHeight = static_cast<int>(number(s.payload, 1, 2, true));
      header.storedWidth = static_cast<int>(number(s.payload, 3, 2, true));
      header.components = static_cast<unsigned char>(s.payload[5]);
    }
    if (s.marker == 0xE1 && s.payload.starts_with(exifMark))
      header.orientation = exifOrientation(s.payload.substr(exifMark.size()));
    if (s.marker == 0xE2 && s.payload.starts_with(iccMark) && s.payload.size() > 14)
      profile[static_cast<unsigned char>(s.payload[12])] = s.payload.substr(14);
    if (s.marker == 0xEE && s.payload.starts_with("Adobe")) header.isAdobe = true;
    return true;
  });
  for (const auto& [place, part] : profile) header.icc += part;
}

/// The payload of the first chunk of a kind; PNG and RIFF files are rows of chunks.
std::string_view chunk(std::string_view bytes, std::size_t at, std::string_view name, bool png) {
  while (at + 8 <= bytes.size()) {
    const std::size_t length = number(bytes, png ? at : at + 4, 4, png);
    if (length > bytes.size() - at - 8) return {};
    if (bytes.substr(png ? at + 4 : at, 4) == name) return bytes.substr(at + 8, length);
    at += 8 + length + (png ? 4 : length % 2);
  }
  return {};
}

}  // namespace

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

int exifOrientation(std::string_view exif) {
  const bool big = exif.starts_with("MM");
  if (!big && !exif.starts_with("II")) return 1;
  const std::size_t directory = number(exif, 4, 4, big);
  if (directory + 2 > exif.size()) return 1;
  const std::uint32_t entries = number(exif, directory, 2, big);
  for (std::uint32_t i = 0; i < entries; ++i) {
    const std::size_t at = directory + 2 + 12 * i;
    if (at + 12 > exif.size()) return 1;
    if (number(exif, at, 2, big) != 0x0112) continue;
    const std::uint32_t value = number(exif, at + 8, 2, big);
    return value >= 1 && value <= 8 ? static_cast<int>(value) : 1;
  }
  return 1;
}

Result<PhotoHeader> photoHeader(const std::string& bytes) {
  const auto kind = photoKind(bytes);
  if (!kind) return problem("is not a picture that can be placed (PNG, JPEG, WebP or TIFF)");
  PhotoHeader header;
  header.kind = *kind;
  if (*kind == PhotoKind::Jpeg) {
    header.mayHaveAlpha = false;
    readJpeg(bytes, header);
  } else {
    QByteArray view = QByteArray::fromRawData(bytes.data(), static_cast<qsizetype>(bytes.size()));
    QBuffer buffer(&view);
    buffer.open(QIODevice::ReadOnly);
    const QSize size = QImageReader(&buffer, formatName(*kind)).size();
    header.storedWidth = size.width();
    header.storedHeight = size.height();
    std::string_view exif = *kind == PhotoKind::Png    ? chunk(bytes, 8, "eXIf", true)
                            : *kind == PhotoKind::WebP ? chunk(bytes, 12, "EXIF", false)
                                                       : std::string_view(bytes);
    if (*kind == PhotoKind::Png && bytes.size() > 25)
      header.mayHaveAlpha = (bytes[25] & 4) != 0 || !chunk(bytes, 8, "tRNS", true).empty();
    if (exif.starts_with(exifMark)) exif.remove_prefix(exifMark.size());
    header.orientation = exifOrientation(exif);
  }
  if (header.storedWidth == 0 || header.storedHeight == 0) return problem("has no pixels");
  if (header.storedWidth < 0 || header.storedHeight < 0) return problem("cannot be decoded: its header is damaged");
  if (std::int64_t{header.storedWidth} * header.storedHeight > limits::mostPhotoPixels)
    return problem("has " + std::to_string(header.width()) + " × " + std::to_string(header.height()) +
                   " pixels; 200 megapixels is the most that can be placed");
  return header;
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
