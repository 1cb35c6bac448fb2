// Commands of nodes and paths.
#pragma once

#include "app/commands/command_rules.h"
#include "app/desk/reshape.h"

namespace widecut::commands {

inline bool someNodes(const Desk& desk) { return !desk.chosenNodes().empty(); }
inline bool aPath(const Desk& desk) { return desk.tool() == ToolKind::Nodes && chosenPath(desk); }
inline bool aNodeWithin(const Desk& desk) {
  const auto chosen = chosenPath(desk);
  if (desk.tool() != ToolKind::Nodes || !chosen || !chosen->node) return false;
  const NodePath path = (*nodesOf(*chosen->item))[chosen->path];
  return !path.isEnd(*chosen->node);
}
inline bool isOpenPath(const Desk& desk) {
  const auto chosen = chosenPath(desk);
  return chosen && !(*nodesOf(*chosen->item))[chosen->path].closed;
}
inline bool shapes(const Desk& desk) { return !itemsWithNodes(desk.project(), desk.selection()).empty(); }
/// True when all chosen nodes are of this kind.
template <NodeKind Kind>
bool areAllOfKind(const Desk& desk) {
  for (const auto& [id, places] : desk.chosenNodes()) {
    const ItemPtr item = findItem(desk.project(), id);
    const auto paths = item ? nodesOf(*item) : std::nullopt;
    for (const NodePlace p : places)
      if (!paths || p.path >= paths->size() || p.node >= (*paths)[p.path].nodes.size() ||
          kindOf((*paths)[p.path], p.node) != Kind)
        return false;
  }
  return someNodes(desk);
}

inline constexpr Command nodeCommands[] = {
    {.id = Do::NodeCorner,
     .menu = Menu::Nodes,
     .lineBefore = true,
     .byPointer = true,
     .name = "nodeCorner",
     .words = QT_TRANSLATE_NOOP("Commands", "Corner"),
     .run = [](const Site& s) { setKind(s.desk, NodeKind::Corner); },
     .applies = someNodes,
     .hint = QT_TRANSLATE_NOOP("Commands", "Without handles"),
     .isOn = areAllOfKind<NodeKind::Corner>},
    {.id = Do::NodeSmooth,
     .menu = Menu::Nodes,
     .byPointer = true,
     .name = "nodeSmooth",
     .words = QT_TRANSLATE_NOOP("Commands", "Smooth"),
     .run = [](const Site& s) { setKind(s.desk, NodeKind::Smooth); },
     .applies = someNodes,
     .hint = QT_TRANSLATE_NOOP("Commands", "Both handles in line"),
     .isOn = areAllOfKind<NodeKind::Smooth>},
    {.id = Do::NodeEven,
     .menu = Menu::Nodes,
     .byPointer = true,
     .name = "nodeEven",
     .words = QT_TRANSLATE_NOOP("Commands", "Even"),
     .run = [](const Site& s) { setKind(s.desk, NodeKind::Even); },
     .applies = someNodes,
     .hint = QT_TRANSLATE_NOOP("Commands", "Both handles in line and alike in length"),
     .isOn = areAllOfKind<NodeKind::Even>},
    {.id = Do::NodesInColumn,
     .menu = Menu::Nodes,
     .name = "nodesInColumn",
     .words = QT_TRANSLATE_NOOP("Commands", "Nodes in one column"),
     .run = [](const Site& s) { alignNodes(s.desk, 0, std::nullopt); },
     .applies = [](const Desk& d) { return countOf(d.chosenNodes()) > 1; },
     .hint = QT_TRANSLATE_NOOP("Commands", "The chosen nodes below one another, in the middle of them"),
     .brief = QT_TRANSLATE_NOOP("Commands", "In a column")},
    {.id = Do::NodesInRow,
     .menu = Menu::Nodes,
     .name = "nodesInRow",
     .words = QT_TRANSLATE_NOOP("Commands", "Nodes in one row"),
     .run = [](const Site& s) { alignNodes(s.desk, std::nullopt, 0); },
     .applies = [](const Desk& d) { return countOf(d.chosenNodes()) > 1; },
     .hint = QT_TRANSLATE_NOOP("Commands", "The chosen nodes side by side, in the middle of them"),
     .brief = QT_TRANSLATE_NOOP("Commands", "In a row")},
    {.id = Do::OpenOrClose,
     .menu = Menu::Nodes,
     .lineBefore = true,
     .byPointer = true,
     .name = "openOrClose",
     .words = QT_TRANSLATE_NOOP("Commands", "Open"),
     .run = [](const Site& s) { openOrClose(s.desk); },
     .applies = aPath,
     .hint = QT_TRANSLATE_NOOP("Commands", "Opens it at the chosen node, or closes it"),
     .wordsNow = [](const Desk& d) { return isOpenPath(d) ? Desk::tr("Close") : Desk::tr("Open"); }},
    {.id = Do::PartAtNode,
     .menu = Menu::Nodes,
     .byPointer = true,
     .name = "partAtNode",
     .words = QT_TRANSLATE_NOOP("Commands", "Part it here"),
     .run = [](const Site& s) { partAtNode(s.desk); },
     .applies = aNodeWithin,
     .hint = QT_TRANSLATE_NOOP("Commands", "Two ends in the place of the chosen node"),
     .brief = QT_TRANSLATE_NOOP("Commands", "Part")},
    {.id = Do::JoinEnds,
     .menu = Menu::Nodes,
     .byPointer = true,
     .name = "joinEnds",
     .words = QT_TRANSLATE_NOOP("Commands", "Join the ends"),
     .run = [](const Site& s) { joinEnds(s.desk); },
     .applies = [](const Desk& d) { return chosenEnds(d).has_value(); },
     .hint = QT_TRANSLATE_NOOP("Commands", "Two chosen ends become one node, of two items, too"),
     .brief = QT_TRANSLATE_NOOP("Commands", "Join")},
    {.id = Do::ReversePath,
     .menu = Menu::Nodes,
     .name = "reversePath",
     .words = QT_TRANSLATE_NOOP("Commands", "Reverse its direction"),
     .run = [](const Site& s) { reversePath(s.desk); },
     .applies = aPath,
     .brief = QT_TRANSLATE_NOOP("Commands", "Reverse")},
    {.id = Do::StartHere,
     .menu = Menu::Nodes,
     .name = "startHere",
     .words = QT_TRANSLATE_NOOP("Commands", "Start it here"),
     .run = [](const Site& s) { startHere(s.desk); },
     .applies = [](const Desk& d) { return aNodeWithin(d) && !isOpenPath(d); },
     .hint = QT_TRANSLATE_NOOP("Commands", "The outline begins at the chosen node"),
     .brief = QT_TRANSLATE_NOOP("Commands", "Start here")},
    {.id = Do::DropPath,
     .menu = Menu::Nodes,
     .name = "dropPath",
     .words = QT_TRANSLATE_NOOP("Commands", "Make this contour its own item"),
     .run = [](const Site& s) { dropPath(s.desk); },
     .applies =
         [](const Desk& d) {
           const auto chosen = chosenPath(d);
           return chosen && nodesOf(*chosen->item)->size() > 1;
         },
     .brief = QT_TRANSLATE_NOOP("Commands", "Its own item")},
    {.id = Do::MirrorEditing,
     .menu = Menu::Nodes,
     .lineBefore = true,
     .byPointer = true,
     .name = "mirrorEditing",
     .words = QT_TRANSLATE_NOOP("Commands", "Mirror editing"),
     .keys = "Ctrl+M",
     .run = [](const Site& s) { toggleMirror(s.desk); },
     .applies = shapes,
     .hint = QT_TRANSLATE_NOOP("Commands", "Every edit happens on both sides of an axis, which goes with the item"),
     .brief = QT_TRANSLATE_NOOP("Commands", "Mirror"),
     .isOn = isMirrored},
};

}  // namespace widecut::commands
