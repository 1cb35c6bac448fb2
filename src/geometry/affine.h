// Affine maps of the plane.
#pragma once

#include <optional>

#include "geometry/box.h"

namespace widecut {

/// The map (x, y) → (xx·x + xy·y + dx, yx·x + yy·y + dy). Angles are in radians; a positive angle turns
/// clockwise on the sheet, because y points down.
struct Affine {
  double xx = 1, yx = 0, xy = 0, yy = 1, dx = 0, dy = 0;
  bool operator==(const Affine&) const = default;

  static Affine move(Point by) { return {1, 0, 0, 1, by.x, by.y}; }
  static Affine scale(double sx, double sy) { return {sx, 0, 0, sy, 0, 0}; }
  static Affine turn(double angle) {
    const double c = std::cos(angle), s = std::sin(angle);
    return {c, s, -s, c, 0, 0};
  }
  /// The same map done about a point instead of the origin.
  Affine about(Point p) const;

  Point operator()(Point p) const { return {xx * p.x + xy * p.y + dx, yx * p.x + yy * p.y + dy}; }
  /// The box around the image of a box.
  Box operator()(const Box& b) const;
  /// The image of a vector: the map without its shift.
  Point vector(Point v) const { return {xx * v.x + xy * v.y, yx * v.x + yy * v.y}; }
  double determinant() const { return xx * yy - xy * yx; }
  /// By how much lengths grow on the whole: the root of what areas do.
  double meanScale() const { return std::sqrt(std::abs(determinant())); }
  /// The linear part alone.
  Affine linear() const { return {xx, yx, xy, yy, 0, 0}; }
  /// The inverse map; nothing when the map is singular or not finite.
  std::optional<Affine> inverse() const;
  /// The angle of the rotation nearest to the linear part (its polar factor); 0 for maps that mirror.
  double turnAngle() const { return determinant() > 0 ? std::atan2(yx - xy, xx + yy) : 0; }
};

/// First `second`, then `first`: (first * second)(p) = first(second(p)).
Affine operator*(const Affine& first, const Affine& second);

inline constexpr double pi = 3.14159265358979323846;
constexpr double radians(double degrees) { return degrees * pi / 180; }
constexpr double degrees(double angle) { return angle * 180 / pi; }

}  // namespace widecut
