#include "cutting/crossings.h"

#include <algorithm>
#include <optional>

#include "geometry/stop_point.h"

namespace widecut {
namespace {

/// Crossings under this sine of the angle are shallow.
constexpr double shallowSine = 0.3;

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
  if (log_) log_->contacts.push_back({{i_, j_}});
}

void CrossingSearch::addEvent(int arc, int node, double u) {
  events_.push_back({arc, node, u});
  if (log_) log_->others.push_back(arc == i_ ? j_ : i_);
}

void CrossingSearch::meet(int i, int j) {
  stopPoint();
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
        if (log_) log_->unions.push_back({{node, other}, {{i_, j_}}});
        countContact();
        addContact(swapped ? l : k, swapped ? k : l, p);
        atEnd = true;
      }
    }
    if (atEnd) continue;
    if (const auto v = nearOn(b, p, tolerance)) {
      addEvent(swapped ? i_ : j_, node, *v);
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
  addEvent(i_, node, u);
  addEvent(j_, node, v);
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

}  // namespace widecut
