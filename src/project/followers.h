// What follows an item's shape: the outlines of panels behind and of copies.
#pragma once

#include <optional>

#include "geometry/outline.h"
#include "project/effects.h"

namespace widecut {

/// The outline of a follower, in the frame of its item, and whether it is filled or drawn as a line.
struct FollowerShape {
  Outline outline;
  double lineWidth = 0;  ///< 0 for one that is filled.
};
/// Nothing for effects on pixels, and where nothing is left.
std::optional<FollowerShape> followerShape(const Effect& effect, const Outline& outline, const Box& box);

}  // namespace widecut
