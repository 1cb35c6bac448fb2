// Solving cubics where they are monotone.
#pragma once

#include "geometry/curve.h"

namespace widecut {

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
