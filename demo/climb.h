// The demo's video, made up from noise: a train climbs over a viaduct through fog.
#pragma once

#include <QImage>
#include <cstdint>
#include <memory>
#include <vector>

namespace skarrow {

inline constexpr int climbWidth = 960, climbHeight = 540, climbRate = 25, climbFrames = 200;

/// The frames, in any order; the last one leads over to the first.
class Climb {
 public:
  Climb();
  ~Climb();
  QImage frame(int number) const;

 private:
  struct Scenery;
  std::unique_ptr<const Scenery> scenery_;
};

/// What is heard of it, wheels on joints, the rack and wind: two channels, 48,000 samples a second.
std::vector<std::int16_t> climbSound();

}  // namespace skarrow
