#include "painting/raster.h"

#include <QPainter>

#include "media/gaussian.h"
#include "painting/layer_painter.h"
#include "project/limits.h"

namespace widecut {

QPainterPath painterPath(const Outline& outline) {
  QPainterPath path;
  path.setFillRule(Qt::WindingFill);
  const auto at = [](Point p) { return QPointF(p.x, p.y); };
  for (const Contour& c : outline.contours) {
    path.moveTo(at(c.start));
    for (const Segment& s : c.segments) {
      if (s.kind == SegmentKind::Line) path.lineTo(at(s.end));
      if (s.kind == SegmentKind::Quadratic) path.quadTo(at(s.handle1), at(s.end));
      if (s.kind == SegmentKind::Cubic) path.cubicTo(at(s.handle1), at(s.handle2), at(s.end));
    }
    if (c.closed) path.closeSubpath();
  }
  return path;
}

QTransform painterTransform(const Affine& m) { return {m.xx, m.yx, m.xy, m.yy, m.dx, m.dy}; }

QRect pixelBox(const Box& box) {
  if (box.isEmpty()) return {};
  const QRectF r(box.low.x, box.low.y, box.width(), box.height());
  constexpr double most = 1e8;
  return (r & QRectF(-most, -most, 2 * most, 2 * most)).toAlignedRect().adjusted(-1, -1, 1, 1);
}

QColor painterColour(Colour c) { return {c.red, c.green, c.blue, c.alpha}; }

std::size_t BodyKeep::bytes() const {
  auto sum = static_cast<std::size_t>(image.sizeInBytes());
  for (const KeptSoft& kept : softs) sum += kept.soft->bytes();
  return sum;
}

bool paintLayer(QPainter& painter, const Layer& layer, PhotoStore& store, Photos photos, BodyKeep* keep) {
  painter.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
  const bool hasBody = layer.content && !layer.content->finish.empty();
  return LayerPainter(store, photos, hasBody ? keep : nullptr).paint(painter, layer);
}

Result<Raster> Raster::of(const Scene& scene, PhotoStore& store, double ppi, Ground ground) {
  if (!(ppi >= limits::leastPpi && ppi <= limits::mostPpi)) return problem("the resolution must be from 1 to 4800 ppi");
  const Box area = scene.area();
  if (!(area.width() > 0 && area.height() > 0)) return problem("there is nothing to deliver");
  Raster raster(scene, store);
  raster.scale_ = ppi / 72;
  raster.ground_ = ground;
  constexpr double slack = 1e-6;
  const double width = std::ceil(area.width() * raster.scale_ - slack);
  const double height = std::ceil(area.height() * raster.scale_ - slack);
  if (width * height > 250e6 || width > 32000 || height > 32000)
    return problem("the picture would have " + std::to_string(static_cast<long long>(width)) + " × " +
                   std::to_string(static_cast<long long>(height)) +
                   " pixels; 250 megapixels and 32000 a side are the most: choose fewer ppi");
  raster.size_ = {std::max(1, static_cast<int>(width)), std::max(1, static_cast<int>(height))};
  return raster;
}

bool Raster::isOpaque() const { return ground_ == Ground::Paper && scene_.paper.alpha == 255; }

int Raster::bandRows() const {
  constexpr int bandBytes = 16 << 20;
  return std::clamp(bandBytes / (4 * size_.width()), 16, size_.height() + 16);
}

QImage Raster::band(int y, int rows) const {
  QImage image(size_.width(), std::min(rows, size_.height() - y),
               isOpaque() ? QImage::Format_RGB32 : QImage::Format_ARGB32_Premultiplied);
  if (image.isNull()) return image;
  image.fill(ground_ == Ground::Paper ? painterColour(scene_.paper) : QColor(Qt::transparent));
  QPainter painter(&image);
  painter.translate(0, -y);
  painter.scale(scale_, scale_);
  painter.translate(-scene_.area().low.x, -scene_.area().low.y);
  const Box visible = Box{{0, y / scale_}, {size_.width() / scale_, (y + image.height()) / scale_}};
  const Box onSheet{visible.low + scene_.area().low, visible.high + scene_.area().low};
  for (const Layer& layer : scene_.layers)
    if (layer.box().grown(1 / scale_).touches(onSheet)) paintLayer(painter, layer, store_, Photos::Wait);
  return image;
}

Result<QImage> rasterOf(const Scene& scene, PhotoStore& store, double ppi, Ground ground) {
  const auto raster = Raster::of(scene, store, ppi, ground);
  if (!raster) return tl::unexpected(raster.error());
  QImage image = raster->band(0, raster->size().height());
  if (image.isNull()) return problem("there is not enough memory for the picture: choose fewer ppi");
  const int dotsPerMetre = static_cast<int>(std::lround(ppi / 0.0254));
  image.setDotsPerMeterX(dotsPerMetre);
  image.setDotsPerMeterY(dotsPerMetre);
  return image;
}

}  // namespace widecut
