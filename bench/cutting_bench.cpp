// Cutting, against QPainterPath on the same outlines in the same run.
#include <benchmark/benchmark.h>

#include "cutting/planar_map.h"
#include "output/raster.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

/// n ellipses and stars in a row, each overlapping the next.
std::vector<Operand> shapes(int count) {
  std::vector<Operand> operands;
  for (int i = 0; i < count; ++i) {
    const Outline shape = i % 2 == 0 ? ellipseOutline(100, 70) : starOutline(90, 90, 9, 0.4);
    operands.push_back({transformed(shape, Affine::move({40.0 * i, 7.0 * (i % 3)}))});
  }
  return operands;
}

void cutUnion(benchmark::State& state) {
  const auto operands = shapes(static_cast<int>(state.range(0)));
  for (auto _ : state) benchmark::DoNotOptimize(PlanarMap::of(operands)->unite());
}
BENCHMARK(cutUnion)->Arg(2)->Arg(20)->Unit(benchmark::kMicrosecond);

void cutUnionByPainterPath(benchmark::State& state) {
  std::vector<QPainterPath> paths;
  for (const Operand& o : shapes(static_cast<int>(state.range(0)))) paths.push_back(painterPath(o.outline));
  for (auto _ : state) {
    QPainterPath all = paths.front();
    for (std::size_t i = 1; i < paths.size(); ++i) all = all.united(paths[i]);
    benchmark::DoNotOptimize(all);
  }
}
BENCHMARK(cutUnionByPainterPath)->Arg(2)->Arg(20)->Unit(benchmark::kMicrosecond);

}  // namespace
}  // namespace widecut
