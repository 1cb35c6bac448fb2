#include "stock.h"

#include <QBuffer>
#include <cmath>

#include "camera.h"

namespace skarrow {
namespace {

constexpr int outWidth = 800, outHeight = 533, width = 960, height = 640;

struct Land {
  unsigned seed;
  float peak, snowLine, trees;
};
struct Sky {
  Vec high, low, glow;
  float cloud;
};
struct Sun {
  float azimuth, elevation;  // radians
  Vec colour;
};
struct Haze {
  float metres, top;
};
/// Metres, and as views have it.
struct Camera {
  float eastward, northward, above, yaw, pitch, width;
};
/// One place in one weather.
struct Shot {
  const char *title, *words;
  Land land;
  Sun sun;
  Sky sky;
  Haze haze;
  Camera camera;
  float exposure;
};

const Shot shots[] = {
    {"Morning ridge", "mountain ridge snow dawn light peaks", Land{11, 2300, 330, 1},
     Sun{1.25f, 0.25f, {4.4f, 2.9f, 1.8f}},
     Sky{{0.10f, 0.19f, 0.42f}, {0.70f, 0.60f, 0.58f}, {1.2f, 0.7f, 0.3f}, 0.35f}, Haze{5600, 430},
     Camera{5000, 3000, 480, 0.5f, 0.05f, 0.85f}, 1.2f},
    {"Noon over the icefield", "mountain snow ice noon blue sky glacier bright", Land{23, 2500, -300, 0},
     Sun{2.2f, 0.75f, {3.6f, 3.4f, 3.1f}}, Sky{{0.12f, 0.27f, 0.62f}, {0.62f, 0.72f, 0.86f}, {0.3f, 0.3f, 0.3f}, 0.1f},
     Haze{12000, 800}, Camera{7000, 4200, 620, 0.2f, 0.02f, 0.9f}, 0.8f},
    {"Fog in the valley", "fog mist valley forest grey calm", Land{31, 1700, 900, 1},
     Sun{0.8f, 0.3f, {1.2f, 1.15f, 1.1f}}, Sky{{0.42f, 0.46f, 0.50f}, {0.72f, 0.74f, 0.76f}, {0.1f, 0.1f, 0.1f}, 0.95f},
     Haze{900, 260}, Camera{6000, 6000, 260, 0.9f, 0.04f, 0.8f}, 1},
    {"Evening peaks", "mountain evening dusk red alpenglow sunset", Land{41, 2600, 100, 0.4f},
     Sun{-1.1f, 0.09f, {4.2f, 1.7f, 0.9f}}, Sky{{0.07f, 0.12f, 0.32f}, {0.58f, 0.36f, 0.34f}, {1.4f, 0.5f, 0.2f}, 0.5f},
     Haze{8000, 600}, Camera{4200, 5200, 560, 0.7f, 0.05f, 0.85f}, 1.25f},
    {"Spring slopes", "forest trees spring slope green valley meadow", Land{57, 1500, 1150, 1},
     Sun{2.6f, 0.8f, {3.4f, 3.2f, 2.8f}}, Sky{{0.16f, 0.30f, 0.58f}, {0.66f, 0.74f, 0.82f}, {0.3f, 0.3f, 0.25f}, 0.3f},
     Haze{9000, 600}, Camera{8000, 3600, 420, 0.1f, 0.08f, 0.9f}, 0.85f},
    {"Pass under clouds", "pass clouds storm grey mountain dramatic", Land{73, 2100, 250, 0.5f},
     Sun{1.7f, 0.35f, {0.9f, 0.9f, 0.95f}}, Sky{{0.20f, 0.23f, 0.28f}, {0.50f, 0.53f, 0.57f}, {0.1f, 0.1f, 0.1f}, 1},
     Haze{4200, 500}, Camera{5200, 7000, 500, 0.4f, 0.03f, 0.85f}, 1.35f}};

QImage pictureOf(const Shot& shot) {
  const auto& [azimuth, elevation, sunColour] = shot.sun;
  Terrain terrain(shot.land.seed, shot.land.peak);
  Light light;
  light.sun = {std::sin(azimuth) * std::cos(elevation), std::cos(azimuth) * std::cos(elevation), std::sin(elevation)};
  light.sunColour = sunColour;
  light.skyHigh = shot.sky.high;
  light.skyLow = shot.sky.low;
  light.glow = shot.sky.glow;
  light.cloud = shot.sky.cloud;
  light.haze = 1 / shot.haze.metres;
  light.hazeTop = shot.haze.top;
  light.hazeFloor = 200;
  light.snowLine = shot.land.snowLine;
  light.trees = shot.land.trees;
  terrain.light(light.sun);
  const Camera& at = shot.camera;
  const float ground = terrain.height(at.eastward, at.northward, 0);
  const View view{{at.eastward, at.northward, ground + at.above}, at.yaw, at.pitch, at.width};
  return developed(taken(terrain, {}, light, view, width, height), shot.exposure, outWidth, outHeight);
}

}  // namespace

std::vector<StockShot> stockShots() {
  std::vector<StockShot> out;
  for (const Shot& shot : shots) out.push_back({std::string(shot.title) + ".jpg", shot.title, shot.words});
  return out;
}

std::string stockJpeg(std::size_t number) {
  if (number >= std::size(shots)) return {};
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  pictureOf(shots[number]).save(&buffer, "JPEG", 84);
  return bytes.toStdString();
}

}  // namespace skarrow
