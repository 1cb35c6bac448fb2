#include "painting/edged_gradient.h"

#include <QPainter>
#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

#include "media/pixel_buffers.h"
#include "painting/raster.h"

namespace widecut {
namespace {

constexpr int coloursOfPainter = 1024;

QBrush painterBrush(const GradientBrush& shown) {
  const auto made = [&]() -> QGradient {
    if (shown.kind == GradientKind::Linear) return QLinearGradient(0, 0, 1, 0);
    if (shown.kind == GradientKind::Radial) return QRadialGradient(QPointF(0, 0), 1);
    return QConicalGradient(0, 0, 0);
  };
  QGradient gradient = made();
  QGradientStops stops;
  for (const GradientStop& stop : *shown.stops) {
    // Two at one place are an edge; the painter's list takes places only once.
    double at = stop.at;
    if (!stops.isEmpty() && at <= stops.last().first) at = stops.last().first + 1e-7;
    stops.append({std::min(at, 1.0), painterColour(stop.colour)});
  }
  gradient.setStops(stops);
  gradient.setInterpolationMode(QGradient::ComponentInterpolation);
  QBrush brush(gradient);
  const Affine turned = shown.kind == GradientKind::Conical ? shown.toOutline * Affine::scale(1, -1) : shown.toOutline;
  brush.setTransform(painterTransform(turned));
  return brush;
}

/// Where a gradient is at a point of its own space, from 0 to 1.
double placeIn(GradientKind kind, double x, double y) {
  if (kind == GradientKind::Linear) return std::clamp(x, 0.0, 1.0);
  if (kind == GradientKind::Radial) return std::min(std::hypot(x, y), 1.0);
  const double turns = std::atan2(y, x) / (2 * std::numbers::pi);
  return turns < 0 ? turns + 1 : turns;
}

/// Where a gradient jumps, from 0 to 1; 0 for the seam of a conical one.
std::vector<double> edgesOf(const GradientBrush& shown) {
  const std::vector<GradientStop>& stops = *shown.stops;
  std::vector<double> out;
  if (shown.kind == GradientKind::Conical && !(stops.front().colour == stops.back().colour)) out.push_back(0);
  for (std::size_t i = 1; i < stops.size(); ++i)
    if (stops[i].at == stops[i - 1].at && !(stops[i].colour == stops[i - 1].colour)) out.push_back(stops[i].at);
  return out;
}

/// Pixels from a gradient's beginning to its end, on a device and where it is longest there.
double lengthOn(const QTransform& toDevice, GradientKind kind, const QRect& pixels) {
  const double along = std::hypot(toDevice.m11(), toDevice.m12()), across = std::hypot(toDevice.m21(), toDevice.m22());
  if (kind == GradientKind::Linear) return along;
  if (kind == GradientKind::Radial) return std::max(along, across);
  double farthest = 0;
  const QPointF middle(toDevice.dx(), toDevice.dy());
  for (const QPoint corner : {pixels.topLeft(), pixels.topRight(), pixels.bottomLeft(), pixels.bottomRight()})
    farthest = std::max(farthest, std::hypot(corner.x() - middle.x(), corner.y() - middle.y()));
  return 2 * std::numbers::pi * farthest;
}

}  // namespace

QBrush gradientBrush(const QPainter& painter, const GradientBrush& shown, const Box& box) {
  const std::vector<double> edges = edgesOf(shown);
  if (edges.empty()) return painterBrush(shown);
  const QTransform own = painterTransform(shown.toOutline) * painter.transform();
  const QRect device(0, 0, painter.device()->width(), painter.device()->height());
  const QRect pixels =
      (painter.transform().mapRect(QRectF(box.low.x, box.low.y, box.width(), box.height())).adjusted(-2, -2, 2, 2) &
       QRectF(device))
          .toAlignedRect();
  // The edges of conical ones run out from their middle, and are smoothed as those of outlines are.
  const bool isConical = shown.kind == GradientKind::Conical;
  bool canBack = false, canBackToOwn = false;
  const QTransform back = painter.transform().inverted(&canBack), toOwn = own.inverted(&canBackToOwn);
  const double length = lengthOn(own, shown.kind, pixels);
  if (!canBack || !canBackToOwn || pixels.isEmpty() || (!isConical && !(length > coloursOfPainter)))
    return painterBrush(shown);
  QImage image = unpaintedImage(pixels.size());
  if (image.isNull()) return painterBrush(shown);

  constexpr double mostColours = 1 << 16;
  std::vector<QRgb> colours(static_cast<std::size_t>(std::min(2 * length, mostColours)));
  for (std::size_t i = 0; i < colours.size(); ++i) {
    const double at = (static_cast<double>(i) + 0.5) / static_cast<double>(colours.size());
    colours[i] = qPremultiply(painterColour(colourAt(*shown.stops, false, at)).rgba());
  }
  const auto last = static_cast<double>(colours.size() - 1);
  const auto colourOf = [&](QPointF at) {
    const double place = placeIn(shown.kind, at.x(), at.y()) * static_cast<double>(colours.size());
    return colours[static_cast<std::size_t>(std::min(place, last))];
  };
  const QPointF across(toOwn.m11(), toOwn.m12()), down(toOwn.m21(), toOwn.m22());
  const double pixel = std::max(std::hypot(across.x(), across.y()), std::hypot(down.x(), down.y()));
  const auto isAtEdge = [&](QPointF at) {
    const double round = 2 * std::numbers::pi * std::hypot(at.x(), at.y()), place = placeIn(shown.kind, at.x(), at.y());
    return std::any_of(edges.begin(), edges.end(), [&](double edge) {
      const double off = std::abs(place - edge);
      return std::min(off, 1 - off) * round < pixel;
    });
  };
  const auto smoothed = [&](QPointF at) {
    constexpr int fine = 8;
    std::array<int, 4> sum{};
    for (int j = 0; j < fine; ++j)
      for (int i = 0; i < fine; ++i) {
        const QRgb c = colourOf(at + across * ((i + 0.5) / fine - 0.5) + down * ((j + 0.5) / fine - 0.5));
        for (unsigned k = 0; k < 4; ++k) sum[k] += static_cast<int>(c >> (8 * k) & 0xFFU);
      }
    QRgb out = 0;
    for (unsigned k = 0; k < 4; ++k) out |= static_cast<QRgb>((sum[k] + fine * fine / 2) / (fine * fine)) << (8 * k);
    return out;
  };
  for (int y = 0; y < pixels.height(); ++y) {
    auto* line = reinterpret_cast<QRgb*>(image.scanLine(y));
    QPointF at = toOwn.map(QPointF(pixels.x() + 0.5, pixels.y() + y + 0.5));
    for (int x = 0; x < pixels.width(); ++x, at += across)
      line[x] = isConical && isAtEdge(at) ? smoothed(at) : colourOf(at);
  }
  QBrush brush(image);
  brush.setTransform(QTransform::fromTranslate(pixels.x(), pixels.y()) * back);
  return brush;
}

}  // namespace widecut
