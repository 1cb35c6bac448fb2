// Reshaping: functions from a path of nodes to the next one. Numbers of nodes and edges must be there.
#pragma once

#include <span>

#include "shapes/nodes.h"

namespace widecut {

/// One more node on an edge, at 0 < t < 1; the shape stays. The new node is number edge + 1.
NodePath withNodeAdded(const NodePath& path, std::size_t edge, double t);
/// Without a node: one edge takes the place of two, as near to them as can be. A node that was added and not moved
/// leaves no trace. Corners of straight edges leave a straight edge.
NodePath withoutNode(const NodePath& path, std::size_t node);
/// The path after its nodes (of these numbers) met a map, handles included. Smooth ones beside a straight edge stay
/// smooth: their handles turn with the edge.
NodePath withNodesMapped(const NodePath& path, std::span<const std::size_t> nodes, const Affine& map);
/// A handle at another place. The other one of a smooth node turns along, that of an even one is alike; beside a
/// straight edge the handle stays in line with it. With `alone` only this handle moves. On its node it is none.
NodePath withHandle(const NodePath& path, std::size_t node, Side side, Point to, bool alone);
/// The edge bent so that what was at parameter t (0 < t < 1) is at `to`, by the least change of both its handles.
/// Smooth nodes at its ends stay smooth. A straight edge becomes a curve.
NodePath withBend(const NodePath& path, std::size_t edge, double t, Point to);
/// The node as one of that kind: a corner loses its handles; what becomes smooth keeps the lengths of its handles, or
/// gets such as suit its neighbours.
NodePath withKind(const NodePath& path, std::size_t node, NodeKind kind);
/// A straight edge in the place of this one.
NodePath withStraight(const NodePath& path, std::size_t edge);

/// The same the other way round. A closed path keeps its first node.
NodePath reversed(const NodePath& path);
/// The closed path from another node on; an open one stays.
NodePath withStart(const NodePath& path, std::size_t node);
/// Parted at a node: a closed path opens there, an open one becomes two.
NodePaths partedAt(const NodePath& path, std::size_t node);
/// Closed by a straight edge; where the ends are at one place, by making them one node.
NodePath closed(const NodePath& path);
/// The last node of one open path joined to the first of another: by a straight edge, or as one node where they are at
/// one place.
NodePath joined(const NodePath& path, const NodePath& onwards);

}  // namespace widecut
