#include "output/adjusted_media.h"

#include <QBuffer>
#include <QImageWriter>

#include "media/adjusting.h"
#include "media/photo_decode.h"

namespace widecut {
namespace {

constexpr double mostPixels = 24e6;

}  // namespace

Result<PictureBrush> AdjustedMedia::plain(const PictureBrush& brush) {
  if (!brush.adjustments || brush.adjustments->isNeutral()) return brush;
  const std::string key = brush.medium->hash + " " + keyOf(brush.adjustments.get());
  auto known = made_.find(key);
  if (known == made_.end()) {
    auto fresh = made(*brush.medium, *brush.adjustments);
    if (!fresh) return tl::unexpected(fresh.error());
    known = made_.emplace(key, std::move(*fresh)).first;
  }
  return PictureBrush{known->second.medium, brush.toOutline * known->second.toPixels};
}

Result<AdjustedMedia::Made> AdjustedMedia::made(const Medium& photo, const Adjustments& adjustments) {
  if (!photo.bytes) return problem(photo.name + ": its file is missing");
  const auto header = photoHeader(*photo.bytes);
  if (!header) return problem(photo.name + " " + header.error().message);
  int halvings = 0;
  while (static_cast<double>(photo.width >> halvings) * (photo.height >> halvings) > mostPixels) ++halvings;
  auto decoded = decodedPhoto(*photo.bytes, halvings, false);
  if (!decoded) return problem(photo.name + " " + decoded.error().message);
  const QImage image = adjustedPhoto(*decoded, adjustments, double(photo.width) / decoded->width());
  if (image.isNull()) return problem(photo.name + ": there is not enough memory to adjust it");
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  const bool isJpeg = header->kind == PhotoKind::Jpeg;
  QImageWriter writer(&buffer, isJpeg ? "jpeg" : "png");
  if (isJpeg) writer.setQuality(94);
  if (!writer.write(image)) return problem(photo.name + ": its adjusted pixels could not be written");
  auto medium = photoFromBytes(bytes.toStdString(), photo.name);
  if (!medium) return tl::unexpected(medium.error());
  const Affine toPixels = Affine::scale(double(photo.width) / image.width(), double(photo.height) / image.height());
  return Made{*medium, toPixels};
}

}  // namespace widecut
