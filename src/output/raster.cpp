#include "output/raster.h"

#include <QBuffer>
#include <QPainter>

namespace widecut {
namespace {

/// Walks the commands of a layer with one painter; groups are painted on an image of their own.
class LayerPainter {
 public:
  LayerPainter(const Layer& layer, const Media& media, PhotoStore& store, Photos photos)
      : layer_(layer), media_(media), store_(store), photos_(photos) {}

  void paint(QPainter& painter) { run(painter, 0, layer_.commands.size()); }

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
    const QRect pixels = map.mapRect(box).toAlignedRect().adjusted(-1, -1, 1, 1) & all;
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

  static void one(QPainter& painter, const FillOutline& fill) {
    painter.fillPath(painterPath(*fill.outline), painterColour(fill.colour));
  }
  static void one(QPainter& painter, const StrokeOutline& stroke) {
    QPen pen(painterColour(stroke.line.colour), stroke.line.width, Qt::SolidLine, Qt::FlatCap, Qt::SvgMiterJoin);
    pen.setMiterLimit(4);
    painter.strokePath(painterPath(*stroke.outline), pen);
  }
  void one(QPainter& painter, const ImageInOutline& picture) {
    const auto medium = media_.find(picture.medium);
    if (medium == media_.end()) return;
    const QTransform toDevice = painterTransform(picture.pixelsToSheet) * painter.transform();
    const double scale = std::sqrt(std::abs(toDevice.determinant()));
    std::optional<PhotoLevel> level;
    if (photos_ == Photos::Wait)
      level = store_.level(*medium->second, scale);
    else
      level = store_.levelIfReady(medium->second, scale);
    const QPainterPath path = painterPath(*picture.outline);
    if (!level || level->image.isNull()) {
      painter.fillPath(path, QColor(0x9a, 0xa6, 0xa8));
      return;
    }
    QBrush brush(level->image);
    brush.setTransform(painterTransform(picture.pixelsToSheet * level->toPixels));
    painter.fillPath(path, brush);
  }
  static void one(QPainter&, const PushGroup&) {}
  static void one(QPainter&, const PopGroup&) {}

  const Layer& layer_;
  const Media& media_;
  PhotoStore& store_;
  Photos photos_;
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

void paintLayer(QPainter& painter, const Layer& layer, const Media& media, PhotoStore& store, Photos photos) {
  painter.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
  LayerPainter(layer, media, store, photos).paint(painter);
}

Result<QImage> rasterOf(const Scene& scene, const Media& media, PhotoStore& store, double ppi, Ground ground) {
  if (!(ppi >= 1 && ppi <= 4800)) return problem("the resolution must be from 1 to 4800 ppi");
  if (!(scene.width > 0 && scene.height > 0)) return problem("there is nothing to deliver");
  const double scale = ppi / 72, slack = 1e-6;
  const double width = std::ceil(scene.width * scale - slack), height = std::ceil(scene.height * scale - slack);
  if (width * height > 250e6 || width > 32000 || height > 32000)
    return problem("the picture would have " + std::to_string(static_cast<long long>(width)) + " × " +
                   std::to_string(static_cast<long long>(height)) +
                   " pixels; 250 megapixels and 32000 a side are the most: choose fewer ppi");
  QImage image(std::max(1, static_cast<int>(width)), std::max(1, static_cast<int>(height)),
               QImage::Format_ARGB32_Premultiplied);
  if (image.isNull()) return problem("there is not enough memory for the picture: choose fewer ppi");
  image.fill(ground == Ground::Paper ? painterColour(scene.paper) : QColor(Qt::transparent));
  const int dotsPerMetre = static_cast<int>(std::lround(ppi / 0.0254));
  image.setDotsPerMeterX(dotsPerMetre);
  image.setDotsPerMeterY(dotsPerMetre);
  QPainter painter(&image);
  painter.scale(scale, scale);
  for (const Layer& layer : scene.layers) paintLayer(painter, layer, media, store, Photos::Wait);
  return image;
}

Result<std::string> pngOf(const Scene& scene, const Media& media, PhotoStore& store, double ppi, Ground ground) {
  const auto image = rasterOf(scene, media, store, ppi, ground);
  if (!image) return tl::unexpected(image.error());
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  if (!image->save(&buffer, "PNG")) return problem("the picture could not be written as PNG");
  return bytes.toStdString();
}

}  // namespace widecut
