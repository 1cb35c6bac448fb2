// Where the copies of a repeat lie.
#pragma once

#include <variant>
#include <vector>

#include "geometry/affine.h"

namespace widecut {

/// Copies one step apart.
struct Row {
  int count = 1;        ///< From 1 on.
  Point step;           ///< From one copy to the next, in points.
  double turnEach = 0;  ///< Radians that each copy is turned further about its origin.
  bool operator==(const Row&) const = default;
};

/// Rows of a row.
struct Grid {
  int columns = 1, rows = 1;  ///< From 1 on.
  Point across, down;         ///< From one column, and from one row, to the next.
  double shift = 0;           ///< Of every other row, as a share of `across`.
  bool operator==(const Grid&) const = default;
};

/// Copies round a centre.
struct Ring {
  int count = 1;          ///< From 1 on.
  Point centre;           ///< In the space of the first copy.
  double sweep = 2 * pi;  ///< Radians from the first copy round to where one after the last would lie.
  bool turning = true;    ///< Whether copies turn with the ring, or stay upright.
  bool operator==(const Ring&) const = default;
};

using Pattern = std::variant<Row, Grid, Ring>;

/// How many copies it has.
std::size_t countOf(const Pattern& pattern);
/// The places of the copies, in their order; the first one is where the original is. `about` is the point of the
/// original that an upright ring carries round.
std::vector<Affine> placesOf(const Pattern& pattern, Point about);
/// The pattern for copies that have been through a linear map. What is no turn, scale or mirror keeps the ring a ring.
Pattern mapped(const Pattern& pattern, const Affine& linear);

}  // namespace widecut
