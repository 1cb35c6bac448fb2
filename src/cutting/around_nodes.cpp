// The order of edges round a node.
#include <algorithm>

#include "cutting/arrangement.h"
#include "geometry/stop_point.h"

namespace widecut {
namespace {

/// Edges longer than this many contraction lengths leave by their tangent, shorter ones by their chord.
constexpr double longEdge = 2000;

/// Nearly parallel edges that come this many tolerances apart are surely told apart.
constexpr double surelyApart = 1000;

std::size_t at(int i) { return static_cast<std::size_t>(i); }

}  // namespace

/// Grows with the angle from −2 (just past π) to 2 (π); 0 is to growing x.
double directionKey(Point d) {
  const double size = std::abs(d.x) + std::abs(d.y);
  if (!(size > 0)) return 0;
  const double t = d.y / size;
  return d.x >= 0 ? t : d.y >= 0 ? 2 - t : -2 - t;
}

Arrangement::Leaving Arrangement::leaving(int half) const {
  const Edge& e = edge(half);
  const bool forwards = half % 2 == 0;
  const Piece& p = pieces_[at(forwards ? e.first : e.last)];
  const Arc* arc = &arcs_.arcs[at(p.arc)];
  return forwards ? Leaving{arc, p.from, p.to, p.u0, p.u1} : Leaving{arc, p.to, p.from, p.u1, p.u0};
}

Point Arrangement::wayOut(int half) const {
  const Leaving way = leaving(half);
  const Arc& arc = *way.arc;
  const Point chord = nodes_.at(way.other) - nodes_.at(way.node);
  if (exact_ || dot(chord, chord) < square(longEdge * frame_.contraction())) return chord;
  if (arc.line) return way.v > way.u ? arc.p[3] - arc.p[0] : arc.p[0] - arc.p[3];
  const Point slope = way.v > way.u ? arc.slope(way.u) : -arc.slope(way.u);
  const double span = std::abs(way.v - way.u);
  if (dot(slope, slope) * span * span > 1e-8 * dot(chord, chord)) return slope;
  return arc.at(way.u + (way.v - way.u) * 1e-2) - arc.at(way.u);  // a cusp, or a handle on its node
}

void Arrangement::orderAround() {
  doubtful_.clear();
  for (int node = 0; node + 1 < static_cast<int>(starts_.size()); ++node)
    if (starts_[at(node) + 1] - starts_[at(node)] > 2) {
      stopPoint();
      orderNode(node);
    }
  place_.resize(2 * edges_.size());
  for (std::size_t i = 0; i < around_.size(); ++i) place_[at(around_[i])] = static_cast<int>(i);
}

void Arrangement::orderNode(int node) {
  const int first = starts_[at(node)], count = starts_[at(node) + 1] - first;
  sectors_.clear();
  for (int i = first; i < first + count; ++i) {
    const Point way = wayOut(around_[at(i)]);
    sectors_.push_back({way, directionKey(way), around_[at(i)]});
  }
  const auto byKey = [](const Sector& a, const Sector& b) { return a.key < b.key; };
  if (count < 12) {
    for (std::size_t i = 1; i < sectors_.size(); ++i)
      for (std::size_t k = i; k > 0 && byKey(sectors_[k], sectors_[k - 1]); --k)
        std::swap(sectors_[k], sectors_[k - 1]);
  } else {
    std::stable_sort(sectors_.begin(), sectors_.end(), byKey);
  }
  const auto gapAfter = [&](std::size_t i) {
    const double gap = sectors_[i + 1 == sectors_.size() ? 0 : i + 1].key - sectors_[i].key;
    return gap < 0 ? gap + 4 : gap;
  };
  bool close = gapAfter(sectors_.size() - 1) < closeKeys;
  for (std::size_t i = 0; i + 1 < sectors_.size(); ++i)
    close = close || sectors_[i + 1].key - sectors_[i].key < closeKeys;
  if (close) {
    std::size_t widest = 0;
    for (std::size_t i = 1; i < sectors_.size(); ++i)
      if (gapAfter(i) > gapAfter(widest)) widest = i;
    std::rotate(sectors_.begin(), sectors_.begin() + static_cast<std::ptrdiff_t>(widest) + 1, sectors_.end());
    leastApart_ = 1e300;
    for (std::size_t from = 0; from < sectors_.size();) {
      std::size_t to = from + 1;
      while (to < sectors_.size() && gapAfter(to - 1) < closeKeys) ++to;
      Point middle{};
      for (std::size_t i = from; i < to; ++i)
        middle = middle + sectors_[i].way / std::max(length(sectors_[i].way), 1e-300);
      for (std::size_t i = from + 1; i < to; ++i)
        for (std::size_t k = i; k > from && turnTo(sectors_[k - 1].half, sectors_[k].half, middle) < 0; --k)
          std::swap(sectors_[k - 1], sectors_[k]);
      from = to;
    }
    if (!exact_ && leastApart_ < surelyApart * frame_.tolerance) doubtful_.push_back(node);
  }
  for (int i = 0; i < count; ++i) around_[at(first + i)] = sectors_[at(i)].half;
}

double Arrangement::reachOf(int half, Point origin, Point way) const {
  const Leaving out = leaving(half);
  return dot(way, out.arc->at(out.v) - origin);
}

/// The place on the first piece of a half-edge that lies `reach` further along the way than the origin.
Point Arrangement::pointAlong(int half, Point origin, Point way, double reach) const {
  const Leaving out = leaving(half);
  const Arc& arc = *out.arc;
  double near = out.u, far = out.v;
  double fNear = dot(way, arc.at(near) - origin) - reach, fFar = dot(way, arc.at(far) - origin) - reach;
  if (fFar <= 0) return arc.at(far);
  if (fNear >= 0) return arc.at(near);
  double u = far;
  for (int i = 0; i < 60; ++i) {
    u = i % 4 == 3 ? 0.5 * (near + far) : (near * fFar - far * fNear) / (fFar - fNear);
    const double f = dot(way, arc.at(u) - origin) - reach;
    if (std::abs(f) <= frame_.noise) break;
    if (f < 0) {
      near = u;
      fNear = f;
    } else {
      far = u;
      fFar = f;
    }
  }
  return arc.at(u);
}

/// Positive when b leaves the node counterclockwise of a, both close to the way: decided where the two are
/// furthest apart sideways before the shorter one ends.
double Arrangement::turnTo(int a, int b, Point middle) {
  if (exact_) {
    // Whole numbers below 2^28: their products are exact.
    const Point p = wayOut(a), q = wayOut(b);
    const auto whole = [](double v) { return static_cast<std::int64_t>(v); };
    return static_cast<double>(whole(p.x) * whole(q.y) - whole(p.y) * whole(q.x));
  }
  const Point origin = nodes_.at(tail(a));
  const double size = length(middle);
  if (!(size > 0)) return 0;
  const Point way = middle / size, side{-way.y, way.x};
  const double reach = std::min(reachOf(a, origin, way), reachOf(b, origin, way));
  double best = 0;
  for (const double share : {0.5, 0.25, 0.75, 1.0, 0.1, 0.02}) {
    const double apart =
        dot(side, pointAlong(b, origin, way, share * reach) - pointAlong(a, origin, way, share * reach));
    if (std::abs(apart) > std::abs(best)) best = apart;
  }
  leastApart_ = std::min(leastApart_, std::abs(best));
  return best;
}

}  // namespace widecut
