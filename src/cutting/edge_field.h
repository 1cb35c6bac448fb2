// How far places lie inside or outside of an outline.
#pragma once

#include <cstdint>
#include <vector>

#include "geometry/outline.h"

namespace widecut {

/// Straight runs that stand for an outline without overlaps, and distances from them: positive inside, negative
/// outside.
class EdgeField {
 public:
  struct Edge {
    Point from, to;
  };
  /// Edges stray from the outline by `tolerance` (> 0) at most. Tables of `cells` a side (> 0) make most bounds a
  /// matter of one look, and the others one of a few edges.
  EdgeField(const Outline& outline, double tolerance, int cells);

  const std::vector<Edge>& edges() const { return edges_; }
  const Box& box() const { return box_; }
  double distanceAt(Point p) const;
  /// Whether p lies further outside than `by` (≥ 0).
  bool isOutsideBy(Point p, double by) const { return isBelow(p, -by); }
  /// Whether p lies at least so far inside (≥ 0).
  bool isInsideBy(Point p, double by) const { return !isBelow(p, by); }

 private:
  struct Cell {
    Point middle;
    double distance = 0;                 ///< At its middle.
    std::vector<std::uint32_t> nearest;  ///< The edges that may be nearest to a place of the cell.
  };
  bool isBelow(Point p, double level) const;
  bool isIn(Point p) const;
  Cell cellAround(Point middle, double reach) const;
  const Cell* cellOf(Point p) const;

  std::vector<Edge> edges_;
  Box box_;
  int across_ = 0;
  Point cellSize_;
  std::vector<Cell> cells_;  ///< Row by row.
};

}  // namespace widecut
