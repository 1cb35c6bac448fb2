// Outlines cut into arcs that rise or fall: what the crossing search works on.
#pragma once

#include <cstdint>
#include <span>
#include <vector>

#include "cutting/operand.h"
#include "cutting/rising.h"

namespace widecut {

/// From sheet coordinates to working ones: an exact shift by a coarse power of two and an exact scaling that
/// brings the larger extent to 1…2; and the lengths that decide what counts as the same place.
struct Frame {
  Point centre;
  double scale = 1;      ///< Working units per point; a power of two.
  double tolerance = 0;  ///< Closer than this is the same place.
  double noise = 0;      ///< What rounding alone may move.

  /// For all coordinates of the operands; `relative` is the tolerance as a share of the extent.
  static Frame around(std::span<const Operand* const> operands, double relative);
  /// Consecutive places on an arc closer than this are one.
  double contraction() const { return 4 * tolerance; }
  Point toWork(Point p) const { return (p - centre) * scale; }
  Point toSheet(Point p) const { return p / scale + centre; }
};

/// One segment of an operand, with the node it starts from.
struct Source {
  Point start, handle1, handle2, end;
  SegmentKind kind = SegmentKind::Line;
  int operand = 0;
  bool begins = false;  ///< The first of its contour.
  bool closes = false;  ///< Ends where its contour starts.
};

/// A piece of a source segment that neither turns back in x nor in y, stored left to right (upright ones: by
/// growing y), in working coordinates.
struct Arc {
  Bezier p;
  double t0 = 0, t1 = 1;  ///< Parameters on the source at p[0] and p[3].
  int source = 0;
  int operand = 0;
  int node[2] = {0, 0};
  int chain = 0;      ///< Arcs of one chain follow one another the same way and never meet but there.
  int direction = 1;  ///< +1 when the contour runs from p[0] to p[3], −1 against it.
  bool beginsContour = false;
  bool line = true;
  bool rising = true;  ///< y grows along it; else it falls.
  /// Least and greatest x, y, x + y and x − y.
  double low[4], high[4];
  /// A normal of the chord, as long as the chord. Distances from the chord are in its length times working units.
  Point normal;
  double fatLow = 0, fatHigh = 0;  ///< How far the arc strays from its chord.
  double chordBound = 0;           ///< At least the chord's length, at most √2 times it.

  Point at(double u) const { return line ? mix(p[0], p[3], u) : pointOn(p, u); }
  Point slope(double u) const { return line ? p[3] - p[0] : derivative(p, u); }
  /// The coordinate that grows along the arc with slope at least the other one's: x + y rising, x − y falling.
  double along(Point q) const { return rising ? q.x + q.y : q.x - q.y; }
  double across(Point q) const { return rising ? q.y - q.x : q.y + q.x; }
  /// The parameter at which along() takes the value, clamped to the arc.
  double parameterAlong(double value) const;
  double distanceFromChord(Point q) const { return dot(normal, q - p[0]); }
  /// Fills in what follows from the points: the boxes, the chord, whether it rises.
  void settle();
  /// Beyond the working coordinates that the tolerance suits: those of a drawing are within about 2.
  bool liesFarOut() const;
  double sourceParameter(double u) const { return u == 0 ? t0 : u == 1 ? t1 : t0 + (t1 - t0) * u; }
};

/// True for neighbours in a contour that are of one chain.
inline bool goOn(const Arc& arc, const Arc& next) {
  return arc.rising == next.rising && arc.direction == next.direction;
}

/// True for neighbours in a contour, one of which rises and one falls, that have nothing in common but their shared
/// end. Both can lie within the tolerance of one upright or level line; then an end of one may lie on the other.
inline bool partAtOnce(const Arc& arc, const Arc& next, double tolerance) {
  if (arc.rising == next.rising) return false;
  const int end = arc.direction > 0 ? 1 : 0, start = next.direction > 0 ? 0 : 1;
  if (arc.node[end] != next.node[start]) return false;
  const auto near = [&](const Arc& a, Point p) {
    return p.x >= a.low[0] - tolerance && p.x <= a.high[0] + tolerance && p.y >= a.low[1] - tolerance &&
           p.y <= a.high[1] + tolerance;
  };
  return !near(arc, next.p[start == 0 ? 3 : 0]) && !near(next, arc.p[end == 0 ? 3 : 0]);
}

/// Places that are known to be the same, with what a result writes for them.
class Nodes {
 public:
  void clear() { nodes_.clear(); }
  void reserve(std::size_t count) { nodes_.reserve(count); }
  int add(Point work, Point sheet, bool original) {
    const int id = count();
    nodes_.push_back({work, sheet, id, original});
    return id;
  }
  int count() const { return static_cast<int>(nodes_.size()); }
  int find(int id) const {
    int parent = node(id).parent;
    while (parent != id) {
      const int above = node(parent).parent;
      nodes_[static_cast<std::size_t>(id)].parent = above;
      id = parent;
      parent = above;
    }
    return id;
  }
  /// One node from now on. A point that was there goes before a computed one, then the older goes first.
  void unite(int a, int b) {
    a = find(a);
    b = find(b);
    if (a == b) return;
    const bool keepB = node(a).original != node(b).original ? node(b).original : b < a;
    nodes_[static_cast<std::size_t>(keepB ? a : b)].parent = keepB ? b : a;
  }
  /// Every node is one of its own again.
  void separate() {
    for (int i = 0; i < count(); ++i) nodes_[static_cast<std::size_t>(i)].parent = i;
  }
  void move(int id, Point work, Point sheet) {
    nodes_[static_cast<std::size_t>(id)].work = work;
    nodes_[static_cast<std::size_t>(id)].sheet = sheet;
  }
  Point at(int id) const { return node(id).work; }
  Point sheet(int id) const { return node(id).sheet; }

 private:
  struct Node {
    Point work, sheet;
    int parent;
    bool original;
  };
  const Node& node(int id) const { return nodes_[static_cast<std::size_t>(id)]; }
  mutable std::vector<Node> nodes_;
};

/// All arcs of some operands. Arcs of a contour stand together, in its order.
struct Arcs {
  std::vector<Arc> arcs;
  std::vector<Source> sources;
  /// The first arc of each contour, and one past the last of all.
  std::vector<int> contourStarts;
  int chains = 0;

  void clear();
  /// Makes room for the arcs of this many segments.
  void reserve(std::size_t segments);
  /// Adds an operand; `number` is what its arcs say they belong to.
  void add(const Operand& operand, int number, const Frame& frame, Nodes& nodes);
  /// Adds one segment between two nodes.
  void addSource(const Source& source, const Frame& frame, Nodes& nodes, int startNode, int endNode);

 private:
  void addCurve(const Bezier& c, const Frame& frame, Nodes& nodes, int startNode, int endNode);
  void addArc(const Bezier& c, bool line, double t0, double t1, int startNode, int endNode);
};

/// Calls visit(source) for each segment of an operand, closing ones included; `number` is what they say they belong to.
template <class Visit>
void eachSource(const Operand& operand, int number, const Visit& visit) {
  for (const Contour& contour : operand.outline.contours) {
    Point from = contour.start;
    for (std::size_t i = 0; i < contour.segments.size(); ++i) {
      const Segment& s = contour.segments[i];
      const bool closes = i + 1 == contour.segments.size() && s.end == contour.start;
      visit(Source{from, s.handle1, s.handle2, s.end, s.kind, number, i == 0, closes});
      from = s.end;
    }
    if (from != contour.start)
      visit(Source{from, {}, {}, contour.start, SegmentKind::Line, number, contour.segments.empty(), true});
  }
}

/// The piece of a source from t0 to t1 (t0 > t1: backwards), with its ends where they are given.
Segment pieceOf(const Source& source, double t0, double t1, Point end);

}  // namespace widecut
