#include "cutting/taper.h"

#include <cmath>

#include "cutting/planar_map.h"
#include "geometry/curve.h"

namespace widecut {
namespace {

constexpr double pi = 3.14159265358979323846;

Point rightOf(Point way) { return {-way.y, way.x}; }

/// Chords of so many pieces stray from a curve by about an eighth of what its direction turns by, squared, times its
/// length: so many that this is little.
int piecesFor(const Bezier& c, double size, double width, double longest) {
  const Point a = c[1] - c[0], b = c[2] - c[1], d = c[3] - c[2];
  const double bend = std::max(length(b - a), length(d - b));  // a sixth of the second derivative
  constexpr double most = 400;
  const double tolerance = std::max(width * 1e-3, 1e-6);
  return static_cast<int>(
      std::clamp(std::ceil(std::max(std::sqrt(6 * bend / 8 / tolerance), size / longest)), 1.0, most));
}

Contour disc(Point middle, double radius) {
  constexpr int sides = 48;
  std::vector<Point> corners;
  corners.reserve(sides);
  for (int i = 0; i < sides; ++i)
    corners.push_back(middle + Point{std::cos(2 * pi * i / sides), std::sin(2 * pi * i / sides)} * radius);
  return polygon(corners).contours.front();
}

}  // namespace

std::vector<LinePlace> placesAlong(const Contour& contour, double width, int steps) {
  std::vector<Bezier> curves;
  Point at = contour.start;
  for (const Segment& segment : contour.segments) {
    curves.push_back(asCubic(at, segment));
    at = segment.end;
  }
  if (contour.closed && !(at == contour.start)) curves.push_back(asCubic(at, Segment::line(contour.start)));
  double whole = 0;
  for (const Bezier& c : curves) whole += arcLength(c);
  std::vector<LinePlace> places;
  if (!(whole > 0)) return places;
  double along = 0;
  for (const Bezier& c : curves) {
    const double size = arcLength(c);
    if (!(size > 0)) continue;
    const int pieces = piecesFor(c, size, width, whole / std::max(1, steps));
    const bool turns = places.empty() || length(places.back().normal - rightOf(startDirection(c))) > 1e-6;
    double before = 0;
    for (int k = turns ? 0 : 1; k <= pieces; ++k) {
      const double t = static_cast<double>(k) / pieces;
      if (k > 0) along += arcLength(c, before, t);
      before = t;
      const Point way = k == 0 ? startDirection(c) : k == pieces ? endDirection(c) : direction(c, t);
      places.push_back({pointOn(c, t), rightOf(way), along});
    }
  }
  return places;
}

Result<Outline> taperedLine(const Outline& outline, double width, double startShare, double endShare) {
  Outline strips;
  for (const Contour& contour : outline.contours) {
    const auto places = placesAlong(contour, width, 8);
    if (places.size() < 2) continue;
    const double whole = places.back().along;
    const auto half = [&](const LinePlace& place) {
      const double t = place.along / whole;
      const double share = t < 0.5 ? startShare + (1 - startShare) * 2 * t : 1 + (endShare - 1) * (2 * t - 1);
      return std::max(share, 1e-6) * width / 2;
    };
    for (std::size_t i = 1; i < places.size(); ++i) {
      const LinePlace &a = places[i - 1], &b = places[i];
      const double u = half(a), v = half(b);
      if (a.at == b.at) {  // a corner
        strips.contours.push_back(disc(a.at, u));
        continue;
      }
      // All run the same way round, so that where they overlap they add up.
      strips.contours.push_back(
          polygon({a.at - a.normal * u, b.at - b.normal * v, b.at + b.normal * v, a.at + a.normal * u})
              .contours.front());
    }
    if (contour.closed) strips.contours.push_back(disc(contour.start, half(places.front())));
  }
  const Operand operands[] = {{std::move(strips)}};
  const auto map = PlanarMap::of(operands);
  if (!map) return tl::unexpected(map.error());
  return map->unite();
}

}  // namespace widecut
