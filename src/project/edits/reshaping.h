// Edits of nodes: items of another shape.
#pragma once

#include <functional>
#include <map>
#include <span>

#include "project/forms/treated.h"
#include "project/lookup.h"

namespace widecut {

/// From an item's paths, in its frame space, to the next ones.
using Reshaping = std::function<NodePaths(const NodePaths&)>;

/// A plain outline, or a starter, which becomes one, with other nodes; other items stay as they are. Where it is
/// mirrored, the half that `held` (frame space) lies in is the one that counts. Its photo stays where it is, as far as
/// it goes on covering the item. A path without nodes is gone; an item without paths stays as it was.
Item reshaped(const Item& item, Point held, const Reshaping& change);
Project withReshaped(const Project& project, Id item, Point held, const Reshaping& change);

/// Places of nodes, by their items.
using NodesOfItems = std::map<Id, std::vector<NodePlace>>;
/// The nodes after a map of the sheet.
Project withNodesMapped(const Project& project, const NodesOfItems& nodes, const Affine& sheetMap, Point heldOnSheet);
/// One more node on an edge, at 0 < t < 1; nothing moves. Where the item is mirrored there is one on the other half,
/// too. `made` is its place.
Project withNodeAdded(const Project& project, Id item, NodePlace edge, double t, NodePlace& made);
/// Without these nodes. Items that are left without an outline go.
Project withoutNodes(const Project& project, const NodesOfItems& nodes);
/// The nodes of one kind, and with one treatment.
Project withNodeKind(const Project& project, const NodesOfItems& nodes, NodeKind kind);
Project withCorners(const Project& project, const NodesOfItems& nodes, const Corner& corner);
/// All corners of an item treated alike, those too that it will have; a starter stays one.
Project withAllCorners(const Project& project, Id item, const Corner& corner);
/// The item mirrored while it is edited, or, with nothing, no more. Its outline becomes a plain one when it is edited,
/// not yet here.
Project withAxis(const Project& project, Id item, const std::optional<MirrorAxis>& axis);

/// An open end of an item.
struct PathEnd {
  Id item = 0;
  std::size_t path = 0;
  bool atStart = false;
  bool operator==(const PathEnd&) const = default;
};
/// Two ends made one: of one path, which closes; of two paths of an item; or of two items, of which the first takes in
/// the other's paths. The ends meet at that of `to`.
Project withEndsJoined(const Project& project, const PathEnd& from, const PathEnd& to);
/// A path of an item as an item of its own, in front of it and with its look; an item of one path stays.
Project withPathDropped(const Project& project, Id item, std::size_t path, Id& made);

}  // namespace widecut
