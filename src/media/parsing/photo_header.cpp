#include "media/parsing/photo_header.h"

#include <QBuffer>
#include <QImageReader>
#include <cstdint>
#include <functional>
#include <map>

#include "media/jpeg_segments.h"
#include "project/limits.h"

namespace widecut::parsing {
namespace {

void readJpeg(std::string_view bytes, PhotoHeader& header) {
  constexpr std::string_view iccMark{"ICC_PROFILE\0", 12};
  std::map<int, std::string_view> profile;
  eachJpegSegment(bytes, [&](const JpegSegment& s) {
    const bool frame = s.marker >= 0xC0 && s.marker <= 0xCF && s.marker != 0xC4 && s.marker != 0xC8 && s.marker != 0xCC;
    if (frame && s.payload.size() >= 6) {
      header.storedHeight = static_cast<int>(wholeNumber(s.payload, 1, 2, true));
      header.storedWidth = static_cast<int>(wholeNumber(s.payload, 3, 2, true));
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
    const std::size_t length = wholeNumber(bytes, png ? at : at + 4, 4, png);
    if (length > bytes.size() - at - 8) return {};
    if (bytes.substr(png ? at + 4 : at, 4) == name) return bytes.substr(at + 8, length);
    at += 8 + length + (png ? 4 : length % 2);
  }
  return {};
}

}  // namespace

int exifOrientation(std::string_view exif) {
  const bool big = exif.starts_with("MM");
  if (!big && !exif.starts_with("II")) return 1;
  const std::size_t directory = wholeNumber(exif, 4, 4, big);
  if (directory + 2 > exif.size()) return 1;
  const std::uint32_t entries = wholeNumber(exif, directory, 2, big);
  for (std::uint32_t i = 0; i < entries; ++i) {
    const std::size_t at = directory + 2 + 12 * i;
    if (at + 12 > exif.size()) return 1;
    if (wholeNumber(exif, at, 2, big) != 0x0112) continue;
    const std::uint32_t value = wholeNumber(exif, at + 8, 2, big);
    return value >= 1 && value <= 8 ? static_cast<int>(value) : 1;
  }
  return 1;
}

Result<PhotoHeader> photoHeader(std::string_view bytes) {
  const auto kind = photoKind(bytes);
  if (!kind) return problem(notAPhoto);
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
                                                       : bytes;
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

}  // namespace widecut::parsing
