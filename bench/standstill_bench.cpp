// What once stood still: wide strips round many nodes, and paths that crowd a row of pixels or reach far beyond them.
#include <benchmark/benchmark.h>

#include <QPainter>
#include <cstdlib>

#include "cutting/offset.h"
#include "painting/crowded_path.h"
#include "painting/raster.h"
#include "project/lookup.h"
#include "project/resolve.h"
#include "shapes/primitives.h"
#include "storage/project_file.h"

namespace widecut {
namespace {

/// The outline with the most nodes of the demo: three lines of type.
Outline longestText() {
  const auto project = openProject(DEMO_PROJECT);
  if (!project) std::abort();
  Outline longest;
  for (const SheetPtr& sheet : sheetsOf(*project))
    for (const ItemPtr& item : sheet->items)
      if (counts(resolved(*item)->outline).nodes > counts(longest).nodes) longest = resolved(*item)->outline;
  return longest;
}

void offsetOfText(benchmark::State& state) {
  const Outline text = longestText();
  const double distance = static_cast<double>(state.range(0)) * 72 / 25.4;
  for (auto _ : state) benchmark::DoNotOptimize(offset({text}, distance, Join::Round));
  state.counters["nodes"] = counts(text).nodes;
}
void lineOfText(benchmark::State& state) {
  const Outline text = longestText();
  LineShape line;
  line.width = static_cast<double>(state.range(0));
  for (auto _ : state) benchmark::DoNotOptimize(lineOutline({text}, line));
}

QImage canvas() {
  QImage image(1200, 850, QImage::Format_ARGB32_Premultiplied);
  image.fill(Qt::white);
  return image;
}
Outline star() { return fitted(starOutline(1, 1, 400, 0.9), {{50, 50}, {750, 550}}); }

void starByUs(benchmark::State& state) {
  const Outline outline = star();
  QImage image = canvas();
  for (auto _ : state) {
    QPainter painter(&image);
    strokeCrowded(painter, outline, plainLine({0, 0, 0}, 10));
  }
}
void starByQPainter(benchmark::State& state) {
  QImage image = canvas();
  const QPainterPath path = painterPath(star());
  for (auto _ : state) {
    QPainter painter(&image);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.strokePath(path, QPen(Qt::black, 10, Qt::SolidLine, Qt::FlatCap, Qt::SvgMiterJoin));
  }
}
void zigzagByUs(benchmark::State& state) {
  std::vector<Point> corners;
  for (int i = 0; i < 500; ++i) corners.push_back({i * 2.0, i % 2 ? 10000.0 : 0.0});
  const Outline outline = polygon(corners);
  QImage image = canvas();
  for (auto _ : state) {
    QPainter painter(&image);
    strokeCrowded(painter, outline, plainLine({0, 0, 0}, 50));
  }
}

BENCHMARK(offsetOfText)->Name("standstill/offset_of_text_mm")->Arg(1)->Arg(10)->Arg(14)->Unit(benchmark::kMillisecond);
BENCHMARK(lineOfText)->Name("standstill/line_of_text_pt")->Arg(10)->Arg(400)->Unit(benchmark::kMillisecond);
BENCHMARK(starByUs)->Name("standstill/star_by_us")->Unit(benchmark::kMillisecond);
BENCHMARK(starByQPainter)->Name("standstill/star_by_qpainter")->Unit(benchmark::kMillisecond);
BENCHMARK(zigzagByUs)->Name("standstill/zigzag_by_us")->Unit(benchmark::kMillisecond);

}  // namespace
}  // namespace widecut
