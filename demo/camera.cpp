#include "camera.h"

#include <algorithm>
#include <cmath>
#include <thread>

#include "noise.h"

namespace skarrow {
namespace {

void inParallel(int count, const std::function<void(int)>& work) {
  const int threads = static_cast<int>(std::max(1u, std::thread::hardware_concurrency()));
  std::vector<std::jthread> pool;
  pool.reserve(static_cast<std::size_t>(threads));
  for (int t = 0; t < threads; ++t)
    pool.emplace_back([&, t] {
      for (int i = t; i < count; i += threads) work(i);
    });
}

/// What the ground looks like in this light.
Vec groundColour(const Terrain& terrain, Vec p, float distance, const Light& light) {
  const Vec n = terrain.surfaceNormal(p.x, p.y, distance);
  const float patch = layered(p.x / 160, p.y / 160, 4, 900);
  const float fine = layered(p.x / 9, p.y / 9, distance < 1500 ? 4 : 2, 950);
  const float snow = smooth(-90, 110, p.z - light.snowLine + 150 * patch + 40 * fine) *
                     smooth(0.50f, 0.72f, n.z + 0.20f * patch + 0.12f * fine);
  const Vec rock = mix({0.115f, 0.108f, 0.105f}, {0.21f, 0.19f, 0.17f}, std::clamp(0.5f + patch + fine, 0.0f, 1.0f));
  const float wood = light.trees * smooth(120, -60, p.z - light.snowLine + 220 * patch) * smooth(0.55f, 0.75f, n.z);
  const float crowns = 0.5f + 0.9f * noise(p.x / 5.5f, p.y / 5.5f, 77);
  const Vec forest = mix({0.018f, 0.028f, 0.024f}, {0.062f, 0.078f, 0.060f}, std::clamp(crowns, 0.0f, 1.0f));
  Vec colour = mix(rock, {0.86f, 0.89f, 0.94f}, snow);
  colour = mix(colour, mix(forest, {0.5f, 0.53f, 0.57f}, 0.25f * snow), wood);
  const float facing = std::max(0.0f, dot(n, light.sun)) * terrain.lit(p.x, p.y);
  const float openness = 0.45f + 0.55f * n.z;
  const Vec ambient = mix(light.skyLow, light.skyHigh, 0.6f) * (0.75f * openness);
  return colour * (light.sunColour * facing + ambient);
}

/// Nearest hit of a ray with the solids: distance, or infinity; fills colour and glow.
float solidHit(const std::vector<Solid>& solids, Vec from, Vec ray, float nearest, const Light& light, Vec& out) {
  for (const Solid& solid : solids) {
    float enter = 0.05f, leave = nearest;
    Vec n{};
    for (const auto& plane : solid.planes) {
      const float along = dot(plane.n, ray), gap = plane.d - dot(plane.n, from);
      if (std::abs(along) < 1e-9f) {
        if (gap < 0) leave = -1;
        continue;
      }
      const float t = gap / along;
      if (along < 0 && t > enter) {
        enter = t;
        n = plane.n;
      }
      if (along > 0) leave = std::min(leave, t);
    }
    if (enter >= leave || dot(n, n) == 0) continue;
    // A surface with openings is followed inwards until it is met.
    const int steps = 40;
    for (int i = 0; i <= steps; ++i) {
      const float t = enter + (leave - enter) * static_cast<float>(i) / steps;
      const Vec p = from + ray * t;
      Vec colour{}, glow{};
      if (!solid.surface(p, n, colour, glow)) continue;
      const float facing = i == 0 ? std::max(0.0f, dot(n, light.sun)) : 0.0f;
      const Vec ambient = mix(light.skyLow, light.skyHigh, 0.6f) * (i == 0 ? 0.5f + 0.3f * n.z : 0.22f);
      out = hazed(colour * (light.sunColour * facing + ambient) + glow, from, p, light);
      nearest = t;
      break;
    }
  }
  return nearest;
}

void blur(std::vector<Vec>& image, int w, int h, int radius) {
  std::vector<Vec> out(image.size());
  for (int pass = 0; pass < 2; ++pass) {
    for (int y = 0; y < h; ++y) {
      Vec sum{};
      const auto at = [&](int x) { return image[static_cast<std::size_t>(y * w + std::clamp(x, 0, w - 1))]; };
      for (int x = -radius; x <= radius; ++x) sum = sum + at(x);
      for (int x = 0; x < w; ++x) {
        out[static_cast<std::size_t>(y * w + x)] = sum * (1.0f / static_cast<float>(2 * radius + 1));
        sum = sum + at(x + radius + 1) - at(x - radius);
      }
    }
    // Row by row here too: memory is read along.
    std::vector<Vec> sums(static_cast<std::size_t>(w));
    const auto row = [&](int y) { return out.data() + std::ptrdiff_t{std::clamp(y, 0, h - 1)} * w; };
    for (int y = -radius; y <= radius; ++y)
      for (int x = 0; x < w; ++x) sums[static_cast<std::size_t>(x)] = sums[static_cast<std::size_t>(x)] + row(y)[x];
    for (int y = 0; y < h; ++y) {
      Vec* to = image.data() + std::ptrdiff_t{y} * w;
      const Vec *in = row(y + radius + 1), *gone = row(y - radius);
      for (int x = 0; x < w; ++x) {
        Vec& sum = sums[static_cast<std::size_t>(x)];
        to[x] = sum * (1.0f / static_cast<float>(2 * radius + 1));
        sum = sum + in[x] - gone[x];
      }
    }
  }
}

float filmed(float v) {  // a film curve: soft shoulder, slight toe
  v = std::max(0.0f, v);
  v = (v * (2.51f * v + 0.03f)) / (v * (2.43f * v + 0.59f) + 0.14f);
  return std::pow(std::clamp(v, 0.0f, 1.0f), 1 / 2.2f);
}

}  // namespace

Solid box(Vec c, float length, float depth, float low, float high, float yaw) {
  const Vec u{std::cos(yaw), std::sin(yaw), 0}, v{-std::sin(yaw), std::cos(yaw), 0};
  Solid solid;
  solid.planes = {{u, dot(u, c) + length / 2}, {u * -1, -dot(u, c) + length / 2},
                  {v, dot(v, c) + depth / 2},  {v * -1, -dot(v, c) + depth / 2},
                  {{0, 0, 1}, high},           {{0, 0, -1}, -low}};
  return solid;
}

Vec hazed(Vec colour, Vec from, Vec to, const Light& light) {
  const Vec way = to - from;
  const float distance = std::sqrt(dot(way, way));
  // Mean density along the way, when it falls off exponentially with height.
  const float a = (from.z - light.hazeFloor) / light.hazeTop, b = (to.z - light.hazeFloor) / light.hazeTop;
  const float ea = std::exp(-std::max(a, -1.0f)), eb = std::exp(-std::max(b, -1.0f));
  const float mean = std::abs(b - a) < 1e-3f ? ea : std::abs((ea - eb) / (b - a));
  const float kept = std::exp(-light.haze * distance * mean);
  const float toSun = std::max(0.0f, dot(normal(way), light.sun));
  const Vec veil = light.skyLow + light.glow * (0.55f * std::pow(toSun, 6.0f));
  return mix(veil, colour, kept);
}

Vec skyAt(Vec ray, const Light& light) {
  const float up = std::max(0.0f, ray.z);
  Vec sky = mix(light.skyLow, light.skyHigh, 1 - std::exp(-up * 4.2f));
  const float toSun = std::max(0.0f, dot(ray, light.sun));
  sky =
      sky + light.glow * (0.5f * std::pow(toSun, 7.0f) + 0.7f * std::pow(toSun, 60.0f) + 7 * std::pow(toSun, 4000.0f));
  const float flat = 1 / (up + 0.07f);
  const float x = ray.x * flat, y = ray.y * flat;
  float veil = layered(x * 0.55f + 0.35f * layered(x, y, 3, 41), y * 1.5f, 7, 43) + 0.5f * light.cloud - 0.28f;
  veil = smooth(0, 0.62f, veil) * smooth(0, 0.10f, up);
  const Vec cloud = light.skyLow * 0.82f + light.sunColour * 0.13f + light.glow * (0.8f * std::pow(toSun, 5.0f));
  return mix(sky, cloud, veil * 0.85f);
}

Vec rayThrough(const View& view, int width, int height, float x, float y) {
  const float focal = static_cast<float>(width) / view.width;
  const float right = (x - static_cast<float>(width) / 2) / focal;
  const float up = (static_cast<float>(height) * (0.5f - view.pitch) - y) / focal;
  const float s = std::sin(view.yaw), c = std::cos(view.yaw);
  return normal({s + c * right, c - s * right, up});
}

Exposure taken(const Terrain& terrain, const std::vector<Solid>& solids, const Light& light, const View& view,
               int width, int height) {
  Exposure e{width, height, std::vector<Vec>(static_cast<std::size_t>(width * height)),
             std::vector<float>(static_cast<std::size_t>(width * height), 1e9f)};
  const float focal = static_cast<float>(width) / view.width,
              horizon = static_cast<float>(height) * (0.5f - view.pitch);
  const float s = std::sin(view.yaw), c = std::cos(view.yaw);
  inParallel(width, [&](int x) {
    const float right = (static_cast<float>(x) + 0.5f - static_cast<float>(width) / 2) / focal;
    const float dx = s + c * right, dy = c - s * right;
    const float lengthening = std::sqrt(1 + right * right);
    int filled = height;
    float lastRow = 1e6f, lastD = 3;
    for (float d = 3; d < 30000 && filled > 0; d *= 1.0032f) {
      const float h = terrain.height(view.from.x + dx * d, view.from.y + dy * d, d);
      const float row = horizon - (h - view.from.z) / d * focal;
      for (; filled > 0 && static_cast<float>(filled - 1) + 0.5f >= row; --filled) {
        const float y = static_cast<float>(filled - 1) + 0.5f;
        const float share = lastRow > row ? std::clamp((lastRow - y) / (lastRow - row), 0.0f, 1.0f) : 1;
        const float at = lastD + (d - lastD) * share;
        const Vec p{view.from.x + dx * at, view.from.y + dy * at, view.from.z + (horizon - y) / focal * at};
        e.at(x, filled - 1) = hazed(groundColour(terrain, p, at, light), view.from, p, light);
        e.distance[static_cast<std::size_t>((filled - 1) * width + x)] =
            at * std::sqrt(lengthening * lengthening + ((horizon - y) / focal) * ((horizon - y) / focal));
      }
      lastRow = row;
      lastD = d;
    }
    for (int y = 0; y < filled; ++y)
      e.at(x, y) =
          skyAt(rayThrough(view, width, height, static_cast<float>(x) + 0.5f, static_cast<float>(y) + 0.5f), light);
  });
  addSolids(e, solids, light, view, {0, 0, width, height});
  return e;
}

void addSolids(Exposure& e, const std::vector<Solid>& solids, const Light& light, const View& view,
               const Region& region) {
  inParallel(region.right - region.left, [&](int column) {
    const int x = region.left + column;
    for (int y = region.top; y < region.bottom; ++y) {
      const Vec ray = rayThrough(view, e.width, e.height, static_cast<float>(x) + 0.5f, static_cast<float>(y) + 0.5f);
      float& depth = e.distance[static_cast<std::size_t>(y * e.width + x)];
      depth = solidHit(solids, view.from, ray, depth, light, e.at(x, y));
    }
  });
}

QImage developed(Exposure e, float strength, int width, int height) {
  std::vector<Vec> bright = e.light;
  for (Vec& v : bright) v = {std::max(0.0f, v.x - 0.9f), std::max(0.0f, v.y - 0.9f), std::max(0.0f, v.z - 0.9f)};
  blur(bright, e.width, e.height, e.width / 90);
  std::vector<Vec> wide = bright;
  blur(wide, e.width, e.height, e.width / 22);
  QImage image(e.width, e.height, QImage::Format_RGB32);
  inParallel(e.height, [&](int y) {
    auto* line = reinterpret_cast<QRgb*>(image.bits() + std::ptrdiff_t{y} * image.bytesPerLine());
    for (int x = 0; x < e.width; ++x) {
      const auto i = static_cast<std::size_t>(y * e.width + x);
      const float rx = (static_cast<float>(x) / static_cast<float>(e.width) - 0.5f) * 2;
      const float ry = (static_cast<float>(y) / static_cast<float>(e.height) - 0.5f) * 2;
      const float corner = 1 - 0.13f * (rx * rx + ry * ry);
      const Vec v = (e.light[i] + bright[i] * 0.35f + wide[i] * 0.5f) * (strength * corner);
      const float grain = 0.022f * (randomAt(x, y, 5) + randomAt(x, y, 6) + randomAt(x, y, 7) - 1.5f);
      const auto channel = [&](float l) {
        return static_cast<int>(std::lround(255 * std::clamp(filmed(l) + grain, 0.0f, 1.0f)));
      };
      line[x] = qRgb(channel(v.x), channel(v.y), channel(v.z));
    }
  });
  return image.scaled(width, height, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
}

}  // namespace skarrow
