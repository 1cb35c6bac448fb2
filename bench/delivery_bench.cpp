// Delivering, against the libraries' own work on the same pixels in the same run.
#include <benchmark/benchmark.h>
#include <png.h>
#include <zlib.h>

#include <QBuffer>
#include <QImage>
#include <random>

#include "output/pdf.h"
#include "output/png.h"
#include "project/edits/fills.h"
#include "project/edits/tree.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

QImage grainy(int width, int height) {
  std::mt19937 random(1);
  QImage image(width, height, QImage::Format_RGB32);
  for (int y = 0; y < height; ++y)
    for (int x = 0; x < width; ++x) {
      const int tone = 128 + static_cast<int>(60 * std::sin(x * 0.004) + 50 * std::cos(y * 0.006));
      const auto grain = static_cast<int>(random() & 7);
      reinterpret_cast<QRgb*>(image.scanLine(y))[x] = qRgb(tone, std::min(255, tone + grain), 240 - tone / 2);
    }
  return image;
}

/// A sheet filled by one photo.
Project photoSheet(const char* format) {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  grainy(3000, 2000).save(&buffer, format, 95);
  Project project;
  Sheet sheet;
  sheet.id = 2;
  sheet.width = 720;
  sheet.height = 480;
  project.pieces = {std::make_shared<const Piece>(Piece{1, "", {std::make_shared<const Sheet>(sheet)}})};
  project.nextId = 3;
  const auto medium = *photoFromBytes(bytes.toStdString(), "p");
  Id made = 0;
  return withPhotoItem(project, 2, medium, sheet.box(), made);
}

Scene sceneIn(const Project& project) { return sceneOf(*sheetsOf(project)[0]); }

std::vector<unsigned char> rgbOf(const QImage& image) {
  std::vector<unsigned char> rgb;
  rgb.reserve(static_cast<std::size_t>(image.width()) * static_cast<std::size_t>(image.height()) * 3);
  for (int y = 0; y < image.height(); ++y)
    for (int x = 0; x < image.width(); ++x) {
      const QRgb p = image.pixel(x, y);
      for (const int v : {qRed(p), qGreen(p), qBlue(p)}) rgb.push_back(static_cast<unsigned char>(v));
    }
  return rgb;
}

void pngByUs(benchmark::State& state) {
  const Project project = photoSheet("JPEG");
  PhotoStore store;
  for (auto _ : state) benchmark::DoNotOptimize(pngOf(sceneIn(project), store, 300, Ground::Paper));
}
void paintingAlone(benchmark::State& state) {
  const Project project = photoSheet("JPEG");
  PhotoStore store;
  for (auto _ : state) benchmark::DoNotOptimize(rasterOf(sceneIn(project), store, 300, Ground::Paper));
}
void libpngAlone(benchmark::State& state) {
  const Project project = photoSheet("JPEG");
  PhotoStore store;
  const QImage image = *rasterOf(sceneIn(project), store, 300, Ground::Paper);
  const auto rgb = rgbOf(image);
  for (auto _ : state) {
    std::string out;
    png_structp png = png_create_write_struct(PNG_LIBPNG_VER_STRING, nullptr, nullptr, nullptr);
    png_infop info = png_create_info_struct(png);
    png_set_write_fn(
        png, &out,
        [](png_structp p, png_bytep bytes, png_size_t n) {
          static_cast<std::string*>(png_get_io_ptr(p))->append(reinterpret_cast<char*>(bytes), n);
        },
        nullptr);
    png_set_IHDR(png, info, static_cast<png_uint_32>(image.width()), static_cast<png_uint_32>(image.height()), 8,
                 PNG_COLOR_TYPE_RGB, PNG_INTERLACE_NONE, PNG_COMPRESSION_TYPE_DEFAULT, PNG_FILTER_TYPE_DEFAULT);
    png_write_info(png, info);
    for (int y = 0; y < image.height(); ++y) png_write_row(png, rgb.data() + std::ptrdiff_t{3} * y * image.width());
    png_write_end(png, info);
    png_destroy_write_struct(&png, &info);
    benchmark::DoNotOptimize(out);
  }
}
void pdfOfAPng(benchmark::State& state) {
  const Project project = photoSheet("PNG");
  for (auto _ : state) {
    PhotoStore store;
    std::string out;
    const Scene scene = sceneIn(project);
    (void)writePdf({&scene, 1}, store, Ground::Paper, into(out));
    state.counters["bytes"] = static_cast<double>(out.size());
  }
}
void zlibAlone(benchmark::State& state) {
  const auto rgb = rgbOf(grainy(3000, 2000));
  for (auto _ : state) {
    std::vector<unsigned char> out(compressBound(rgb.size()));
    uLongf size = out.size();
    compress(out.data(), &size, rgb.data(), rgb.size());
    state.counters["bytes"] = static_cast<double>(size);
  }
}
void pdfOfAJpeg(benchmark::State& state) {
  const Project project = photoSheet("JPEG");
  for (auto _ : state) {
    PhotoStore store;
    std::string out;
    const Scene scene = sceneIn(project);
    (void)writePdf({&scene, 1}, store, Ground::Paper, into(out));
    state.counters["beyondTheJpeg"] =
        static_cast<double>(out.size()) - static_cast<double>(mediaOf(project).begin()->second->bytes->size());
  }
}

BENCHMARK(pngByUs)->Name("delivery/png_by_us")->Unit(benchmark::kMillisecond);
BENCHMARK(paintingAlone)->Name("delivery/painting_alone")->Unit(benchmark::kMillisecond);
BENCHMARK(libpngAlone)->Name("delivery/libpng_alone")->Unit(benchmark::kMillisecond);
BENCHMARK(pdfOfAPng)->Name("delivery/pdf_of_a_png")->Unit(benchmark::kMillisecond);
BENCHMARK(zlibAlone)->Name("delivery/zlib_alone")->Unit(benchmark::kMillisecond);
BENCHMARK(pdfOfAJpeg)->Name("delivery/pdf_of_a_jpeg")->Unit(benchmark::kMillisecond);

}  // namespace
}  // namespace widecut
