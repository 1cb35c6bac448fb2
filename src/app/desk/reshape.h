// Reshaping the selected items by their nodes: what the node tool, its bench and the keys have in common.
#pragma once

#include "app/desk/desk.h"
#include "shapes/node_actions.h"

namespace widecut {

/// The items whose nodes show: what is selected and has nodes, and what has some inside what is selected. Hidden and
/// locked ones are left out.
std::vector<ItemPtr> itemsWithNodes(const Project& project, const std::vector<Id>& selection);

/// The items whose corners are meant where no node is chosen: cutouts as they are cut, and outlines.
std::vector<ItemPtr> itemsWithCorners(const Project& project, const std::vector<Id>& selection);

/// All of their corners treated alike.
Project withAllCorners(const Project& project, const std::vector<ItemPtr>& items, const Corner& corner);

/// The same of any items, to be made again.
ItemsChange cornersTreated(const Corner& corner);

/// An open end, and where it lies on the sheet.
struct OpenEnd {
  PathEnd end;
  Point at;
};
/// The open end of any item at hand that lies within `reach` of a place of the sheet. With `except` it is one that this
/// end could be joined to.
std::optional<OpenEnd> openEndAt(const Desk& desk, Point onSheet, double reach,
                                 const std::optional<PathEnd>& except = std::nullopt);

/// The chosen nodes that there are, and how many.
std::size_t countOf(const NodesOfItems& nodes);
bool isChosen(const NodesOfItems& nodes, Id item, NodePlace place);
/// Where a chosen node lies on the sheet.
Point placeOnSheet(const Project& project, Id item, NodePlace place);
/// The box of all of them on the sheet.
Box boxOf(const Project& project, const NodesOfItems& nodes);
/// Every node that shows; those within a box of the sheet.
NodesOfItems allNodes(const Desk& desk);
NodesOfItems nodesWithin(const Desk& desk, const Box& onSheet);

/// The next chosen node along its path, or the one before.
void stepNode(Desk& desk, int by);
/// Places of nodes on the sheet, by their items.
using PlacesOfNodes = std::map<Id, std::vector<Point>>;
/// Where the chosen nodes of mirrored items lie once they are moved. An edit that makes one half anew can give them
/// other numbers; chooseAgain finds them by their places.
PlacesOfNodes placesOfMirrored(const Desk& desk, Point by);
void chooseAgain(Desk& desk, const PlacesOfNodes& places);
/// Moves the chosen nodes by a millimetre along a unit step; with Shift by ten, with Ctrl by a tenth.
void nudgeNodes(Desk& desk, Point way, Qt::KeyboardModifiers keys);
void deleteNodes(Desk& desk);
void setKind(Desk& desk, NodeKind kind);
/// The chosen nodes moved to one line: across is −1, 0 or 1 for their left edge, middle or right edge; likewise down.
void alignNodes(Desk& desk, std::optional<int> across, std::optional<int> down);

/// The item and the path that the chosen nodes lie on, or the only one there is; nothing when there are several.
struct ChosenPath {
  ItemPtr item;
  std::size_t path = 0;
  std::optional<std::size_t> node;  ///< The first one that is chosen.
};
std::optional<ChosenPath> chosenPath(const Desk& desk);
/// Closes it, or opens it at the chosen node.
void openOrClose(Desk& desk);
/// Parts it at the chosen node into two ends.
void partAtNode(Desk& desk);
void reversePath(Desk& desk);
/// The chosen node becomes the first one.
void startHere(Desk& desk);
/// The path becomes an item of its own.
void dropPath(Desk& desk);
/// Joins two chosen ends, of one path or of two.
void joinEnds(Desk& desk);
/// The two ends that joinEnds would join; nothing when other nodes than two ends are chosen.
std::optional<std::pair<PathEnd, PathEnd>> chosenEnds(const Desk& desk);

/// Mirrors the selected items at an upright axis through the pivot, or no more.
void toggleMirror(Desk& desk);
bool isMirrored(const Desk& desk);
/// The usual axis: upright on the sheet at this angle (radians clockwise), through the pivot or the middle of the item.
MirrorAxis axisFor(const Desk& desk, const Item& item, double angle);
/// The half on one side of the item's axis, or of this one where it has none, in the place of the other.
Project withHalfMirrored(const Project& project, Id item, const MirrorAxis& otherwise, HalfSide keep);

/// What an action on paths is about, on any thread: the selected items, or the chosen nodes where there are several.
struct ActionSite {
  ProjectPtr project;
  std::vector<Id> selection;
  NodesOfItems chosen;
};
using NodeAction = std::function<NodePaths(const NodePaths&, const Stretch&)>;
Project withAction(const ActionSite& site, const NodeAction& action);

/// Starters among the items whose nodes show: their nodes follow their numbers until one is moved.
std::vector<Id> startersWithNodes(const Desk& desk);
/// Makes them plain outlines, as the first change of a node does by itself.
void makePlain(Desk& desk);

}  // namespace widecut
