// A tree of eight-sided boxes over arcs: which pairs come close, and which arcs are near a place.
#pragma once

#include <algorithm>
#include <span>
#include <vector>

#include "cutting/arcs.h"

namespace widecut {

/// Boxes with sides along x, y, x + y and x − y, over runs of arcs. Arcs of a contour stay together; many
/// contours are ordered along a space-filling curve.
class ArcTree {
 public:
  /// Over arcs [first, last) of `arcs`, which must outlive the tree. Boxes are grown by `margin`.
  void build(const Arcs& arcs, std::size_t first, std::size_t last, double margin);
  /// Over the same arcs, some of which changed: none came or went, and chains are as before.
  void refresh(const Arcs& arcs, std::span<const char> changed, double margin);

  /// Calls visit(i, j), i ≠ j, once for each pair of arcs of different chains whose boxes touch.
  template <class Visit>
  void pairs(const Visit& visit) const {
    if (!nodes_.empty()) within(0, visit);
  }
  /// The same for one arc of this tree and one of another.
  template <class Visit>
  void pairsWith(const ArcTree& other, const Visit& visit) const {
    if (!nodes_.empty() && !other.nodes_.empty()) between(other, 0, 0, visit);
  }
  /// Calls visit(i) for each arc whose box touches that of this one, itself included.
  template <class Visit>
  void touching(const Arc& arc, double margin, const Visit& visit) const {
    const Cell near = cellOf(arc, margin);
    if (!nodes_.empty())
      query(
          0, [&](const Cell& c) { return touch(c, near); }, visit);
  }
  /// Calls visit(i) for each arc whose box holds the place.
  template <class Visit>
  void around(Point p, const Visit& visit) const {
    Cell at;
    at.low[0] = Two{p.x, p.y};
    at.low[1] = Two{p.x + p.y, p.x - p.y};
    for (int k = 0; k < 2; ++k) at.negHigh[k] = -at.low[k];
    if (!nodes_.empty())
      query(
          0, [&](const Cell& c) { return touch(c, at); }, visit);
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
            return c.least(across) <= v + margin && c.greatest(across) >= v - margin && c.least(along) <= u;
          },
          visit);
  }

 private:
  /// Two numbers that are compared at once.
  using Two = double __attribute__((vector_size(16)));
  /// Least x, y, x + y, x − y, and the greatest ones negated: boxes are apart where a least one and a negated greatest
  /// one add up to more than 0.
  struct Cell {
    Two low[2], negHigh[2];
    double least(int k) const { return low[k / 2][k % 2]; }
    double greatest(int k) const { return -negHigh[k / 2][k % 2]; }
    void add(const Cell& c) {
      for (int k = 0; k < 2; ++k) {
        low[k] = low[k] < c.low[k] ? low[k] : c.low[k];
        negHigh[k] = negHigh[k] < c.negHigh[k] ? negHigh[k] : c.negHigh[k];
      }
    }
  };
  struct Node {
    Cell cell;
    int first, last;  ///< Places in order_.
    int left, right;  ///< Children; −1 for a leaf.
    int chain;        ///< The chain of all its arcs; −1 when they are of several.
  };
  static Cell cellOf(const Arc& arc, double margin);
  static bool touch(const Cell& a, const Cell& b) {
    const Two none{0, 0};
    const auto apart = (a.low[0] + b.negHigh[0] > none) | (a.low[1] + b.negHigh[1] > none) |
                       (b.low[0] + a.negHigh[0] > none) | (b.low[1] + a.negHigh[1] > none);
    return (apart[0] | apart[1]) == 0;
  }
  int make(int first, int last);
  int cutBetween(int first, int last) const;
  void orderContours(const Arcs& arcs, std::size_t first, std::size_t last);

  const Node& node(int i) const { return nodes_[static_cast<std::size_t>(i)]; }
  const Cell& cell(int place) const { return cells_[static_cast<std::size_t>(place)]; }
  /// Arcs of one chain, and neighbours of which one rises and one falls, have nothing in common that is not known.
  bool known(int i, int j) const {
    const int a = chain(i), b = chain(j);
    return a == b || (arc(j) == arc(i) + 1 && parts(i));
  }
  /// True when the arc after this one in its contour is of the other kind.
  bool parts(int place) const { return parts_[static_cast<std::size_t>(place)] != 0; }
  int chain(int place) const { return chains_[static_cast<std::size_t>(place)]; }
  bool begins(int place) const { return begins_[static_cast<std::size_t>(place)] != 0; }
  int arc(int place) const { return order_[static_cast<std::size_t>(place)]; }

  template <class Visit>
  void within(int n, const Visit& visit) const {
    const Node& a = node(n);
    if (a.chain >= 0) return;
    if (a.left < 0) {
      for (int i = a.first; i < a.last; ++i)
        for (int j = i + 1; j < a.last; ++j)
          if (!known(i, j) && touch(cell(i), cell(j))) visit(arc(i), arc(j));
      return;
    }
    within(a.left, visit);
    within(a.right, visit);
    between(*this, a.left, a.right, visit);
  }
  template <class Visit>
  void between(const ArcTree& other, int m, int n, const Visit& visit) const {
    const Node &a = node(m), &b = other.node(n);
    if (a.chain >= 0 && a.chain == b.chain && &other == this) return;
    if (!touch(a.cell, b.cell)) return;
    if (a.left < 0 && b.left < 0) {
      for (int i = a.first; i < a.last; ++i) {
        if (!touch(cell(i), b.cell)) continue;
        for (int j = b.first; j < b.last; ++j)
          if (touch(cell(i), other.cell(j)) && (&other != this || !known(i, j))) visit(arc(i), other.arc(j));
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
  std::vector<int> order_, chains_;
  std::vector<char> parts_, begins_;
  std::vector<Cell> cells_;
};

}  // namespace widecut
