// Cutting against general libraries, on the same made-up pairs in the same run:
//   cutting_peers [PAIRS]     PAIRS of each category (60 unless said), four operations each
// Times are the best of five; parsing, flattening and writing are not counted on any side.
#include <QPainterPath>
#include <algorithm>
#include <chrono>
#include <cstdio>
#include <cstdlib>
#include <optional>

#include "cutting/planar_map.h"
#include "judge/exact_oracle.h"
#include "painting/raster.h"
#include "peers.h"

namespace widecut {
namespace {

namespace clip = ClipperLib;
using peers::byClipper, peers::byGeom, peers::clipperPaths, peers::fromGeom, peers::geomPath;

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
  const double units =
      1e8 / std::max({1.0, std::abs(box.low.x), std::abs(box.high.x), std::abs(box.low.y), std::abs(box.high.y)});
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
  std::printf(
      "| | right | lib2geom right | ours | lib2geom | Clipper | QPainterPath | ratio of medians | paired median | "
      "paired p95 | segments | lib2geom's |\n|---|---|---|---|---|---|---|---|---|---|---|---|\n");
  for (const judge::Category category : judge::allCategories) {
    Column c;
    judge::Random random(9);
    for (std::uint64_t seed = 1; seed <= pairs; ++seed) measure(judge::corpusPair(category, seed), random, c);
    std::printf("| %s | %d/%d | %d | %.1f | %.1f | %.0f | %.0f | %.2f | %.2f | %.2f | %d | %d |\n",
                judge::nameOf(category), c.oursRight, c.cases, c.geomRight, quantile(c.ours, 0.5),
                quantile(c.geom, 0.5), quantile(c.clipper, 0.5), quantile(c.painter, 0.5),
                quantile(c.ours, 0.5) / quantile(c.geom, 0.5), quantile(c.ratio, 0.5), quantile(c.ratio, 0.95),
                c.oursSegments, c.geomSegments);
    std::fflush(stdout);
  }
}

}  // namespace
}  // namespace widecut

int main(int count, char** words) {
  widecut::table(count > 1 ? std::strtoull(words[1], nullptr, 10) : 60);
  return 0;
}
