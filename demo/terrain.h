// A made-up mountain range: heights, shadows, surface.
#pragma once

#include <vector>

namespace skarrow {

struct Vec {
  float x = 0, y = 0, z = 0;
};
inline Vec operator+(Vec a, Vec b) { return {a.x + b.x, a.y + b.y, a.z + b.z}; }
inline Vec operator-(Vec a, Vec b) { return {a.x - b.x, a.y - b.y, a.z - b.z}; }
inline Vec operator*(Vec a, float s) { return {a.x * s, a.y * s, a.z * s}; }
inline Vec operator*(Vec a, Vec b) { return {a.x * b.x, a.y * b.y, a.z * b.z}; }
inline float dot(Vec a, Vec b) { return a.x * b.x + a.y * b.y + a.z * b.z; }
Vec normal(Vec a);
inline Vec mix(Vec a, Vec b, float t) { return a + (b - a) * t; }
float smooth(float low, float high, float v);

/// Heights in metres over 16 km × 16 km; x to the east, y to the north, z up.
class Terrain {
 public:
  static constexpr float extent = 16000;

  /// `peak` is about the height of the highest ridge above the valleys.
  Terrain(unsigned seed, float peak);
  /// Height with detail down to about a metre where the viewer is near.
  float height(float x, float y, float viewDistance) const;
  Vec surfaceNormal(float x, float y, float viewDistance) const;
  /// Levels a disc to `level`, and lowers the land round it into a basin of this radius.
  void level(float x, float y, float level, float radius, float basin);
  /// Works out which places the sun reaches; `sun` points to it.
  void light(Vec sun);
  /// 0 in shadow … 1 in the sun.
  float lit(float x, float y) const;

 private:
  float sampled(const std::vector<float>& map, float x, float y) const;
  static constexpr int cells = 1024;
  unsigned seed_;
  float levelX_ = 0, levelY_ = 0, levelRadius_ = 0;
  std::vector<float> heights_;
  std::vector<float> lit_;
};

}  // namespace skarrow
