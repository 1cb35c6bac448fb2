// Outlines as people reshape them: nodes with handles.
#pragma once

#include <optional>
#include <utility>
#include <vector>

#include "geometry/curve.h"
#include "geometry/outline.h"

namespace widecut {

/// What is done to a corner.
enum class CornerKind : unsigned char { Sharp, Round, Scoop, Bevel, Step, Notch };

/// The treatment of one corner.
struct Corner {
  CornerKind kind = CornerKind::Sharp;
  double size = 0;  ///< Points, ≥ 0: the radius of what is round; else how far from the corner it begins and ends.
  bool operator==(const Corner&) const = default;
  bool isSharp() const { return kind == CornerKind::Sharp || !(size > 0); }
};

/// A node with the handles of the edges that end and begin at it. A handle that lies on its node is none; an edge
/// without handles is straight.
struct Node {
  Point at, in, out;
  Corner corner = {};
  bool operator==(const Node&) const = default;
  bool hasIn() const { return in != at; }
  bool hasOut() const { return out != at; }
  /// At another place, with its handles.
  Node movedTo(Point to) const {
    const Point by = to - at;
    return {to, hasIn() ? in + by : to, hasOut() ? out + by : to, corner};
  }
};

/// A contour as nodes. Edge i runs from node i to the next one; a closed path has as many edges as nodes.
struct NodePath {
  std::vector<Node> nodes;
  bool closed = true;
  bool operator==(const NodePath&) const = default;

  std::size_t edges() const { return closed ? nodes.size() : nodes.size() - (nodes.empty() ? 0 : 1); }
  /// The node after this one, round again in a closed path; and the one before it.
  std::size_t next(std::size_t node) const { return (node + 1) % nodes.size(); }
  std::size_t previous(std::size_t node) const { return (node + nodes.size() - 1) % nodes.size(); }
  bool isEnd(std::size_t node) const { return !closed && (node == 0 || node + 1 == nodes.size()); }
  bool hasEdge(std::size_t edge) const { return edge < edges(); }
};
using NodePaths = std::vector<NodePath>;

/// The contour's nodes. Quadratics become cubics; nothing moves.
NodePath nodesOf(const Contour& contour);
NodePaths nodesOf(const Outline& outline);
Contour contourOf(const NodePath& path);
Outline outlineOf(const NodePaths& paths);
NodePath transformed(const NodePath& path, const Affine& map);
std::size_t countOfNodes(const NodePaths& paths);

/// An edge as a curve: a straight one with its handles at the thirds.
Bezier edgeOf(const NodePath& path, std::size_t edge);
bool isStraight(const NodePath& path, std::size_t edge);

/// How the two sides of a node go together. It is read off the handles: nothing else is kept.
enum class NodeKind : unsigned char { Corner, Smooth, Even };
/// Smooth: both sides leave in line, to within a millionth of a radian, and not both are straight. Even: smooth, with
/// handles alike in length. Ends of open paths are corners.
NodeKind kindOf(const NodePath& path, std::size_t node);

/// One node of several paths.
struct NodePlace {
  std::size_t path = 0, node = 0;
  bool operator==(const NodePlace&) const = default;
  bool operator<(const NodePlace& other) const { return path != other.path ? path < other.path : node < other.node; }
};
/// One of its handles: of the edge that ends at it, or of the one that begins there.
enum class Side : unsigned char { In, Out };

}  // namespace widecut
