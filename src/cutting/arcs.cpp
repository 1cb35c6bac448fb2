#include "cutting/arcs.h"

#include <algorithm>
#include <tuple>

namespace widecut {
namespace {

/// The working tolerance never falls below these shares of the largest coordinate and of the extent, which are a
/// few units in their last place.
constexpr double ofCoordinates = 8e-16, ofExtent = 1.6e-15;

/// Parameters in (0, 1) at which a coordinate of the cubic turns back, ascending; at most two. Those that would
/// cut off less than `least` are passed over.
int turningPoints(double a, double b, double c, double d, double least, double* out) {
  if ((b >= a && c >= b && d >= c) || (b <= a && c <= b && d <= c)) return 0;
  const double qa = -a + 3 * b - 3 * c + d, qb = 2 * (a - 2 * b + c), qc = b - a;
  double roots[2];
  int n = 0;
  if (qa == 0) {
    if (qb != 0) roots[n++] = -qc / qb;
  } else {
    const double disc = qb * qb - 4 * qa * qc;
    if (disc < 0) return 0;
    const double q = -0.5 * (qb + std::copysign(std::sqrt(disc), qb));
    roots[n++] = q / qa;
    if (q != 0) roots[n++] = qc / q;
    if (n == 2 && roots[0] > roots[1]) std::swap(roots[0], roots[1]);
  }
  const auto value = [&](double t) {
    const double u = 1 - t;
    return a * u * u * u + 3 * b * u * u * t + 3 * c * u * t * t + d * t * t * t;
  };
  n = static_cast<int>(std::remove_if(roots, roots + n, [](double t) { return !(t > 0 && t < 1); }) - roots);
  int kept = 0;
  double before = a;
  for (int i = 0; i < n; ++i) {
    const double v = value(roots[i]);
    if (std::abs(v - before) < least || (i + 1 == n && std::abs(v - d) < least)) continue;
    before = v;
    out[kept++] = roots[i];
  }
  return kept;
}

}  // namespace

Frame Frame::around(std::span<const Operand* const> operands, double relative) {
  Box box;
  for (const Operand* operand : operands)
    for (const Contour& c : operand->outline.contours) {
      box.add(c.start);
      for (const Segment& s : c.segments) {
        box.add(s.end);
        if (s.kind != SegmentKind::Line) box.add(s.handle1);
        if (s.kind == SegmentKind::Cubic) box.add(s.handle2);
      }
    }
  Frame frame;
  if (box.isEmpty()) return frame;
  const double larger = std::max(box.width(), box.height()), smaller = std::min(box.width(), box.height());
  const double reach = std::max({std::abs(box.low.x), std::abs(box.low.y), std::abs(box.high.x), std::abs(box.high.y)});
  const double extent = std::max(larger, reach * 1e-15);
  // So small that scaling would overflow: all of it is one place.
  constexpr double leastExtent = 1e-290;
  if (!(extent > leastExtent)) {
    frame.tolerance = 1e-100;
    return frame;
  }
  const int power = std::ilogb(extent);
  const double step = std::ldexp(1.0, power);
  frame.centre = {std::round(box.centre().x / step) * step, std::round(box.centre().y / step) * step};
  frame.scale = std::ldexp(1.0, -power);
  frame.tolerance =
      (relative * std::max(smaller, 1e-3 * larger) + ofCoordinates * reach + ofExtent * extent) * frame.scale;
  frame.noise = 4e-16 * extent * frame.scale + 0.5e-16 * reach * frame.scale;
  return frame;
}

void Arc::settle() {
  rising = p[3].y >= p[0].y;
  const Point a = p[0], b = p[3];
  low[0] = a.x;
  high[0] = b.x;
  low[1] = std::min(a.y, b.y);
  high[1] = std::max(a.y, b.y);
  const double s0 = a.x + a.y, s1 = b.x + b.y, d0 = a.x - a.y, d1 = b.x - b.y;
  low[2] = std::min(s0, s1);
  high[2] = std::max(s0, s1);
  low[3] = std::min(d0, d1);
  high[3] = std::max(d0, d1);
  const Point way = b - a;
  normal = {-way.y, way.x};
  chordBound = std::abs(way.x) + std::abs(way.y);
  fatLow = fatHigh = 0;
  if (line) return;
  const int k = rising ? 3 : 2;  // the other diagonal may be left on the way
  for (int i = 1; i < 3; ++i) {
    const Point q = p[static_cast<std::size_t>(i)];
    const double v = rising ? q.x - q.y : q.x + q.y;
    low[k] = std::min(low[k], v);
    high[k] = std::max(high[k], v);
    const double away = distanceFromChord(q);
    fatLow = std::min(fatLow, away);
    fatHigh = std::max(fatHigh, away);
  }
}

bool Arc::liesFarOut() const {
  constexpr double furthest = 4;
  return std::abs(low[0]) > furthest || std::abs(low[1]) > furthest || std::abs(high[0]) > furthest ||
         std::abs(high[1]) > furthest;
}

double Arc::parameterAlong(double value) const {
  const double a = along(p[0]), d = along(p[3]);
  if (line) return d > a ? std::clamp((value - a) / (d - a), 0.0, 1.0) : 0;
  return solveRising(a, along(p[1]), along(p[2]), d, value);
}

void Arcs::clear() {
  arcs.clear();
  sources.clear();
  contourStarts.assign(1, 0);
  chains = 0;
}

void Arcs::reserve(std::size_t segments) {
  sources.reserve(segments);
  arcs.reserve(segments + segments / 2);
}

void Arcs::add(const Operand& operand, int number, const Frame& frame, Nodes& nodes) {
  int first = 0, node = 0;
  eachSource(operand, number, [&](const Source& s) {
    if (s.begins) first = node = nodes.add(frame.toWork(s.start), s.start, true);
    const int next = s.closes ? first : s.end == s.start ? node : nodes.add(frame.toWork(s.end), s.end, true);
    addSource(s, frame, nodes, node, next);
    node = next;
    if (s.closes && static_cast<int>(arcs.size()) > contourStarts.back())
      contourStarts.push_back(static_cast<int>(arcs.size()));
  });
}

void Arcs::addSource(const Source& s, const Frame& frame, Nodes& nodes, int startNode, int endNode) {
  sources.push_back(s);
  const Point a = frame.toWork(s.start), d = frame.toWork(s.end);
  if (s.kind == SegmentKind::Line) {
    if (a == d)
      nodes.unite(startNode, endNode);
    else
      addArc({a, {}, {}, d}, true, 0, 1, startNode, endNode);
    return;
  }
  const Point h1 = frame.toWork(s.handle1), h2 = frame.toWork(s.handle2);
  if (s.kind == SegmentKind::Quadratic)
    addCurve({a, mix(a, h1, 2.0 / 3), mix(d, h1, 2.0 / 3), d}, frame, nodes, startNode, endNode);
  else
    addCurve({a, h1, h2, d}, frame, nodes, startNode, endNode);
}

void Arcs::addCurve(const Bezier& c, const Frame& frame, Nodes& nodes, int startNode, int endNode) {
  struct Cut {
    double t;
    bool inX;
  };
  const double least = 8 * frame.noise;
  double found[2];
  Cut cuts[4];
  int n = 0;
  for (int i = turningPoints(c[0].x, c[1].x, c[2].x, c[3].x, least, found); i > 0; --i)
    cuts[n++] = {found[i - 1], true};
  for (int i = turningPoints(c[0].y, c[1].y, c[2].y, c[3].y, least, found); i > 0; --i)
    cuts[n++] = {found[i - 1], false};
  if (n == 0) {
    addArc(c, false, 0, 1, startNode, endNode);
    if (arcs.empty() || arcs.back().source + 1 != static_cast<int>(sources.size())) nodes.unite(startNode, endNode);
    return;
  }
  std::sort(cuts, cuts + n, [](const Cut& a, const Cut& b) { return a.t < b.t; });
  double t0 = 0;
  Bezier rest = c;
  int node = startNode;
  Point from = c[0];
  bool fromX = false, fromY = false;
  for (int i = 0; i <= n; ++i) {
    const bool last = i == n;
    const double t1 = last ? 1 : cuts[i].t;
    const Point to = last ? c[3] : pointOn(c, t1);
    bool toX = !last && cuts[i].inX, toY = !last && !cuts[i].inX;
    if (!last && std::abs(to.x - from.x) < least && std::abs(to.y - from.y) < least) {
      fromX = fromX || toX;
      fromY = fromY || toY;
      continue;
    }
    Bezier piece = rest;
    if (!last) std::tie(piece, rest) = splitAt(rest, (t1 - t0) / (1 - t0));
    piece[0] = from;
    piece[3] = to;
    // At a turning point the tangent is exactly upright, or exactly level.
    if (fromX) piece[1].x = from.x;
    if (fromY) piece[1].y = from.y;
    if (toX) piece[2].x = to.x;
    if (toY) piece[2].y = to.y;
    const int next = last ? endNode : nodes.add(to, frame.toSheet(to), false);
    const std::size_t before = arcs.size();
    addArc(piece, false, t0, t1, node, next);
    if (arcs.size() == before) nodes.unite(node, next);
    t0 = t1;
    from = to;
    fromX = toX;
    fromY = toY;
    node = next;
  }
}

void Arcs::addArc(const Bezier& c, bool line, double t0, double t1, int startNode, int endNode) {
  if (c[0] == c[3]) return;
  Arc& arc = arcs.emplace_back();
  const bool forwards = c[0].x < c[3].x || (c[0].x == c[3].x && c[0].y < c[3].y);
  arc.p = forwards ? c : Bezier{c[3], c[2], c[1], c[0]};
  arc.t0 = forwards ? t0 : t1;
  arc.t1 = forwards ? t1 : t0;
  arc.node[0] = forwards ? startNode : endNode;
  arc.node[1] = forwards ? endNode : startNode;
  arc.direction = forwards ? 1 : -1;
  arc.line = line;
  arc.source = static_cast<int>(sources.size()) - 1;
  arc.operand = sources.back().operand;
  arc.settle();
  const bool starts = arcs.size() == static_cast<std::size_t>(contourStarts.back()) + 1;
  arc.beginsContour = starts;
  const Arc* before = starts ? nullptr : &arc - 1;
  arc.chain = before && goOn(*before, arc) ? before->chain : ++chains;
}

Segment pieceOf(const Source& s, double t0, double t1, Point end) {
  switch (s.kind) {
    case SegmentKind::Line:
      break;
    case SegmentKind::Quadratic: {
      if (t0 == 0 && t1 == 1) return Segment::quadratic(s.handle1, end);
      if (t0 == 1 && t1 == 0) return Segment::quadratic(s.handle1, end);
      return Segment::quadratic(mix(mix(s.start, s.handle1, t0), mix(s.handle1, s.end, t0), t1), end);
    }
    case SegmentKind::Cubic: {
      if (t0 == 0 && t1 == 1) return Segment::cubic(s.handle1, s.handle2, end);
      if (t0 == 1 && t1 == 0) return Segment::cubic(s.handle2, s.handle1, end);
      const Bezier c{s.start, s.handle1, s.handle2, s.end};
      return Segment::cubic(blossom(c, t0, t0, t1), blossom(c, t0, t1, t1), end);
    }
  }
  return Segment::line(end);
}

}  // namespace widecut
