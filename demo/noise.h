// Gradient noise and its sums, for made-up landscapes.
#pragma once

#include <cmath>
#include <cstdint>

namespace skarrow {

inline std::uint32_t scrambled(std::int32_t x, std::int32_t y, std::uint32_t seed) {
  std::uint32_t h = static_cast<std::uint32_t>(x) * 0x8da6b343u ^ static_cast<std::uint32_t>(y) * 0xd8163841u ^ seed;
  h = (h ^ (h >> 13)) * 0x5bd1e995u;
  h = (h ^ (h >> 15)) * 0x2c1b3c6du;
  return h ^ (h >> 16);
}
inline float randomAt(std::int32_t x, std::int32_t y, std::uint32_t seed) {
  return static_cast<float>(scrambled(x, y, seed) & 0xffffff) / 16777216.0f;
}

/// 256 directions round the circle.
struct Directions {
  float x[256], y[256];
  Directions() {
    for (int i = 0; i < 256; ++i) {
      x[i] = std::cos(6.2831853f * static_cast<float>(i) / 256);
      y[i] = std::sin(6.2831853f * static_cast<float>(i) / 256);
    }
  }
};
inline const Directions directions;

/// Gradient noise in about −0.7…0.7, zero at whole numbers.
inline float noise(float x, float y, std::uint32_t seed) {
  const float fx = std::floor(x), fy = std::floor(y);
  const auto ix = static_cast<std::int32_t>(fx), iy = static_cast<std::int32_t>(fy);
  const float u = x - fx, v = y - fy;
  const auto grad = [&](int dx, int dy) {
    const std::uint32_t a = scrambled(ix + dx, iy + dy, seed) & 255;
    return directions.x[a] * (u - static_cast<float>(dx)) + directions.y[a] * (v - static_cast<float>(dy));
  };
  const float su = u * u * u * (u * (u * 6 - 15) + 10), sv = v * v * v * (v * (v * 6 - 15) + 10);
  const float a = grad(0, 0), b = grad(1, 0), c = grad(0, 1), d = grad(1, 1);
  return a + su * (b - a) + sv * (c - a + su * (a - b - c + d));
}

/// A sum of octaves, each half as high and twice as fine.
inline float layered(float x, float y, int octaves, std::uint32_t seed) {
  float sum = 0, height = 1;
  for (int i = 0; i < octaves; ++i) {
    sum += height * noise(x, y, seed + static_cast<std::uint32_t>(i) * 101);
    const float rx = x * 1.62f + y * 1.18f, ry = y * 1.62f - x * 1.18f;  // turned, so that axes do not show
    x = rx;
    y = ry;
    height *= 0.5f;
  }
  return sum;
}

}  // namespace skarrow
