// Taking a picture of a terrain and of solids standing on it.
#pragma once

#include <QImage>
#include <functional>
#include <string>

#include "terrain.h"

namespace skarrow {

/// The weather and the light of one picture. Colours are linear light.
struct Light {
  Vec sun;                   ///< Towards the sun.
  Vec sunColour;             ///< Its strength on a surface facing it.
  Vec skyHigh;               ///< The zenith, which also fills shadows.
  Vec skyLow;                ///< The horizon, which is also the haze.
  Vec glow;                  ///< Added round the sun.
  float haze = 1.0f / 9000;  ///< Share of light lost per metre at the valley floor.
  float hazeTop = 700;       ///< Metres over which the haze thins out.
  float hazeFloor = 0;       ///< Height from which it thins out.
  float snowLine = 300;      ///< Metres; snow lies above, forest below.
  float cloud = 0.5f;        ///< 0 clear … 1 covered.
  float exposure = 1;
  float trees = 1;  ///< 0 bare … 1 wooded below the snow line.
};

struct View {
  Vec from;
  float yaw = 0;    ///< Radians, clockwise from north.
  float pitch = 0;  ///< Share of the picture's height by which the horizon lies above the middle.
  float width = 1;  ///< Width of the field of view at distance 1.
};

/// A convex solid as planes (outside where dot(n, p) > d), and what its surface looks like.
struct Solid {
  struct Plane {
    Vec n;
    float d;
  };
  std::vector<Plane> planes;
  /// The reflected colour and, in `glow`, light of its own; `p` and `n` in world space. A surface that is not
  /// there returns false and is looked through.
  std::function<bool(Vec p, Vec n, Vec& colour, Vec& glow)> surface;
};
/// A box, turned by `yaw` about its centre, between heights low and high.
Solid box(Vec centre, float length, float depth, float low, float high, float yaw);

/// A picture in linear light while it is being made.
struct Exposure {
  int width = 0, height = 0;
  std::vector<Vec> light;
  std::vector<float> distance;
  Vec& at(int x, int y) { return light[static_cast<std::size_t>(y * width + x)]; }
};

Exposure taken(const Terrain& terrain, const std::vector<Solid>& solids, const Light& light, const View& view,
               int width, int height);
/// Solids in front of what was taken, within columns and rows of it.
struct Region {
  int left, top, right, bottom;  ///< The last two are no longer in it.
};
void addSolids(Exposure& exposure, const std::vector<Solid>& solids, const Light& light, const View& view,
               const Region& region);
/// The ray through a pixel.
Vec rayThrough(const View& view, int width, int height, float x, float y);
Vec hazed(Vec colour, Vec from, Vec to, const Light& light);
Vec skyAt(Vec ray, const Light& light);

/// Bloom, film curve, vignette and grain; then down to width × height.
QImage developed(Exposure exposure, float strength, int width, int height);

}  // namespace skarrow
