#include "painting/gaussian.h"

#include <algorithm>
#include <cmath>

namespace widecut {
namespace {

/// A kernel sampled at whole pixels, its sum 1; from its middle on.
std::vector<float> kernelOf(double deviation) {
  const int reach = std::max(1, static_cast<int>(std::ceil(3.8 * deviation)));
  std::vector<double> half;
  double sum = -1;
  for (int i = 0; i <= reach; ++i) {
    half.push_back(std::exp(-i * i / (2 * deviation * deviation)));
    sum += 2 * half.back();
  }
  std::vector<float> out;
  out.reserve(half.size());
  for (const double v : half) out.push_back(static_cast<float>(v / sum));
  return out;
}

/// Adds `from` times `weight`, shifted by `by` places, to a row.
void addShifted(const float* from, float* to, int count, int by, float weight) {
  const int begin = std::max(0, by), end = std::min(count, count + by);
  for (int x = begin; x < end; ++x) to[x] += from[x - by] * weight;
}

Plane convolvedAcross(const Plane& in, const std::vector<float>& kernel) {
  Plane out(in.width, in.height);
  for (int y = 0; y < in.height; ++y) {
    const float* from = in.row(y);
    float* to = out.row(y);
    for (int x = 0; x < in.width; ++x) to[x] = from[x] * kernel[0];
    for (int k = 1; k < static_cast<int>(kernel.size()); ++k) {
      addShifted(from, to, in.width, k, kernel[static_cast<std::size_t>(k)]);
      addShifted(from, to, in.width, -k, kernel[static_cast<std::size_t>(k)]);
    }
  }
  return out;
}

Plane convolvedDown(const Plane& in, const std::vector<float>& kernel) {
  Plane out(in.width, in.height);
  for (int y = 0; y < in.height; ++y) {
    float* to = out.row(y);
    for (int k = -static_cast<int>(kernel.size()) + 1; k < static_cast<int>(kernel.size()); ++k) {
      if (y + k < 0 || y + k >= in.height) continue;
      const float* from = in.row(y + k);
      const float weight = kernel[static_cast<std::size_t>(std::abs(k))];
      for (int x = 0; x < in.width; ++x) to[x] += from[x] * weight;
    }
  }
  return out;
}

Plane convolved(const Plane& plane, double deviation) {
  const auto kernel = kernelOf(deviation);
  return convolvedDown(convolvedAcross(plane, kernel), kernel);
}

/// The means of blocks, with `margin` empty ones all around.
Plane blockMeans(const Plane& in, int block, int margin) {
  Plane out((in.width + block - 1) / block + 2 * margin, (in.height + block - 1) / block + 2 * margin);
  const float share = 1.0F / static_cast<float>(block * block);
  std::vector<float> sums;
  for (int y = 0; y < in.height; y += block) {
    sums.assign(static_cast<std::size_t>(in.width), 0);
    for (int j = y; j < std::min(in.height, y + block); ++j) {
      const float* from = in.row(j);
      for (int x = 0; x < in.width; ++x) sums[static_cast<std::size_t>(x)] += from[x];
    }
    float* to = out.row(y / block + margin) + margin;
    for (int x = 0; x < in.width; ++x) to[x / block] += sums[static_cast<std::size_t>(x)] * share;
  }
  return out;
}

/// The weights of the uniform cubic B-spline at a share of the way between two places, and where they begin.
struct Between {
  int first;
  float weights[4];
};
Between between(double at) {
  const double whole = std::floor(at), t = at - whole, u = 1 - t;
  return {static_cast<int>(whole) - 1,
          {static_cast<float>(u * u * u / 6), static_cast<float>((3 * t * t * t - 6 * t * t + 4) / 6),
           static_cast<float>((3 * u * u * u - 6 * u * u + 4) / 6), static_cast<float>(t * t * t / 6)}};
}

/// The plane of blocks as pixels again.
Plane enlarged(const Plane& in, int block, int margin, int width, int height) {
  const auto at = [&](int pixel) { return between((pixel + 0.5) / block - 0.5 + margin); };
  Plane wide(width, in.height);
  std::vector<Between> across;
  across.reserve(static_cast<std::size_t>(width));
  for (int x = 0; x < width; ++x) across.push_back(at(x));
  for (int y = 0; y < in.height; ++y) {
    const float* from = in.row(y);
    float* to = wide.row(y);
    for (int x = 0; x < width; ++x) {
      const Between& b = across[static_cast<std::size_t>(x)];
      const float* p = from + b.first;
      to[x] = p[0] * b.weights[0] + p[1] * b.weights[1] + p[2] * b.weights[2] + p[3] * b.weights[3];
    }
  }
  Plane out(width, height);
  for (int y = 0; y < height; ++y) {
    const Between b = at(y);
    const float* rows[4];
    for (int k = 0; k < 4; ++k) rows[k] = wide.row(b.first + k);
    float* to = out.row(y);
    for (int x = 0; x < width; ++x)
      to[x] =
          rows[0][x] * b.weights[0] + rows[1][x] * b.weights[1] + rows[2][x] * b.weights[2] + rows[3][x] * b.weights[3];
  }
  return out;
}

}  // namespace

Plane blurred(const Plane& plane, double deviation) {
  constexpr double narrow = 0.15, widest = 8;
  if (plane.width <= 0 || plane.height <= 0 || !(deviation > narrow)) return plane;
  if (deviation <= widest) return convolved(plane, deviation);
  constexpr double finest = 4;  // blocks of a deviation, so that what is left of it is nearly all Gaussian
  const int block = std::max(2, static_cast<int>(deviation / finest));
  // In blocks: the mean over one spreads by (1 − 1/n²)/12, the cubic B-spline by a third.
  const double inBlocks = deviation / block;
  const double spread = (1 - 1.0 / (static_cast<double>(block) * block)) / 12 + 1.0 / 3;
  constexpr int margin = 3;
  const Plane small = blockMeans(plane, block, margin);
  return enlarged(convolved(small, std::sqrt(inBlocks * inBlocks - spread)), block, margin, plane.width, plane.height);
}

}  // namespace widecut
