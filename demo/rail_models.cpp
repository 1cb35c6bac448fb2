#include "rail_models.h"

#include <algorithm>
#include <cmath>

#include "noise.h"

namespace skarrow {
namespace {

/// Ashlar: courses of blocks with mortar joints.
Vec stone(float u, float v, Vec tone) {
  const float course = std::floor(v / 0.9f), shift = std::fmod(std::abs(course), 2.0f) * 0.9f;
  const float block = std::floor((u + shift) / 1.8f);
  const float inU = (u + shift) / 1.8f - block, inV = v / 0.9f - course;
  const float joint = std::min({inU * 1.8f, (1 - inU) * 1.8f, inV * 0.9f, (1 - inV) * 0.9f});
  const float tint = 0.75f + 0.5f * randomAt(static_cast<int>(block), static_cast<int>(course), 31) +
                     0.3f * layered(u / 2, v / 2, 4, 33);
  return tone * (tint * (joint < 0.05f ? 0.55f : 1.0f));
}

/// A railway viaduct along its own axis: `u` runs along, `v` up. True where there is stone.
struct Arches {
  float deck, span = 24, pier = 4.6f, above = 7;
  bool isStone(float u, float v) const {
    if (v > deck - 1.4f) return true;
    const float bay = span + pier;
    const float inBay = u - bay * std::floor(u / bay) - bay / 2;
    const float radius = span / 2, spring = deck - above - radius;
    const float batter = std::max(0.0f, spring - v) * 0.012f;
    if (v > spring) return inBay * inBay + (v - spring) * (v - spring) > radius * radius;
    return std::abs(inBay) > radius - batter;
  }
};

}  // namespace

Solid viaduct(Vec centre, float yaw, float deck, float slope) {
  const Vec along{std::cos(yaw), std::sin(yaw), 0};
  const Arches arches{deck};
  Solid bridge = box(centre, 1400, 6.2f, deck - 220, deck, yaw);
  const Vec up = normal({-slope * along.x, -slope * along.y, 1});
  bridge.planes[4] = {up, dot(up, {centre.x, centre.y, deck})};
  bridge.surface = [=](Vec p, Vec n, Vec& colour, Vec&) {
    const float u = dot(p - centre, along), v = p.z - slope * u;
    if (!arches.isStone(u, v)) return false;
    colour = stone(u, v, {0.24f, 0.21f, 0.185f});
    if (n.z > 0.5f || v > deck - 0.35f)
      colour = {0.8f, 0.83f, 0.88f};
    else if (v > deck - 1.4f && v < deck - 1.1f)
      colour = colour * 0.45f;
    const float rime = smooth(0.05f, 0.4f, layered(u / 3, v / 3, 4, 61));
    colour = mix(colour, {0.72f, 0.75f, 0.8f}, 0.35f * rime);
    return true;
  };
  return bridge;
}

Solid carriage(Vec foot, float yaw, float slope, Vec paint, bool lights) {
  const Vec along = normal({std::cos(yaw), std::sin(yaw), slope});
  const Vec aside{-std::sin(yaw), std::cos(yaw), 0};
  const Vec up = normal({-slope * std::cos(yaw), -slope * std::sin(yaw), 1});
  constexpr float length = 15.5f, width = 3, high = 3.7f;
  Solid s;
  s.planes = {{along, dot(along, foot) + length / 2},
              {along * -1, -dot(along, foot) + length / 2},
              {aside, dot(aside, foot) + width / 2},
              {aside * -1, -dot(aside, foot) + width / 2},
              {up, dot(up, foot) + high},
              {up * -1, -dot(up, foot)}};
  s.surface = [=](Vec p, Vec n, Vec& colour, Vec& glow) {
    const float u = dot(p - foot, along), v = dot(p - foot, up);
    if (v < 0.35f) {
      colour = {0.02f, 0.02f, 0.022f};
      return true;
    }
    if (v > 3.25f || n.z > 0.5f) {
      colour = {0.75f, 0.78f, 0.82f};  // snow on the roof
      return true;
    }
    colour = v > 1.55f && v < 1.68f ? Vec{0.75f, 0.62f, 0.40f} : v < 1.55f ? paint : paint * 0.9f;
    const float inWindow = u / 1.85f - std::floor(u / 1.85f);
    if (v > 1.85f && v < 2.85f && inWindow > 0.14f && inWindow < 0.86f && std::abs(u) < 7.2f) {
      colour = {0.03f, 0.035f, 0.04f};
      if (lights)
        glow = Vec{2.2f, 1.35f, 0.55f} * (0.7f + 0.3f * randomAt(static_cast<int>(std::floor(u / 1.85f)), 3, 9));
      else
        glow = {0.10f, 0.12f, 0.15f};
    }
    return true;
  };
  return s;
}

}  // namespace skarrow
