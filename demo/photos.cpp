#include "photos.h"

#include <QBuffer>
#include <algorithm>
#include <cmath>

#include "camera.h"
#include "noise.h"
#include "rail_models.h"

namespace skarrow {
namespace {

constexpr int outWidth = 1600, outHeight = 1200, width = 2000, height = 1500;

DemoPhoto saved(const char* name, const QImage& image) {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  image.save(&buffer, "JPEG", 86);
  return {name, bytes.toStdString()};
}

Vec towards(float azimuth, float elevation) {
  return {std::sin(azimuth) * std::cos(elevation), std::cos(azimuth) * std::cos(elevation), std::sin(elevation)};
}

QImage ridgeAtDawn() {
  Terrain terrain(7, 2300);
  Light light;
  light.sun = towards(1.25f, 0.22f);
  light.sunColour = {4.6f, 2.7f, 1.5f};
  light.skyHigh = {0.10f, 0.19f, 0.42f};
  light.skyLow = {0.72f, 0.60f, 0.58f};
  light.glow = {1.3f, 0.72f, 0.28f};
  light.haze = 1.0f / 5200;
  light.hazeTop = 430;
  light.hazeFloor = 250;
  light.snowLine = 330;
  light.cloud = 0.45f;
  terrain.light(light.sun);
  const Vec from{5200, 2600, 0};
  const View view{{from.x, from.y, terrain.height(from.x, from.y, 0) + 520}, 0.42f, 0.06f, 0.85f};
  return developed(taken(terrain, {}, light, view, width, height), 1.25f, outWidth, outHeight);
}

void letItSnow(Exposure& e, unsigned seed, int flakes) {
  for (int i = 0; i < flakes; ++i) {
    const float depth = randomAt(i, 1, seed);
    const float radius = 1.2f + 9.0f * depth * depth * depth * depth * depth;
    const float cx = randomAt(i, 2, seed) * static_cast<float>(e.width),
                cy = randomAt(i, 3, seed) * static_cast<float>(e.height);
    const float strength = std::min(0.85f, 1.3f / radius);
    for (int y = static_cast<int>(cy - radius * 1.5f); y <= static_cast<int>(cy + radius * 1.5f); ++y) {
      for (int x = static_cast<int>(cx - radius); x <= static_cast<int>(cx + radius); ++x) {
        if (x < 0 || y < 0 || x >= e.width || y >= e.height) continue;
        const float fx = (static_cast<float>(x) - cx) / radius, fy = (static_cast<float>(y) - cy) / (radius * 1.4f);
        const float cover = strength * smooth(1, 0.25f, fx * fx + fy * fy);
        e.at(x, y) = mix(e.at(x, y), {0.95f, 0.97f, 1.0f}, cover);
      }
    }
  }
}

QImage viaductInSnow() {
  Terrain terrain(23, 1500);
  Light light;
  light.sun = towards(-0.9f, 0.42f);
  light.sunColour = {2.0f, 1.9f, 1.75f};
  light.skyHigh = {0.30f, 0.39f, 0.54f};
  light.skyLow = {0.74f, 0.79f, 0.86f};
  light.glow = {0.3f, 0.28f, 0.25f};
  light.haze = 1.0f / 4500;
  light.hazeTop = 500;
  light.hazeFloor = 250;
  light.snowLine = 170;
  light.cloud = 1.1f;
  const float yaw = 0.30f, valley = 260;
  const Vec eye{8350, 5250, 0};
  const Vec centre{eye.x + 70, eye.y + 330, 0};
  terrain.level(centre.x, centre.y, valley, 40, 1050);
  terrain.light(light.sun);
  const View view{{eye.x, eye.y, std::max(valley + 52, terrain.height(eye.x, eye.y, 0) + 12)}, 0.15f, -0.02f, 0.86f};
  const float deck = valley + 98;
  const Vec along{std::cos(-yaw), std::sin(-yaw), 0};
  const Solid bridge = viaduct(centre, -yaw, deck, 0);
  const Vec onDeck{centre.x, centre.y, deck + 0.2f};
  std::vector<Solid> solids{bridge};
  for (int i = 0; i < 3; ++i)
    solids.push_back(
        carriage(onDeck + along * (-38.0f + 16.6f * static_cast<float>(i)), -yaw, 0, {0.50f, 0.035f, 0.025f}, false));
  Exposure e = taken(terrain, solids, light, view, width, height);
  letItSnow(e, 77, 5200);
  return developed(std::move(e), 0.95f, outWidth, outHeight);
}

/// A house with a gable roof; windows glow.
void addHouse(std::vector<Solid>& solids, Vec c, float length, float depth, float eaves, float ridge, float yaw,
              Vec wall, unsigned seed) {
  const Vec u{std::cos(yaw), std::sin(yaw), 0}, v{-std::sin(yaw), std::cos(yaw), 0};
  Solid walls = box(c, length, depth, c.z - 20, c.z + eaves, yaw);
  walls.surface = [=](Vec p, Vec n, Vec& colour, Vec& glow) {
    const bool end = std::abs(dot(n, u)) > 0.7f;
    const float along = dot(p - c, end ? v : u), up = p.z - c.z;
    const float plank = std::abs(std::fmod(std::abs(up), 0.3f) - 0.15f);
    colour = wall * (0.8f + 0.3f * layered(along / 2, up * 3, 3, seed) - (plank > 0.135f ? 0.25f : 0.0f));
    if (up < 0.9f) colour = {0.2f, 0.19f, 0.18f};
    const float bay = along / 2.6f - std::floor(along / 2.6f), storey = up / 3.1f - std::floor(up / 3.1f);
    const int id = static_cast<int>(std::floor(along / 2.6f)), floorId = static_cast<int>(std::floor(up / 3.1f));
    if (up > 0.4f && up < eaves - 0.5f && bay > 0.30f && bay < 0.72f && storey > 0.34f && storey < 0.80f) {
      const bool bar = std::abs(bay - 0.51f) < 0.02f || std::abs(storey - 0.57f) < 0.02f;
      const float r = randomAt(id, floorId, seed);
      colour = {0.03f, 0.03f, 0.035f};
      if (r > 0.22f && !bar) glow = Vec{3.4f, 1.75f, 0.55f} * (0.45f + 0.6f * r);
    } else if (up > 0.4f && bay > 0.25f && bay < 0.77f && storey > 0.29f && storey < 0.85f) {
      colour = colour * 0.4f + Vec{0.25f, 0.2f, 0.15f};
    }
    return true;
  };
  solids.push_back(walls);
  Solid roof;
  const float over = 0.9f, half = depth / 2 + over, rise = (ridge - eaves) / (depth / 2);
  const Vec left = normal(v * -rise + Vec{0, 0, 1}), right = normal(v * rise + Vec{0, 0, 1});
  const Vec top = c + Vec{0, 0, ridge + 0.5f};
  roof.planes = {{left, dot(left, top)},
                 {right, dot(right, top)},
                 {{0, 0, -1}, -(c.z + eaves - over * rise)},
                 {u, dot(u, c) + length / 2 + over},
                 {u * -1, -dot(u, c) + length / 2 + over},
                 {v, dot(v, c) + half},
                 {v * -1, -dot(v, c) + half}};
  const float ceiling = c.z + eaves;
  roof.surface = [=](Vec p, Vec n, Vec& colour, Vec&) {
    const bool snow = n.z > 0.3f;
    const float under = ridge + 0.5f - std::abs(dot(p - c, v)) * rise - (p.z - c.z);
    colour = snow            ? Vec{0.80f, 0.83f, 0.9f} * (0.92f + 0.2f * layered(p.x / 3, p.y / 3, 3, 5))
             : under < 0.55f ? Vec{0.72f, 0.75f, 0.82f}
                             : wall * 0.85f;
    return p.z > ceiling - over * rise;
  };
  solids.push_back(roof);
}

/// A lamp on a post: a small bright box, and its pool of light comes from bloom.
void addLamp(std::vector<Solid>& solids, Vec foot) {
  Solid post = box(foot, 0.14f, 0.14f, foot.z - 5, foot.z + 4.4f, 0);
  post.surface = [](Vec, Vec, Vec& colour, Vec&) {
    colour = {0.02f, 0.02f, 0.02f};
    return true;
  };
  Solid lamp = box(foot, 0.5f, 0.5f, foot.z + 4.3f, foot.z + 4.9f, 0.4f);
  lamp.surface = [](Vec, Vec, Vec& colour, Vec& glow) {
    colour = {1, 1, 1};
    glow = {22, 13, 5};
    return true;
  };
  solids.push_back(post);
  solids.push_back(lamp);
}

QImage duskOverTheStation() {
  Terrain terrain(41, 1900);
  Light light;
  light.sun = towards(0.25f, 0.035f);
  light.sunColour = {0.5f, 0.22f, 0.11f};
  light.skyHigh = {0.03f, 0.075f, 0.20f};
  light.skyLow = {0.27f, 0.17f, 0.20f};
  light.glow = {1.1f, 0.42f, 0.12f};
  light.haze = 1.0f / 9000;
  light.hazeTop = 450;
  light.snowLine = -260;
  light.trees = 0;
  light.cloud = 0.75f;
  const Vec eye{3050, 7450, 0};
  const float ground = 120, yaw = 0.25f;
  terrain.level(eye.x + 230 * std::sin(yaw), eye.y + 230 * std::cos(yaw), ground, 420, 2300);
  terrain.light(light.sun);
  light.hazeFloor = ground;
  const View view{{eye.x, eye.y, ground + 44}, yaw, 0.08f, 0.66f};
  const float base = ground + 0.4f;
  // The station stands on a level yard a little above the valley's floor.
  const Vec forward{std::sin(view.yaw), std::cos(view.yaw), 0}, right{std::cos(view.yaw), -std::sin(view.yaw), 0};
  const auto place = [&](float ahead, float aside) { return eye + forward * ahead + right * aside + Vec{0, 0, base}; };
  std::vector<Solid> solids;
  Solid yard = box(place(900, 0), 3600, 1900, base - 60, base, -view.yaw);
  const Vec origin = place(230, 0);
  const float turn = -view.yaw + 0.22f;
  const Vec railAlong{std::cos(turn), std::sin(turn), 0}, railAside{-std::sin(turn), std::cos(turn), 0};
  yard.surface = [=](Vec p, Vec, Vec& colour, Vec& glow) {
    const float a = dot(p - origin, railAside), u = dot(p - origin, railAlong);
    colour = Vec{0.74f, 0.78f, 0.88f} * (0.85f + 0.35f * layered(p.x / 6, p.y / 6, 5, 15));
    for (const float track : {-44.0f, -38.0f}) {
      const float off = a - track, bed = std::abs(off);
      if (bed < 2.0f)
        colour = mix(colour, {0.10f, 0.09f, 0.09f}, 0.75f * smooth(2.0f, 1.2f, bed + 0.5f * layered(p.x, p.y, 3, 21)));
      if (bed < 1.3f && std::fmod(std::abs(u), 0.7f) < 0.25f) colour = colour * 0.5f;
      if (std::abs(bed - 0.6f) < 0.07f || bed < 0.06f) colour = {0.65f, 0.5f, 0.45f};
    }
    // Light from windows and lamps on the snow.
    for (const float lamp : {-60.0f, -30.0f, 0.0f, 30.0f, 60.0f, 90.0f}) {
      const float dx = u - lamp, dy = a + 31;
      glow = glow + Vec{0.85f, 0.45f, 0.16f} * (colour.x * 1.1f / (1 + (dx * dx + dy * dy) / 34));
    }
    return true;
  };
  solids.push_back(yard);
  const auto at = [&](float u, float a) { return origin + railAlong * u + railAside * a; };
  addHouse(solids, at(4, -18), 44, 13, 7.2f, 13.5f, turn, {0.22f, 0.13f, 0.08f}, 3);
  addHouse(solids, at(4, -17), 12, 18, 10.5f, 16.5f, turn, {0.24f, 0.15f, 0.09f}, 4);
  addHouse(solids, at(-52, -12), 16, 10, 5.2f, 9.8f, turn + 0.1f, {0.16f, 0.11f, 0.08f}, 5);
  addHouse(solids, at(58, 4), 18, 12, 6.5f, 12, turn - 0.3f, {0.19f, 0.15f, 0.12f}, 6);
  addHouse(solids, at(92, 34), 15, 11, 6, 11, turn + 0.5f, {0.15f, 0.12f, 0.1f}, 7);
  addHouse(solids, at(-84, 26), 14, 11, 6, 11, turn - 0.6f, {0.17f, 0.12f, 0.1f}, 8);
  addHouse(solids, at(28, 52), 14, 10, 6, 11, turn + 0.2f, {0.17f, 0.12f, 0.1f}, 9);
  addHouse(solids, at(-30, 58), 13, 10, 6, 10.5f, turn - 0.2f, {0.18f, 0.12f, 0.1f}, 10);
  for (const float u : {-60.0f, -30.0f, 0.0f, 30.0f, 60.0f, 90.0f}) addLamp(solids, at(u, -31));
  Vec onTrack = at(0, -38);
  onTrack.z = base + 0.25f;
  for (int i = 0; i < 3; ++i)
    solids.push_back(
        carriage(onTrack + railAlong * (-18 + 16.6f * static_cast<float>(i)), turn, 0, {0.42f, 0.03f, 0.02f}, true));
  return developed(taken(terrain, solids, light, view, width, height), 1.3f, outWidth, outHeight);
}

float roundedBox(float x, float y, float halfW, float halfH, float r) {
  const float qx = std::abs(x) - halfW + r, qy = std::abs(y) - halfH + r;
  return std::hypot(std::max(qx, 0.0f), std::max(qy, 0.0f)) + std::min(std::max(qx, qy), 0.0f) - r;
}

Vec woodGrain(float u, float v, Vec tone) {
  const float rings = layered(u * 0.8f, v * 9, 4, 201) + 0.35f * layered(u * 5, v * 60, 2, 207);
  return tone * (0.85f + 0.45f * rings);
}

/// The wall of the carriage round its window, seen square on; (x, y) in window half-heights, y down.
/// Returns how much of the world outside shows.
float carriageWall(float x, float y, Vec& colour) {
  const float glass = roundedBox(x, y + 0.12f, 1.16f, 0.92f, 0.16f);
  const float lightFall = 1 / (1 + 2.2f * std::max(0.0f, glass) * std::max(0.0f, glass));
  const Vec spill = Vec{0.62f, 0.66f, 0.72f} * lightFall;
  colour = woodGrain(x, y, {0.20f, 0.105f, 0.052f}) * (spill + Vec{0.16f, 0.11f, 0.07f});
  const float panel = std::abs(std::fmod(std::abs(x + 0.16f), 0.62f) - 0.31f);
  if (panel > 0.298f && y > 1.02f) colour = colour * 0.45f;
  if (glass < 0.115f) {  // the bevelled frame: its upper edge in shade, its sill in light
    const float bevel = smooth(0, 0.115f, glass);
    const float side = y + 0.12f > 0.8f ? 1.5f : y + 0.12f < -0.8f ? 0.42f : 0.8f;
    colour = woodGrain(y, x, {0.30f, 0.165f, 0.08f}) * spill * (side * (0.65f + 0.5f * bevel));
  }
  if (glass < 0.022f) colour = {0.012f, 0.012f, 0.013f};  // the rubber seal
  if (y > 0.955f && y < 1.06f && std::abs(x) < 1.42f) {   // the sill board
    const float edge = smooth(0.955f, 0.975f, y) * smooth(1.06f, 1.035f, y);
    colour = woodGrain(x * 0.7f, y, {0.36f, 0.2f, 0.1f}) * Vec{1.1f, 1.12f, 1.15f} * (0.5f + 0.7f * edge);
  }
  if (y > 1.06f && y < 1.16f && std::abs(x) < 1.42f) colour = colour * smooth(1.04f, 1.17f, y);
  const float rail = std::abs(y + 1.27f);  // a brass rail over the window
  if (rail < 0.032f)
    colour = Vec{0.62f, 0.43f, 0.16f} * (0.25f + 1.3f * std::pow(1 - rail / 0.032f, 2.0f) + 0.1f * noise(x * 9, 1, 3));
  else if (y + 1.27f > 0.032f && y + 1.27f < 0.09f)
    colour = colour * 0.6f;
  return smooth(0.004f, -0.004f, glass);
}

/// A seat back with buttoned cloth, its edge rounded; negative outside.
bool seatBack(float x, float y, float centre, Vec& colour) {
  const float shape = roundedBox(x - centre, y - 1.25f, 0.62f, 1.02f, 0.3f);
  if (shape > 0) return false;
  const float inside = smooth(0, -0.22f, shape);
  const float toWindow = centre < 0 ? x - centre : centre - x;
  const float lightSide = 0.35f + 0.75f * smooth(-0.5f, 0.62f, toWindow);
  const float weave = 0.86f + 0.14f * std::sin(x * 420) * std::sin(y * 420) + 0.18f * layered(x * 6, y * 6, 4, 301);
  const float bx = std::fmod(std::abs(x - centre) + 0.14f, 0.28f) - 0.14f, by = std::fmod(y + 4.0f, 0.28f) - 0.14f;
  const float button = smooth(0.0f, 0.075f, std::hypot(bx, by));
  colour = Vec{0.30f, 0.040f, 0.034f} * (lightSide * weave * (0.35f + 0.65f * inside) * (0.45f + 0.55f * button));
  const float head = roundedBox(x - centre, y - 0.42f, 0.46f, 0.17f, 0.1f);  // a linen head cloth
  if (head < 0)
    colour = Vec{0.62f, 0.58f, 0.50f} *
             (lightSide * (0.85f + 0.2f * layered(x * 3, y * 9, 3, 303)) * smooth(0.02f, -0.03f, head));
  return true;
}

QImage carriageWindow() {
  Terrain terrain(59, 2100);
  Light light;
  light.sun = towards(-0.7f, 0.34f);
  light.sunColour = {2.4f, 2.2f, 1.9f};
  light.skyHigh = {0.16f, 0.30f, 0.58f};
  light.skyLow = {0.62f, 0.72f, 0.84f};
  light.glow = {0.5f, 0.42f, 0.3f};
  light.haze = 1.0f / 8500;
  light.hazeTop = 500;
  light.hazeFloor = 200;
  light.snowLine = 260;
  light.cloud = 0.55f;
  terrain.light(light.sun);
  const Vec eye{11200, 3300, 0};
  const View view{{eye.x, eye.y, terrain.height(eye.x, eye.y, 0) + 180}, 0.95f, -0.02f, 1.0f};
  Exposure e = taken(terrain, {}, light, view, width, height);
  for (int y = 0; y < height; ++y) {
    for (int x = 0; x < width; ++x) {
      const float u = (static_cast<float>(x) - width * 0.5f) / (height * 0.335f);
      const float v = (static_cast<float>(y) - height * 0.45f) / (height * 0.335f);
      Vec inside{};
      const float open = carriageWall(u, v, inside);
      Vec seen = e.at(x, y) * 1.25f;
      const float shine =
          smooth(0.25f, 0, std::abs(u * 0.8f + v - 0.5f)) + 0.6f * smooth(0.09f, 0, std::abs(u * 0.8f + v - 0.98f));
      seen = mix(seen, {0.9f, 0.93f, 0.98f}, 0.055f * shine);  // a reflection on the glass
      Vec colour = mix(inside, seen, open);
      Vec seat{};
      if (seatBack(u, v, -1.62f, seat) || seatBack(u, v, 1.62f, seat)) colour = seat;
      e.at(x, y) = colour;
    }
  }
  return developed(std::move(e), 0.95f, outWidth, outHeight);
}

}  // namespace

std::vector<DemoPhoto> demoPhotos() {
  return {saved("Ridge at dawn.jpg", ridgeAtDawn()), saved("Viaduct in snow.jpg", viaductInSnow()),
          saved("Dusk over the station.jpg", duskOverTheStation()), saved("Carriage window.jpg", carriageWindow())};
}

}  // namespace skarrow
