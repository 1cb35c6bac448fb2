// A frame of a drag, against painting the whole sheet.
#include <benchmark/benchmark.h>

#include <QPainter>
#include <cstdlib>

#include "geometry/smooth_through.h"
#include "painting/layer_cache.h"
#include "painting/raster.h"
#include "project/edits/cutouts.h"
#include "project/edits/places.h"
#include "project/edits/reshaping.h"
#include "project/edits/tree.h"
#include "project/resolve.h"
#include "shapes/primitives.h"
#include "storage/project_file.h"

namespace widecut {
namespace {

constexpr double scale = 1.4;

struct Demo {
  Project project;
  SheetPtr sheet;
  PhotoStore store;
  QImage screen{1200, 850, QImage::Format_RGB32};

  Demo() {
    auto opened = openProject(DEMO_PROJECT);
    if (!opened) std::abort();
    project = *opened;
    sheet = sheetsOf(project).front();
    for (const auto& [hash, medium] : mediaOf(project)) (void)store.level(*medium, 1);
  }
  Id cutout() const {
    for (const ItemPtr& item : sheet->items)
      if (item->name == "cover window") return item->id;
    return 0;
  }
  /// Draws what changed since the last time: all of it at first.
  void draw(LayerCache& cache, const Project& shown) {
    QPainter painter(&screen);
    const QRect changed = cache.follow(*findSheet(shown, sheet->id), scale, screen.rect());
    painter.setClipRect(changed);
    cache.draw(painter, changed);
  }
};

void paintWholeSheet(benchmark::State& state) {
  Demo demo;
  for (auto _ : state) {
    LayerCache cache(demo.store);
    demo.draw(cache, demo.project);
  }
}
BENCHMARK(paintWholeSheet)->Unit(benchmark::kMillisecond);

void dragFrame(benchmark::State& state, Id moved) {
  Demo demo;
  LayerCache cache(demo.store);
  demo.draw(cache, demo.project);
  cache.setTrying(true);
  double by = 0;
  for (auto _ : state) {
    by += 0.37;
    demo.draw(cache, withMapped(demo.project, std::vector<Id>{moved}, Affine::move({std::fmod(by, 40), 0})));
  }
}
void dragSmallItem(benchmark::State& state) {
  const Demo demo;
  for (const ItemPtr& item : demo.sheet->items)
    if (item->name == "station disc") dragFrame(state, item->id);
}
BENCHMARK(dragSmallItem)->Unit(benchmark::kMillisecond);

void dragPartOfCutout(benchmark::State& state) {
  const Demo demo;
  dragFrame(state, findItem(demo.project, demo.cutout())->recipe()->parts[1]->id);
}
BENCHMARK(dragPartOfCutout)->Unit(benchmark::kMillisecond);

/// The demo sheet with a cutout of twenty parts on top; of the last one a shape can be given. Their ids.
std::vector<Id> addTwenty(Demo& demo, const std::optional<Outline>& last) {
  std::vector<Item> parts;
  std::vector<Id> ids;
  for (int i = 0; i < 20; ++i) {
    Style style;
    setColour(style, Colour{0x2F, 0x7D, 0x4F});
    Outline shape = i % 2 == 0 ? ellipseOutline(120, 80) : starOutline(110, 110, 9, 0.3);
    if (last && i == 19) shape = *last;
    ids.push_back(demo.project.nextId + static_cast<Id>(i));
    parts.push_back(plainItem(ids.back(), "part",
                              transformed(shape, Affine::move({150.0 + 25 * (i % 10), 200.0 + 60 * (i / 10)})), style));
  }
  demo.project = withItemsOnTop(demo.project, demo.sheet->id, std::move(parts));
  Id made = 0;
  demo.project = combined(demo.project, ids, Outcome::Exclude, usualLook(demo.project, ids, Outcome::Exclude), made);
  return ids;
}

void dragPartOfTwenty(benchmark::State& state) {
  Demo demo;
  const std::vector<Id> ids = addTwenty(demo, std::nullopt);
  LayerCache cache(demo.store);
  demo.draw(cache, demo.project);
  cache.setTrying(true);
  double by = 0;
  for (auto _ : state) {
    by += 0.37;
    demo.draw(cache, withMapped(demo.project, std::vector<Id>{ids.back()}, Affine::move({std::fmod(by, 40), 0})));
  }
}
BENCHMARK(dragPartOfTwenty)->Unit(benchmark::kMillisecond);

/// A ring of so many smooth nodes that swings in and out.
Outline wavyRing(int nodes) {
  std::vector<Point> places;
  for (int i = 0; i < nodes; ++i) {
    const double angle = 2 * pi * i / nodes, radius = 150 + (i % 2 == 0 ? 300.0 : -300.0) / nodes;
    places.push_back(Point{std::cos(angle), std::sin(angle)} * radius);
  }
  return {{smoothThrough(places, true)}};
}

/// Its whole sheet, painted anew.
void paintWholeOf(benchmark::State& state) {
  Demo demo;
  addTwenty(demo, wavyRing(static_cast<int>(state.range(0))));
  for (auto _ : state) {
    LayerCache cache(demo.store);
    demo.draw(cache, demo.project);
  }
}
BENCHMARK(paintWholeOf)->Arg(100)->Arg(1'000)->Arg(10'000)->Unit(benchmark::kMillisecond);

/// One node of an outline of many, which is one of twenty parts.
void dragNodeOf(benchmark::State& state) {
  Demo demo;
  const std::vector<Id> ids = addTwenty(demo, wavyRing(static_cast<int>(state.range(0))));
  LayerCache cache(demo.store);
  demo.draw(cache, demo.project);
  cache.setTrying(true);
  const NodesOfItems node{{ids.back(), {{0, 3}}}};
  double by = 0;
  for (auto _ : state) {
    by += 0.37;
    demo.draw(cache, withNodesMapped(demo.project, node, Affine::move({std::fmod(by, 40), 0}), {}));
  }
}
BENCHMARK(dragNodeOf)->Arg(100)->Arg(1'000)->Arg(10'000)->Unit(benchmark::kMillisecond);

}  // namespace
}  // namespace widecut
