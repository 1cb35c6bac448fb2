// Photos of 48 megapixels in the real window, and subjects fitted into frames.
#include <benchmark/benchmark.h>

#include <QApplication>
#include <QElapsedTimer>
#include <QFile>
#include <QTemporaryDir>
#include <cmath>
#include <random>

#include "app/window_driver.h"
#include "cutting/largest_fit.h"
#include "project/edits/fills.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

QString photoFile(const QTemporaryDir& folder, int width, int height) {
  QImage image(width, height, QImage::Format_RGB32);
  std::mt19937 random(1);
  for (int y = 0; y < height; ++y) {
    auto* line = reinterpret_cast<QRgb*>(image.scanLine(y));
    for (int x = 0; x < width; ++x) {
      const int tone = static_cast<int>(128 + 60 * std::sin(x * 0.004) + 50 * std::cos(y * 0.006));
      line[x] = qRgb(tone, std::clamp(tone + static_cast<int>(random() & 7), 0, 255), 255 - tone);
    }
  }
  const QString path = folder.filePath("photo.jpg");
  image.save(path, "JPEG", 90);
  return path;
}

/// The most memory that the process had since it was last forgotten, in MB.
void forgetPeak() {
  QFile marks("/proc/self/clear_refs");
  if (marks.open(QIODevice::WriteOnly)) marks.write("5");
}
double peakMemory() {
  QFile status("/proc/self/status");
  if (!status.open(QIODevice::ReadOnly)) return 0;
  for (const QByteArray& line : status.readAll().split('\n'))
    if (line.startsWith("VmHWM:")) return line.mid(6).trimmed().split(' ').front().toDouble() / 1000;
  return 0;
}

/// Until it is seen as fine as the screen shows it. What counts is how long the window ever stands still meanwhile.
void bringIn(benchmark::State& state) {
  QTemporaryDir folder;
  const QString path = photoFile(folder, 8000, 6000);
  WindowDriver driver;
  forgetPeak();
  const double before = peakMemory();
  double longest = 0;
  for (auto _ : state) {
    driver.window.errands().placePhoto(path, std::nullopt);
    QElapsedTimer clock;
    const auto isDone = [&] {
      return !driver.sheet().items.empty() && !driver.window.errands().background().isBusy() &&
             !driver.desk().photos().isDecoding() && driver.mat().isFinished();
    };
    while (!isDone()) {
      clock.start();
      QApplication::processEvents();
      longest = std::max(longest, static_cast<double>(clock.nsecsElapsed()) / 1e6);
    }
  }
  state.counters["longest_ms"] = longest;
  state.counters["more_MB"] = peakMemory() - before;
}

/// Steps of a drag of the photo in its frame, each painted.
void reframe(benchmark::State& state) {
  QTemporaryDir folder;
  WindowDriver driver;
  const int side = static_cast<int>(state.range(0));
  driver.window.errands().placePhoto(photoFile(folder, 4 * side, 3 * side), std::nullopt);
  driver.settle();
  driver.key(Qt::Key_R);
  driver.desk().commit("scale", withReframing(driver.desk().settled(), driver.sheet().items.back()->id,
                                              Affine::scale(2, 2).about(driver.sheet().box().centre())));
  driver.settle();
  const Point from = driver.sheet().box().centre();
  driver.press(from);
  double by = 0;
  for (auto _ : state) {
    by += 1.37;
    driver.dragTo(from + Point{std::fmod(by, 40), std::fmod(by, 17)});
    QEvent update(QEvent::UpdateRequest);
    QApplication::sendEvent(&driver.window, &update);
  }
  driver.release(from);
}

Outline ellipseAt(Point middle, double width, double height) {
  return transformed(ellipseOutline(width, height), Affine::move(middle));
}

/// Four heads, and four frames with a gap between them.
FitTask fourFrames() {
  FitTask task;
  for (const double x : {-55.0, 55.0})
    for (const double y : {-55.0, 55.0})
      task.windows.push_back({transformed(rectangleOutline(100, 100), Affine::move({x, y}))});
  for (const Point middle : {Point{300, 200}, Point{520, 230}, Point{290, 410}, Point{540, 400}})
    task.zones.push_back(ellipseAt(middle, 70, 90));
  task.picture = Box{{0, 0}, {900, 700}};
  task.covered = {{-105, -105}, {105, -105}, {105, 105}, {-105, 105}};
  return task;
}

void fitByUs(benchmark::State& state) {
  const FitTask task = fourFrames();
  double scale = 0;
  for (auto _ : state) scale = largestFit(task)->scale;
  state.counters["scale"] = scale;
}

/// Scales and places on a grid, by the areas of the true outlines.
void fitByTrying(benchmark::State& state) {
  const FitTask task = fourFrames();
  const int steps = static_cast<int>(state.range(0));
  double best = 0;
  for (auto _ : state) {
    best = 0;
    for (int i = steps; i > 0 && best == 0; --i)
      for (int x = 0; x <= steps && best == 0; ++x)
        for (int y = 0; y <= steps && best == 0; ++y) {
          const double scale = 1.2 * i / steps;
          const Affine map = Affine::move({200.0 * x / steps - 100, 200.0 * y / steps - 100}) *
                             Affine::scale(scale, scale) * Affine::move({-415, -310});
          const Box picture = map(*task.picture);
          const bool covers = picture.contains(task.covered[0]) && picture.contains(task.covered[2]);
          if (covers && std::all_of(task.zones.begin(), task.zones.end(), [&](const Outline& zone) {
                return shareSeen(transformed(zone, map), task.windows) > 1 - 1e-9;
              }))
            best = scale;
        }
  }
  state.counters["scale"] = best;
}

BENCHMARK(bringIn)->Name("photo/bring_in_48_megapixels")->Iterations(1)->Unit(benchmark::kMillisecond);
BENCHMARK(reframe)->Name("photo/reframe_side")->Arg(300)->Arg(2000)->Unit(benchmark::kMillisecond);
BENCHMARK(fitByUs)->Name("subjects/fit_by_us")->Unit(benchmark::kMillisecond);
BENCHMARK(fitByTrying)->Name("subjects/fit_by_trying")->Arg(20)->Arg(40)->Unit(benchmark::kMillisecond);

}  // namespace
}  // namespace widecut
