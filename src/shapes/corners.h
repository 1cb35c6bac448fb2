// Corners that are rounded, scooped, bevelled, stepped or notched.
#pragma once

#include "shapes/nodes.h"

namespace widecut {

/// A corner of an outline, treated or not.
struct CornerPlace {
  NodePlace node;
  Point at, ways[2];  ///< The corner, and the directions of its two sides away from it.
  Corner wanted;      ///< As it was asked for.
  double size = 0;    ///< As it fits: `wanted.size`, or less where there is no room.
  Point from, to;     ///< Where the treatment begins and ends; the corner itself when it is sharp.
  bool isLimited() const { return !wanted.isSharp() && size < wanted.size * (1 - 1e-9); }
  /// The angle between the two sides, in radians: 0…π.
  double angle() const;
  /// From the corner into it, halfway between its sides; of length 1.
  Point inwards() const;
};

/// What comes of an outline whose nodes say what is done to their corners.
struct TreatedOutline {
  Outline outline;
  std::vector<CornerPlace> corners;  ///< All there are, in the order of the paths and their nodes.
};

/// The outline with its corners treated. A corner is a node at which the path turns by more than a millionth of a
/// radian; its two sides run to the next corners, over smooth nodes. What is round becomes an arc of a circle that
/// touches both sides, found as the place that lies as far from both (Newton's method on their offset curves, followed
/// from a small radius on), written as cubics that stay within 0.03 % of the radius. The other treatments begin and end
/// at `size` from the corner: a scoop is the arc about it, a bevel a straight line, a notch goes along both sides,
/// moved in; a step does so twice at half the size. Two treatments that do not fit on the side between them are made
/// smaller in proportion.
TreatedOutline treatedOutline(const NodePaths& paths);

/// The size that puts the middle of the treatment at this distance from the corner, for straight sides; ≥ 0.
double sizeForDepth(CornerKind kind, double angle, double depth);
/// The inverse.
double depthOf(const Corner& corner, double angle);

}  // namespace widecut
