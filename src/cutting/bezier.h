// Cubics as four points: evaluation, splitting, and solving where they are monotone.
#pragma once

#include <array>

#include "geometry/point.h"

namespace widecut {

using Bezier = std::array<Point, 4>;

inline Point cubicAt(const Bezier& c, double t) {
  const double u = 1 - t;
  return c[0] * (u * u * u) + c[1] * (3 * u * u * t) + c[2] * (3 * u * t * t) + c[3] * (t * t * t);
}

/// The derivative by t.
inline Point cubicSlope(const Bezier& c, double t) {
  const double u = 1 - t;
  return 3 * ((c[1] - c[0]) * (u * u) + (c[2] - c[1]) * (2 * u * t) + (c[3] - c[2]) * (t * t));
}

/// The two halves at t, by de Casteljau; they share the point at t bit for bit.
inline void splitCubic(const Bezier& c, double t, Bezier& left, Bezier& right) {
  const Point a = mix(c[0], c[1], t), b = mix(c[1], c[2], t), d = mix(c[2], c[3], t);
  const Point ab = mix(a, b, t), bd = mix(b, d, t), m = mix(ab, bd, t);
  const Bezier l{c[0], a, ab, m}, r{m, bd, d, c[3]};
  left = l;
  right = r;
}

/// The blossom of a cubic: its polar form at three parameters.
inline Point blossom(const Bezier& c, double r, double s, double t) {
  const Point a = mix(mix(c[0], c[1], r), mix(c[1], c[2], r), s);
  const Point b = mix(mix(c[1], c[2], r), mix(c[2], c[3], r), s);
  return mix(a, b, t);
}

/// The piece of a cubic from t0 to t1; t0 > t1 gives it reversed.
inline Bezier subCubic(const Bezier& c, double t0, double t1) {
  return {blossom(c, t0, t0, t0), blossom(c, t0, t0, t1), blossom(c, t0, t1, t1), blossom(c, t1, t1, t1)};
}

/// Where the scalar cubic with these Bézier ordinates, which rises from a to d, takes the value: Newton kept
/// inside a bracket. Values outside a…d give 0 or 1.
inline double solveRising(double a, double b, double c, double d, double value) {
  if (value <= a) return 0;
  if (value >= d) return 1;
  const double c1 = 3 * (b - a), c2 = 3 * (a - 2 * b + c), c3 = d - a + 3 * (b - c);
  double low = 0, high = 1, t = (value - a) / (d - a);
  for (int i = 0; i < 64; ++i) {
    const double f = ((c3 * t + c2) * t + c1) * t + (a - value);
    if (f == 0) return t;
    (f < 0 ? low : high) = t;
    const double slope = (3 * c3 * t + 2 * c2) * t + c1;
    double next = slope > 0 ? t - f / slope : -1;
    // Newton that leaves the bracket, or hardly moves while the bracket is wide, gives way to halving.
    if (!(next > low && next < high) || i % 12 == 11) next = 0.5 * (low + high);
    if (std::abs(next - t) <= 1e-16 || next == low || next == high) return next;
    if (i > 2 && std::abs(next - t) < 4e-16 * t) return next;
    t = next;
  }
  return t;
}

}  // namespace widecut
