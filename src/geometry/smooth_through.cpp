#include "geometry/smooth_through.h"

#include <cmath>

namespace widecut {
namespace {

Point turned(Point v, double angle) {
  const double c = std::cos(angle), s = std::sin(angle);
  return {c * v.x - s * v.y, s * v.x + c * v.y};
}

/// How long a handle is, as a share of the chord, between directions θ and φ off it: Hobby's formula.
double reach(double theta, double phi) {
  const double a = std::sqrt(2.0) * (std::sin(theta) - std::sin(phi) / 16) * (std::sin(phi) - std::sin(theta) / 16) *
                   (std::cos(theta) - std::cos(phi));
  const double b = 3 * (1 + 0.5 * (std::sqrt(5.0) - 1) * std::cos(theta) + 0.5 * (3 - std::sqrt(5.0)) * std::cos(phi));
  return (2 + a) / b;
}

}  // namespace

Contour smoothThrough(std::span<const Point> points, bool closed) {
  std::vector<Point> z;
  for (const Point p : points)
    if (z.empty() || p != z.back()) z.push_back(p);
  if (closed && z.size() > 1 && z.front() == z.back()) z.pop_back();
  if (z.empty()) return {{}, {}, closed};
  const std::size_t n = z.size();
  Contour out{z[0], {}, closed && n > 2};
  if (n == 1) return out;
  if (n == 2) {
    out.segments.push_back(Segment::line(z[1]));
    return out;
  }
  const auto next = [n](std::size_t i) { return i + 1 == n ? 0 : i + 1; };
  const auto before = [n](std::size_t i) { return i == 0 ? n - 1 : i - 1; };
  const std::size_t edges = out.closed ? n : n - 1;
  std::vector<double> size(n), turn(n, 0), theta(n, 0);
  for (std::size_t i = 0; i < edges; ++i) size[i] = distance(z[i], z[next(i)]);
  for (std::size_t i = out.closed ? 0 : 1; i < (out.closed ? n : n - 1); ++i) {
    const Point a = z[i] - z[before(i)], b = z[next(i)] - z[i];
    turn[i] = std::atan2(cross(a, b), dot(a, b));
  }
  // Each inner equation's own term outweighs the others, so going round comes to rest.
  constexpr int rounds = 60;
  for (int round = 0; round < rounds; ++round)
    for (std::size_t i = 0; i < n; ++i) {
      if (!out.closed && i == 0) {
        theta[0] = -theta[1] - turn[1];
      } else if (!out.closed && i + 1 == n) {
        theta[i] = -theta[i - 1];
      } else {
        const double in = 1 / size[before(i)], to = 1 / size[i];
        theta[i] = -(in * (2 * turn[i] + theta[before(i)]) + to * (turn[next(i)] + theta[next(i)])) / (2 * (in + to));
      }
    }
  for (std::size_t i = 0; i < edges; ++i) {
    const Point chord = z[next(i)] - z[i];
    const double from = theta[i], to = -theta[next(i)] - turn[next(i)];
    out.segments.push_back(Segment::cubic(z[i] + turned(chord, from) * reach(from, to),
                                          z[next(i)] - turned(chord, -to) * reach(to, from), z[next(i)]));
  }
  return out;
}

}  // namespace widecut
