// Where the copies of a repeat lie.
#pragma once

#include <variant>
#include <vector>

#include "geometry/affine.h"
#include "geometry/outline.h"

namespace widecut {

/// What becomes of each copy after the one before, about its own middle.
struct Each {
  double turn = 0;    ///< Radians that it is turned further.
  double growth = 0;  ///< By which share it is larger; above −1.
  bool operator==(const Each&) const = default;
};

/// Copies one step apart.
struct Row {
  int count = 1;  ///< From 1 on.
  Point step;     ///< From one copy to the next, in points.
  Each each = {};
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
  Each each = {};
  bool operator==(const Ring&) const = default;
};

/// Copies along a line, the first of them where it starts.
struct Trail {
  Contour line;         ///< In the space of the first copy.
  int count = 1;        ///< From 1 on: spread evenly from end to end. Not looked at where there is a pitch.
  double pitch = 0;     ///< Points from one copy to the next, as many as there is room for; 0 for a count.
  bool turning = true;  ///< Whether copies turn with the line, or stay as the first one is.
  Each each = {};
  bool operator==(const Trail&) const = default;
};

/// Mirror images at axes through a centre, all round: one axis makes two copies, two make four, n make 2n.
struct Mirrored {
  int axes = 1;  ///< From 1 on.
  Point centre;
  double angle = pi / 2;  ///< Radians of the first axis: 0 is level, π/2 upright.
  bool operator==(const Mirrored&) const = default;
};

using Pattern = std::variant<Row, Grid, Ring, Trail, Mirrored>;

/// How many copies it has.
std::size_t countOf(const Pattern& pattern);
/// The places of the copies, in their order; the first one is where the original is. `about` is the middle of the
/// original: what copies turn and grow about, and what an upright ring carries round.
std::vector<Affine> placesOf(const Pattern& pattern, Point about);
/// The pattern for copies that have been through a linear map. What is no turn, scale or mirror keeps the ring a ring.
Pattern mapped(const Pattern& pattern, const Affine& linear);
/// The same pattern of copies whose middle lies elsewhere: its centres and lines move along.
Pattern shifted(const Pattern& pattern, Point by);

}  // namespace widecut
