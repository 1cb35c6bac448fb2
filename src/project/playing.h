// How a video plays. The video itself stays as it is.
#pragma once

#include <memory>
#include <optional>
#include <string>

namespace widecut {

/// How a video plays behind an outline.
struct Playing {
  double from = 0;            ///< Seconds of the video at which it begins, ≥ 0.
  std::optional<double> to;   ///< And at which it ends, > from; with its last frame where nothing is said.
  double speed = 1;           ///< limits::leastSpeed…mostSpeed
  bool loops = false;         ///< It begins again when it has ended.
  bool startsItself = false;  ///< It plays once its sheet shows.
  bool isMuted = false;
  bool operator==(const Playing&) const = default;
};
/// Null for a video that plays as it came: once, from its first frame to its last one, with its sound, when it is
/// asked.
using PlayingPtr = std::shared_ptr<const Playing>;
PlayingPtr shared(const Playing& playing);
/// Whether both play alike.
bool areAlike(const PlayingPtr& a, const PlayingPtr& b);
/// What of it tells which frame shows when, the same in every run; empty for a video as it came.
std::string keyOf(const Playing* playing);

}  // namespace widecut
