#include "output/pixel_paint.h"

#include <cmath>

#include "media/photo_header.h"
#include "painting/edged_gradient.h"
#include "painting/layer_painter.h"
#include "painting/raster.h"
#include "scene/letters.h"

namespace widecut {
namespace {

constexpr double mostPixels = 40e6;

double scaleFor(const Box& box, double ppi) {
  const double scale = ppi / 72, pixels = box.width() * box.height() * scale * scale;
  return pixels > mostPixels ? scale * std::sqrt(mostPixels / pixels) : scale;
}

QRectF rectOf(const Box& box) { return {box.low.x, box.low.y, box.width(), box.height()}; }

Box boxOf(const QRect& pixels, double scale) {
  return {{pixels.left() / scale, pixels.top() / scale}, {(pixels.right() + 1) / scale, (pixels.bottom() + 1) / scale}};
}

/// Whether nothing is seen through it; of a photo as far as its header rules that out.
bool isWhole(const Brush& brush) {
  if (const auto* colour = std::get_if<Colour>(&brush)) return colour->alpha == 255;
  const auto* picture = std::get_if<PictureBrush>(&brush);
  if (!picture || !picture->medium->bytes) return false;
  const auto header = photoHeader(*picture->medium->bytes);
  return header && !header->mayHaveAlpha;
}

}  // namespace

PixelPaint pixelsOf(const EffectPixels& shown, const Box& area, PhotoStore& store, double ppi, bool isWide) {
  const Effect& effect = shown.effect();
  Box within = shown.box;
  within.low = {std::max(within.low.x, area.low.x), std::max(within.low.y, area.low.y)};
  within.high = {std::min(within.high.x, area.high.x), std::min(within.high.y, area.high.y)};
  if (within.isEmpty()) return {};
  // What an effect is worked out on may be larger than what it paints.
  const Box bodyBox = shown.place(shown.content->body);
  const auto rough = [](const Box& box) {
    return QRectF(box.low.x, box.low.y, box.width(), box.height()).toAlignedRect();
  };
  const QRect room = roomFor(effect, shown.place.meanScale(), rough(within), rough(bodyBox)) | rough(within);
  const double scale = scaleFor(Box{{0, 0}, {double(room.width()), double(room.height())}}, ppi);
  const QTransform toDevice = painterTransform(Affine::scale(scale, scale) * shown.place);
  const QRectF body = bodyBoxOn(*shown.content, toDevice);
  const QRect wanted =
      QTransform::fromScale(scale, scale).mapRect(rectOf(within)).toAlignedRect().adjusted(-1, -1, 1, 1);
  const QRect needed =
      bodyNeeded(effect, scale * shown.place.meanScale(), wanted, body.toAlignedRect().adjusted(-1, -1, 1, 1));
  LayerPainter painter(store, Photos::Wait);
  const PlacedPicture whole = painter.bodyOn(*shown.content, toDevice, needed);
  return {effectPicture(effect, whole, {scale * shown.place.meanScale(), wanted, body, isWide}).image,
          boxOf(wanted, scale)};
}

PixelPaint pixelsOf(const GradientBrush& gradient, const Box& box, double ppi) {
  const double scale = scaleFor(box, ppi);
  const QRect pixels = QTransform::fromScale(scale, scale).mapRect(rectOf(box)).toAlignedRect().adjusted(-1, -1, 1, 1);
  QImage image(pixels.size(), QImage::Format_ARGB32_Premultiplied);
  if (image.isNull()) return {};
  image.fill(Qt::transparent);
  QPainter painter(&image);
  painter.translate(-pixels.topLeft());
  painter.scale(scale, scale);
  const Box filled = boxOf(pixels, scale);
  painter.fillRect(rectOf(filled), gradientBrush(painter, gradient, filled));
  painter.end();
  return {image, filled};
}

std::shared_ptr<const Outline> clipOf(const Content& content) {
  if (!content.inside.empty() || !content.over.empty() || content.under.empty()) return nullptr;
  if (const auto* letters = std::get_if<FillLetters>(&content.under.front()))
    return content.under.size() == 1 && letters->opacity == 1 && letters->colour.alpha == 255 ? drawn(*letters).outline
                                                                                              : nullptr;
  std::shared_ptr<const Outline> outline;
  for (const Mark& mark : content.under) {
    const auto* fill = std::get_if<FillOutline>(&mark);
    if (!fill || (outline && fill->outline != outline)) return nullptr;
    outline = fill->outline;
  }
  // What is see-through inside is seen through with what lies on it: only what is whole is clipped by its outline.
  const auto& last = std::get<FillOutline>(content.under.back());
  return last.opacity == 1 && isWhole(last.brush) ? outline : nullptr;
}

}  // namespace widecut
