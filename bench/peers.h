// The peers that cutting is measured against: general libraries.
#pragma once

#include <2geom/intersection-graph.h>
#include <2geom/pathvector.h>

#include <optional>
#include <polyclipping/clipper.hpp>

#include "cutting/formula.h"
#include "geometry/outline.h"

namespace widecut::peers {

namespace clip = ClipperLib;

inline Geom::PathVector geomPath(const Outline& outline) {
  Geom::PathVector out;
  const auto p = [](Point q) { return Geom::Point(q.x, q.y); };
  for (const Contour& c : outline.contours) {
    Geom::Path path(p(c.start));
    for (const Segment& s : c.segments) {
      if (s.kind == SegmentKind::Line)
        path.appendNew<Geom::LineSegment>(p(s.end));
      else if (s.kind == SegmentKind::Quadratic)
        path.appendNew<Geom::QuadraticBezier>(p(s.handle1), p(s.end));
      else
        path.appendNew<Geom::CubicBezier>(p(s.handle1), p(s.handle2), p(s.end));
    }
    path.close();
    out.push_back(path);
  }
  return out;
}

inline Outline fromGeom(const Geom::PathVector& paths) {
  Outline out;
  const auto p = [](const Geom::Point& q) { return Point{q[0], q[1]}; };
  for (const Geom::Path& path : paths) {
    Contour c{p(path.initialPoint()), {}, true};
    for (const Geom::Curve& curve : path) {
      const auto* bezier = dynamic_cast<const Geom::BezierCurve*>(&curve);
      if (!bezier || (bezier->order() == 1 && curve.isDegenerate())) continue;
      if (bezier->order() == 1) c.segments.push_back(Segment::line(p(curve.finalPoint())));
      if (bezier->order() == 2) c.segments.push_back(Segment::quadratic(p((*bezier)[1]), p(curve.finalPoint())));
      if (bezier->order() == 3)
        c.segments.push_back(Segment::cubic(p((*bezier)[1]), p((*bezier)[2]), p(curve.finalPoint())));
    }
    out.contours.push_back(std::move(c));
  }
  return out;
}

/// Nothing when it throws.
inline std::optional<Geom::PathVector> byGeom(const Geom::PathVector& a, const Geom::PathVector& b, Role role) {
  try {
    Geom::PathIntersectionGraph graph(a, b);
    switch (role) {
      case Role::Add:
        return graph.getUnion();
      case Role::Subtract:
        return graph.getAminusB();
      case Role::Intersect:
        return graph.getIntersection();
      case Role::Exclude:
        return graph.getXOR();
    }
  } catch (...) {  // it throws more than exceptions
  }
  return std::nullopt;
}

/// Runs within 0.01 of the curves.
inline clip::Paths clipperPaths(const Outline& outline, double units) {
  clip::Paths out;
  for (const auto& run : flattened(outline, 0.01)) {
    clip::Path path;
    for (const Point p : run) path.emplace_back(std::llround(p.x * units), std::llround(p.y * units));
    out.push_back(std::move(path));
  }
  return out;
}

inline clip::Paths byClipper(const clip::Paths& a, const clip::Paths& b, Role role) {
  const clip::ClipType types[] = {clip::ctUnion, clip::ctDifference, clip::ctIntersection, clip::ctXor};
  clip::Clipper clipper;
  clipper.AddPaths(a, clip::ptSubject, true);
  clipper.AddPaths(b, clip::ptClip, true);
  clip::Paths out;
  clipper.Execute(types[static_cast<int>(role)], out, clip::pftNonZero, clip::pftNonZero);
  return out;
}

}  // namespace widecut::peers
