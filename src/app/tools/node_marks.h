// Nodes, handles and edges on the mat: which lies under the pointer, and how they are drawn.
#pragma once

#include <QPainter>
#include <optional>

#include "app/mat/mat.h"
#include "project/edits/reshaping.h"

namespace widecut {

/// What a press of the node tool would take hold of.
struct NodeHit {
  enum class What : unsigned char { Node, Handle, Edge };
  What what = What::Node;
  Id item = 0;
  NodePlace place;        ///< Of an edge: the node that it begins at.
  Side side = Side::Out;  ///< Of a handle.
  double t = 0;           ///< Of an edge: the nearest place.
  Point at;               ///< On the sheet: the node, the handle's end, or that place.
  bool operator==(const NodeHit&) const = default;
};

/// The nodes whose handles show: those that are chosen, and the one under the pointer. Of others the handles that bend
/// an edge to a chosen one.
bool showsHandle(const NodePath& path, NodePlace place, Side side, Id item, const NodesOfItems& chosen,
                 const std::optional<NodeHit>& hot);
/// What lies within eight pixels: nodes before handles before edges, of the frontmost item.
std::optional<NodeHit> nodeHitAt(const Mat& mat, const Project& project, const std::vector<ItemPtr>& items,
                                 const NodesOfItems& chosen, const std::optional<NodeHit>& hot, QPointF onMat);

/// Draws an item's edges, nodes and the handles that show. Corners are squares, smooth nodes discs, even ones discs
/// with a dot.
void paintNodes(QPainter& painter, const Mat& mat, const Project& project, const Item& item, const NodesOfItems& chosen,
                const std::optional<NodeHit>& hot);
/// Draws one node's sign.
void paintNode(QPainter& painter, QPointF at, NodeKind kind, bool chosen, bool lit, bool small);
/// Draws a handle from its node.
void paintHandle(QPainter& painter, QPointF node, QPointF end, bool lit);
/// A curve of the sheet as a path on the mat.
QPainterPath pathOnMat(const Mat& mat, const Bezier& onSheet);

}  // namespace widecut
