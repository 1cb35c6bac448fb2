// What the reading process costs: photos decoded in it, and in the program itself.
#include <benchmark/benchmark.h>

#include <QBuffer>
#include <QImage>
#include <cmath>
#include <random>
#include <vector>

#include "media/parsing/photo_decode.h"
#include "media/parsing/photo_header.h"
#include "media/photo_decode.h"

using namespace widecut;

namespace {

/// A photo of 48 megapixels: slopes with some grain.
const std::string& largePhoto() {
  static const std::string bytes = [] {
    QImage image(8000, 6000, QImage::Format_RGB32);
    std::mt19937 random(1);
    for (int y = 0; y < image.height(); ++y) {
      auto* line = reinterpret_cast<QRgb*>(image.scanLine(y));
      for (int x = 0; x < image.width(); ++x) {
        const int tone = static_cast<int>(128 + 60 * std::sin(x * 0.004) + 50 * std::cos(y * 0.006)) +
                         static_cast<int>(random() & 7);
        line[x] = qRgb(std::clamp(tone, 0, 255), std::clamp(tone + 9, 0, 255), std::clamp(240 - tone, 0, 255));
      }
    }
    QByteArray out;
    QBuffer buffer(&out);
    buffer.open(QIODevice::WriteOnly);
    image.save(&buffer, "JPEG", 90);
    return out.toStdString();
  }();
  return bytes;
}

/// Every pixel is looked at, as painting does.
unsigned sumOf(const QImage& image) {
  unsigned sum = 0;
  for (int y = 0; y < image.height(); ++y) {
    const auto* line = reinterpret_cast<const QRgb*>(image.constScanLine(y));
    for (int x = 0; x < image.width(); x += 16) sum += line[x];
  }
  return sum;
}

void photoOf48MegapixelsInTheProgram(benchmark::State& state) {
  const std::string& bytes = largePhoto();
  for (auto _ : state)
    benchmark::DoNotOptimize(
        sumOf(*parsing::decodedPhoto(bytes, *parsing::photoHeader(bytes), static_cast<int>(state.range(0)), true)));
}
BENCHMARK(photoOf48MegapixelsInTheProgram)->Arg(0)->Arg(3)->Unit(benchmark::kMillisecond)->UseRealTime();

void photoOf48MegapixelsInTheReadingProcess(benchmark::State& state) {
  const std::string& bytes = largePhoto();
  reading::warmUp();
  for (auto _ : state) benchmark::DoNotOptimize(sumOf(*decodedPhoto(bytes, static_cast<int>(state.range(0)), true)));
}
BENCHMARK(photoOf48MegapixelsInTheReadingProcess)->Arg(0)->Arg(3)->Unit(benchmark::kMillisecond)->UseRealTime();

void startingAReadingProcess(benchmark::State& state) {
  std::vector<reading::Reader> held;
  for (int i = 0; i < 2; ++i) held.push_back(*reading::Reader::take());  // so that none is idle
  for (auto _ : state) held.push_back(*reading::Reader::take());
}
BENCHMARK(startingAReadingProcess)->Iterations(8)->Unit(benchmark::kMillisecond)->UseRealTime();

}  // namespace
