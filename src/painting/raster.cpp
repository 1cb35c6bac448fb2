#include "painting/raster.h"

#include <QPainter>

#include "painting/crowded_path.h"
#include "painting/photo_tile.h"
#include "project/limits.h"

namespace widecut {
namespace {

/// The pixels of `all` that an area touches, with one around them. An area may be wider than integers reach.
QRect pixelsTouched(const QRectF& area, const QRect& all) {
  return (area.adjusted(-1, -1, 1, 1) & QRectF(all)).toAlignedRect() & all;
}

/// Paints layers with painters whose coordinates are the space that the layers lie in.
class LayerPainter {
 public:
  LayerPainter(PhotoStore& store, Photos photos) : store_(store), photos_(photos) {}

  /// True when every photo was there.
  bool paint(QPainter& painter, const Layer& layer) {
    if (layer.opacity < 1)
      asOne(painter, layer);
    else
      content(painter, layer);
    return isFinal_;
  }

 private:
  void content(QPainter& painter, const Layer& layer) {
    const QTransform before = painter.transform();
    painter.setTransform(painterTransform(layer.place), true);
    for (const Mark& mark : layer.content->under) std::visit([&](const auto& m) { one(painter, m); }, mark);
    for (const Layer& inner : layer.content->inside) paint(painter, inner);
    for (const Mark& mark : layer.content->over) std::visit([&](const auto& m) { one(painter, m); }, mark);
    painter.setTransform(before);
  }

  /// On an image of its own, which is then made see-through.
  void asOne(QPainter& painter, const Layer& layer) {
    const QTransform map = painter.transform();
    const Box reach = layer.box();
    const QRectF box(reach.low.x, reach.low.y, reach.width(), reach.height());
    const QRect all(0, 0, painter.device()->width(), painter.device()->height());
    const QRect pixels = pixelsTouched(map.mapRect(box), all);
    if (pixels.isEmpty()) return;
    QImage image(pixels.size(), QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::transparent);
    QPainter inner(&image);
    inner.setRenderHints(painter.renderHints());
    inner.setTransform(map * QTransform::fromTranslate(-pixels.x(), -pixels.y()));
    content(inner, layer);
    inner.end();
    painter.save();
    painter.resetTransform();
    painter.setOpacity(layer.opacity);
    painter.drawImage(pixels.topLeft(), image);
    painter.restore();
  }

  static bool crowds(const QPainter& painter, const Outline& outline, double lineWidth = 0) {
    return isCrowded(outline, painter.transform(), {painter.device()->width(), painter.device()->height()}, lineWidth);
  }
  static void fill(QPainter& painter, const Outline& outline, const QBrush& brush) {
    if (crowds(painter, outline))
      fillCrowded(painter, outline, brush);
    else
      painter.fillPath(pathOn(painter, outline, 0), brush);
  }
  /// The path without contours that lie wholly off the picture: painters scan those too.
  static QPainterPath pathOn(const QPainter& painter, const Outline& outline, double lineWidth) {
    constexpr std::size_t few = 4;
    const auto back = painter.transform().inverted();
    if (outline.contours.size() <= few) return painterPath(outline);
    constexpr double mitre = 4;
    const double more = mitre * lineWidth;
    const QRectF seen = back.mapRect(QRectF(-2, -2, painter.device()->width() + 4, painter.device()->height() + 4))
                            .adjusted(-more, -more, more, more);
    const Box on{{seen.left(), seen.top()}, {seen.right(), seen.bottom()}};
    Outline left;
    for (const Contour& contour : outline.contours)
      if (hullOf(contour).touches(on)) left.contours.push_back(contour);
    return painterPath(left);
  }
  static Box hullOf(const Contour& contour) {
    Box box;
    box.add(contour.start);
    Point at = contour.start;
    for (const Segment& segment : contour.segments) {
      box.add(hull(at, segment));
      at = segment.end;
    }
    return box;
  }
  void one(QPainter& painter, const FillOutline& filling) {
    const double before = painter.opacity();
    painter.setOpacity(before * filling.opacity);
    if (const auto* colour = std::get_if<Colour>(&filling.brush))
      fill(painter, *filling.outline, painterColour(*colour));
    else
      picture(painter, filling, std::get<PictureBrush>(filling.brush));
    painter.setOpacity(before);
  }
  static void one(QPainter& painter, const StrokeOutline& stroke) {
    if (crowds(painter, *stroke.outline, stroke.line.width)) {
      strokeCrowded(painter, *stroke.outline, stroke.line);
      return;
    }
    QPen pen(painterColour(stroke.line.colour), stroke.line.width, Qt::SolidLine, Qt::FlatCap, Qt::SvgMiterJoin);
    pen.setMiterLimit(4);
    painter.strokePath(pathOn(painter, *stroke.outline, stroke.line.width), pen);
  }
  void picture(QPainter& painter, const FillOutline& filling, const PictureBrush& shown) {
    const QTransform toDevice = painterTransform(shown.toOutline) * painter.transform();
    const double scale = std::sqrt(std::abs(toDevice.determinant()));
    if (photos_ == Photos::Wait && scale < 1) {
      reduced(painter, filling, *shown.medium, toDevice);
      return;
    }
    PhotoLevel level;
    if (photos_ == Photos::Wait) {
      level = store_.level(*shown.medium, scale);
    } else if (auto ready = store_.levelIfReady(shown.medium, scale)) {
      level = std::move(ready->level);
      isFinal_ = isFinal_ && ready->isFinal;
    } else {
      isFinal_ = false;
      fill(painter, *filling.outline, QColor(0x9a, 0xa6, 0xa8));
      return;
    }
    if (level.image.isNull()) {
      missing(painter, filling);
      return;
    }
    const Box box = bounds(*filling.outline);
    const QRectF on = painter.transform().mapRect(QRectF(box.low.x, box.low.y, box.width(), box.height()));
    const QRect all(0, 0, painter.device()->width(), painter.device()->height());
    level = partOn(std::move(level), toDevice, pixelsTouched(on, all));
    QBrush brush(level.image);
    brush.setTransform(painterTransform(shown.toOutline * level.toPixels));
    fill(painter, *filling.outline, brush);
  }
  /// A photo made smaller, every pixel the mean of what it covers.
  void reduced(QPainter& painter, const FillOutline& filling, const Medium& medium, const QTransform& toDevice) {
    const QPainterPath path = painter.transform().map(painterPath(*filling.outline));
    const QRect all(0, 0, painter.device()->width(), painter.device()->height());
    const QRect on = pixelsTouched(path.boundingRect(), all);
    if (on.isEmpty()) return;
    const QImage tile = photoTile(medium, store_, toDevice, on);
    if (tile.isNull()) {
      missing(painter, filling);
      return;
    }
    QBrush brush(tile);
    // The brush lies in the painter's coordinates, the tile in the target's pixels.
    brush.setTransform(QTransform::fromTranslate(on.x(), on.y()) * painter.transform().inverted());
    if (crowds(painter, *filling.outline)) {
      fillCrowded(painter, *filling.outline, brush);
      return;
    }
    brush.setTransform(QTransform::fromTranslate(on.x(), on.y()));
    painter.save();
    painter.resetTransform();
    painter.fillPath(path, brush);
    painter.restore();
  }
  void missing(QPainter& painter, const FillOutline& filling) {
    for (const FillOutline& part : standIn(filling)) one(painter, part);
  }

  PhotoStore& store_;
  Photos photos_;
  bool isFinal_ = true;
};

}  // namespace

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

QColor painterColour(Colour c) { return {c.red, c.green, c.blue, c.alpha}; }

bool paintLayer(QPainter& painter, const Layer& layer, PhotoStore& store, Photos photos) {
  painter.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
  return LayerPainter(store, photos).paint(painter, layer);
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
