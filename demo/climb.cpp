#include "climb.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "camera.h"
#include "noise.h"
#include "rail_models.h"

namespace skarrow {
namespace {

constexpr int coarse = 4;  // pixels of a cell of fog
constexpr float slope = 0.11f, yaw = -0.12f;
constexpr float trackLength = 128;  // metres that the train goes while it is seen
constexpr Vec fogColour{0.50f, 0.55f, 0.62f};

/// A half of the picture's size, each pixel the mean of four.
Exposure halved(const Exposure& fine) {
  const int w = fine.width / 2, h = fine.height / 2;
  Exposure out{w, h, std::vector<Vec>(static_cast<std::size_t>(w * h)),
               std::vector<float>(static_cast<std::size_t>(w * h))};
  for (int y = 0; y < h; ++y)
    for (int x = 0; x < w; ++x) {
      Vec sum{};
      float nearest = 1e9f;
      for (int k = 0; k < 4; ++k) {
        const auto from = static_cast<std::size_t>((2 * y + k / 2) * fine.width + 2 * x + k % 2);
        sum = sum + fine.light[from];
        nearest = std::min(nearest, fine.distance[from]);
      }
      out.at(x, y) = sum * 0.25f;
      out.distance[static_cast<std::size_t>(y * w + x)] = nearest;
    }
  return out;
}

/// How thick the fog is at a place of the picture: it drifts, and after the last frame is where it was.
float thickness(float x, float y, float turn) {
  const auto drifting = [&](float t) {
    const float swirl = 0.6f * layered(x * 1.1f + 3 - 0.2f * t, y * 1.3f, 2, 511);
    return 0.5f + 0.9f * layered(x * 1.3f - 0.75f * t + swirl, y * 2.1f + 0.12f * t, 4, 501);
  };
  return drifting(turn) * (1 - turn) + drifting(turn - 1) * turn;
}

}  // namespace

struct Climb::Scenery {
  Light light;
  View view;
  Vec deckAt;  ///< The middle of the deck.
  Exposure empty;
};

Climb::Climb() {
  auto made = std::make_unique<Scenery>();
  Terrain terrain(23, 1500);
  Light& light = made->light;
  light.sun = {-0.62f, 0.50f, 0.60f};
  light.sunColour = {1.9f, 1.8f, 1.65f};
  light.skyHigh = {0.30f, 0.38f, 0.52f};
  light.skyLow = {0.66f, 0.71f, 0.78f};
  light.glow = {0.4f, 0.36f, 0.3f};
  light.haze = 1.0f / 3600;
  light.hazeTop = 420;
  light.hazeFloor = 250;
  light.snowLine = 190;
  light.cloud = 0.9f;
  const float valley = 260, deck = valley + 84;
  const Vec eye{8350, 5250, 0};
  const Vec centre{eye.x + 30, eye.y + 150, 0};
  terrain.level(centre.x, centre.y, valley, 40, 1050);
  terrain.light(light.sun);
  made->view = {{eye.x, eye.y, deck - 13}, 0.17f, -0.13f, 0.62f};
  made->deckAt = {centre.x, centre.y, deck};
  made->empty =
      halved(taken(terrain, {viaduct(centre, yaw, deck, slope)}, light, made->view, 2 * climbWidth, 2 * climbHeight));
  scenery_ = std::move(made);
}

Climb::~Climb() = default;

QImage Climb::frame(int number) const {
  const Scenery& in = *scenery_;
  const float turn = static_cast<float>(number) / climbFrames;
  Exposure e = in.empty;
  const float head = -trackLength / 2 + trackLength * turn;
  const Vec along{std::cos(yaw), std::sin(yaw), slope};
  std::vector<Solid> train;
  train.reserve(3);
  for (int i = 0; i < 3; ++i)
    train.push_back(carriage(in.deckAt + Vec{0, 0, 0.2f} + along * (head - 16.6f * static_cast<float>(i - 1)), yaw,
                             slope, i == 0 ? Vec{0.10f, 0.13f, 0.12f} : Vec{0.50f, 0.035f, 0.025f}, true));
  addSolids(e, train, in.light, in.view, {0, 0, climbWidth, climbHeight * 3 / 4});
  // Fog is coarse: it is worked out on a few of the pixels.
  const int w = climbWidth / coarse + 2, h = climbHeight / coarse + 2;
  std::vector<float> fog(static_cast<std::size_t>(w * h));
  for (int y = 0; y < h; ++y)
    for (int x = 0; x < w; ++x)
      fog[static_cast<std::size_t>(y * w + x)] =
          thickness(static_cast<float>(x * coarse) / climbHeight, static_cast<float>(y * coarse) / climbHeight, turn);
  for (int y = 0; y < climbHeight; ++y)
    for (int x = 0; x < climbWidth; ++x) {
      const auto cell = static_cast<std::size_t>(y / coarse * w + x / coarse);
      const float fx = static_cast<float>(x % coarse) / coarse, fy = static_cast<float>(y % coarse) / coarse;
      const float above = fog[cell] + (fog[cell + 1] - fog[cell]) * fx;
      const float below = fog[cell + static_cast<std::size_t>(w)] +
                          (fog[cell + static_cast<std::size_t>(w) + 1] - fog[cell + static_cast<std::size_t>(w)]) * fx;
      const float thick = std::max(0.0f, above + (below - above) * fy);
      // Thicker further down, and the further it is looked through.
      const float low = smooth(-0.1f, 1, static_cast<float>(y) / climbHeight);
      const float far = std::min(e.distance[static_cast<std::size_t>(y * climbWidth + x)], 1400.0f);
      const float veiled = 1 - std::exp(-far / 640 * thick * (0.3f + 1.6f * low));
      e.at(x, y) = mix(e.at(x, y), fogColour, veiled);
    }
  return developed(std::move(e), 1.0f, climbWidth, climbHeight);
}

std::vector<std::int16_t> climbSound() {
  constexpr int rate = 48'000, count = rate * climbFrames / climbRate;
  std::vector<std::int16_t> out(static_cast<std::size_t>(count) * 2);
  constexpr float whole = 2 * std::numbers::pi_v<float>;
  float wind = 0, hiss = 0;
  for (int i = 0; i < count; ++i) {
    const float t = static_cast<float>(i) / rate, turn = static_cast<float>(i) / count;
    const float white = randomAt(i, 1, 71) - 0.5f;
    wind += 0.012f * (white - wind);
    hiss += 0.25f * (white - hiss);
    // The train is loudest when it is in the middle.
    const float near = std::exp(-18 * (turn - 0.5f) * (turn - 0.5f));
    const float joint = std::fmod(t, 0.66f), second = std::fmod(t + 0.5f, 0.66f);
    const float knock = std::exp(-70 * joint) + 0.8f * std::exp(-70 * second);
    const float rack = 0.5f + 0.5f * std::sin(whole * 11 * t);
    const float hum = std::sin(whole * 94 * t) + 0.5f * std::sin(whole * 188 * t) + 0.25f * std::sin(whole * 283 * t);
    const float ends = std::min({1.0f, 30 * turn, 30 * (1 - turn)});
    const float value = ends * (3.0f * wind + near * (0.05f * hum + 0.5f * hiss * (0.25f * rack + 0.9f * knock)));
    const float left = value * (1.1f - turn), right = value * (0.1f + turn);
    const auto sample = [](float v) {
      return static_cast<std::int16_t>(std::lround(30000 * std::clamp(v, -1.0f, 1.0f)));
    };
    out[static_cast<std::size_t>(2 * i)] = sample(left);
    out[static_cast<std::size_t>(2 * i + 1)] = sample(right);
  }
  return out;
}

}  // namespace skarrow
