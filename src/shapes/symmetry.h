// Paths with two sides that mirror one another.
#pragma once

#include "shapes/nodes.h"

namespace widecut {

/// A line to mirror at, in the space of the paths. `across` is where the mirror looks: square to the line until a map
/// slants both.
struct MirrorAxis {
  Point through;
  Point along{0, 1};
  Point across{1, 0};
  bool operator==(const MirrorAxis&) const = default;

  /// How far to the side of `across`, in its lengths: 0 on the axis.
  double sideOf(Point p) const { return cross(along, p - through) / cross(along, across); }
  Point mirrored(Point p) const { return p - across * (2 * sideOf(p)); }
  /// The nearest place on the axis, along `across`.
  Point onto(Point p) const { return p - across * sideOf(p); }
  Node mirrored(const Node& n) const { return {mirrored(n.at), mirrored(n.out), mirrored(n.in), n.corner}; }
};
/// The axis after a linear map of its space.
MirrorAxis mapped(const MirrorAxis& axis, const Affine& linear);

/// How close to an axis counts as on it, for paths of this size. In points.
double closeness(const NodePaths& paths);

/// Which half of a path is kept: 1 for the side that `across` looks to, −1 for the other one.
using HalfSide = int;

/// How a half is found.
enum class Halving : unsigned char {
  AsItIs,  ///< Of paths that were symmetric and had one half edited: edges over the axis stay whole.
  Cut      ///< Of any paths: they are cut along the axis.
};

/// The paths with one half replaced by the mirror image of the other: bit for bit what `mirrored` gives of its nodes.
/// Nodes within `close` of the axis are put on it. Paths wholly on the side that goes are gone, those on the side that
/// stays have a twin next to them.
NodePaths madeSymmetric(const NodePaths& paths, const MirrorAxis& axis, HalfSide keep, Halving halving, double close);

/// The node that is the mirror image of this one, to within `close`; nothing where there is none.
std::optional<NodePlace> twinOf(const NodePaths& paths, const MirrorAxis& axis, NodePlace node, double close);
/// True when every node has a twin.
bool isSymmetric(const NodePaths& paths, const MirrorAxis& axis, double close);

}  // namespace widecut
