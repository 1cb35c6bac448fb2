// Points and vectors in the plane: x to the right, y down, in points (1/72 inch).
#pragma once

#include <cmath>

namespace widecut {

/// A position, or the vector between two positions. In points (1/72 inch) unless said otherwise.
struct Point {
  double x = 0;
  double y = 0;
  bool operator==(const Point&) const = default;
};

constexpr Point operator+(Point a, Point b) { return {a.x + b.x, a.y + b.y}; }
constexpr Point operator-(Point a, Point b) { return {a.x - b.x, a.y - b.y}; }
constexpr Point operator-(Point a) { return {-a.x, -a.y}; }
constexpr Point operator*(Point a, double s) { return {a.x * s, a.y * s}; }
constexpr Point operator*(double s, Point a) { return a * s; }
constexpr Point operator/(Point a, double s) { return {a.x / s, a.y / s}; }

constexpr double dot(Point a, Point b) { return a.x * b.x + a.y * b.y; }
/// Positive when b lies clockwise of a as seen on the sheet (y down).
constexpr double cross(Point a, Point b) { return a.x * b.y - a.y * b.x; }
inline double length(Point a) { return std::hypot(a.x, a.y); }
inline double distance(Point a, Point b) { return length(b - a); }
/// The vector's direction, of length 1; {0, 0} for none.
inline Point unit(Point a) {
  const double size = length(a);
  return size > 0 ? a / size : Point{};
}
/// The point a share t of the way from a to b; t may lie outside 0…1.
constexpr Point mix(Point a, Point b, double t) { return {a.x + (b.x - a.x) * t, a.y + (b.y - a.y) * t}; }
inline bool isFinite(Point a) { return std::isfinite(a.x) && std::isfinite(a.y); }

}  // namespace widecut
