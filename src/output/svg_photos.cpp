#include "output/svg_photos.h"

#include <QBuffer>

#include "media/photo_colours.h"
#include "media/photo_decode.h"

namespace widecut {
namespace {

constexpr int overlap = 8;  // pixels by which bands overlap, so that no seam shows where readers smooth edges

std::string encoded(const QImage& image, const char* format, int quality) {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  image.save(&buffer, format, quality);
  return bytes.toStdString();
}

/// The rows from `top` on as one band, or as two when one would be too large.
void addBands(const QImage& image, int top, int height, std::vector<SvgPhoto::Band>& out) {
  const int reach = std::min(image.height(), top + height + overlap) - top;
  std::string bytes = encoded(image.copy(0, top, image.width(), reach), "JPEG", 95);
  if (bytes.size() <= mostSvgPhotoBytes || height < 16) {
    out.push_back({"image/jpeg", std::move(bytes), top, image.width(), reach});
    return;
  }
  addBands(image, top, height / 2, out);
  addBands(image, top + height / 2, height - height / 2, out);
}

bool keepsItsBytes(const PhotoHeader& header) {
  if (header.kind != PhotoKind::Jpeg || header.components == 4) return false;
  return !ToSrgb::from(header.icc, header.components == 1 ? Inks::Grey : Inks::Rgb);
}

}  // namespace

Result<SvgPhoto> svgPhoto(const Medium& medium) {
  const auto header = photoHeader(*medium.bytes);
  if (!header) return problem(medium.name + " " + header.error().message);
  SvgPhoto out;
  if (keepsItsBytes(*header)) {
    std::string bytes = withoutExif(*medium.bytes);
    if (bytes.size() <= mostSvgPhotoBytes) {
      out.bands.push_back({"image/jpeg", std::move(bytes), 0, header->storedWidth, header->storedHeight});
      out.toUpright = header->toUpright();
      return out;
    }
  }
  const auto image = decodedPhoto(*medium.bytes, *header, 0, false);
  if (!image) return problem(medium.name + " " + image.error().message);
  if (header->kind != PhotoKind::Jpeg) {
    std::string bytes = encoded(*image, "PNG", -1);
    if (bytes.size() <= mostSvgPhotoBytes) {
      out.bands.push_back({"image/png", std::move(bytes), 0, image->width(), image->height()});
      return out;
    }
    if (image->hasAlphaChannel())
      return problem(medium.name + " is too large for an SVG: readers take 7 MB in one piece, and with its " +
                     "see-through parts it cannot be split (" + std::to_string(bytes.size() / 1'000'000) +
                     " MB); deliver a PDF or a PNG");
  }
  addBands(*image, 0, image->height(), out.bands);
  out.note = medium.name + " was compressed anew (JPEG, 95 %) to go into the SVG";
  return out;
}

}  // namespace widecut
