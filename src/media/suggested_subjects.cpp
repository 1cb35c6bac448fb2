#include "media/suggested_subjects.h"

#include <numeric>

#include "media/pixel_oklab.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

constexpr int smallSide = 160;  // Of the picture in which what stands out is looked for.
constexpr std::size_t mostFound = 8;
constexpr double leastArea = 0.002, mostArea = 0.4;  // Of a region that stands out, in the picture.
constexpr double leastSpread = 0.01;                 // Of colours; less is noise.
constexpr double leastUnusual = 0.1;
constexpr int gap = 4;  // Pixels, across which regions are one.

/// Sums over rectangles of a plane of numbers.
class Sums {
 public:
  Sums(const std::vector<float>& plane, int width, int height) : width_(width), height_(height) {
    sums_.resize(static_cast<std::size_t>((width + 1) * (height + 1)));
    for (int y = 0; y < height; ++y)
      for (int x = 0; x < width; ++x)
        at(x + 1, y + 1) = plane[static_cast<std::size_t>(y * width + x)] + at(x, y + 1) + at(x + 1, y) - at(x, y);
  }
  /// The mean within `reach` pixels of a place, as far as the plane goes.
  double meanAround(int x, int y, int reach) const {
    const int x0 = std::max(0, x - reach), x1 = std::min(width_, x + reach + 1);
    const int y0 = std::max(0, y - reach), y1 = std::min(height_, y + reach + 1);
    return (at(x1, y1) - at(x0, y1) - at(x1, y0) + at(x0, y0)) / ((x1 - x0) * (y1 - y0));
  }

 private:
  double& at(int x, int y) { return sums_[static_cast<std::size_t>(y * (width_ + 1) + x)]; }
  double at(int x, int y) const { return sums_[static_cast<std::size_t>(y * (width_ + 1) + x)]; }
  int width_, height_;
  std::vector<double> sums_;
};

struct Spread {
  double mean = 0, deviation = 0;
};
Spread spreadOf(const std::vector<float>& plane) {
  const auto count = static_cast<double>(plane.size());
  Spread out{std::accumulate(plane.begin(), plane.end(), 0.0) / count, 0};
  for (const float one : plane) out.deviation += (one - out.mean) * (one - out.mean) / count;
  out.deviation = std::sqrt(out.deviation);
  return out;
}

/// How unusual each pixel's neighbourhood is: how far its mean colour is from the picture's, by how much colours of the
/// picture spread along each axis, times how far it is from what is around it.
std::vector<float> unusualnessOf(const QImage& small) {
  const int width = small.width(), height = small.height();
  std::vector<float> planes[3];
  for (int y = 0; y < height; ++y) {
    const auto* line = reinterpret_cast<const QRgb*>(small.constScanLine(y));
    for (int x = 0; x < width; ++x) {
      const Oklab lab = oklabOfPixel(line[x]);
      planes[0].push_back(float(lab.light));
      planes[1].push_back(float(lab.a));
      planes[2].push_back(float(lab.b));
    }
  }
  const Sums sums[] = {{planes[0], width, height}, {planes[1], width, height}, {planes[2], width, height}};
  const Spread spreads[] = {spreadOf(planes[0]), spreadOf(planes[1]), spreadOf(planes[2])};
  const int near = 1, around = std::max(width, height) / 8;
  std::vector<float> out;
  for (int y = 0; y < height; ++y)
    for (int x = 0; x < width; ++x) {
      double rare = 0, off = 0;
      for (int i = 0; i < 3; ++i) {
        const double here = sums[i].meanAround(x, y, near), deviation = std::max(spreads[i].deviation, leastSpread);
        const double fromAll = (here - spreads[i].mean) / deviation;
        const double fromAround = here - sums[i].meanAround(x, y, around);
        rare += fromAll * fromAll;
        off += fromAround * fromAround;
      }
      out.push_back(float(std::sqrt(rare * off)));
    }
  return out;
}

struct Patch {
  Box box;
  double weight = 0;
  int pixels = 0;
};

/// The regions of pixels near one another that are above the threshold.
std::vector<Patch> regionsAbove(const std::vector<float>& plane, int width, int height, double threshold) {
  std::vector<char> seen(plane.size());
  std::vector<Patch> out;
  for (std::size_t start = 0; start < plane.size(); ++start) {
    if (seen[start] || !(plane[start] > threshold)) continue;
    Patch region;
    std::vector<std::size_t> open{start};
    seen[start] = 1;
    while (!open.empty()) {
      const std::size_t i = open.back();
      open.pop_back();
      const int x = static_cast<int>(i) % width, y = static_cast<int>(i) / width;
      region.box.add(Point{double(x), double(y)});
      region.box.add(Point{x + 1.0, y + 1.0});
      region.weight += plane[i];
      ++region.pixels;
      for (int ny = std::max(0, y - gap); ny <= std::min(height - 1, y + gap); ++ny)
        for (int nx = std::max(0, x - gap); nx <= std::min(width - 1, x + gap); ++nx) {
          const auto n = static_cast<std::size_t>(ny * width + nx);
          if (seen[n] || !(plane[n] > threshold)) continue;
          seen[n] = 1;
          open.push_back(n);
        }
    }
    out.push_back(region);
  }
  return out;
}

/// The head around a face: the detector's square reaches from the brows to the chin.
Box headAround(const Box& face) {
  const double w = face.width(), h = face.height();
  return {face.low - Point{0.2 * w, 0.5 * h}, face.high + Point{0.2 * w, 0.2 * h}};
}

}  // namespace

std::vector<Box> standingOutIn(const QImage& picture) {
  if (picture.isNull()) return {};
  const QImage small = picture.scaled(smallSide, smallSide, Qt::KeepAspectRatio, Qt::SmoothTransformation)
                           .convertToFormat(QImage::Format_RGB32);
  const int width = small.width(), height = small.height();
  if (width < 8 || height < 8) return {};
  const std::vector<float> unusual = unusualnessOf(small);
  const Spread spread = spreadOf(unusual);
  std::vector<Patch> regions =
      regionsAbove(unusual, width, height, std::max(spread.mean + 2 * spread.deviation, leastUnusual));
  const Box inside = Box{{0, 0}, {double(width), double(height)}}.grown(-0.5);
  std::erase_if(regions, [&](const Patch& region) {
    const double area = region.box.width() * region.box.height() / (width * height);
    return area < leastArea || area > mostArea || !inside.contains(region.box);
  });
  std::sort(regions.begin(), regions.end(), [](const Patch& a, const Patch& b) { return a.weight > b.weight; });
  const double sx = double(picture.width()) / width, sy = double(picture.height()) / height;
  std::vector<Box> out;
  out.reserve(regions.size());
  for (const Patch& region : regions)
    out.push_back({{region.box.low.x * sx, region.box.low.y * sy}, {region.box.high.x * sx, region.box.high.y * sy}});
  return out;
}

std::vector<Subject> suggestedSubjects(PhotoStore& store, const Medium& photo) {
  const PhotoLevel level = store.level(photo, std::min(1.0, 1200.0 / std::max(photo.width, photo.height)));
  if (level.image.isNull()) return {};
  std::vector<Box> found = facesIn(level.image);
  const bool areFaces = !found.empty();
  if (areFaces)
    std::transform(found.begin(), found.end(), found.begin(), headAround);
  else
    found = standingOutIn(level.image);
  std::sort(found.begin(), found.end(),
            [](const Box& a, const Box& b) { return a.width() * a.height() > b.width() * b.height(); });
  if (found.size() > mostFound) found.resize(mostFound);
  std::vector<Subject> out;
  out.reserve(found.size());
  for (const Box& box : found)
    out.push_back({areFaces ? "head" : "standing out", transformed(fitted(ellipseOutline(1, 1), box), level.toPixels)});
  return out;
}

}  // namespace widecut
