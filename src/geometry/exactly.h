// The number that brings a sum to a value exactly.
#pragma once

#include <algorithm>
#include <cmath>

namespace widecut {

/// What has to be added to a drag, near to `by`, so that `valueAt(by)` is exactly `wanted`; `by` itself where none of
/// the numbers tried around it does that.
template <class ValueAt>
double exactly(double by, double wanted, const ValueAt& valueAt) {
  double best = by;
  for (int i = 0; i < 4; ++i) {
    const double off = wanted - valueAt(best);
    if (off == 0) return best;
    best += off;
  }
  // Sums round, each at its own last place: the numbers around are tried one by one.
  constexpr int steps = 24;
  const double least = std::ldexp(std::max({std::abs(best), std::abs(wanted), std::abs(valueAt(0))}), -54);
  for (const double step : {least, 7 * least})
    for (int i = 1; i <= steps; ++i)
      for (const double near : {best + i * step, best - i * step})
        if (valueAt(near) == wanted) return near;
  return by;
}

}  // namespace widecut
