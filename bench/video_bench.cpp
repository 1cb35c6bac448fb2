// A video that plays on the mat while something else is dragged.
#include <benchmark/benchmark.h>

#include <QApplication>
#include <QElapsedTimer>
#include <QFile>
#include <QTemporaryDir>
#include <algorithm>
#include <cmath>
#include <vector>

#include "app/desk/playback.h"
#include "app/window_driver.h"
#include "media/video.h"
#include "media/video_reader.h"
#include "output/video_writer.h"
#include "project/edits/fills.h"
#include "project/edits/tree.h"
#include "project/edits/videos.h"
#include "project/lookup.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

/// Four seconds of 1920 × 1080 at 25 frames a second, with as much detail as a photo has.
const MediumPtr& largeVideo() {
  static const MediumPtr poster = [] {
    VideoFormat format;
    format.width = 1920;
    format.height = 1080;
    format.kilobits = 8000;
    auto writer = *VideoWriter::of(format);
    QImage frame(1920, 1080, QImage::Format_RGB32);
    for (int i = 0; i < 100; ++i) {
      for (int y = 0; y < 1080; ++y) {
        auto* line = reinterpret_cast<QRgb*>(frame.scanLine(y));
        for (int x = 0; x < 1920; ++x) {
          const int at = x + 9 * i;
          const int tone = static_cast<int>(
              128 + 50 * std::sin(at * 0.013) * std::cos(y * 0.021) +
              static_cast<int>((static_cast<unsigned>(at) * 73856093U ^ static_cast<unsigned>(y) * 19349663U) & 31U));
          line[x] = qRgb(tone, 200 - tone / 2, 255 - tone);
        }
      }
      (void)writer.add(frame);
    }
    return *usualPoster(*videoFromBytes(*writer.finish(), "large.webm"));
  }();
  return poster;
}

/// Decoding alone, as a ratio to the rate at which it is to be seen.
void decode(benchmark::State& state) {
  const VideoPtr video = largeVideo()->video;
  int frames = 0;
  for (auto _ : state) {
    auto reader = *VideoReader::of(video->file.bytes);
    frames = 0;
    while (reader.next()) {
      benchmark::DoNotOptimize(reader.image({960, 540}, true));
      ++frames;
    }
  }
  state.counters["times_its_rate"] =
      benchmark::Counter(frames / video->framesPerSecond, benchmark::Counter::kIsIterationInvariantRate);
}

/// Steps of a drag of a rectangle, each painted; beside it a star, with the video in it, which plays or does not.
void drag(benchmark::State& state) {
  WindowDriver driver;
  Desk& desk = driver.desk();
  const Point middle = driver.sheet().box().centre();
  Project project = desk.settled();
  const Id star = project.nextId, box = star + 1;
  const Id sheet = driver.sheet().id;
  std::vector<Point> points;
  for (int i = 0; i < 10; ++i)
    points.push_back(middle + Point{std::sin(i * 0.628318), -std::cos(i * 0.628318)} * (i % 2 == 0 ? 240.0 : 130.0));
  project = withItemsOnTop(project, sheet, {plainItem(star, "star", polygon(points), Style{})});
  Style style;
  setColour(style, Colour{0xA9, 0x3D, 0x2A});
  project = withItemsOnTop(project, sheet,
                           {plainItem(box, "box", fitted(rectangleOutline(1, 1), {{40, 40}, {140, 120}}), style)});
  project.nextId = box + 1;
  project = withPhotoIn(project, star, largeVideo());
  const Id stars[] = {star};
  project = withPlaying(project, stars, [](Playing& p) { p.loops = true; });
  desk.commit("star", project);
  driver.settle();
  const bool plays = state.range(0) == 1;
  if (plays) desk.playback().toggle(star);
  const auto before = desk.playback().count();
  QElapsedTimer whole;
  whole.start();
  const Point from{90, 80};
  driver.press(from);
  std::vector<double> frames;
  double by = 0;
  for (auto _ : state) {
    QElapsedTimer clock;
    clock.start();
    by += 1.37;
    driver.dragTo(from + Point{std::fmod(by, 300), std::fmod(by, 170)});
    QApplication::processEvents();
    frames.push_back(static_cast<double>(clock.nsecsElapsed()) * 1e-6);
    // A hand moves about sixty times a second.
    while (clock.nsecsElapsed() < 16'000'000) QApplication::processEvents(QEventLoop::AllEvents, 1);
  }
  const double seconds = static_cast<double>(whole.nsecsElapsed()) * 1e-9;
  driver.release(from);
  const auto after = desk.playback().count();
  desk.playback().stop();
  std::sort(frames.begin(), frames.end());
  state.counters["median_ms"] = frames[frames.size() / 2];
  state.counters["slowest_ms"] = frames[frames.size() * 99 / 100];
  if (plays) {
    state.counters["shown_per_s"] = (after.shown - before.shown) / seconds;
    state.counters["left_out_per_s"] = (after.leftOut - before.leftOut) / seconds;
  }
}

BENCHMARK(decode)->Name("video/decode_1080p")->Unit(benchmark::kMillisecond);
BENCHMARK(drag)
    ->Name("video/drag_beside_it")
    ->ArgName("plays")
    ->Arg(0)
    ->Arg(1)
    ->Iterations(400)
    ->Unit(benchmark::kMillisecond);

}  // namespace
}  // namespace widecut
