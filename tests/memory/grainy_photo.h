// Made-up pixels that compress about as a photo does.
#pragma once

#include <QImage>
#include <algorithm>
#include <cmath>
#include <random>

namespace widecut {

/// Slopes with some grain: compresses about as a photo does.
inline QImage grainyPhoto(int width, int height, unsigned seed) {
  std::mt19937 random(seed);
  QImage image(width, height, QImage::Format_RGB32);
  for (int y = 0; y < height; ++y) {
    auto* line = reinterpret_cast<QRgb*>(image.scanLine(y));
    for (int x = 0; x < width; ++x) {
      const unsigned grain = random();
      const double wave = 60 * std::sin(x * 0.004 + seed) + 50 * std::cos(y * 0.006 - seed);
      const int tone = static_cast<int>(128 + wave) + static_cast<int>(grain & 7);
      line[x] = qRgb(std::clamp(tone, 0, 255), std::clamp(tone + static_cast<int>(grain >> 8 & 7), 0, 255),
                     std::clamp(240 - tone, 0, 255));
    }
  }
  return image;
}

}  // namespace widecut
