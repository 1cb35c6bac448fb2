// The point about which the selection is turned, scaled, sheared and flipped.
#pragma once

#include <optional>

#include "geometry/point.h"

namespace widecut {

/// One of nine places of the selection's box: -1, 0 or 1 each way.
struct PivotPlace {
  int across = 0, down = 0;
  bool operator==(const PivotPlace&) const = default;
};

/// Goes with the selection. Nothing of both is the usual: the middle for turning and flipping, the top left corner for
/// x, y and sizes.
struct Pivot {
  std::optional<PivotPlace> place;
  std::optional<Point> free;  ///< On the sheet.
  bool isSet() const { return place || free; }
  bool operator==(const Pivot&) const = default;
};

}  // namespace widecut
