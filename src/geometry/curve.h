// One cubic Bézier curve: its places, directions, bends, lengths and pieces.
#pragma once

#include <array>
#include <utility>

#include "geometry/point.h"

namespace widecut {

/// A cubic: where it starts, its two handles, where it ends. Parameters run from 0 to 1. Lines are cubics whose handles
/// lie at the thirds, as asCubic in outline.h makes them.
using Bezier = std::array<Point, 4>;

inline Point pointOn(const Bezier& c, double t) {
  const double u = 1 - t;
  return c[0] * (u * u * u) + c[1] * (3 * u * u * t) + c[2] * (3 * u * t * t) + c[3] * (t * t * t);
}
/// The first derivative by the parameter: direction times speed.
inline Point derivative(const Bezier& c, double t) {
  const double u = 1 - t;
  return 3 * ((c[1] - c[0]) * (u * u) + (c[2] - c[1]) * (2 * u * t) + (c[3] - c[2]) * (t * t));
}
inline Point secondDerivative(const Bezier& c, double t) {
  return 6 * ((c[0] - 2 * c[1] + c[2]) * (1 - t) + (c[1] - 2 * c[2] + c[3]) * t);
}
/// The directions in which a curve starts and ends, of length 1: to the first point that differs. {0, 0} for a curve
/// that is a point.
Point startDirection(const Bezier& c);
Point endDirection(const Bezier& c);
/// The direction at t, of length 1. Where the curve stands still, that of the curve close by.
Point direction(const Bezier& c, double t);
/// 1 / radius, positive where the curve turns clockwise on the sheet: cross(B′, B″) / |B′|³. 0 where it stands still.
double curvature(const Bezier& c, double t);

/// The two pieces that meet at t, by de Casteljau's construction: no point moves by more than rounding does, and they
/// share the point at t bit for bit.
inline std::pair<Bezier, Bezier> splitAt(const Bezier& c, double t) {
  const Point a = mix(c[0], c[1], t), b = mix(c[1], c[2], t), d = mix(c[2], c[3], t);
  const Point ab = mix(a, b, t), bd = mix(b, d, t), middle = mix(ab, bd, t);
  return {{c[0], a, ab, middle}, {middle, bd, d, c[3]}};
}
/// The blossom of a cubic: its polar form at three parameters.
inline Point blossom(const Bezier& c, double r, double s, double t) {
  const Point a = mix(mix(c[0], c[1], r), mix(c[1], c[2], r), s);
  const Point b = mix(mix(c[1], c[2], r), mix(c[2], c[3], r), s);
  return mix(a, b, t);
}
/// The piece from t0 to t1; t0 > t1 gives it backwards.
inline Bezier pieceOf(const Bezier& c, double t0, double t1) {
  return {blossom(c, t0, t0, t0), blossom(c, t0, t0, t1), blossom(c, t0, t1, t1), blossom(c, t1, t1, t1)};
}
inline Bezier reversed(const Bezier& c) { return {c[3], c[2], c[1], c[0]}; }

/// The length from t0 to t1 (0 ≤ t0 ≤ t1 ≤ 1), to within 1e-12 of the whole: Gauss and Legendre's rule of 16
/// places, from one place of least speed to the next, halved where two halves say otherwise.
double arcLength(const Bezier& c, double t0 = 0, double t1 = 1);
/// The inverse: the parameter at this length from the start, clamped to 0…1. Newton's method, kept within a bracket.
double parameterAtLength(const Bezier& c, double along);

/// The place of a curve that is nearest to a point.
struct Nearest {
  double t = 0;
  double distance = 0;
};
/// All places whose direction is square to the way to p, isolated by the signs of a quintic in Bernstein's form
/// (P. J. Schneider, “Solving the nearest-point-on-curve problem”, Graphics Gems, 1990), and the ends. The distance is
/// right to 1e-12 of the curve's size.
Nearest nearestOn(const Bezier& c, Point p);

/// A place of the curve that runs beside another one at a distance, to the right of its way (y points down): where it
/// is, and its derivative by t.
struct OffsetPlace {
  Point at, normal, slope;
  double stretch = 1;  ///< 1 − distance · curvature: below 0 the offset runs backwards.
};
OffsetPlace offsetAt(const Bezier& c, double t, double distance);
/// The piece of that curve from t0 to t1 as one cubic: its ends and their directions are true, its handles are offset
/// so that it passes the true middle; where no such handles bend the right way they are a third of the true
/// derivatives. How far it strays between, offsetAt tells.
Bezier offsetPiece(const Bezier& c, double t0, double t1, double distance);

}  // namespace widecut
