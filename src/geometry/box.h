// Axis-aligned boxes.
#pragma once

#include <algorithm>
#include <limits>

#include "geometry/point.h"

namespace widecut {

/// An axis-aligned box. A default box is empty: it holds no point, and joining it changes nothing.
struct Box {
  Point low{std::numeric_limits<double>::infinity(), std::numeric_limits<double>::infinity()};
  Point high{-std::numeric_limits<double>::infinity(), -std::numeric_limits<double>::infinity()};

  bool operator==(const Box&) const = default;

  /// The box with these two points as opposite corners, in whichever order.
  static Box between(Point a, Point b) {
    return {{std::min(a.x, b.x), std::min(a.y, b.y)}, {std::max(a.x, b.x), std::max(a.y, b.y)}};
  }
  bool isEmpty() const { return low.x > high.x || low.y > high.y; }
  double width() const { return isEmpty() ? 0 : high.x - low.x; }
  double height() const { return isEmpty() ? 0 : high.y - low.y; }
  Point centre() const { return mix(low, high, 0.5); }
  bool contains(Point p) const { return p.x >= low.x && p.x <= high.x && p.y >= low.y && p.y <= high.y; }
  bool contains(const Box& b) const { return b.isEmpty() || (contains(b.low) && contains(b.high)); }
  bool touches(const Box& b) const {
    return !isEmpty() && !b.isEmpty() && low.x <= b.high.x && b.low.x <= high.x && low.y <= b.high.y &&
           b.low.y <= high.y;
  }
  void add(Point p) {
    low = {std::min(low.x, p.x), std::min(low.y, p.y)};
    high = {std::max(high.x, p.x), std::max(high.y, p.y)};
  }
  void add(const Box& b) {
    if (b.isEmpty()) return;
    add(b.low);
    add(b.high);
  }
  /// This box with every side moved outwards by d; an empty box stays empty.
  Box grown(double d) const { return isEmpty() ? *this : Box{{low.x - d, low.y - d}, {high.x + d, high.y + d}}; }
  /// The corners, clockwise on the sheet from the top left. Only for boxes that are not empty.
  Point corner(int index) const { return {index == 1 || index == 2 ? high.x : low.x, index >= 2 ? high.y : low.y}; }
};

}  // namespace widecut
