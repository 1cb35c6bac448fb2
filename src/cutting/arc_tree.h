// A tree of eight-sided boxes over arcs: which pairs come close, and which arcs are near a place.
#pragma once

#include <algorithm>
#include <vector>

#include "cutting/arcs.h"

namespace widecut {

/// Boxes with sides along x, y, x + y and x − y, over runs of arcs. Arcs of a contour stay together; many
/// contours are ordered along a space-filling curve.
class ArcTree {
 public:
  /// Over arcs [first, last) of `arcs`, which must outlive the tree. Boxes are grown by `margin`.
  void build(const Arcs& arcs, std::size_t first, std::size_t last, double margin);

  /// Calls visit(i, j), i ≠ j, once for each pair of arcs whose boxes touch.
  template <class Visit>
  void pairs(const Visit& visit) const {
    if (!nodes_.empty()) within(0, visit);
  }
  /// The same for one arc of this tree and one of another.
  template <class Visit>
  void pairsWith(const ArcTree& other, const Visit& visit) const {
    if (!nodes_.empty() && !other.nodes_.empty()) between(other, 0, 0, visit);
  }
  /// Calls visit(i) for each arc whose box holds the place.
  template <class Visit>
  void around(Point p, const Visit& visit) const {
    const double at[4] = {p.x, p.y, p.x + p.y, p.x - p.y};
    if (!nodes_.empty())
      query(0, [&](const Cell& c) { return holds(c, at); }, visit);
  }
  /// Calls visit(i) for each arc whose box meets the ray from the place to shrinking x, or to shrinking y when
  /// `upright`, within the margin.
  template <class Visit>
  void onRay(Point p, bool upright, double margin, const Visit& visit) const {
    const int along = upright ? 1 : 0, across = 1 - along;
    const double u = (upright ? p.y : p.x) + margin, v = upright ? p.x : p.y;
    if (!nodes_.empty())
      query(
          0,
          [&](const Cell& c) {
            return c.low[across] <= v + margin && c.high[across] >= v - margin && c.low[along] <= u;
          },
          visit);
  }

 private:
  struct Cell {
    double low[4], high[4];
  };
  struct Node {
    Cell cell;
    int first, last;   ///< Places in order_.
    int left, right;   ///< Children; −1 for a leaf.
  };
  static bool touch(const Cell& a, const Cell& b) {
    for (int k = 0; k < 4; ++k)
      if (a.low[k] > b.high[k] || b.low[k] > a.high[k]) return false;
    return true;
  }
  static bool holds(const Cell& c, const double* at) {
    for (int k = 0; k < 4; ++k)
      if (at[k] < c.low[k] || at[k] > c.high[k]) return false;
    return true;
  }
  int make(int first, int last);
  void orderContours(const Arcs& arcs, std::size_t first, std::size_t last);

  const Node& node(int i) const { return nodes_[static_cast<std::size_t>(i)]; }
  const Cell& cell(int place) const { return cells_[static_cast<std::size_t>(place)]; }
  int arc(int place) const { return order_[static_cast<std::size_t>(place)]; }

  template <class Visit>
  void within(int n, const Visit& visit) const {
    const Node& a = node(n);
    if (a.left < 0) {
      for (int i = a.first; i < a.last; ++i)
        for (int j = i + 1; j < a.last; ++j)
          if (touch(cell(i), cell(j))) visit(arc(i), arc(j));
      return;
    }
    within(a.left, visit);
    within(a.right, visit);
    between(*this, a.left, a.right, visit);
  }
  template <class Visit>
  void between(const ArcTree& other, int m, int n, const Visit& visit) const {
    const Node &a = node(m), &b = other.node(n);
    if (!touch(a.cell, b.cell)) return;
    if (a.left < 0 && b.left < 0) {
      for (int i = a.first; i < a.last; ++i) {
        if (!touch(cell(i), b.cell)) continue;
        for (int j = b.first; j < b.last; ++j)
          if (touch(cell(i), other.cell(j))) visit(arc(i), other.arc(j));
      }
    } else if (b.left < 0 || (a.left >= 0 && a.last - a.first >= b.last - b.first)) {
      between(other, a.left, n, visit);
      between(other, a.right, n, visit);
    } else {
      between(other, m, b.left, visit);
      between(other, m, b.right, visit);
    }
  }
  template <class Inside, class Visit>
  void query(int n, const Inside& inside, const Visit& visit) const {
    const Node& a = node(n);
    if (!inside(a.cell)) return;
    if (a.left >= 0) {
      query(a.left, inside, visit);
      query(a.right, inside, visit);
      return;
    }
    for (int i = a.first; i < a.last; ++i)
      if (inside(cell(i))) visit(arc(i));
  }

  std::vector<Node> nodes_;
  std::vector<int> order_;
  std::vector<Cell> cells_;
};

}  // namespace widecut
