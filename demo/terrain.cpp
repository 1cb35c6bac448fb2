#include "terrain.h"

#include <algorithm>
#include <cmath>

#include "noise.h"

namespace skarrow {

Vec normal(Vec a) { return a * (1 / std::max(1e-12f, std::sqrt(dot(a, a)))); }

float smooth(float low, float high, float v) {
  const float t = std::clamp((v - low) / (high - low), 0.0f, 1.0f);
  return t * t * (3 - 2 * t);
}

Terrain::Terrain(unsigned seed, float peak) : seed_(seed), heights_(cells * cells), lit_(cells * cells, 1.0f) {
  for (int j = 0; j < cells; ++j) {
    for (int i = 0; i < cells; ++i) {
      float x = static_cast<float>(i) / cells * 7, y = static_cast<float>(j) / cells * 7;
      const float wx = layered(x * 0.7f, y * 0.7f, 3, seed + 11), wy = layered(x * 0.7f + 5, y * 0.7f, 3, seed + 17);
      x += 0.7f * wx;
      y += 0.7f * wy;
      // Ridges: folded noise, each octave rough only where the one before is high.
      float sum = 0, weight = 1, high = 0.52f, fx = x, fy = y;
      for (int o = 0; o < 9; ++o) {
        float fold = 1 - 1.6f * std::abs(noise(fx, fy, seed + static_cast<unsigned>(o) * 37));
        fold = std::max(0.0f, fold);
        fold *= fold * weight;
        weight = std::clamp(fold * 1.9f, 0.0f, 1.0f);
        sum += fold * high;
        const float rx = fx * 1.66f + fy * 1.2f, ry = fy * 1.66f - fx * 1.2f;
        fx = rx;
        fy = ry;
        high *= 0.47f;
      }
      const float range = 0.55f + 0.9f * layered(x * 0.33f + 9, y * 0.33f, 2, seed + 71);
      heights_[static_cast<std::size_t>(j * cells + i)] = peak * sum * std::max(0.15f, range);
    }
  }
}

float Terrain::sampled(const std::vector<float>& map, float x, float y) const {
  const float u = x / extent * cells, v = y / extent * cells;
  const float fu = std::floor(u), fv = std::floor(v);
  const int i = static_cast<int>(fu), j = static_cast<int>(fv);
  const float s = u - fu, t = v - fv;
  // Quadratic B-spline weights: no facets where the viewer is near.
  const auto at = [&](int a, int b) {
    return map[static_cast<std::size_t>((b & (cells - 1)) * cells + (a & (cells - 1)))];
  };
  const float wx[3] = {0.5f * (1 - s) * (1 - s), 0.5f + s * (1 - s), 0.5f * s * s};
  const float wy[3] = {0.5f * (1 - t) * (1 - t), 0.5f + t * (1 - t), 0.5f * t * t};
  float sum = 0;
  for (int b = 0; b < 3; ++b)
    for (int a = 0; a < 3; ++a) sum += wx[a] * wy[b] * at(i + a - 1, j + b - 1);
  return sum;
}

float Terrain::height(float x, float y, float viewDistance) const {
  float h = sampled(heights_, x, y);
  float rough = 1 - smooth(4000, 9000, viewDistance);
  if (levelRadius_ > 0) rough *= smooth(0.8f * levelRadius_, 2.5f * levelRadius_, std::hypot(x - levelX_, y - levelY_));
  if (rough > 0) {
    const int octaves = viewDistance < 600 ? 7 : viewDistance < 2500 ? 5 : 3;
    h += rough * 16 * std::abs(layered(x / 90, y / 90, octaves, seed_ + 301));
  }
  return h;
}

Vec Terrain::surfaceNormal(float x, float y, float viewDistance) const {
  const float e = std::max(0.6f, viewDistance * 0.0016f);
  const float h = height(x, y, viewDistance);
  return normal({(h - height(x + e, y, viewDistance)) / e, (h - height(x, y + e, viewDistance)) / e, 1});
}

void Terrain::level(float x, float y, float level, float radius, float basin) {
  levelX_ = x;
  levelY_ = y;
  levelRadius_ = radius;
  const float step = extent / cells;
  for (int j = 0; j < cells; ++j) {
    for (int i = 0; i < cells; ++i) {
      float& h = heights_[static_cast<std::size_t>(j * cells + i)];
      const float far =
          std::hypot((static_cast<float>(i) + 0.5f) * step - x, (static_cast<float>(j) + 0.5f) * step - y);
      const float kept = smooth(radius, basin, far);
      h = level + (h - level) * kept * kept;
    }
  }
}

void Terrain::light(Vec sun) {
  const float flat = std::sqrt(sun.x * sun.x + sun.y * sun.y);
  const float rise = sun.z / flat, step = extent / cells;
  for (int j = 0; j < cells; ++j) {
    for (int i = 0; i < cells; ++i) {
      const float x = (static_cast<float>(i) + 0.5f) * step, y = (static_cast<float>(j) + 0.5f) * step;
      const float h = sampled(heights_, x, y) + 4;
      float open = 1;
      for (float d = step * 1.5f; d < 4500 && open > 0; d *= 1.09f) {
        const float over = h + d * rise - sampled(heights_, x + sun.x / flat * d, y + sun.y / flat * d);
        open = std::min(open, 0.5f + over / (d * 0.05f));
      }
      lit_[static_cast<std::size_t>(j * cells + i)] = std::clamp(open, 0.0f, 1.0f);
    }
  }
}

float Terrain::lit(float x, float y) const { return sampled(lit_, x, y); }

}  // namespace skarrow
