#include "output/raster.h"

#include <QPainter>

#include "output/crowded_path.h"
#include "output/photo_tile.h"
#include "project/limits.h"

namespace widecut {
namespace {

/// The pixels of `all` that an area touches, with one around them. An area may be wider than integers reach.
QRect pixelsTouched(const QRectF& area, const QRect& all) {
  return (area.adjusted(-1, -1, 1, 1) & QRectF(all)).toAlignedRect() & all;
}

/// Walks the commands of a layer with one painter; groups are painted on an image of their own.
class LayerPainter {
 public:
  LayerPainter(const Layer& layer, const Media& media, PhotoStore& store, Photos photos)
      : layer_(layer), media_(media), store_(store), photos_(photos) {}

  /// True when every photo was there.
  bool paint(QPainter& painter) {
    run(painter, 0, layer_.commands.size());
    return isFinal_;
  }

 private:
  void run(QPainter& painter, std::size_t from, std::size_t to) {
    for (std::size_t i = from; i < to; ++i) {
      if (const auto* push = std::get_if<PushGroup>(&layer_.commands[i])) {
        const std::size_t end = groupEnd(i);
        group(painter, i + 1, end, push->opacity);
        i = end;
      } else {
        std::visit([&](const auto& command) { one(painter, command); }, layer_.commands[i]);
      }
    }
  }

  std::size_t groupEnd(std::size_t push) const {
    int depth = 0;
    for (std::size_t i = push; i < layer_.commands.size(); ++i) {
      depth += std::holds_alternative<PushGroup>(layer_.commands[i]);
      depth -= std::holds_alternative<PopGroup>(layer_.commands[i]);
      if (depth == 0) return i;
    }
    return layer_.commands.size();
  }

  void group(QPainter& painter, std::size_t from, std::size_t to, double opacity) {
    const QTransform map = painter.transform();
    const QRectF box(layer_.box.low.x, layer_.box.low.y, layer_.box.width(), layer_.box.height());
    const QRect all(0, 0, painter.device()->width(), painter.device()->height());
    const QRect pixels = pixelsTouched(map.mapRect(box), all);
    if (pixels.isEmpty()) return;
    QImage image(pixels.size(), QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::transparent);
    QPainter inner(&image);
    inner.setRenderHints(painter.renderHints());
    inner.setTransform(map * QTransform::fromTranslate(-pixels.x(), -pixels.y()));
    run(inner, from, to);
    inner.end();
    painter.save();
    painter.resetTransform();
    painter.setOpacity(opacity);
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
      painter.fillPath(painterPath(outline), brush);
  }
  static void one(QPainter& painter, const FillOutline& f) { fill(painter, *f.outline, painterColour(f.colour)); }
  static void one(QPainter& painter, const StrokeOutline& stroke) {
    if (crowds(painter, *stroke.outline, stroke.line.width)) {
      strokeCrowded(painter, *stroke.outline, stroke.line);
      return;
    }
    QPen pen(painterColour(stroke.line.colour), stroke.line.width, Qt::SolidLine, Qt::FlatCap, Qt::SvgMiterJoin);
    pen.setMiterLimit(4);
    painter.strokePath(painterPath(*stroke.outline), pen);
  }
  void one(QPainter& painter, const ImageInOutline& picture) {
    const auto medium = media_.find(picture.medium);
    if (medium == media_.end()) return;
    const QTransform toDevice = painterTransform(picture.pixelsToSheet) * painter.transform();
    const double scale = std::sqrt(std::abs(toDevice.determinant()));
    if (photos_ == Photos::Wait && scale < 1) {
      reduced(painter, picture, *medium->second, toDevice);
      return;
    }
    PhotoLevel level;
    if (photos_ == Photos::Wait) {
      level = store_.level(*medium->second, scale);
    } else if (auto ready = store_.levelIfReady(medium->second, scale)) {
      level = std::move(ready->level);
      isFinal_ = isFinal_ && ready->isFinal;
    } else {
      isFinal_ = false;
      fill(painter, *picture.outline, QColor(0x9a, 0xa6, 0xa8));
      return;
    }
    if (level.image.isNull()) {
      missing(painter, picture);
      return;
    }
    const Box box = bounds(*picture.outline);
    const QRectF on = painter.transform().mapRect(QRectF(box.low.x, box.low.y, box.width(), box.height()));
    const QRect all(0, 0, painter.device()->width(), painter.device()->height());
    level = partOn(std::move(level), toDevice, pixelsTouched(on, all));
    QBrush brush(level.image);
    brush.setTransform(painterTransform(picture.pixelsToSheet * level.toPixels));
    fill(painter, *picture.outline, brush);
  }
  /// A photo made smaller, every pixel the mean of what it covers.
  void reduced(QPainter& painter, const ImageInOutline& picture, const Medium& medium, const QTransform& toDevice) {
    const QPainterPath path = painter.transform().map(painterPath(*picture.outline));
    const QRect all(0, 0, painter.device()->width(), painter.device()->height());
    const QRect on = pixelsTouched(path.boundingRect(), all);
    if (on.isEmpty()) return;
    const QImage tile = photoTile(medium, store_, toDevice, on);
    if (tile.isNull()) {
      missing(painter, picture);
      return;
    }
    QBrush brush(tile);
    // The brush lies in the painter's coordinates, the tile in the target's pixels.
    brush.setTransform(QTransform::fromTranslate(on.x(), on.y()) * painter.transform().inverted());
    if (crowds(painter, *picture.outline)) {
      fillCrowded(painter, *picture.outline, brush);
      return;
    }
    brush.setTransform(QTransform::fromTranslate(on.x(), on.y()));
    painter.save();
    painter.resetTransform();
    painter.fillPath(path, brush);
    painter.restore();
  }
  static void missing(QPainter& painter, const ImageInOutline& picture) {
    for (const FillOutline& fill : standIn(picture)) one(painter, fill);
  }
  static void one(QPainter&, const PushGroup&) {}
  static void one(QPainter&, const PopGroup&) {}

  const Layer& layer_;
  const Media& media_;
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

bool paintLayer(QPainter& painter, const Layer& layer, const Media& media, PhotoStore& store, Photos photos) {
  painter.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
  return LayerPainter(layer, media, store, photos).paint(painter);
}

Result<Raster> Raster::of(const Scene& scene, const Media& media, PhotoStore& store, double ppi, Ground ground) {
  if (!(ppi >= limits::leastPpi && ppi <= limits::mostPpi)) return problem("the resolution must be from 1 to 4800 ppi");
  const Box area = scene.area();
  if (!(area.width() > 0 && area.height() > 0)) return problem("there is nothing to deliver");
  Raster raster(scene, media, store);
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
    if (layer.box.grown(1 / scale_).touches(onSheet)) paintLayer(painter, layer, media_, store_, Photos::Wait);
  return image;
}

Result<QImage> rasterOf(const Scene& scene, const Media& media, PhotoStore& store, double ppi, Ground ground) {
  const auto raster = Raster::of(scene, media, store, ppi, ground);
  if (!raster) return tl::unexpected(raster.error());
  QImage image = raster->band(0, raster->size().height());
  if (image.isNull()) return problem("there is not enough memory for the picture: choose fewer ppi");
  const int dotsPerMetre = static_cast<int>(std::lround(ppi / 0.0254));
  image.setDotsPerMeterX(dotsPerMetre);
  image.setDotsPerMeterY(dotsPerMetre);
  return image;
}

}  // namespace widecut
