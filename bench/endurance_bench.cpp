// What memory comes to after hours of work: every edit there is, at random, in the real window.
#include <benchmark/benchmark.h>

#include <unistd.h>

#include <QBuffer>
#include <QImage>
#include <cstdlib>
#include <fstream>
#include <random>

#include "app/window_driver.h"
#include "media/photo.h"
#include "project/budgets.h"
#include "project/every_edit.h"
#include "project/lookup.h"

namespace widecut {
namespace {

double residentMegabytes() {
  std::ifstream statm("/proc/self/statm");
  double all = 0, resident = 0;
  statm >> all >> resident;
  return resident * static_cast<double>(sysconf(_SC_PAGESIZE)) / (1 << 20);
}

/// A photo of noise, as large in its file as photos are.
MediumPtr noisyPhoto(std::mt19937& random) {
  QImage image(1200, 900, QImage::Format_RGB32);
  for (int y = 0; y < image.height(); ++y) {
    auto* row = reinterpret_cast<QRgb*>(image.scanLine(y));
    for (int x = 0; x < image.width(); ++x) row[x] = 0xFF404040U + (random() & 0x3F3F3FU);
  }
  QByteArray bytes;
  QBuffer buffer(&bytes);
  if (!image.save(&buffer, "JPEG", 90)) std::abort();
  return *photoFromBytes(bytes.toStdString(), "noise");
}

/// One edit after another, each painted; now and then undone, another photo, another zoom, another sheet. A person
/// makes fewer than ten thousand in an hour.
void randomEdits(benchmark::State& state) {
  WindowDriver driver;
  if (!driver.desk().openCopy(DEMO_PROJECT)) std::abort();
  Desk& desk = driver.desk();
  std::mt19937 random(11);
  std::vector<MediumPtr> photos;
  for (int i = 0; i < 12; ++i) photos.push_back(noisyPhoto(random));
  double worst = 0;
  for (auto _ : state) {
    for (int i = 0; i < state.range(0); ++i) {
      EveryEdit edits(static_cast<unsigned>(random()), desk.settled(), desk.sheet()->id,
                      photos[random() % photos.size()]);
      desk.commit("edit", edits.next());
      const unsigned dice = random() % 40;
      if (dice < 6) desk.undo();
      if (dice == 7) desk.redo();
      if (dice == 8) driver.mat().zoomBy(random() % 2 == 0 ? 1.3 : 0.77);
      if (dice == 9) desk.stepSheet(random() % 2 == 0 ? 1 : -1);
      if (dice == 10) driver.mat().fitSheet();
      // A sheet that is full is emptied, as a new one would be.
      if (desk.sheet()->items.size() > 60) {
        std::vector<Id> all;
        for (const ItemPtr& item : desk.sheet()->items) all.push_back(item->id);
        all.resize(all.size() - 10);
        desk.commit("delete", withoutItems(desk.settled(), all));
      }
      QEvent update(QEvent::UpdateRequest);
      QApplication::sendEvent(&driver.window, &update);
      if (i % 50 == 0) {
        QTest::qWait(1);
        worst = std::max(worst, residentMegabytes());
      }
    }
  }
  constexpr double mega = 1 << 20;
  const auto of = [&](std::size_t bytes) { return static_cast<double>(bytes) / mega; };
  state.counters["photosMB"] = of(desk.photos().bytesHeld());
  state.counters["photosBudgetMB"] = of(budgets::photoBytes);
  state.counters["rastersMB"] = of(driver.mat().cache().bytes());
  state.counters["rastersBudgetMB"] = of(budgets::rasterBytes);
  state.counters["undoMB"] = of(desk.history().bytes());
  state.counters["undoBudgetMB"] = of(budgets::undoBytes);
  state.counters["residentAtMostMB"] = std::max(worst, residentMegabytes());
}

BENCHMARK(randomEdits)->Name("mat/random_edits")->Arg(1'000)->Arg(10'000)->Unit(benchmark::kSecond)->Iterations(1);

}  // namespace
}  // namespace widecut
