// What a drag comes to rest at, among few items and among many.
#include <benchmark/benchmark.h>

#include "project/edits/tree.h"
#include "project/lookup.h"
#include "project/resolve.h"
#include "scene/snapping.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

/// So many stars, strewn over a sheet; every move of a drag asks the field once.
Project strewn(int items) {
  Sheet sheet;
  sheet.id = 2;
  sheet.width = 2400;
  sheet.height = 1600;
  Project project;
  project.pieces = {std::make_shared<const Piece>(Piece{1, "piece", {std::make_shared<const Sheet>(sheet)}})};
  project.nextId = 3;
  std::vector<Item> all;
  all.reserve(static_cast<std::size_t>(items));
  for (int i = 0; i < items; ++i) {
    const Point at{20 + 2360 * std::fmod(i * 0.618034, 1), 20 + 1560 * std::fmod(i * 0.754878, 1)};
    all.push_back(
        plainItem(3 + static_cast<Id>(i), "star", transformed(starOutline(16, 16, 5, 0.4), Affine::move(at)), {}));
  }
  return withItemsOnTop(project, 2, std::move(all));
}

void restsAmong(benchmark::State& state) {
  const Project project = strewn(static_cast<int>(state.range(0)));
  const Id moved[] = {3};
  const SnapField field(project, *findSheet(project, 2), moved, allSnapKinds());
  const Box box = boxThrough(*findItem(project, 3), {});
  double by = 0;
  for (auto _ : state) {
    by = std::fmod(by + 7.3, 900);
    const Point way{by, by * 0.7};
    std::vector<Point> nodes;
    for (int i = 0; i < 10; ++i) nodes.push_back(box.centre() + way + Point{i - 5.0, 5.0 - i});
    benchmark::DoNotOptimize(field.at(SnapProbe::ofBox({box.low + way, box.high + way}, nodes), 6));
  }
}
BENCHMARK(restsAmong)->Arg(100)->Arg(10'000)->Unit(benchmark::kMicrosecond);

/// What is worked out once, when a drag begins.
void beginsAmong(benchmark::State& state) {
  const Project project = strewn(static_cast<int>(state.range(0)));
  const Id moved[] = {3};
  for (auto _ : state) {
    const SnapField field(project, *findSheet(project, 2), moved, allSnapKinds());
    benchmark::DoNotOptimize(field.angleLike(0.1, 0.01));
  }
}
BENCHMARK(beginsAmong)->Arg(100)->Arg(10'000)->Unit(benchmark::kMicrosecond);

}  // namespace
}  // namespace widecut
