#include "painting/crowded_path.h"

#include <cairo.h>

#include <QImage>
#include <QPainter>
#include <cmath>
#include <functional>
#include <memory>

#include "cutting/offset.h"
#include "cutting/planar_map.h"
#include "painting/raster.h"

namespace widecut {
namespace {

constexpr double mostEdges = 150;       // in a row, on average, that QPainter is good for
constexpr double farPixels = 8000;      // beyond the picture, that QPainter is good for
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

bool isTooFar(const QPainter& painter, const Box& box) {
  const QRectF on = painter.transform().mapRect(QRectF(box.low.x, box.low.y, box.width(), box.height()));
  return !QRectF(-mostCoordinate, -mostCoordinate, 2 * mostCoordinate, 2 * mostCoordinate).contains(on);
}

/// What of the outline lies on or near these pixels.
Outline cutTo(const Outline& outline, const QRect& on, const QTransform& toDevice) {
  const QPolygonF corners = toDevice.inverted().map(QPolygonF(QRectF(on).adjusted(-4, -4, 4, 4)));
  std::vector<Point> quad;
  quad.reserve(4);
  for (int i = 0; i < 4; ++i) quad.push_back({corners[i].x(), corners[i].y()});
  const Operand operands[] = {{outline}, {polygon(quad)}};
  return cut(operands, Formula::chain(2, Role::Intersect)).value_or(Outline{});
}

}  // namespace

bool isCrowded(const Outline& outline, const QTransform& toDevice, QSize device, double lineWidth) {
  const Box box = bounds(outline).grown(2 * lineWidth);  // mitres reach four half widths
  const QRectF on = toDevice.mapRect(QRectF(box.low.x, box.low.y, box.width(), box.height()));
  const QRectF near = QRectF(QPointF(0, 0), QSizeF(device)).adjusted(-farPixels, -farPixels, farPixels, farPixels);
  if (!box.isEmpty() && !near.contains(on)) return true;
  std::size_t segments = 0;
  for (const Contour& c : outline.contours) segments += c.segments.size();
  if (segments < mostEdges) return false;
  double crossed = 0, low = device.height(), high = 0;
  const auto y = [&](Point p) {
    const double v = std::clamp(toDevice.map(QPointF(p.x, p.y)).y(), 0.0, double(device.height()));
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
  return crossed > mostEdges * std::max(1.0, high - low);
}

void fillCrowded(QPainter& painter, const Outline& outline, const QBrush& brush) {
  const Box box = bounds(outline);
  const QRect on = deviceBox(painter, box);
  if (on.isEmpty()) return;
  const Outline within = isTooFar(painter, box) ? cutTo(outline, on, painter.transform()) : outline;
  paintMasked(painter, on, brush, [&](cairo_t* cairo) {
    setPath(cairo, within);
    cairo_fill(cairo);
  });
}

void strokeCrowded(QPainter& painter, const Outline& outline, const Line& line) {
  const LineShape& shape = line.shape;
  const Box box = lineBounds(outline, shape);
  if (isTooFar(painter, box)) {
    // Too far for Cairo's numbers: its area is cut by ours.
    if (const auto area = lineOutline({outline}, shape)) fillCrowded(painter, *area, painterColour(line.colour));
    return;
  }
  paintMasked(painter, deviceBox(painter, box), painterColour(line.colour), [&](cairo_t* cairo) {
    setPath(cairo, outline);
    cairo_set_line_width(cairo, shape.width);
    cairo_set_miter_limit(cairo, shape.mitreLimit);
    cairo_set_line_cap(cairo, shape.cap == Cap::Round    ? CAIRO_LINE_CAP_ROUND
                              : shape.cap == Cap::Square ? CAIRO_LINE_CAP_SQUARE
                                                         : CAIRO_LINE_CAP_BUTT);
    cairo_set_line_join(cairo, shape.join == Join::Round   ? CAIRO_LINE_JOIN_ROUND
                               : shape.join == Join::Bevel ? CAIRO_LINE_JOIN_BEVEL
                                                           : CAIRO_LINE_JOIN_MITER);
    cairo_set_dash(cairo, shape.dashes.data(), static_cast<int>(shape.dashes.size()), shape.dashStart);
    cairo_stroke(cairo);
  });
}

}  // namespace widecut
