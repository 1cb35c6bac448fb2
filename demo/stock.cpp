#include "stock.h"

#include <QBuffer>
#include <cmath>

#include "camera.h"

namespace skarrow {
namespace {

constexpr int outWidth = 800, outHeight = 533, width = 960, height = 640;

/// One place in one weather.
struct Shot {
  const char *title, *words;
  unsigned seed;
  float peak;
  float sunAzimuth, sunElevation;  // radians
  Vec sunColour, skyHigh, skyLow, glow;
  float hazeMetres, hazeTop, snowLine, cloud, trees;
  float eastward, northward, above;  // of the camera, metres
  float yaw, pitch, field;
  float exposure;
};

const Shot shots[] = {{"Morning ridge",
                       "mountain ridge snow dawn light peaks",
                       11,
                       2300,
                       1.25f,
                       0.25f,
                       {4.4f, 2.9f, 1.8f},
                       {0.10f, 0.19f, 0.42f},
                       {0.70f, 0.60f, 0.58f},
                       {1.2f, 0.7f, 0.3f},
                       5600,
                       430,
                       330,
                       0.35f,
                       1,
                       5000,
                       3000,
                       480,
                       0.5f,
                       0.05f,
                       0.85f,
                       1.2f},
                      {"Noon over the icefield",
                       "mountain snow ice noon blue sky glacier bright",
                       23,
                       2500,
                       2.2f,
                       0.75f,
                       {3.6f, 3.4f, 3.1f},
                       {0.12f, 0.27f, 0.62f},
                       {0.62f, 0.72f, 0.86f},
                       {0.3f, 0.3f, 0.3f},
                       12000,
                       800,
                       -300,
                       0.1f,
                       0,
                       7000,
                       4200,
                       620,
                       0.2f,
                       0.02f,
                       0.9f,
                       0.8f},
                      {"Fog in the valley",
                       "fog mist valley forest grey calm",
                       31,
                       1700,
                       0.8f,
                       0.3f,
                       {1.2f, 1.15f, 1.1f},
                       {0.42f, 0.46f, 0.50f},
                       {0.72f, 0.74f, 0.76f},
                       {0.1f, 0.1f, 0.1f},
                       900,
                       260,
                       900,
                       0.95f,
                       1,
                       6000,
                       6000,
                       260,
                       0.9f,
                       0.04f,
                       0.8f,
                       1},
                      {"Evening peaks",
                       "mountain evening dusk red alpenglow sunset",
                       41,
                       2600,
                       -1.1f,
                       0.09f,
                       {4.2f, 1.7f, 0.9f},
                       {0.07f, 0.12f, 0.32f},
                       {0.58f, 0.36f, 0.34f},
                       {1.4f, 0.5f, 0.2f},
                       8000,
                       600,
                       100,
                       0.5f,
                       0.4f,
                       4200,
                       5200,
                       560,
                       0.7f,
                       0.05f,
                       0.85f,
                       1.25f},
                      {"Spring slopes",
                       "forest trees spring slope green valley meadow",
                       57,
                       1500,
                       2.6f,
                       0.8f,
                       {3.4f, 3.2f, 2.8f},
                       {0.16f, 0.30f, 0.58f},
                       {0.66f, 0.74f, 0.82f},
                       {0.3f, 0.3f, 0.25f},
                       9000,
                       600,
                       1150,
                       0.3f,
                       1,
                       8000,
                       3600,
                       420,
                       0.1f,
                       0.08f,
                       0.9f,
                       0.85f},
                      {"Pass under clouds",
                       "pass clouds storm grey mountain dramatic",
                       73,
                       2100,
                       1.7f,
                       0.35f,
                       {0.9f, 0.9f, 0.95f},
                       {0.20f, 0.23f, 0.28f},
                       {0.50f, 0.53f, 0.57f},
                       {0.1f, 0.1f, 0.1f},
                       4200,
                       500,
                       250,
                       1,
                       0.5f,
                       5200,
                       7000,
                       500,
                       0.4f,
                       0.03f,
                       0.85f,
                       1.35f}};

QImage taken(const Shot& shot) {
  Terrain terrain(shot.seed, shot.peak);
  Light light;
  light.sun = {std::sin(shot.sunAzimuth) * std::cos(shot.sunElevation),
               std::cos(shot.sunAzimuth) * std::cos(shot.sunElevation), std::sin(shot.sunElevation)};
  light.sunColour = shot.sunColour;
  light.skyHigh = shot.skyHigh;
  light.skyLow = shot.skyLow;
  light.glow = shot.glow;
  light.haze = 1 / shot.hazeMetres;
  light.hazeTop = shot.hazeTop;
  light.hazeFloor = 200;
  light.snowLine = shot.snowLine;
  light.cloud = shot.cloud;
  light.trees = shot.trees;
  terrain.light(light.sun);
  const float ground = terrain.height(shot.eastward, shot.northward, 0);
  const View view{{shot.eastward, shot.northward, ground + shot.above}, shot.yaw, shot.pitch, shot.field};
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
  taken(shots[number]).save(&buffer, "JPEG", 84);
  return bytes.toStdString();
}

}  // namespace skarrow
