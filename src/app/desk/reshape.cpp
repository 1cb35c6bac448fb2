#include "app/desk/reshape.h"

#include <algorithm>

#include "app/mat/selection_frame.h"
#include "project/edits/pieces.h"
#include "project/edits/tree.h"
#include "project/forms/form.h"
#include "project/forms/words.h"
#include "project/resolve.h"

namespace widecut {
namespace {

void gather(const ItemPtr& item, std::vector<ItemPtr>& found) {
  if (!item || item->hidden || item->locked) return;
  // Of words in a frame, the nodes of the frame.
  if (isPlainShape(*item) || (wordsOf(*item) && nodesOf(*item))) found.push_back(item);
  for (const ItemPtr& child : childrenOf(*item)) gather(child, found);
}

void gatherCornered(const ItemPtr& item, std::vector<ItemPtr>& found) {
  if (!item || item->hidden || item->locked) return;
  if (isPlainShape(*item) || item->recipe())
    found.push_back(item);
  else
    for (const ItemPtr& child : childrenOf(*item)) gatherCornered(child, found);
}

/// Chooses the nodes of an item that lie at these places of its frame.
void chooseAt(Desk& desk, Id item, const std::vector<Point>& places) {
  NodesOfItems chosen;
  const ItemPtr found = findItem(desk.settled(), item);
  const auto paths = found ? nodesOf(*found) : std::nullopt;
  if (!paths) return;
  for (std::size_t p = 0; p < paths->size(); ++p)
    for (std::size_t i = 0; i < (*paths)[p].nodes.size(); ++i)
      if (std::find(places.begin(), places.end(), (*paths)[p].nodes[i].at) != places.end())
        chosen[item].push_back({p, i});
  desk.chooseNodes(std::move(chosen));
}

/// One edit of the path that the chosen node lies on.
void editPath(Desk& desk, const QString& name, const std::function<NodePaths(const NodePath&, std::size_t)>& edit) {
  const auto chosen = chosenPath(desk);
  if (!chosen) return;
  const auto paths = nodesOf(*chosen->item);
  const std::size_t node = chosen->node.value_or(0);
  const Point at = (*paths)[chosen->path].nodes[node].at;
  desk.commit(name, withReshaped(desk.settled(), chosen->item->id, at, [&](const NodePaths& before) {
                NodePaths after = before;
                const NodePaths made = edit(before[chosen->path], node);
                const auto place = after.erase(after.begin() + static_cast<std::ptrdiff_t>(chosen->path));
                after.insert(place, made.begin(), made.end());
                return after;
              }));
  chooseAt(desk, chosen->item->id, {at});
}

}  // namespace

std::optional<OpenEnd> openEndAt(const Desk& desk, Point onSheet, double reach, const std::optional<PathEnd>& except) {
  std::vector<ItemPtr> items;
  for (const ItemPtr& item : findSheet(desk.settled(), desk.sheet()->id)->items) gather(item, items);
  for (const ItemPtr& item : items) {
    const auto paths = nodesOf(*item);
    const Affine frame = frameToSheet(desk.settled(), item->id);
    for (std::size_t i = 0; i < paths->size(); ++i) {
      const NodePath& path = (*paths)[i];
      if (path.closed || path.nodes.size() < 2) continue;
      // An edge alone has nothing to close.
      if (except && except->item == item->id && except->path == i && path.nodes.size() < 3) continue;
      for (const bool atStart : {true, false}) {
        const PathEnd end{item->id, i, atStart};
        const Point at = frame((atStart ? path.nodes.front() : path.nodes.back()).at);
        if (end != except && distance(at, onSheet) <= reach) return OpenEnd{end, at};
      }
    }
  }
  return std::nullopt;
}

std::vector<ItemPtr> itemsWithNodes(const Project& project, const std::vector<Id>& selection) {
  std::vector<ItemPtr> found;
  for (const Id id : outermost(project, selection)) gather(findItem(project, id), found);
  return found;
}

std::vector<ItemPtr> itemsWithCorners(const Project& project, const std::vector<Id>& selection) {
  std::vector<ItemPtr> found;
  for (const Id id : outermost(project, selection)) gatherCornered(findItem(project, id), found);
  return found;
}

Project withAllCorners(const Project& project, const std::vector<ItemPtr>& items, const Corner& corner) {
  Project out = project;
  for (const ItemPtr& item : items) out = withAllCorners(out, item->id, corner);
  return out;
}

ItemsChange cornersTreated(const Corner& corner) {
  return [corner](const Project& project, const std::vector<Id>& items) {
    return withAllCorners(project, itemsWithCorners(project, items), corner);
  };
}

std::size_t countOf(const NodesOfItems& nodes) {
  std::size_t n = 0;
  for (const auto& [id, places] : nodes) n += places.size();
  return n;
}

bool isChosen(const NodesOfItems& nodes, Id item, NodePlace place) {
  const auto found = nodes.find(item);
  return found != nodes.end() && std::find(found->second.begin(), found->second.end(), place) != found->second.end();
}

Point placeOnSheet(const Project& project, Id item, NodePlace place) {
  const ItemPtr found = findItem(project, item);
  const auto paths = found ? nodesOf(*found) : std::nullopt;
  if (!paths || place.path >= paths->size() || place.node >= (*paths)[place.path].nodes.size()) return {};
  return frameToSheet(project, item)((*paths)[place.path].nodes[place.node].at);
}

Box boxOf(const Project& project, const NodesOfItems& nodes) {
  Box box;
  for (const auto& [id, places] : nodes) {
    const ItemPtr item = findItem(project, id);
    const auto paths = item ? nodesOf(*item) : std::nullopt;
    if (!paths) continue;
    const Affine frame = frameToSheet(project, id);
    for (const NodePlace p : places)
      if (p.path < paths->size() && p.node < (*paths)[p.path].nodes.size())
        box.add(frame((*paths)[p.path].nodes[p.node].at));
  }
  return box;
}

NodesOfItems nodesWithin(const Desk& desk, const Box& onSheet) {
  NodesOfItems found;
  for (const ItemPtr& item : itemsWithNodes(desk.project(), desk.selection())) {
    const Affine frame = frameToSheet(desk.project(), item->id);
    const auto paths = nodesOf(*item);
    for (std::size_t p = 0; p < paths->size(); ++p)
      for (std::size_t i = 0; i < (*paths)[p].nodes.size(); ++i)
        if (onSheet.contains(frame((*paths)[p].nodes[i].at))) found[item->id].push_back({p, i});
  }
  return found;
}

NodesOfItems allNodes(const Desk& desk) {
  constexpr double far = 1e9;
  return nodesWithin(desk, {{-far, -far}, {far, far}});
}

void stepNode(Desk& desk, int by) {
  std::vector<std::pair<Id, NodePlace>> all;
  for (const auto& [id, places] : allNodes(desk))
    for (const NodePlace place : places) all.emplace_back(id, place);
  if (all.empty()) return;
  const auto n = static_cast<std::ptrdiff_t>(all.size());
  const auto now = std::find_if(all.begin(), all.end(),
                                [&](const auto& one) { return isChosen(desk.chosenNodes(), one.first, one.second); });
  const std::ptrdiff_t next = now == all.end() ? (by > 0 ? 0 : n - 1) : (now - all.begin() + by + n) % n;
  const auto& [id, place] = all[static_cast<std::size_t>(next)];
  desk.chooseNodes({{id, {place}}});
}

PlacesOfNodes placesOfMirrored(const Desk& desk, Point by) {
  PlacesOfNodes places;
  for (const auto& [id, nodes] : desk.chosenNodes()) {
    const ItemPtr item = findItem(desk.settled(), id);
    if (!item || !axisOf(*item)) continue;
    for (const NodePlace node : nodes) places[id].push_back(placeOnSheet(desk.settled(), id, node) + by);
  }
  return places;
}

void chooseAgain(Desk& desk, const PlacesOfNodes& places) {
  NodesOfItems chosen = desk.chosenNodes();
  constexpr double close = 0.01;  // points
  const NodesOfItems all = allNodes(desk);
  for (const auto& [id, points] : places) {
    chosen[id].clear();
    const auto nodes = all.find(id);
    if (nodes == all.end()) continue;
    for (const NodePlace node : nodes->second) {
      const Point at = placeOnSheet(desk.settled(), id, node);
      if (std::any_of(points.begin(), points.end(), [&](Point p) { return distance(p, at) < close; }))
        chosen[id].push_back(node);
    }
  }
  desk.chooseNodes(std::move(chosen));
}

void nudgeNodes(Desk& desk, Point way, Qt::KeyboardModifiers keys) {
  if (desk.chosenNodes().empty()) return;
  const double step = pointsPerMillimetre * (keys & Qt::ShiftModifier ? 10 : keys & Qt::ControlModifier ? 0.1 : 1);
  const auto& [id, places] = *desk.chosenNodes().begin();
  desk.commit(Desk::tr("Move nodes"), withNodesMapped(desk.settled(), desk.chosenNodes(), Affine::move(way * step),
                                                      placeOnSheet(desk.settled(), id, places.front())));
}

void deleteNodes(Desk& desk) {
  const NodesOfItems nodes = desk.chosenNodes();
  desk.chooseNodes({});
  desk.commit(countOf(nodes) == 1 ? Desk::tr("Delete node") : Desk::tr("Delete nodes"),
              withoutNodes(desk.settled(), nodes));
}

void setKind(Desk& desk, NodeKind kind) {
  const QString names[] = {Desk::tr("Make corner"), Desk::tr("Make smooth"), Desk::tr("Make even")};
  desk.commit(names[static_cast<std::size_t>(kind)], withNodeKind(desk.settled(), desk.chosenNodes(), kind));
}

void alignNodes(Desk& desk, std::optional<int> across, std::optional<int> down) {
  const NodesOfItems nodes = desk.chosenNodes();
  const Box box = boxOf(desk.settled(), nodes);
  if (box.isEmpty()) return;
  const Point to = placeIn(box, {across.value_or(0), down.value_or(0)});
  Project out = desk.settled();
  for (const auto& [id, places] : nodes)
    for (const NodePlace place : places) {
      const Point at = placeOnSheet(out, id, place);
      const Point by{across ? to.x - at.x : 0, down ? to.y - at.y : 0};
      out = withNodesMapped(out, {{id, {place}}}, Affine::move(by), at);
    }
  desk.commit(Desk::tr("Align nodes"), std::move(out));
}

std::optional<ChosenPath> chosenPath(const Desk& desk) {
  const NodesOfItems& nodes = desk.chosenNodes();
  if (nodes.empty()) {
    const auto items = itemsWithNodes(desk.settled(), desk.selection());
    if (items.size() != 1 || nodesOf(*items.front())->size() != 1) return std::nullopt;
    return ChosenPath{items.front(), 0, std::nullopt};
  }
  if (nodes.size() != 1) return std::nullopt;
  const auto& [id, places] = *nodes.begin();
  const ItemPtr item = findItem(desk.settled(), id);
  const bool onePath = std::all_of(places.begin(), places.end(),
                                   [&first = places.front()](NodePlace p) { return p.path == first.path; });
  if (!item || !onePath) return std::nullopt;
  return ChosenPath{item, places.front().path, places.front().node};
}

void openOrClose(Desk& desk) {
  const auto chosen = chosenPath(desk);
  if (!chosen) return;
  const bool opens = (*nodesOf(*chosen->item))[chosen->path].closed;
  editPath(desk, opens ? Desk::tr("Open") : Desk::tr("Close"), [&](const NodePath& path, std::size_t node) {
    return opens ? partedAt(path, node) : NodePaths{closed(path)};
  });
}

void partAtNode(Desk& desk) { editPath(desk, Desk::tr("Part at node"), partedAt); }

void reversePath(Desk& desk) {
  editPath(desk, Desk::tr("Reverse"), [](const NodePath& path, std::size_t) { return NodePaths{reversed(path)}; });
}

void startHere(Desk& desk) {
  editPath(desk, Desk::tr("Start here"),
           [](const NodePath& path, std::size_t node) { return NodePaths{withStart(path, node)}; });
}

void dropPath(Desk& desk) {
  const auto chosen = chosenPath(desk);
  if (!chosen) return;
  Id made = 0;
  Project changed = withPathDropped(desk.settled(), chosen->item->id, chosen->path, made);
  if (made == 0) return;
  desk.chooseNodes({});
  if (desk.commit(Desk::tr("Make its own item"), std::move(changed))) desk.select({made});
}

std::optional<std::pair<PathEnd, PathEnd>> chosenEnds(const Desk& desk) {
  std::vector<PathEnd> ends;
  for (const auto& [id, places] : desk.chosenNodes()) {
    const ItemPtr item = findItem(desk.settled(), id);
    const auto paths = item ? nodesOf(*item) : std::nullopt;
    for (const NodePlace p : places) {
      if (!paths || p.path >= paths->size() || !(*paths)[p.path].isEnd(p.node)) return std::nullopt;
      ends.push_back({id, p.path, p.node == 0});
    }
  }
  if (ends.size() != 2) return std::nullopt;
  return std::pair{ends[0], ends[1]};
}

void joinEnds(Desk& desk) {
  const auto ends = chosenEnds(desk);
  if (!ends) return;
  desk.chooseNodes({});
  desk.commit(Desk::tr("Join ends"), withEndsJoined(desk.settled(), ends->first, ends->second));
}

MirrorAxis axisFor(const Desk& desk, const Item& item, double angle) {
  const Affine frame = frameToSheet(desk.settled(), item.id);
  const Affine back = frame.inverse().value_or(Affine{});
  const auto around = SelectionFrame::of(desk.settled(), {item.id});
  const Point through = around ? pivotPoint(*around, desk.pivot()) : frame(Point{});
  // Upright at 0, turning clockwise.
  const Point along{-std::sin(angle), std::cos(angle)}, across{std::cos(angle), std::sin(angle)};
  return {back(through), unit(back.vector(along)), unit(back.vector(across))};
}

bool isMirrored(const Desk& desk) {
  const auto items = itemsWithNodes(desk.project(), desk.selection());
  return std::any_of(items.begin(), items.end(), [](const ItemPtr& item) { return axisOf(*item).has_value(); });
}

void toggleMirror(Desk& desk) {
  const bool on = !isMirrored(desk);
  Project out = desk.settled();
  for (const ItemPtr& item : itemsWithNodes(desk.settled(), desk.selection()))
    out = withAxis(out, item->id, on ? std::optional(axisFor(desk, *item, 0)) : std::nullopt);
  desk.commit(on ? Desk::tr("Mirror editing") : Desk::tr("Mirror editing off"), std::move(out));
}

Project withHalfMirrored(const Project& project, Id id, const MirrorAxis& otherwise, HalfSide keep) {
  const ItemPtr item = findItem(project, id);
  if (!item || !isPlainShape(*item)) return project;
  const MirrorAxis axis = axisOf(*item).value_or(otherwise);
  const double close = closeness(*nodesOf(*item));
  // Held on the side that is kept, so that an axis that is on mirrors the same way.
  const Point held = axis.through + axis.across * static_cast<double>(keep);
  return withReshaped(project, id, held,
                      [&](const NodePaths& paths) { return madeSymmetric(paths, axis, keep, Halving::Cut, close); });
}

Project withAction(const ActionSite& site, const NodeAction& action) {
  Project out = *site.project;
  const std::size_t chosen = countOf(site.chosen);
  for (const ItemPtr& item : itemsWithNodes(out, site.selection)) {
    Stretch stretch;
    if (const auto found = site.chosen.find(item->id); found != site.chosen.end()) stretch = found->second;
    if (chosen > 1 && stretch.empty()) continue;
    if (chosen < 2) stretch.clear();
    const auto paths = nodesOf(*item);
    const auto isThere = [&](NodePlace p) { return p.path < paths->size() && p.node < (*paths)[p.path].nodes.size(); };
    std::erase_if(stretch, [&](NodePlace p) { return !isThere(p); });
    std::sort(stretch.begin(), stretch.end());
    const NodePlace first = stretch.empty() ? NodePlace{} : stretch.front();
    if (!isThere(first)) continue;  // a cut that leaves nothing
    out = withReshaped(out, item->id, (*paths)[first.path].nodes[first.node].at,
                       [&](const NodePaths& before) { return action(before, stretch); });
  }
  return out;
}

std::vector<Id> startersWithNodes(const Desk& desk) {
  std::vector<Id> found;
  for (const ItemPtr& item : itemsWithNodes(desk.settled(), desk.selection()))
    if (starterOf(*item)) found.push_back(item->id);
  return found;
}

void makePlain(Desk& desk) {
  Project out = desk.settled();
  for (const Id id : startersWithNodes(desk))
    out = withItem(out, id, [](const Item& item) {
      // Corners go on being numbers.
      Item plain = item;
      plain.form = formOf(*nodesOf(item), treatmentOf(item));
      return plain;
    });
  desk.commit(Desk::tr("Make a plain outline"), std::move(out));
}

}  // namespace widecut
