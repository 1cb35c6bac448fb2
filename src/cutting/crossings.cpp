#include "cutting/crossings.h"

#include <algorithm>
#include <optional>

namespace widecut {
namespace {

/// Crossings under this sine of the angle are shallow.
constexpr double shallowSine = 0.3;

/// Shares of the tolerance: a gap beyond the first has a sure sign; arcs within the second touch. They lie apart, so
/// that a gap which hardly changes is always one or the other.
constexpr double clearGap = 1.0 / 8, contactGap = 1.0 / 2;

double square(Point p) { return dot(p, p); }

/// Least and greatest distance of an arc's control points from the chord of another.
std::pair<double, double> reachFrom(const Arc& chord, const Arc& other) {
  const double d0 = chord.distanceFromChord(other.p[0]), d3 = chord.distanceFromChord(other.p[3]);
  double low = std::min(d0, d3), high = std::max(d0, d3);
  if (!other.line) {
    const double d1 = chord.distanceFromChord(other.p[1]), d2 = chord.distanceFromChord(other.p[2]);
    low = std::min({low, d1, d2});
    high = std::max({high, d1, d2});
  }
  return {low, high};
}

bool fatLinesMiss(const Arc& a, const Arc& b, double tolerance) {
  const auto [low, high] = reachFrom(a, b);
  const double slack = tolerance * a.chordBound;
  return low > a.fatHigh + slack || high < a.fatLow - slack;
}

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

std::optional<double> CrossingSearch::nearOn(const Arc& arc, Point place, double tolerance) {
  const double away = arc.distanceFromChord(place);
  const double slack = tolerance * arc.chordBound;
  if (away > arc.fatHigh + slack || away < arc.fatLow - slack) return std::nullopt;
  double u = arc.parameterAlong(arc.along(place));
  Point on = arc.at(u);
  if (square(place - on) > 4 * tolerance * tolerance) return std::nullopt;
  const Point slope = arc.slope(u);
  const double size = square(slope);
  if (size > 0) {
    u = std::clamp(u + dot(place - on, slope) / size, 0.0, 1.0);
    on = arc.at(u);
  }
  if (square(place - on) > tolerance * tolerance) return std::nullopt;
  return u;
}

void CrossingSearch::addContact(double u, double v, Point at) {
  if (contactCount_ < 8) contacts_[contactCount_++] = {u, v, at};
}

void CrossingSearch::countContact() {
  if (a_->operand != b_->operand) return;
  const auto i = static_cast<std::size_t>(a_->operand);
  if (selfContacts_.size() <= i) selfContacts_.resize(i + 1, 0);
  ++selfContacts_[i];
}

void CrossingSearch::meet(int i, int j) {
  i_ = i;
  j_ = j;
  a_ = &arcs_.arcs[static_cast<std::size_t>(i)];
  b_ = &arcs_.arcs[static_cast<std::size_t>(j)];
  const Arc &a = *a_, &b = *b_;
  contactCount_ = 0;
  int shared = 0;
  for (int k = 0; k < 2; ++k)
    for (int l = 0; l < 2; ++l)
      if (a.node[k] == b.node[l] || nodes_.find(a.node[k]) == nodes_.find(b.node[l])) {
        ++shared;
        addContact(k, l, k == 0 ? a.p[0] : a.p[3]);
      }
  const double tolerance = frame_.tolerance;
  if (shared > 0) {
    const double w = std::min(a.high[0], b.high[0]) - std::max(a.low[0], b.low[0]);
    const double h = std::min(a.high[1], b.high[1]) - std::max(a.low[1], b.low[1]);
    if (w <= tolerance && h <= tolerance) return;
    if (a.rising != b.rising) {
      // They part at once and never cross again; but where both are as good as upright or level, one may end on the
      // other.
      meetEnds(a, b, false);
      meetEnds(b, a, true);
      return;
    }
  }
  if (fatLinesMiss(a, b, tolerance) || fatLinesMiss(b, a, tolerance)) return;
  meetEnds(a, b, false);
  meetEnds(b, a, true);
  if (contactCount_ > 1 && overlap()) return;
  if (a.line && b.line) {
    if (shared == 0) crossLines();
  } else if (a.rising != b.rising) {
    crossOpposite();
  } else {
    crossAlike();
  }
}

void CrossingSearch::meetEnds(const Arc& a, const Arc& b, bool swapped) {
  const double tolerance = frame_.tolerance;
  for (int k = 0; k < 2; ++k) {
    const Point p = k == 0 ? a.p[0] : a.p[3];
    if (p.x < b.low[0] - tolerance || p.x > b.high[0] + tolerance || p.y < b.low[1] - tolerance ||
        p.y > b.high[1] + tolerance)
      continue;
    const int node = a.node[k];
    bool atEnd = false;
    for (int l = 0; l < 2; ++l) {
      const int other = b.node[l];
      if (node == other || nodes_.find(node) == nodes_.find(other)) {
        atEnd = true;
      } else if (square(p - (l == 0 ? b.p[0] : b.p[3])) <= tolerance * tolerance) {
        nodes_.unite(node, other);
        countContact();
        addContact(swapped ? l : k, swapped ? k : l, p);
        atEnd = true;
      }
    }
    if (atEnd) continue;
    if (const auto v = nearOn(b, p, tolerance)) {
      events_.push_back({swapped ? i_ : j_, node, *v});
      countContact();
      addContact(swapped ? *v : k, swapped ? k : *v, p);
    }
  }
}

/// True when the arcs run together between the two contacts that are furthest apart.
bool CrossingSearch::overlap() const {
  const Contact *from = contacts_, *to = contacts_;
  for (int k = 1; k < contactCount_; ++k) {
    if (contacts_[k].u < from->u) from = contacts_ + k;
    if (contacts_[k].u > to->u) to = contacts_ + k;
  }
  const double apart = square(to->at - from->at);
  if (apart <= frame_.contraction() * frame_.contraction()) return false;
  for (const double t : {0.25, 0.5, 0.75}) {
    const double u = from->u + (to->u - from->u) * t;
    if (!nearOn(*b_, a_->at(u), 2 * frame_.tolerance)) return false;
  }
  return true;
}

void CrossingSearch::addCrossing(double u, double v) { addCrossing(u, v, a_->at(u), a_->slope(u), b_->slope(v)); }

void CrossingSearch::addCrossing(double u, double v, Point at, Point slopeA, Point slopeB) {
  countContact();
  const double turn = cross(slopeA, slopeB), sizes = square(slopeA) * square(slopeB);
  const int node = nodes_.add(at, frame_.toSheet(at), false);
  if (turn * turn < shallowSine * shallowSine * sizes)
    crossings_.push_back({node, {i_, j_}, {u, v}, sizes > 0 ? std::abs(turn) / std::sqrt(sizes) : 0});
  events_.push_back({i_, node, u});
  events_.push_back({j_, node, v});
}

void CrossingSearch::crossLines() {
  const Arc &a = *a_, &b = *b_;
  // Signed areas rather than distances: no root is taken, and signs are as good.
  const Point along = b.p[3] - b.p[0];
  const double e0 = cross(along, a.p[0] - b.p[0]), e1 = cross(along, a.p[3] - b.p[0]);
  if (!((e0 < 0 && e1 > 0) || (e0 > 0 && e1 < 0))) return;
  const Point across = a.p[3] - a.p[0];
  const double f0 = cross(across, b.p[0] - a.p[0]), f1 = cross(across, b.p[3] - a.p[0]);
  if (!((f0 < 0 && f1 > 0) || (f0 > 0 && f1 < 0))) return;
  const double u = e0 / (e0 - e1);
  const Point at = a.at(u);
  const double v = std::clamp(dot(at - b.p[0], along) / dot(along, along), 0.0, 1.0);
  if (square(b.at(v) - at) > frame_.tolerance * frame_.tolerance) return;
  addCrossing(u, v);
}

/// Newton on both parameters from a guess; adds the crossing if it settles inside both arcs, where the coordinate along
/// a lies in low…high.
bool CrossingSearch::polish(double u, double v, double low, double high) {
  const Arc &a = *a_, &b = *b_;
  const double good = 256 * frame_.noise * frame_.noise;
  Point s = a.slope(u), t = b.slope(v);
  for (int i = 0; i < 12; ++i) {
    const Point at = a.at(u), away = b.at(v) - at;
    if (square(away) <= good) {
      if (u < 0 || u > 1 || v < 0 || v > 1) return false;
      const double along = a.along(at);
      if (along < low || along > high) return false;
      addCrossing(u, v, at, s, t);
      return true;
    }
    if (i > 0) {
      s = a.slope(u);
      t = b.slope(v);
    }
    const double det = cross(s, t);
    if (det * det <= 1e-18 * square(s) * square(t)) return false;
    const double nextU = std::clamp(u + cross(away, t) / det, -0.01, 1.01);
    const double nextV = std::clamp(v + cross(away, s) / det, -0.01, 1.01);
    // Pressed against the same end again: there is no crossing this way.
    if ((nextU == u && (u < 0 || u > 1)) || (nextV == v && (v < 0 || v > 1))) return false;
    u = nextU;
    v = nextV;
  }
  return false;
}

bool CrossingSearch::polishFromChords() {
  const Arc &a = *a_, &b = *b_;
  const Point s = a.p[3] - a.p[0], t = b.p[3] - b.p[0], away = b.p[0] - a.p[0];
  const double det = cross(s, t);
  return det != 0 && polish(std::clamp(cross(away, t) / det, 0.0, 1.0), std::clamp(cross(away, s) / det, 0.0, 1.0));
}

void CrossingSearch::crossOpposite() {
  if (!polishFromChords()) bisectOpposite();
}

/// A rising and a falling arc cross once or not at all: when the rising one comes from below left of the falling
/// one and ends above right of it.
void CrossingSearch::bisectOpposite() {
  const bool aRises = a_->rising;
  const Arc &up = aRises ? *a_ : *b_, &down = aRises ? *b_ : *a_;
  // −1 below left of the falling arc, +1 above right.
  const auto side = [&](double u, double* v) {
    const Point p = up.at(u);
    if (p.x < down.low[0] || p.y < down.low[1]) return -1;
    if (p.x > down.high[0] || p.y > down.high[1]) return 1;
    const double away = down.distanceFromChord(p);
    if (away > down.fatHigh) return 1;
    if (away < down.fatLow) return -1;
    *v = down.parameterAlong(down.along(p));
    return down.across(p) < down.across(down.at(*v)) ? -1 : 1;
  };
  double low = 0, high = 1, v = 0.5;
  if (side(low, &v) > 0 || side(high, &v) < 0) return;
  for (int i = 0; i < 60; ++i) {
    const double u = 0.5 * (low + high);
    if (u == low || u == high) break;
    (side(u, &v) < 0 ? low : high) = u;
    if (i == 8 || i == 20) {
      v = down.parameterAlong(down.along(up.at(u)));
      if (aRises ? polish(u, v) : polish(v, u)) return;
    }
  }
  v = down.parameterAlong(down.along(up.at(high)));
  if (square(up.at(high) - down.at(v)) > frame_.tolerance * frame_.tolerance) return;
  if (aRises)
    addCrossing(high, v);
  else
    addCrossing(v, high);
}

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
    splitCubic(c, t, rest, c);
    c[0].x = low;
    graph.u0 = t;
  }
  if (high < c[3].x) {
    const double t = solveRising(c[0].x, c[1].x, c[2].x, c[3].x, high);
    splitCubic(c, t, c, rest);
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
  splitCubic(a, t, a0.c, a1.c);
  splitCubic(b, s, b0.c, b1.c);
  a0.c[3].x = a1.c[0].x = b0.c[3].x = b1.c[0].x = middle;
  halve(a0, b0, depth + 1);
  halve(a1, b1, depth + 1);
}

}  // namespace widecut
