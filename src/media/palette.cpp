#include "media/palette.h"

#include <algorithm>

#include "media/pixel_oklab.h"

namespace widecut {
namespace {

struct Cluster {
  Oklab middle, sum;
  int count = 0;
};

double distance(const Oklab& a, const Oklab& b) {
  const double l = a.light - b.light, x = a.a - b.a, y = a.b - b.b;
  return l * l + x * x + y * y;
}

std::vector<Oklab> samplesOf(const QImage& picture) {
  if (picture.isNull()) return {};
  // Single pixels: means of them would be colours that it does not have.
  constexpr int side = 96;
  const QImage small =
      picture.scaled(side, side, Qt::KeepAspectRatio, Qt::FastTransformation).convertToFormat(QImage::Format_ARGB32);
  std::vector<Oklab> samples;
  for (int y = 0; y < small.height(); ++y) {
    const auto* line = reinterpret_cast<const QRgb*>(small.constScanLine(y));
    for (int x = 0; x < small.width(); ++x)
      if (qAlpha(line[x]) > 127) samples.push_back(oklabOfPixel(line[x]));
  }
  return samples;
}

const Oklab& furthest(const std::vector<Oklab>& samples, const std::vector<Cluster>& groups) {
  const Oklab* best = &samples.front();
  double most = -1;
  for (const Oklab& sample : samples) {
    double nearest = 1e9;
    for (const Cluster& group : groups) nearest = std::min(nearest, distance(sample, group.middle));
    if (nearest > most) {
      most = nearest;
      best = &sample;
    }
  }
  return *best;
}

/// One round: every sample goes to its nearest group, and every group to the middle of its samples.
void regroup(const std::vector<Oklab>& samples, std::vector<Cluster>& groups) {
  for (Cluster& group : groups) {
    group.sum = {};
    group.count = 0;
  }
  for (const Oklab& s : samples) {
    Cluster& near = *std::min_element(groups.begin(), groups.end(), [&](const Cluster& a, const Cluster& b) {
      return distance(s, a.middle) < distance(s, b.middle);
    });
    near.sum = {near.sum.light + s.light, near.sum.a + s.a, near.sum.b + s.b};
    ++near.count;
  }
  for (Cluster& group : groups)
    if (group.count > 0)
      group.middle = {group.sum.light / group.count, group.sum.a / group.count, group.sum.b / group.count};
}

}  // namespace

std::vector<Colour> paletteOf(const QImage& picture, int count) {
  const auto samples = samplesOf(picture);
  if (samples.empty() || count <= 0) return {};
  std::vector<Cluster> groups(1);
  regroup(samples, groups);
  while (std::ssize(groups) < count) {
    Cluster next;
    next.middle = furthest(samples, groups);
    groups.push_back(next);
    regroup(samples, groups);
  }
  constexpr int rounds = 16;
  for (int i = 0; i < rounds; ++i) regroup(samples, groups);
  std::stable_sort(groups.begin(), groups.end(), [](const Cluster& a, const Cluster& b) { return a.count > b.count; });
  constexpr double alike = 0.03 * 0.03;
  std::vector<Colour> out;
  std::vector<Oklab> kept;
  for (const Cluster& group : groups) {
    const bool isKnown = std::any_of(kept.begin(), kept.end(),
                                     [&](const Oklab& other) { return distance(other, group.middle) < alike; });
    if (isKnown || static_cast<std::size_t>(group.count) * 100 < samples.size()) continue;
    kept.push_back(group.middle);
    out.push_back(srgbOf(group.middle));
  }
  return out;
}

std::vector<Colour> paletteOf(PhotoStore& store, const Medium& medium, int count) {
  constexpr double side = 160;
  const PhotoLevel level = store.level(medium, std::min(1.0, side / std::max(medium.width, medium.height)));
  return level.image.isNull() ? std::vector<Colour>() : paletteOf(level.image, count);
}

}  // namespace widecut
