// Judging a cut without topology: scanlines, exact crossings, winding sums.
#pragma once

#include <functional>
#include <random>

#include "geometry/outline.h"

namespace widecut {

/// The winding number of an outline, closed, round a point, by crossings of a ray with fine runs.
inline int windingAt(const std::vector<std::vector<Point>>& runs, Point p) {
  int winding = 0;
  for (const auto& run : runs)
    for (std::size_t i = 0; i < run.size(); ++i) {
      const Point a = run[i], b = run[(i + 1) % run.size()];
      if ((a.y <= p.y) == (b.y <= p.y)) continue;
      const double x = a.x + (b.x - a.x) * (p.y - a.y) / (b.y - a.y);
      if (x > p.x) winding += b.y > a.y ? 1 : -1;
    }
  return winding;
}

/// The share of random points of the box at which the result and the truth differ, points within `margin` of
/// any operand's edge left out.
inline double shareWrong(const std::vector<Outline>& operands,
                         const std::function<bool(const std::vector<bool>&)>& truth, const Outline& result, int samples,
                         unsigned seed, double margin) {
  Box box;
  std::vector<std::vector<std::vector<Point>>> runs;
  for (const Outline& o : operands) {
    box.add(bounds(o));
    runs.push_back(flattened(o, 1e-4));
  }
  const auto resultRuns = flattened(result, 1e-4);
  std::mt19937 random(seed);
  std::uniform_real_distribution<double> x(box.low.x, box.high.x), y(box.low.y, box.high.y);
  int wrong = 0, judged = 0;
  for (int i = 0; i < samples; ++i) {
    const Point p{x(random), y(random)};
    bool near = false;
    for (const Outline& o : operands) near = near || edgeDistance(o, p, margin / 4) < margin;
    if (near) continue;
    std::vector<bool> covers;
    for (const auto& r : runs) covers.push_back(windingAt(r, p) != 0);
    ++judged;
    wrong += truth(covers) != (windingAt(resultRuns, p) != 0);
  }
  return judged > 0 ? static_cast<double>(wrong) / judged : 1;
}

}  // namespace widecut
