// Crossings of two arcs that both rise, or both fall: graphs over x ± y.
#include <algorithm>
#include <tuple>

#include "cutting/crossings.h"

namespace widecut {
namespace {

/// Shares of the tolerance: a gap beyond the first has a sure sign; arcs within the second touch. They lie apart, so
/// that a gap which hardly changes is always one or the other.
constexpr double clearGap = 1.0 / 8, contactGap = 1.0 / 2;

/// True when every leg of one control polygon turns the same way to every leg of the other: then the gap between the
/// two grows, or falls, all along. Both run to growing x.
bool turnOneWay(const Bezier& a, const Bezier& b) {
  double low = 1e300, high = -1e300;
  for (std::size_t i = 0; i < 3; ++i) {
    const Point la = a[i + 1] - a[i], own = b[i + 1] - b[i];
    if (la.x < 0 || own.x < 0) return false;
    for (std::size_t k = 0; k < 3; ++k) {
      const double turn = cross(la, b[k + 1] - b[k]);
      low = std::min(low, turn);
      high = std::max(high, turn);
    }
  }
  return low > 0 || high < 0;
}

/// Least and greatest slope of a graph given by its control points; all slopes are within ±1 anyway.
struct Slopes {
  double low = 1, high = -1;
};
Slopes slopesOf(const Bezier& c) {
  Slopes s;
  for (std::size_t i = 0; i < 3; ++i) {
    const double ds = c[i + 1].x - c[i].x, dh = c[i + 1].y - c[i].y;
    if (!(ds > 0)) {
      if (ds < 0 || dh != 0) return {-1, 1};
      continue;
    }
    s.low = std::min(s.low, dh / ds);
    s.high = std::max(s.high, dh / ds);
  }
  return {std::max(s.low, -1.0), std::min(s.high, 1.0)};
}

}  // namespace

void CrossingSearch::note(double along, double gap) {
  if (std::abs(gap) <= frame_.tolerance * clearGap) return;
  const int sign = gap > 0 ? 1 : -1;
  if (signs_.last != 0 && signs_.last != sign) locate(signs_.lastAt, along);
  signs_.last = sign;
  signs_.lastAt = along;
}

/// The gap changes its sign in this range: finds where, by a bracketed secant (Illinois) and then Newton.
void CrossingSearch::locate(double low, double high) {
  const auto gapAt = [&](double s, double* u, double* v) {
    *u = a_->parameterAlong(s);
    *v = b_->parameterAlong(s);
    return a_->across(a_->at(*u)) - b_->across(b_->at(*v));
  };
  double u = 0, v = 0;
  double gLow = gapAt(low, &u, &v), gHigh = gapAt(high, &u, &v);
  double s = 0.5 * (low + high);
  int kept = 0;
  for (int i = 0; i < 100 && high - low > 2 * frame_.noise; ++i) {
    s = (gLow == gHigh) ? 0.5 * (low + high) : (low * gHigh - high * gLow) / (gHigh - gLow);
    if (!(s > low && s < high) || i % 8 == 7) s = 0.5 * (low + high);
    const double g = gapAt(s, &u, &v);
    if (i == 1 && u > 0 && u < 1 && v > 0 && v < 1) {
      if (polish(u, v, low - frame_.noise, high + frame_.noise)) return;
    }
    if (std::abs(g) <= frame_.noise) break;
    if ((g > 0) == (gHigh > 0)) {
      high = s;
      gHigh = g;
      if (kept == 1) gLow /= 2;
      kept = 1;
    } else {
      low = s;
      gLow = g;
      if (kept == -1) gHigh /= 2;
      kept = -1;
    }
  }
  (void)gapAt(s, &u, &v);
  addCrossing(u, v);
}

CrossingSearch::Graph CrossingSearch::graphOf(const Arc& arc) {
  Graph out{{}, 0, 1};
  for (std::size_t i = 0; i < 4; ++i) {
    const Point p = arc.line ? mix(arc.p[0], arc.p[3], static_cast<double>(i) / 3) : arc.p[i];
    out.c[i] = {arc.along(p), arc.across(p)};
  }
  return out;
}

/// Cuts a graph down to a range of its x.
void CrossingSearch::clip(Graph& graph, double low, double high) {
  Bezier& c = graph.c;
  Bezier rest;
  if (low > c[0].x) {
    const double t = solveRising(c[0].x, c[1].x, c[2].x, c[3].x, low);
    std::tie(rest, c) = splitAt(c, t);
    c[0].x = low;
    graph.u0 = t;
  }
  if (high < c[3].x) {
    const double t = solveRising(c[0].x, c[1].x, c[2].x, c[3].x, high);
    std::tie(c, rest) = splitAt(c, t);
    c[3].x = high;
    graph.u1 = graph.u0 + (1 - graph.u0) * t;
  }
}

/// True when every leg of one control polygon turns the same way to every leg of the other: then the gap between
/// two arcs of one kind grows, or falls, all along.
bool CrossingSearch::meetOnceAtMost() const {
  const auto legs = [](const Arc& arc, Point* out) {
    if (arc.line) {
      out[0] = arc.p[3] - arc.p[0];
      return 1;
    }
    for (std::size_t i = 0; i < 3; ++i) out[i] = arc.p[i + 1] - arc.p[i];
    return 3;
  };
  Point la[3], lb[3];
  const int na = legs(*a_, la), nb = legs(*b_, lb);
  double low = 1e300, high = -1e300;
  for (int i = 0; i < na; ++i) {
    if (a_->along(la[i]) < 0) return false;
    for (int k = 0; k < nb; ++k) {
      const double turn = cross(la[i], lb[k]);
      low = std::min(low, turn);
      high = std::max(high, turn);
    }
  }
  for (int k = 0; k < nb; ++k)
    if (b_->along(lb[k]) < 0) return false;
  return low > 0 || high < 0;
}

/// The sign of the gap where the range that the arcs share begins or ends; 0 when it is not plain.
int CrossingSearch::sideAtEnd(bool low) const {
  const std::size_t end = low ? 0 : 3;
  const double sa = a_->along(a_->p[end]), sb = b_->along(b_->p[end]);
  const bool ofA = low ? sa >= sb : sa <= sb;
  const Arc &own = ofA ? *a_ : *b_, &other = ofA ? *b_ : *a_;
  const Point p = own.p[end];
  const double away = other.distanceFromChord(p), slack = frame_.tolerance * other.chordBound;
  int side = away > other.fatHigh + slack ? 1 : away < other.fatLow - slack ? -1 : 0;
  if (side == 0) {
    const double gap = own.across(p) - other.across(other.at(other.parameterAlong(own.along(p))));
    side = gap > frame_.tolerance ? 1 : gap < -frame_.tolerance ? -1 : 0;
  }
  return ofA ? side : -side;
}

void CrossingSearch::crossAlike() {
  if (meetOnceAtMost()) {
    if (polishFromChords()) return;
    const int side = sideAtEnd(true);
    if (side != 0 && side == sideAtEnd(false)) return;
  }
  Graph a = graphOf(*a_), b = graphOf(*b_);
  const double low = std::max(a.c[0].x, b.c[0].x), high = std::min(a.c[3].x, b.c[3].x);
  if (high - low <= 8 * frame_.noise) return;
  clip(a, low, high);
  clip(b, low, high);
  signs_ = {};
  halve(a, b, 0);
}

/// The gap grows or falls all along: one crossing if it changes its sign. False when that is not plain enough.
bool CrossingSearch::crossOnce(const Graph& a, const Graph& b) {
  const double clearly = frame_.tolerance * clearGap;
  const double g0 = a.c[0].y - b.c[0].y, g1 = a.c[3].y - b.c[3].y;
  if (std::abs(g0) <= clearly || std::abs(g1) <= clearly || (g0 > 0) == (g1 > 0)) return false;
  if (signs_.last != 0 && (signs_.last > 0) != (g0 > 0)) return false;
  const double share = g0 / (g0 - g1), low = a.c[0].x, high = a.c[3].x;
  if (!polish(a.u0 + (a.u1 - a.u0) * share, b.u0 + (b.u1 - b.u0) * share, low, high)) return false;
  signs_ = {g1 > 0 ? 1 : -1, high};
  return true;
}

/// Both graphs over the same range: tells the sign of their gap, or halves the range.
void CrossingSearch::halve(const Graph& first, const Graph& second, int depth) {
  const Bezier &a = first.c, &b = second.c;
  const double low = a[0].x, high = a[3].x, range = high - low;
  const double clearly = frame_.tolerance * clearGap, contact = frame_.tolerance * contactGap;
  if (range <= 8 * frame_.noise || depth > 60) return;
  const double k = 0.5 * (a[3].y - a[0].y + b[3].y - b[0].y) / range;
  double aLow = 1e300, aHigh = -1e300, bLow = 1e300, bHigh = -1e300, gapLow = 1e300, gapHigh = -1e300, drift = 0;
  for (std::size_t i = 0; i < 4; ++i) {
    const double ha = a[i].y - k * (a[i].x - low), hb = b[i].y - k * (b[i].x - low);
    aLow = std::min(aLow, ha);
    aHigh = std::max(aHigh, ha);
    bLow = std::min(bLow, hb);
    bHigh = std::max(bHigh, hb);
    gapLow = std::min(gapLow, ha - hb);
    gapHigh = std::max(gapHigh, ha - hb);
    drift = std::max(drift, std::abs(a[i].x - b[i].x));
  }
  const auto clear = [&](double sign) {
    note(low, sign);
    signs_.lastAt = high;
  };
  if (aLow - bHigh > clearly) return clear(1);
  if (bLow - aHigh > clearly) return clear(-1);
  if (turnOneWay(a, b)) {
    if (crossOnce(first, second)) return;
    note(low, a[0].y - b[0].y);
    note(high, a[3].y - b[3].y);
    return;
  }
  // Matched control points: the gap differs from theirs by no more than drift times the slope's deviation.
  const Slopes sa = slopesOf(a), sb = slopesOf(b);
  const double pad =
      drift * std::min(std::max(k - sa.low, sa.high - k), std::max(k - sb.low, sb.high - k)) + frame_.noise;
  if (gapLow - pad > clearly) return clear(1);
  if (gapHigh + pad < -clearly) return clear(-1);
  if (gapHigh + pad <= contact && gapLow - pad >= -contact) return;
  const double middle = 0.5 * (low + high);
  if (middle == low || middle == high) return;
  const double t = solveRising(a[0].x, a[1].x, a[2].x, a[3].x, middle), ua = first.u0 + (first.u1 - first.u0) * t;
  const double s = solveRising(b[0].x, b[1].x, b[2].x, b[3].x, middle), ub = second.u0 + (second.u1 - second.u0) * s;
  Graph a0{{}, first.u0, ua}, a1{{}, ua, first.u1}, b0{{}, second.u0, ub}, b1{{}, ub, second.u1};
  std::tie(a0.c, a1.c) = splitAt(a, t);
  std::tie(b0.c, b1.c) = splitAt(b, s);
  a0.c[3].x = a1.c[0].x = b0.c[3].x = b1.c[0].x = middle;
  halve(a0, b0, depth + 1);
  halve(a1, b1, depth + 1);
}

}  // namespace widecut
