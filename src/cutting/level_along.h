// Levels that rise along a line.
#pragma once

#include <vector>

#include "cutting/operand.h"
#include "geometry/curve.h"
#include "geometry/problem.h"

namespace widecut {

/// A line that a level rises along, by its length.
class LevelPath {
 public:
  /// The whole of a contour, from its start; straight upwards through the middle of `box` where there is none, or it
  /// has no length.
  LevelPath(const Contour* line, const Box& box);

  struct Place {
    Point at, way;  ///< The way on is of length 1.
  };
  Place at(double share) const;
  /// The share at which the line is nearest to a point, and how far it is.
  struct Near {
    double share = 0, distance = 0;
  };
  Near nearest(Point p) const;
  /// The line up to a share (0…1), as a contour that is open.
  Contour upTo(double share) const;
  double length() const { return ends_.back(); }

 private:
  std::vector<Bezier> curves_;
  std::vector<double> ends_;  ///< Lengths from the start to the end of each.
};

/// How far the outline reaches from the line: where the line is nearest between its ends, and about its start.
struct LevelReach {
  double beside = 0, behind = 0;
};
LevelReach reachOf(const Outline& outline, const LevelPath& path);

/// The part of an outline without overlaps from which the line is nearest before a share (0…1) of it, as wide as the
/// outline reaches beside it. Where arms of it lie side by side, further apart than the outline is wide, each fills in
/// its turn.
Result<Outline> filledAlong(const Outline& outline, const LevelPath& path, double share);

}  // namespace widecut
