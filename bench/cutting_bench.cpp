// Cutting: growth with size, many operands, all outcomes of one map, path data; with peers in the same run.
#include <2geom/intersection-graph.h>
#include <2geom/pathvector.h>
#include <benchmark/benchmark.h>

#include <polyclipping/clipper.hpp>

#include "cutting/live_cut.h"
#include "cutting/offset.h"
#include "cutting/planar_map.h"
#include "geometry/path_data.h"
#include "judge/corpus.h"
#include "peers.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

using judge::Random;
using judge::uniform;

/// Two rings of n segments that wave against one another: about as many crossings as a quarter of n.
std::vector<Operand> crossingRings(int n) {
  // Teeth as high as they are wide.
  const double depth = 15.0 / n;
  return {{judge::wavyRing(n, 100, depth, n / 5, 0)}, {judge::wavyRing(n, 100, depth, n / 5 - 1, 1)}};
}
/// Two rough outlines of n segments, side by side, that cross in two places: their teeth are much higher than wide.
std::vector<Operand> fewCrossings(int n) {
  const Outline coast = judge::wavyRing(n, 100, 0.02, n / 8, 0);
  return {{coast}, {judge::placed(coast, 90, 0)}};
}

void unite(benchmark::State& state, const std::vector<Operand>& pair) {
  const Formula formula = Formula::chain(2, Role::Add);
  for (auto _ : state) benchmark::DoNotOptimize(cut(pair, formula));
}
void uniteByGeom(benchmark::State& state, const std::vector<Operand>& pair) {
  const auto a = peers::geomPath(pair[0].outline), b = peers::geomPath(pair[1].outline);
  for (auto _ : state) benchmark::DoNotOptimize(peers::byGeom(a, b, Role::Add));
}

void rings(benchmark::State& state) {
  unite(state, crossingRings(static_cast<int>(state.range(0))));
  state.SetComplexityN(state.range(0));
}
void ringsByGeom(benchmark::State& state) { uniteByGeom(state, crossingRings(static_cast<int>(state.range(0)))); }
BENCHMARK(rings)->Arg(100)->Arg(1000)->Arg(10000)->Arg(100000)->Unit(benchmark::kMillisecond)->Complexity();
BENCHMARK(ringsByGeom)->Arg(100)->Arg(1000)->Arg(10000)->Unit(benchmark::kMillisecond);

void few(benchmark::State& state) { unite(state, fewCrossings(static_cast<int>(state.range(0)))); }
void fewByGeom(benchmark::State& state) { uniteByGeom(state, fewCrossings(static_cast<int>(state.range(0)))); }
void fewByClipper(benchmark::State& state) {
  const auto pair = fewCrossings(static_cast<int>(state.range(0)));
  const auto a = peers::clipperPaths(pair[0].outline, 1e6), b = peers::clipperPaths(pair[1].outline, 1e6);
  for (auto _ : state) benchmark::DoNotOptimize(peers::byClipper(a, b, Role::Add));
}
BENCHMARK(fewByClipper)->Arg(10000)->Iterations(1)->Unit(benchmark::kMillisecond);
BENCHMARK(few)->Arg(10000)->Arg(100000)->Unit(benchmark::kMillisecond);
BENCHMARK(fewByGeom)->Arg(10000)->Iterations(1)->Unit(benchmark::kMillisecond);

std::vector<Outline> discs() {
  Random random(4);
  std::vector<Outline> out;
  for (int i = 0; i < 500; ++i) {
    const double d = uniform(random, 30, 90);
    out.push_back(judge::placed(ellipseOutline(d, d), uniform(random, 0, 600), uniform(random, 0, 600)));
  }
  return out;
}
/// 500 operands, one formula.
void discsAsOperands(benchmark::State& state) {
  std::vector<Operand> operands;
  for (const Outline& o : discs()) operands.push_back({o});
  const Formula formula = Formula::chain(500, Role::Add);
  for (auto _ : state) benchmark::DoNotOptimize(cut(operands, formula));
}
/// One operand of 500 contours, as the peer takes them.
void discsAsContours(benchmark::State& state) {
  Operand all;
  for (const Outline& o : discs()) all.outline.contours.push_back(o.contours[0]);
  for (auto _ : state) benchmark::DoNotOptimize(cut({&all, 1}, Formula::part(0)));
}
void discsByClipper(benchmark::State& state) {
  ClipperLib::Paths paths;
  for (const Outline& o : discs())
    for (auto& path : peers::clipperPaths(o, 1e6)) paths.push_back(std::move(path));
  for (auto _ : state) benchmark::DoNotOptimize(peers::byClipper(paths, {}, Role::Add));
}
BENCHMARK(discsAsOperands)->Unit(benchmark::kMillisecond);
BENCHMARK(discsAsContours)->Unit(benchmark::kMillisecond);
BENCHMARK(discsByClipper)->Unit(benchmark::kMillisecond);

std::vector<Operand> twoBlobs() {
  Random random(5);
  return {{judge::blob(random, 14, 60, 0.5)}, {judge::placed(judge::blob(random, 14, 60, 0.5), 20, 10)}};
}
void oneOutcome(benchmark::State& state) {
  const auto pair = twoBlobs();
  const Formula formula = Formula::chain(2, Role::Add);
  for (auto _ : state) benchmark::DoNotOptimize(PlanarMap::of(pair)->where(formula));
}
void allOutcomes(benchmark::State& state) {
  const auto pair = twoBlobs();
  std::vector<Formula> formulas;
  for (const Role role : {Role::Add, Role::Subtract, Role::Intersect, Role::Exclude})
    formulas.push_back(Formula::chain(2, role));
  formulas.push_back(Formula::joined(Formula::part(1), Role::Subtract, Formula::part(0)));
  for (auto _ : state) {
    const auto map = PlanarMap::of(pair);
    for (const Formula& f : formulas) benchmark::DoNotOptimize(map->where(f));
  }
}
void allOutcomesAndDivision(benchmark::State& state) {
  const auto pair = twoBlobs();
  for (auto _ : state) {
    const auto map = PlanarMap::of(pair);
    benchmark::DoNotOptimize(map->unite());
    benchmark::DoNotOptimize(map->subtract());
    benchmark::DoNotOptimize(map->intersect());
    benchmark::DoNotOptimize(map->exclude());
    benchmark::DoNotOptimize(map->divide());
  }
}
BENCHMARK(oneOutcome)->Unit(benchmark::kMicrosecond);
BENCHMARK(allOutcomes)->Unit(benchmark::kMicrosecond);
BENCHMARK(allOutcomesAndDivision)->Unit(benchmark::kMicrosecond);

/// A recipe of twenty overlapping parts.
struct Twenty {
  std::vector<Operand> parts;
  Formula formula = Formula::part(0);
  Twenty();
};
Twenty::Twenty() {
  Random random(5);
  for (int i = 0; i < 20; ++i)
    parts.push_back({judge::placed(i % 2 == 1 ? judge::blob(random, 10, 40, 0.4) : ellipseOutline(70, 50),
                                   uniform(random, 0, 150), uniform(random, 0, 150))});
  for (int i = 1; i < 20; ++i)
    formula = Formula::joined(formula, i % 3 == 2 ? Role::Subtract : Role::Add, Formula::part(i));
}
void recipeOfTwenty(benchmark::State& state) {
  const Twenty twenty;
  for (auto _ : state) benchmark::DoNotOptimize(cut(twenty.parts, twenty.formula));
}
/// One of its parts moves a little for each cut.
void recipeOfTwentyMoved(benchmark::State& state) {
  Twenty twenty;
  LiveCut live;
  (void)live.cut(twenty.parts, twenty.formula);
  const Outline at = twenty.parts[7].outline;
  double by = 0;
  for (auto _ : state) {
    by += 0.37;
    twenty.parts[7].outline = judge::placed(at, std::fmod(by, 20), 0);
    benchmark::DoNotOptimize(live.cut(twenty.parts, twenty.formula));
  }
}
BENCHMARK(recipeOfTwentyMoved)->Unit(benchmark::kMicrosecond);
BENCHMARK(recipeOfTwenty)->Unit(benchmark::kMicrosecond);

void growByTwo(benchmark::State& state) {
  const auto pair = twoBlobs();
  for (auto _ : state) benchmark::DoNotOptimize(offset(pair[0], 2, Join::Round));
}
BENCHMARK(growByTwo)->Unit(benchmark::kMicrosecond);

/// Path data of blobs; `decimals` as drawings have them, or all digits when negative.
Outline muchPath(int decimals) {
  Random random(3);
  Outline out;
  for (int i = 0; i < 400; ++i) out.contours.push_back(judge::blob(random, 200, 100, 0.5).contours[0]);
  if (decimals < 0) return out;
  const double unit = std::pow(10, decimals);
  const auto rounded = [&](Point p) { return Point{std::round(p.x * unit) / unit, std::round(p.y * unit) / unit}; };
  for (Contour& c : out.contours) {
    c.start = rounded(c.start);
    for (Segment& s : c.segments) s = Segment::cubic(rounded(s.handle1), rounded(s.handle2), rounded(s.end));
  }
  return out;
}
void writePathData(benchmark::State& state) {
  const Outline outline = muchPath(static_cast<int>(state.range(0)));
  std::size_t size = 0;
  for (auto _ : state) size += pathData(outline).size();
  state.SetBytesProcessed(static_cast<std::int64_t>(size));
}
void readPathData(benchmark::State& state) {
  const std::string text = pathData(muchPath(static_cast<int>(state.range(0))));
  std::size_t size = 0;
  for (auto _ : state) {
    benchmark::DoNotOptimize(parsePathData(text));
    size += text.size();
  }
  state.SetBytesProcessed(static_cast<std::int64_t>(size));
}
BENCHMARK(writePathData)->Arg(3)->Arg(-1)->Unit(benchmark::kMillisecond);
BENCHMARK(readPathData)->Arg(3)->Arg(-1)->Unit(benchmark::kMillisecond);

}  // namespace
}  // namespace widecut
