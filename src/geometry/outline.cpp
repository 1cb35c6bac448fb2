#include "geometry/outline.h"

namespace widecut {
namespace {

/// The segments of a contour with their start nodes, the understood closing edge included.
template <class Visit>
void eachSegment(const Contour& contour, Visit visit) {
  Point at = contour.start;
  for (const Segment& s : contour.segments) {
    visit(at, s);
    at = s.end;
  }
  if (contour.closed && at != contour.start) visit(at, Segment::line(contour.start));
}

/// Parameters in (0, 1) where one coordinate of a cubic stands still.
void addExtrema(double a, double b, double c, double d, std::vector<double>& out) {
  const double qa = -a + 3 * b - 3 * c + d, qb = 2 * (a - 2 * b + c), qc = b - a;
  const auto keep = [&](double t) {
    if (t > 0 && t < 1) out.push_back(t);
  };
  const double size = std::abs(a) + std::abs(b) + std::abs(c) + std::abs(d);
  if (std::abs(qa) <= 1e-14 * size) {
    if (qb != 0) keep(-qc / qb);
    return;
  }
  const double disc = qb * qb - 4 * qa * qc;
  if (disc < 0) return;
  const double q = -0.5 * (qb + std::copysign(std::sqrt(disc), qb));
  keep(q / qa);
  if (q != 0) keep(qc / q);
}

/// How many equal steps keep a cubic's chords within the tolerance (bound on the second difference).
int stepsFor(const std::array<Point, 4>& c, double tolerance) {
  const double bend = std::max(length(c[0] - 2 * c[1] + c[2]), length(c[1] - 2 * c[2] + c[3]));
  const double steps = std::ceil(std::sqrt(0.75 * bend / tolerance));
  return static_cast<int>(std::clamp(steps, 1.0, 4096.0));
}

double distanceToChord(Point p, Point a, Point b) {
  const Point along = b - a;
  const double l2 = dot(along, along);
  const double t = l2 > 0 ? std::clamp(dot(p - a, along) / l2, 0.0, 1.0) : 0;
  return distance(p, a + along * t);
}

}  // namespace

std::array<Point, 4> asCubic(Point start, const Segment& s) {
  switch (s.kind) {
    case SegmentKind::Line:
      return {start, mix(start, s.end, 1.0 / 3), mix(start, s.end, 2.0 / 3), s.end};
    case SegmentKind::Quadratic:
      return {start, mix(start, s.handle1, 2.0 / 3), mix(s.end, s.handle1, 2.0 / 3), s.end};
    case SegmentKind::Cubic:
      break;
  }
  return {start, s.handle1, s.handle2, s.end};
}

Point pointAt(Point start, const Segment& s, double t) {
  if (s.kind == SegmentKind::Line) return mix(start, s.end, t);
  const auto c = asCubic(start, s);
  const double u = 1 - t;
  return c[0] * (u * u * u) + c[1] * (3 * u * u * t) + c[2] * (3 * u * t * t) + c[3] * (t * t * t);
}

Outline transformed(const Outline& outline, const Affine& map) {
  Outline out = outline;
  for (Contour& c : out.contours) {
    c.start = map(c.start);
    for (Segment& s : c.segments) {
      s.end = map(s.end);
      if (s.kind != SegmentKind::Line) s.handle1 = map(s.handle1);
      if (s.kind == SegmentKind::Cubic) s.handle2 = map(s.handle2);
    }
  }
  return out;
}

Box bounds(const Outline& outline) {
  Box box;
  std::vector<double> stills;
  for (const Contour& contour : outline.contours) {
    box.add(contour.start);
    eachSegment(contour, [&](Point at, const Segment& s) {
      box.add(s.end);
      if (s.kind == SegmentKind::Line) return;
      const auto c = asCubic(at, s);
      if (box.contains(c[1]) && box.contains(c[2])) return;
      stills.clear();
      addExtrema(c[0].x, c[1].x, c[2].x, c[3].x, stills);
      addExtrema(c[0].y, c[1].y, c[2].y, c[3].y, stills);
      for (const double t : stills) box.add(pointAt(at, s, t));
    });
  }
  return box;
}

Box hull(Point start, const Segment& segment) {
  Box box;
  box.add(start);
  box.add(segment.end);
  if (segment.kind != SegmentKind::Line) box.add(segment.handle1);
  if (segment.kind == SegmentKind::Cubic) box.add(segment.handle2);
  return box;
}

bool isFinite(const Outline& outline) {
  for (const Contour& c : outline.contours) {
    if (!isFinite(c.start)) return false;
    for (const Segment& s : c.segments)
      if (!isFinite(s.handle1) || !isFinite(s.handle2) || !isFinite(s.end)) return false;
  }
  return true;
}

double signedArea(const Outline& outline) {
  double twice = 0;
  for (const Contour& contour : outline.contours) {
    const Point o = contour.start;
    Contour closed = contour;
    closed.closed = true;
    eachSegment(closed, [&](Point at, const Segment& s) {
      if (s.kind == SegmentKind::Line) {
        twice += cross(at - o, s.end - o);
        return;
      }
      const auto c = asCubic(at, s);
      const Point a = c[0] - o, b = c[1] - o, d = c[2] - o, e = c[3] - o;
      // ∮ x dy − y dx of a cubic, in its control points.
      twice +=
          (6 * cross(a, b) + 3 * cross(a, d) + cross(a, e) + 3 * cross(b, d) + 3 * cross(b, e) + 6 * cross(d, e)) / 10;
    });
  }
  return twice / 2;
}

std::size_t storedNodes(const Outline& outline) {
  std::size_t nodes = 0;
  for (const Contour& c : outline.contours) nodes += 1 + c.segments.size();
  return nodes;
}

std::size_t storedBytes(const Outline& outline) {
  std::size_t bytes = outline.contours.size() * sizeof(Contour);
  for (const Contour& c : outline.contours) bytes += c.segments.size() * sizeof(Segment);
  return bytes;
}

OutlineCounts counts(const Outline& outline) {
  OutlineCounts n;
  n.contours = static_cast<int>(outline.contours.size());
  for (const Contour& c : outline.contours) {
    n.nodes += static_cast<int>(c.segments.size());
    if (!c.closed || c.segments.empty() || c.segments.back().end != c.start) ++n.nodes;
    for (const Segment& s : c.segments) n.curves += s.kind != SegmentKind::Line;
  }
  return n;
}

std::vector<std::vector<Point>> flattened(const Outline& outline, double tolerance) {
  std::vector<std::vector<Point>> runs;
  for (const Contour& contour : outline.contours) {
    auto& run = runs.emplace_back();
    run.push_back(contour.start);
    Point at = contour.start;
    for (const Segment& s : contour.segments) {
      if (s.kind != SegmentKind::Line) {
        const int steps = stepsFor(asCubic(at, s), tolerance);
        for (int i = 1; i < steps; ++i) run.push_back(pointAt(at, s, static_cast<double>(i) / steps));
      }
      run.push_back(s.end);
      at = s.end;
    }
    if (contour.closed && run.size() > 1 && run.back() == run.front()) run.pop_back();
  }
  return runs;
}

Outline polygon(const std::vector<Point>& corners) {
  if (corners.empty()) return {};
  Contour contour{corners.front(), {}, true};
  for (std::size_t i = 1; i < corners.size(); ++i) contour.segments.push_back(Segment::line(corners[i]));
  contour.segments.push_back(Segment::line(corners.front()));
  return {{contour}};
}

bool isInside(const Outline& outline, FillRule rule, Point p) {
  const Box box = bounds(outline);
  if (!box.contains(p)) return false;
  int winding = 0;
  for (const auto& run : flattened(outline, std::max(box.width(), box.height()) * 1e-5 + 1e-300)) {
    for (std::size_t i = 0; i < run.size(); ++i) {
      const Point a = run[i], b = run[(i + 1) % run.size()];
      if ((a.y <= p.y) == (b.y <= p.y)) continue;
      if (cross(b - a, p - a) * (b.y - a.y) > 0) winding += b.y > a.y ? 1 : -1;
    }
  }
  return rule == FillRule::Nonzero ? winding != 0 : winding % 2 != 0;
}

double edgeDistance(const Outline& outline, Point p, double tolerance) {
  double best = std::numeric_limits<double>::infinity();
  const auto runs = flattened(outline, tolerance);
  for (std::size_t r = 0; r < runs.size(); ++r) {
    const auto& run = runs[r];
    const std::size_t edges = outline.contours[r].closed ? run.size() : run.size() - 1;
    if (run.size() == 1) best = std::min(best, distance(p, run[0]));
    for (std::size_t i = 0; i < edges; ++i)
      best = std::min(best, distanceToChord(p, run[i], run[(i + 1) % run.size()]));
  }
  return best;
}

}  // namespace widecut
