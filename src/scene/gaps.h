// How far items are from what lies round them.
#pragma once

#include <span>

#include "project/model.h"

namespace widecut {

/// From a side of the items' box to the next item there or, where there is none, to the edge of the sheet.
struct Gap {
  bool across = true;   ///< To the left or right, or else above or below.
  bool before = false;  ///< To the left, or above.
  Point from, to;       ///< On the sheet; from the items outwards, in the middle of what lies opposite.
  double length = 0;    ///< Points; below 0 where they overhang the sheet.
  Id neighbour = 0;     ///< 0 for the sheet.
};

/// Up to four, one a side; none when the items have no extent. Items that overlap these ones are no neighbours.
std::vector<Gap> gapsAround(const Project& project, const Sheet& sheet, std::span<const Id> items);
/// The way of the items by which the gap becomes this wide.
Point wayTo(const Gap& gap, double length);

}  // namespace widecut
