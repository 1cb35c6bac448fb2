// Cutting against general libraries, on the same made-up pairs in the same run:
//   cutting_peers [PAIRS]     PAIRS of each category (60 unless said), four operations each
// Times are the best of five; parsing, flattening and writing are not counted on any side.
#include <2geom/pathvector.h>
#include <2geom/intersection-graph.h>

#include <QPainterPath>
#include <algorithm>
#include <chrono>
#include <cstdio>
#include <cstdlib>
#include <optional>
#include <polyclipping/clipper.hpp>

#include "cutting/planar_map.h"
#include "judge/exact_oracle.h"
#include "output/raster.h"

namespace widecut {
namespace {

namespace clip = ClipperLib;

constexpr Role roles[] = {Role::Add, Role::Subtract, Role::Intersect, Role::Exclude};
constexpr double right = 1e-6;

double micros(const std::function<void()>& work, int times = 5) {
  double best = 1e300;
  for (int i = 0; i < times; ++i) {
    const auto begun = std::chrono::steady_clock::now();
    work();
    best = std::min(best, std::chrono::duration<double, std::micro>(std::chrono::steady_clock::now() - begun).count());
  }
  return best;
}

Geom::PathVector geomPath(const Outline& outline) {
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

Outline fromGeom(const Geom::PathVector& paths) {
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
std::optional<Geom::PathVector> byGeom(const Geom::PathVector& a, const Geom::PathVector& b, Role role) {
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

clip::Paths clipperPaths(const Outline& outline, double units) {
  clip::Paths out;
  for (const auto& run : flattened(outline, 0.01)) {
    clip::Path path;
    for (const Point p : run) path.emplace_back(std::llround(p.x * units), std::llround(p.y * units));
    out.push_back(std::move(path));
  }
  return out;
}

clip::Paths byClipper(const clip::Paths& a, const clip::Paths& b, Role role) {
  const clip::ClipType types[] = {clip::ctUnion, clip::ctDifference, clip::ctIntersection, clip::ctXor};
  clip::Clipper clipper;
  clipper.AddPaths(a, clip::ptSubject, true);
  clipper.AddPaths(b, clip::ptClip, true);
  clip::Paths out;
  clipper.Execute(types[static_cast<int>(role)], out, clip::pftNonZero, clip::pftNonZero);
  return out;
}

QPainterPath byPainterPath(const QPainterPath& a, const QPainterPath& b, Role role) {
  switch (role) {
    case Role::Add:
      return a.united(b);
    case Role::Subtract:
      return a.subtracted(b);
    case Role::Intersect:
      return a.intersected(b);
    case Role::Exclude:
      return a.subtracted(b).united(b.subtracted(a));
  }
  return {};
}

double quantile(std::vector<double> values, double share) {
  if (values.empty()) return 0;
  std::sort(values.begin(), values.end());
  return values[std::min(values.size() - 1, static_cast<std::size_t>(share * static_cast<double>(values.size())))];
}

int segmentsOf(const Outline& outline) {
  int n = 0;
  for (const Contour& c : outline.contours) n += static_cast<int>(c.segments.size());
  return n;
}

struct Column {
  std::vector<double> ours, geom, clipper, painter, ratio;
  int oursRight = 0, geomRight = 0, cases = 0, oursSegments = 0, geomSegments = 0;
};

void measure(const std::vector<Operand>& pair, judge::Random& random, Column& column) {
  const Geom::PathVector ga = geomPath(pair[0].outline), gb = geomPath(pair[1].outline);
  const Box box = [&] {
    Box b = bounds(pair[0].outline);
    b.add(bounds(pair[1].outline));
    return b;
  }();
  const double units = 1e8 / std::max({1.0, std::abs(box.low.x), std::abs(box.high.x), std::abs(box.low.y), std::abs(box.high.y)});
  // Clipper and QPainterPath only where 0.01 is a sensible tolerance.
  const double extent = std::max(box.width(), box.height());
  const bool usual = extent > 20 && extent < 2000;
  const clip::Paths ca = usual ? clipperPaths(pair[0].outline, units) : clip::Paths{};
  const clip::Paths cb = usual ? clipperPaths(pair[1].outline, units) : clip::Paths{};
  const QPainterPath qa = painterPath(pair[0].outline), qb = painterPath(pair[1].outline);
  for (const Role role : roles) {
    const Formula formula = Formula::chain(2, role);
    Outline ours;
    const double mine = micros([&] { ours = *cut(pair, formula); });
    std::optional<Geom::PathVector> theirs;
    const double geom = micros([&] { theirs = byGeom(ga, gb, role); });
    const auto truth = [&](const std::vector<bool>& covers) {
      return formula.holds([&](int part) { return covers[static_cast<std::size_t>(part)]; });
    };
    ++column.cases;
    column.oursRight += judge::difference(pair, truth, ours, random, role == Role::Exclude) < right;
    column.ours.push_back(mine);
    column.geom.push_back(geom);  // the time that it takes to throw counts too
    column.ratio.push_back(mine / geom);
    if (theirs) {
      const Outline out = fromGeom(*theirs);
      if (judge::difference(pair, truth, out, random, true) < right) {
        ++column.geomRight;
        column.geomSegments += segmentsOf(out);
        column.oursSegments += segmentsOf(ours);
      }
    }
    if (usual) {
      column.clipper.push_back(micros([&] { (void)byClipper(ca, cb, role); }, 1));
      column.painter.push_back(micros([&] { (void)byPainterPath(qa, qb, role); }, 1));
    }
  }
}

void table(std::uint64_t pairs) {
  std::printf("Medians in µs over %llu pairs × 4 operations. Ratios are ours to lib2geom's.\n\n",
              static_cast<unsigned long long>(pairs));
  std::printf("| | right | lib2geom right | ours | lib2geom | Clipper | QPainterPath | ratio of medians | paired median | "
              "paired p95 | segments | lib2geom's |\n|---|---|---|---|---|---|---|---|---|---|---|---|\n");
  for (const judge::Category category : judge::allCategories) {
    Column c;
    judge::Random random(9);
    for (std::uint64_t seed = 1; seed <= pairs; ++seed) measure(judge::corpusPair(category, seed), random, c);
    std::printf("| %s | %d/%d | %d | %.1f | %.1f | %.0f | %.0f | %.2f | %.2f | %.2f | %d | %d |\n", judge::nameOf(category),
                c.oursRight, c.cases, c.geomRight, quantile(c.ours, 0.5), quantile(c.geom, 0.5),
                quantile(c.clipper, 0.5), quantile(c.painter, 0.5), quantile(c.ours, 0.5) / quantile(c.geom, 0.5),
                quantile(c.ratio, 0.5), quantile(c.ratio, 0.95), c.oursSegments, c.geomSegments);
    std::fflush(stdout);
  }
}

}  // namespace
}  // namespace widecut

int main(int count, char** words) {
  widecut::table(count > 1 ? std::strtoull(words[1], nullptr, 10) : 60);
  return 0;
}
