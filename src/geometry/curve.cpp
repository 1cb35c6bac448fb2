#include "geometry/curve.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <vector>

#include "geometry/sign_changes.h"

namespace widecut {
namespace {

constexpr double stillness = 1e-9;  // a speed below this share of the curve's size is none

double sizeOf(const Bezier& c) { return distance(c[0], c[1]) + distance(c[1], c[2]) + distance(c[2], c[3]); }

/// Gauss and Legendre's places and weights for 16 of them on −1…1; those below 0 are their mirror images.
constexpr double places[8] = {0.0950125098376374402, 0.2816035507792589132, 0.4580167776572273863,
                              0.6178762444026437484, 0.7554044083550030339, 0.8656312023878317439,
                              0.9445750230732325761, 0.9894009349916499326};
constexpr double weights[8] = {0.1894506104550684963, 0.1826034150449235889, 0.1691565193950025382,
                               0.1495959888165767321, 0.1246289712555338721, 0.0951585116824927848,
                               0.0622535239386478929, 0.0271524594117540949};

double lengthByRule(const Bezier& c, double t0, double t1) {
  const double middle = (t0 + t1) / 2, half = (t1 - t0) / 2;
  double sum = 0;
  for (std::size_t i = 0; i < 8; ++i)
    sum += weights[i] *
           (length(derivative(c, middle - half * places[i])) + length(derivative(c, middle + half * places[i])));
  return sum * half;
}

double lengthBetween(const Bezier& c, double t0, double t1, double known, double close, int depth) {
  const double middle = (t0 + t1) / 2;
  const double a = lengthByRule(c, t0, middle), b = lengthByRule(c, middle, t1);
  if (depth == 0 || std::abs(a + b - known) <= close) return a + b;
  return lengthBetween(c, t0, middle, a, close / 2, depth - 1) + lengthBetween(c, middle, t1, b, close / 2, depth - 1);
}

/// (B(t) − p) · B′(t) in Bernstein's form.
Bernstein<6> wayTimesDirection(const Bezier& c, Point p) {
  constexpr double weight[3][4] = {{1.0, 0.6, 0.3, 0.1}, {0.4, 0.6, 0.6, 0.4}, {0.1, 0.3, 0.6, 1.0}};
  Bernstein<6> q{};
  for (std::size_t i = 0; i < 3; ++i)
    for (std::size_t j = 0; j < 4; ++j) q[i + j] += weight[i][j] * dot(3 * (c[i + 1] - c[i]), c[j] - p);
  return q;
}

/// B′(t) · B″(t): it is 0 where the speed is least.
Bernstein<4> speedTimesChange(const Bezier& c) {
  const Point d[3] = {c[1] - c[0], c[2] - c[1], c[3] - c[2]}, e[2] = {d[1] - d[0], d[2] - d[1]};
  return {dot(d[0], e[0]), (2 * dot(d[1], e[0]) + dot(d[0], e[1])) / 3, (dot(d[2], e[0]) + 2 * dot(d[1], e[1])) / 3,
          dot(d[2], e[1])};
}

}  // namespace

Point startDirection(const Bezier& c) {
  for (std::size_t i = 1; i < 4; ++i)
    if (c[i] != c[0]) return unit(c[i] - c[0]);
  return {};
}

Point endDirection(const Bezier& c) { return -startDirection(reversed(c)); }

Point direction(const Bezier& c, double t) {
  if (t <= 0) return startDirection(c);
  if (t >= 1) return endDirection(c);
  const Point way = derivative(c, t);
  if (length(way) > stillness * sizeOf(c)) return unit(way);
  constexpr double close = 1e-4;
  return unit(pointOn(c, std::min(1.0, t + close)) - pointOn(c, std::max(0.0, t - close)));
}

double curvature(const Bezier& c, double t) {
  const Point way = derivative(c, t);
  const double speed = length(way);
  return speed > stillness * sizeOf(c) ? cross(way, secondDerivative(c, t)) / (speed * speed * speed) : 0;
}

double arcLength(const Bezier& c, double t0, double t1) {
  if (!(t1 > t0)) return 0;
  constexpr int mostHalvings = 24;
  const double close = 1e-13 * sizeOf(c);
  // Parted where it is slowest: at a cusp the speed has a corner there, which no rule sees from afar.
  double sum = 0, from = t0;
  const auto add = [&](double to) {
    if (to > from) sum += lengthBetween(c, from, to, lengthByRule(c, from, to), close, mostHalvings);
    from = std::max(from, to);
  };
  for (const double t : signChanges(speedTimesChange(c)))
    if (t < t1) add(t);
  add(t1);
  return sum;
}

double parameterAtLength(const Bezier& c, double along) {
  const double whole = arcLength(c);
  if (!(along > 0) || !(whole > 0)) return 0;
  if (along >= whole) return 1;
  double low = 0, high = 1, t = along / whole;
  for (int i = 0; i < 60 && high - low > 1e-15; ++i) {
    const double over = arcLength(c, 0, t) - along;
    if (std::abs(over) <= 1e-14 * whole) break;
    (over > 0 ? high : low) = t;
    const double speed = length(derivative(c, t)), next = speed > 0 ? t - over / speed : -1;
    t = next > low && next < high ? next : (low + high) / 2;
  }
  return t;
}

Nearest nearestOn(const Bezier& c, Point p) {
  std::vector<double> tried = signChanges(wayTimesDirection(c, p));
  tried.push_back(0);
  tried.push_back(1);
  Nearest best{0, std::numeric_limits<double>::infinity()};
  for (const double t : tried)
    if (const double d = distance(pointOn(c, t), p); d < best.distance) best = {t, d};
  return best;
}

OffsetPlace offsetAt(const Bezier& c, double t, double distance) {
  const double stretch = 1 - distance * curvature(c, t);
  const Point along = direction(c, t), normal{-along.y, along.x};
  return {pointOn(c, t) + normal * distance, normal, derivative(c, t) * stretch, stretch};
}

Bezier offsetPiece(const Bezier& c, double t0, double t1, double distance) {
  const double span = t1 - t0;
  const OffsetPlace a = offsetAt(c, t0, distance), middle = offsetAt(c, t0 + span / 2, distance),
                    b = offsetAt(c, t1, distance);
  const Point from = unit(a.slope), to = unit(b.slope);
  const Point want = (middle.at - mix(a.at, b.at, 0.5)) * (8.0 / 3);
  const double det = cross(to, from);  // want = α·from − β·to
  double alpha = length(a.slope) * span / 3, beta = length(b.slope) * span / 3;
  const double reach = widecut::distance(a.at, middle.at) + widecut::distance(middle.at, b.at);
  if (std::abs(det) > 1e-6) {
    const double p = -cross(want, to) / det, q = -cross(want, from) / det;
    if (p > 0.05 * reach && q > 0.05 * reach && p < reach && q < reach) {
      alpha = p;
      beta = q;
    }
  }
  return {a.at, a.at + from * alpha, b.at - to * beta, b.at};
}

}  // namespace widecut
