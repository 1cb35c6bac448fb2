#include "shapes/contour_maker.h"

namespace widecut {
namespace {

/// Closer than this is the same place, in frames from 1 point to many metres.
bool isSamePlace(Point a, Point b) {
  const double size = std::max({1.0, std::abs(a.x), std::abs(a.y)});
  return std::abs(a.x - b.x) <= 1e-9 * size && std::abs(a.y - b.y) <= 1e-9 * size;
}

}  // namespace

int arcSteps(double angle) { return std::max(1, static_cast<int>(std::ceil(std::abs(angle) / (pi / 2) - 1e-9))); }

ContourMaker& ContourMaker::line(Point to) {
  if (isSamePlace(at_, to)) return *this;
  contour_.segments.push_back(Segment::line(to));
  at_ = to;
  return *this;
}

ContourMaker& ContourMaker::curve(Point handle1, Point handle2, Point to) {
  contour_.segments.push_back(Segment::cubic(handle1, handle2, to));
  at_ = to;
  return *this;
}

ContourMaker& ContourMaker::arc(Point centre, double rx, double ry, double from, double to) {
  const auto place = [&](Point unit) { return Point{centre.x + rx * unit.x, centre.y + ry * unit.y}; };
  line(place(around(from)));
  if (rx == 0 || ry == 0) return line(place(around(to)));
  const int steps = arcSteps(to - from);
  const double each = (to - from) / steps, k = arcHandle(each);
  for (int i = 0; i < steps; ++i) {
    const double a = from + i * each, b = i + 1 == steps ? to : a + each;
    curve(place(around(a) + aroundStep(a) * k), place(around(b) - aroundStep(b) * k), place(around(b)));
  }
  return *this;
}

ContourMaker& ContourMaker::run(const Contour& open) {
  line(open.start);
  for (const Segment& s : open.segments) {
    contour_.segments.push_back(s);
    at_ = s.end;
  }
  return *this;
}

Contour ContourMaker::closed() {
  Contour out = contour_;
  if (out.segments.empty()) return out;
  Segment& last = out.segments.back();
  if (isSamePlace(last.end, out.start)) {
    // The edge back to the start is understood; a curve has to end there.
    if (last.kind == SegmentKind::Line)
      out.segments.pop_back();
    else
      last.end = out.start;
  }
  return out;
}

Contour roundedBox(const Box& box, double radius) {
  const double r = std::max(0.0, std::min({radius, box.width() / 2, box.height() / 2}));
  const Point a = box.low, b = box.high;
  if (r <= 1e-9) return polygon({a, {b.x, a.y}, b, {a.x, b.y}}).contours[0];
  ContourMaker out({a.x + r, a.y});
  out.arc({b.x - r, a.y + r}, r, r, 0, pi / 2).arc({b.x - r, b.y - r}, r, r, pi / 2, pi);
  out.arc({a.x + r, b.y - r}, r, r, pi, 1.5 * pi).arc({a.x + r, a.y + r}, r, r, 1.5 * pi, 2 * pi);
  return out.closed();
}

Contour ellipseContour(Point c, double rx, double ry) {
  // As arc() does it, without sines: crowds of holes are made of these.
  static const double k = arcHandle(pi / 2);
  const double hx = rx * k, hy = ry * k;
  const Point top{c.x, c.y - ry}, right{c.x + rx, c.y}, foot{c.x, c.y + ry}, left{c.x - rx, c.y};
  Contour out{top, {}, true};
  out.segments = {Segment::cubic({c.x + hx, top.y}, {right.x, c.y - hy}, right),
                  Segment::cubic({right.x, c.y + hy}, {c.x + hx, foot.y}, foot),
                  Segment::cubic({c.x - hx, foot.y}, {left.x, c.y + hy}, left),
                  Segment::cubic({left.x, c.y - hy}, {c.x - hx, top.y}, top)};
  return out;
}

Contour reversed(const Contour& contour) {
  Contour out{contour.start, {}, contour.closed};
  Point at = contour.start;
  std::vector<std::pair<Point, Segment>> steps;
  for (const Segment& s : contour.segments) {
    steps.emplace_back(at, s);
    at = s.end;
  }
  if (contour.closed && at != contour.start) steps.emplace_back(at, Segment::line(contour.start));
  if (!contour.closed) out.start = at;
  for (auto step = steps.rbegin(); step != steps.rend(); ++step) {
    Segment s = step->second;
    s.end = step->first;
    if (s.kind == SegmentKind::Cubic) std::swap(s.handle1, s.handle2);
    out.segments.push_back(s);
  }
  if (out.closed && out.segments.back().kind == SegmentKind::Line) out.segments.pop_back();
  return out;
}

Contour softened(const std::vector<Point>& corners, const std::vector<double>& shares) {
  constexpr double roundness = 0.58;  // how far handles reach towards the corner
  const std::size_t n = corners.size();
  const auto before = [&](std::size_t i) { return mix(corners[i], corners[(i + n - 1) % n], shares[i] / 2); };
  const auto after = [&](std::size_t i) { return mix(corners[i], corners[(i + 1) % n], shares[i] / 2); };
  ContourMaker out(after(0));
  for (std::size_t k = 1; k <= n; ++k) {
    const std::size_t i = k % n;
    out.line(before(i));
    if (shares[i] > 0) {
      const Point a = out.at(), b = after(i);
      out.curve(mix(a, corners[i], roundness), mix(b, corners[i], roundness), b);
    }
  }
  return out.closed();
}

Segment part(Point start, const Segment& segment, double from, double to) {
  const auto c = asCubic(start, segment);
  // The blossom of the cubic at three parameters.
  const auto blossom = [&](double a, double b, double t) {
    const Point p0 = mix(c[0], c[1], a), p1 = mix(c[1], c[2], a), p2 = mix(c[2], c[3], a);
    return mix(mix(p0, p1, b), mix(p1, p2, b), t);
  };
  return Segment::cubic(blossom(from, from, to), blossom(from, to, to), blossom(to, to, to));
}

}  // namespace widecut
