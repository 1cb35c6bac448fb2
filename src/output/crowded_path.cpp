#include "output/crowded_path.h"

#include <cairo.h>

#include <QImage>
#include <QPainter>
#include <cmath>
#include <functional>
#include <memory>

#include "output/raster.h"

namespace widecut {
namespace {

constexpr double mostEdges = 150;       // in a row, on average, that QPainter is good for
constexpr double mostCoordinate = 4e6;  // Cairo counts in 1/256 pixels of 32 bits

struct SurfaceEnd {
  void operator()(cairo_surface_t* s) const { cairo_surface_destroy(s); }
};
struct ContextEnd {
  void operator()(cairo_t* c) const { cairo_destroy(c); }
};

void setPath(cairo_t* cairo, const Outline& outline) {
  for (const Contour& contour : outline.contours) {
    cairo_move_to(cairo, contour.start.x, contour.start.y);
    Point at = contour.start;
    for (const Segment& s : contour.segments) {
      const auto c = asCubic(at, s);
      if (s.kind == SegmentKind::Line)
        cairo_line_to(cairo, s.end.x, s.end.y);
      else
        cairo_curve_to(cairo, c[1].x, c[1].y, c[2].x, c[2].y, c[3].x, c[3].y);
      at = s.end;
    }
    if (contour.closed) cairo_close_path(cairo);
  }
}

/// Paints with the brush wherever `draw` covers, within the pixels `on`.
void paintMasked(QPainter& painter, const QRect& on, const QBrush& brush, const std::function<void(cairo_t*)>& draw) {
  if (on.isEmpty()) return;
  QImage mask(on.size(), QImage::Format_Alpha8);
  QImage tile(on.size(), QImage::Format_ARGB32_Premultiplied);
  if (mask.isNull() || tile.isNull()) return;
  mask.fill(0);
  const QTransform toDevice = painter.transform();
  {
    const std::unique_ptr<cairo_surface_t, SurfaceEnd> surface(cairo_image_surface_create_for_data(
        mask.bits(), CAIRO_FORMAT_A8, mask.width(), mask.height(), static_cast<int>(mask.bytesPerLine())));
    const std::unique_ptr<cairo_t, ContextEnd> cairo(cairo_create(surface.get()));
    const cairo_matrix_t matrix{toDevice.m11(), toDevice.m12(),         toDevice.m21(),
                                toDevice.m22(), toDevice.dx() - on.x(), toDevice.dy() - on.y()};
    cairo_set_matrix(cairo.get(), &matrix);
    draw(cairo.get());
    cairo_surface_flush(surface.get());
  }
  tile.fill(Qt::transparent);
  QPainter inner(&tile);
  inner.setRenderHints(painter.renderHints());
  inner.setTransform(toDevice * QTransform::fromTranslate(-on.x(), -on.y()));
  inner.fillPath(inner.transform().inverted().map([&] {
    QPainterPath all;
    all.addRect(QRectF(QPointF(0, 0), QSizeF(on.size())));
    return all;
  }()),
                 brush);
  inner.resetTransform();
  inner.setCompositionMode(QPainter::CompositionMode_DestinationIn);
  inner.drawImage(0, 0, mask);
  inner.end();
  painter.save();
  painter.resetTransform();
  painter.drawImage(on.topLeft(), tile);
  painter.restore();
}

QRect deviceBox(const QPainter& painter, const Box& box) {
  const QRectF sheet(box.low.x, box.low.y, box.width(), box.height());
  const QRectF mapped = painter.transform().mapRect(sheet).adjusted(-1, -1, 1, 1);
  return (mapped & QRectF(0, 0, painter.device()->width(), painter.device()->height())).toAlignedRect();
}

}  // namespace

bool isCrowded(const Outline& outline, const QTransform& toDevice, QSize device) {
  std::size_t segments = 0;
  for (const Contour& c : outline.contours) segments += c.segments.size();
  if (segments < mostEdges) return false;
  double crossed = 0, low = device.height(), high = 0;
  bool within = true;
  const auto y = [&](Point p) {
    const QPointF at = toDevice.map(QPointF(p.x, p.y));
    within = within && std::abs(at.x()) < mostCoordinate && std::abs(at.y()) < mostCoordinate;
    const double v = std::clamp(at.y(), 0.0, double(device.height()));
    low = std::min(low, v);
    high = std::max(high, v);
    return v;
  };
  for (const Contour& c : outline.contours) {
    double before = y(c.start);
    for (const Segment& s : c.segments) {
      const double now = y(s.end);
      crossed += std::abs(now - before);
      before = now;
    }
  }
  return within && crossed > mostEdges * std::max(1.0, high - low);
}

void fillCrowded(QPainter& painter, const Outline& outline, const QBrush& brush) {
  paintMasked(painter, deviceBox(painter, bounds(outline)), brush, [&](cairo_t* cairo) {
    setPath(cairo, outline);
    cairo_fill(cairo);
  });
}

void strokeCrowded(QPainter& painter, const Outline& outline, const Line& line) {
  const Box box = bounds(outline).grown(2 * line.width);  // mitres reach four half widths
  paintMasked(painter, deviceBox(painter, box), painterColour(line.colour), [&](cairo_t* cairo) {
    setPath(cairo, outline);
    cairo_set_line_width(cairo, line.width);
    cairo_set_miter_limit(cairo, 4);
    cairo_stroke(cairo);
  });
}

}  // namespace widecut
