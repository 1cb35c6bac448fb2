#include "media/gaussian.h"

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

/// The weights of four cells: of the uniform cubic B-spline, or evenly between the two in the middle.
struct Between {
  int first;
  float weights[4];
};
Between between(double at, bool isEven) {
  const double whole = std::floor(at), t = at - whole, u = 1 - t;
  const int first = static_cast<int>(whole) - 1;
  if (isEven) return {first, {0, static_cast<float>(u), static_cast<float>(t), 0}};
  return {first,
          {static_cast<float>(u * u * u / 6), static_cast<float>((3 * t * t * t - 6 * t * t + 4) / 6),
           static_cast<float>((3 * u * u * u - 6 * u * u + 4) / 6), static_cast<float>(t * t * t / 6)}};
}

constexpr int around = 4;  // empty cells at both ends of a line

}  // namespace

Softened::Softened(int width, int height, double deviation, const RowOf& rowOf) {
  constexpr double narrow = 0.15, widest = 8;
  if (width <= 0 || height <= 0) return;
  if (deviation <= widest) {
    cells_ = Plane(width, height);
    for (int y = 0; y < height; ++y) rowOf(y, cells_.row(y));
    if (deviation > narrow) cells_ = convolved(cells_, deviation);
    return;
  }
  constexpr double finest = 4;  // blocks of a deviation, so that what is left of it is nearly all Gaussian
  block_ = std::max(2, static_cast<int>(deviation / finest));
  margin_ = 3;
  const auto cells = [&](int pixels) { return (pixels + block_ - 1) / block_ + 2 * margin_; };
  cells_ = Plane(cells(width), cells(height));
  const float share = 1.0F / static_cast<float>(block_ * block_);
  std::vector<float> row(static_cast<std::size_t>(width));
  for (int y = 0; y < height; ++y) {
    rowOf(y, row.data());
    float* to = cells_.row(y / block_ + margin_) + margin_;
    for (int x = 0; x < width; x += block_, ++to) {
      float sum = 0;
      for (int i = x; i < std::min(width, x + block_); ++i) sum += row[static_cast<std::size_t>(i)];
      *to += sum * share;
    }
  }
  // In blocks: the mean over one spreads by (1 − 1/n²)/12, the cubic B-spline by a third.
  const double inBlocks = deviation / block_;
  const double spread = (1 - 1.0 / (static_cast<double>(block_) * block_)) / 12 + 1.0 / 3;
  cells_ = convolved(cells_, std::sqrt(inBlocks * inBlocks - spread));
}

SoftRows::SoftRows(const Softened& softened, double left, double top, int count) : softened_(softened), top_(top) {
  const int cells = softened.cells_.width, block = softened.block_;
  for (int x = 0; x < count; ++x) {
    const double at = (left + x + 0.5) / block - 0.5 + softened.margin_;
    const double whole = std::clamp(std::floor(at), -3.0, cells + 1.0);
    const int cell = static_cast<int>(whole);
    if (runs_.empty() || runs_.back().cell != cell) runs_.push_back({x, x, cell, static_cast<float>(at - whole)});
    runs_.back().end = x + 1;
  }
  line_.assign(static_cast<std::size_t>(cells + 2 * around), 0);
}

void SoftRows::toRow(int y) {
  const Plane& cells = softened_.cells_;
  const int block = softened_.block_;
  const Between down = between((top_ + y + 0.5) / block - 0.5 + softened_.margin_, block == 1);
  std::fill(line_.begin(), line_.end(), 0.0F);
  for (int k = 0; k < 4; ++k) {
    const int at = down.first + k;
    if (at < 0 || at >= cells.height || down.weights[k] == 0) continue;
    const float* from = cells.row(at);
    const float weight = down.weights[k];
    float* sums = line_.data() + around;
    for (int x = 0; x < cells.width; ++x) sums[x] += from[x] * weight;
  }
}

void SoftRows::read(int begin, int end, float* row) const {
  const int block = softened_.block_;
  const float step = 1.0F / static_cast<float>(block);
  const auto after = [](int x, const Run& run) { return x < run.end; };
  for (auto run = std::upper_bound(runs_.begin(), runs_.end(), begin, after); run != runs_.end() && run->begin < end;
       ++run) {
    const float* p = line_.data() + around + run->cell;
    const int from = std::max(begin, run->begin), count = std::min(end, run->end) - from;
    if (block == 1) {
      for (int i = 0; i < count; ++i) row[from + i] = p[0] + (p[1] - p[0]) * run->first;
      continue;
    }
    // The B-spline between the two cells in the middle, as a polynomial.
    const float c0 = (p[-1] + 4 * p[0] + p[1]) / 6, c1 = (p[1] - p[-1]) / 2, c2 = (p[-1] - 2 * p[0] + p[1]) / 2,
                c3 = (p[2] - 3 * p[1] + 3 * p[0] - p[-1]) / 6;
    const float first = run->first + static_cast<float>(from - run->begin) * step;
    float* out = row + from;
    for (int i = 0; i < count; ++i) {
      const float t = first + static_cast<float>(i) * step;
      out[i] = c0 + t * (c1 + t * (c2 + t * c3));
    }
  }
}

}  // namespace widecut
