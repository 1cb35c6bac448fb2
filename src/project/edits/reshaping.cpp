#include "project/edits/reshaping.h"

#include <algorithm>

#include "project/edits/fills.h"
#include "project/edits/tree.h"
#include "project/forms/recipe.h"
#include "project/forms/words.h"
#include "project/resolve.h"
#include "shapes/node_edits.h"

namespace widecut {
namespace {

/// Nodes that were on the axis stay there.
void keepOnAxis(NodePaths& paths, const NodePaths& before, const MirrorAxis& axis, double close) {
  for (std::size_t p = 0; p < std::min(paths.size(), before.size()); ++p) {
    if (paths[p].nodes.size() != before[p].nodes.size()) continue;
    for (std::size_t i = 0; i < paths[p].nodes.size(); ++i)
      if (distance(axis.onto(before[p].nodes[i].at), before[p].nodes[i].at) <= close)
        paths[p].nodes[i] = paths[p].nodes[i].movedTo(axis.onto(paths[p].nodes[i].at));
  }
}

NodePaths withoutEmpty(NodePaths paths) {
  std::erase_if(paths, [](const NodePath& path) { return path.nodes.size() < 2; });
  return paths;
}

/// The places and their twins, each once, in rising order.
std::vector<NodePlace> onBothHalves(const NodePaths& paths, const std::optional<MirrorAxis>& axis,
                                    std::vector<NodePlace> places) {
  std::erase_if(places, [&](NodePlace p) { return p.path >= paths.size() || p.node >= paths[p.path].nodes.size(); });
  if (axis)
    for (std::size_t i = 0, n = places.size(); i < n; ++i)
      if (const auto twin = twinOf(paths, *axis, places[i], closeness(paths))) places.push_back(*twin);
  std::sort(places.begin(), places.end());
  places.erase(std::unique(places.begin(), places.end()), places.end());
  return places;
}

/// An item's nodes after each of the places, and its twin, met an edit of its path.
template <class Edit>
Project withEachNode(const Project& project, const NodesOfItems& nodes, const Edit& edit) {
  Project out = project;
  for (const auto& [id, places] : nodes) {
    if (places.empty()) continue;
    out = withItem(out, id, [&, &at = places](const Item& item) {
      const auto paths = nodesOf(item);
      if (!paths) return item;
      const std::vector<NodePlace> all = onBothHalves(*paths, axisOf(item), at);
      if (all.empty()) return item;
      const NodePlace first = at.front();
      return reshaped(item, (*paths)[first.path].nodes[first.node].at, [&](NodePaths now) {
        for (auto place = all.rbegin(); place != all.rend(); ++place) edit(now[place->path], place->node);
        return now;
      });
    });
  }
  return out;
}

std::vector<std::size_t> edgesAlike(const NodePaths& paths, const MirrorAxis& axis, NodePlace edge) {
  const auto start = twinOf(paths, axis, edge, closeness(paths));
  const auto end = twinOf(paths, axis, {edge.path, paths[edge.path].next(edge.node)}, closeness(paths));
  if (!start || !end || start->path != end->path || !paths[end->path].hasEdge(end->node) ||
      paths[end->path].next(end->node) != start->node)
    return {};
  return {end->path, end->node};
}

/// Words in a frame of this outline, which is given in the space of the item.
Item withFrameOf(const Item& item, const Outline& outline) {
  const Box box = bounds(outline);
  if (!(box.width() > 0 && box.height() > 0)) return item;
  Words::Content content = wordsOf(item)->content();
  content.frame->width = box.width();
  content.frame->height = box.height();
  content.frame->outline = std::make_shared<const Outline>(transformed(outline, Affine::move(-box.low)));
  Item out = item;
  out.position = item.toParent()(box.low);
  out.form = wordsForm(std::move(content));
  return out;
}

}  // namespace

Item reshaped(const Item& item, Point held, const Reshaping& change) {
  const auto before = nodesOf(item);
  if (!before) return item;
  NodePaths paths = change(*before);
  const auto axis = axisOf(item);
  if (axis) {
    const double close = closeness(paths);
    keepOnAxis(paths, *before, *axis, close);
    const Halving halving = isSymmetric(*before, *axis, close) ? Halving::AsItIs : Halving::Cut;
    paths = madeSymmetric(paths, *axis, axis->sideOf(held) < 0 ? -1 : 1, halving, close);
  }
  paths = withoutEmpty(std::move(paths));
  if (paths.empty() || paths == *before) return item;
  if (wordsOf(item)) return withFrameOf(item, *ownOutline(formOf(paths, treatmentOf(item))));
  Item out = item;
  out.form = formOf(paths, treatmentOf(item));
  if (pictureOf(*out.style) && !boxInFrame(out).isEmpty())
    setPicture(changeable(out), keptCovering(*pictureOf(*out.style), out));
  return out;
}

Project withReshaped(const Project& project, Id id, Point held, const Reshaping& change) {
  return withItem(project, id, [&](const Item& item) { return reshaped(item, held, change); });
}

Project withNodesMapped(const Project& project, const NodesOfItems& nodes, const Affine& sheetMap, Point heldOnSheet) {
  Project out = project;
  for (const auto& [id, places] : nodes) {
    const Affine frame = frameToSheet(project, id);
    const auto back = frame.inverse();
    if (!back) continue;
    const Affine inFrame = sheetMap.linear() == Affine{} ? Affine::move(back->vector({sheetMap.dx, sheetMap.dy}))
                                                         : *back * sheetMap * frame;
    out = withReshaped(out, id, (*back)(heldOnSheet), [&, &at = places](NodePaths paths) {
      for (std::size_t p = 0; p < paths.size(); ++p) {
        std::vector<std::size_t> moved;
        for (const NodePlace place : at)
          if (place.path == p && place.node < paths[p].nodes.size()) moved.push_back(place.node);
        if (!moved.empty()) paths[p] = withNodesMapped(paths[p], moved, inFrame);
      }
      return paths;
    });
  }
  return out;
}

Project withNodeAdded(const Project& project, Id id, NodePlace edge, double t, NodePlace& made) {
  made = {edge.path, edge.node + 1};
  return withItem(project, id, [&](const Item& item) {
    const auto before = nodesOf(item);
    if (!before || edge.path >= before->size() || !(*before)[edge.path].hasEdge(edge.node)) return item;
    const Corner corner = treatmentOf(item).all;
    Point place = pointOn(edgeOf((*before)[edge.path], edge.node), t);
    const auto add = [&](NodePath& path, std::size_t number, double at) {
      path = withNodeAdded(path, number, at);
      path.nodes[number + 1].corner = corner;
    };
    const auto axis = axisOf(item);
    Item out = reshaped(item, place, [&](NodePaths paths) {
      const auto twin = axis ? edgesAlike(paths, *axis, edge) : std::vector<std::size_t>{};
      if (twin.empty() || (twin[0] == edge.path && twin[1] == edge.node && std::abs(t - 0.5) < 0.02)) {
        if (!twin.empty()) place = pointOn(edgeOf(paths[edge.path], edge.node), 0.5);
        add(paths[edge.path], edge.node, twin.empty() ? t : 0.5);
      } else if (twin[0] == edge.path && twin[1] == edge.node) {
        const double low = std::min(t, 1 - t), high = 1 - low;
        add(paths[edge.path], edge.node, high);
        add(paths[edge.path], edge.node, low / high);
      } else {
        // The later one first, so that the other one's number holds.
        const NodePlace other{twin[0], twin[1]};
        const bool otherFirst = edge < other;
        if (otherFirst) add(paths[other.path], other.node, 1 - t);
        add(paths[edge.path], edge.node, t);
        if (!otherFirst) add(paths[other.path], other.node, 1 - t);
      }
      return paths;
    });
    // Its number, after its twin got one.
    const auto now = nodesOf(out);
    double least = 1e300;
    for (std::size_t p = 0; now && p < now->size(); ++p)
      for (std::size_t i = 0; i < (*now)[p].nodes.size(); ++i)
        if (const double d = distance((*now)[p].nodes[i].at, place); d < least) {
          least = d;
          made = {p, i};
        }
    return out;
  });
}

Project withoutNodes(const Project& project, const NodesOfItems& nodes) {
  Project out = project;
  std::vector<Id> gone;
  for (const auto& [id, places] : nodes) {
    const ItemPtr item = findItem(project, id);
    const auto paths = item ? nodesOf(*item) : std::nullopt;
    if (!paths) continue;
    const std::vector<NodePlace> all = onBothHalves(*paths, axisOf(*item), places);
    std::vector<std::size_t> left;
    for (const NodePath& path : *paths) left.push_back(path.nodes.size());
    for (const NodePlace place : all) --left[place.path];
    if (std::all_of(left.begin(), left.end(), [](std::size_t n) { return n < 2; }))
      gone.push_back(id);
    else
      out = withEachNode(out, {{id, places}}, [](NodePath& path, std::size_t node) { path = withoutNode(path, node); });
  }
  return gone.empty() ? out : withoutItems(out, gone);
}

Project withNodeKind(const Project& project, const NodesOfItems& nodes, NodeKind kind) {
  return withEachNode(project, nodes, [&](NodePath& path, std::size_t node) { path = withKind(path, node, kind); });
}

Project withCorners(const Project& project, const NodesOfItems& nodes, const Corner& corner) {
  Project out = project;
  for (const auto& [id, places] : nodes)
    out = withItem(out, id, [&, &at = places](const Item& item) {
      const auto paths = nodesOf(item);
      if (!paths) return item;
      // The base stays as it is: a starter keeps its numbers.
      NodePaths now = *paths;
      for (const NodePlace place : onBothHalves(*paths, axisOf(item), at))
        now[place.path].nodes[place.node].corner = corner;
      Item changed = item;
      changed.form = treatedForm(withCornersOf(treatmentOf(item), now));
      return changed;
    });
  return out;
}

namespace {

/// The item with another treatment; what has no nodes of its own stays.
Project withTreatment(const Project& project, Id id, const std::function<void(Treated::Content&)>& change) {
  return withItem(project, id, [&](const Item& item) {
    if (!isPlainShape(item)) return item;
    Treated::Content content = treatmentOf(item);
    change(content);
    Item out = item;
    out.form = treatedForm(std::move(content));
    return out;
  });
}

}  // namespace

Project withAllCorners(const Project& project, Id id, const Corner& corner) {
  if (const ItemPtr item = findItem(project, id); item && item->recipe())
    return withItem(project, id, [&](const Item& cutout) {
      Recipe changed = *cutout.recipe();
      changed.corners = corner.isSharp() ? Corner{} : corner;
      Item out = cutout;
      out.form = std::make_shared<const Recipe>(std::move(changed));
      return out;
    });
  return withTreatment(project, id, [&](Treated::Content& content) {
    content.all = corner;
    content.own.clear();
  });
}

Project withAxis(const Project& project, Id id, const std::optional<MirrorAxis>& axis) {
  return withTreatment(project, id, [&](Treated::Content& content) { content.axis = axis; });
}

Project withEndsJoined(const Project& project, const PathEnd& from, const PathEnd& to) {
  const ItemPtr first = findItem(project, from.item), second = findItem(project, to.item);
  if (!first || !second) return project;
  const auto mine = nodesOf(*first), others = nodesOf(*second);
  const auto isOpen = [](const auto& paths, std::size_t path) {
    return paths && path < paths->size() && !(*paths)[path].closed && (*paths)[path].nodes.size() > 1;
  };
  if (!isOpen(mine, from.path) || !isOpen(others, to.path)) return project;
  NodePaths paths = *mine;
  NodePath onwards = (*others)[to.path];
  if (from.item != to.item) {
    const auto back = frameToSheet(project, from.item).inverse();
    if (!back) return project;
    const Affine map = *back * frameToSheet(project, to.item);
    onwards = transformed(onwards, map);
    for (std::size_t p = 0; p < others->size(); ++p)
      if (p != to.path) paths.push_back(transformed((*others)[p], map));
  }
  NodePath path = paths[from.path];
  Node& end = from.atStart ? path.nodes.front() : path.nodes.back();
  if (from.item == to.item && from.path == to.path) {
    if (from.atStart == to.atStart) return project;
    end = end.movedTo((from.atStart ? path.nodes.back() : path.nodes.front()).at);
    paths[from.path] = closed(path);
  } else {
    end = end.movedTo((to.atStart ? onwards.nodes.front() : onwards.nodes.back()).at);
    if (from.atStart) path = reversed(path);
    if (!to.atStart) onwards = reversed(onwards);
    paths[from.path] = joined(path, onwards);
    if (from.item == to.item) paths.erase(paths.begin() + static_cast<std::ptrdiff_t>(to.path));
  }
  const Point held = paths[std::min(from.path, paths.size() - 1)].nodes.front().at;
  const Project out = withReshaped(project, from.item, held, [&](const NodePaths&) { return paths; });
  if (from.item == to.item) return out;
  const std::vector<Id> gone{to.item};
  return withoutItems(out, gone);
}

Project withPathDropped(const Project& project, Id id, std::size_t path, Id& made) {
  const ItemPtr item = findItem(project, id);
  const auto paths = item ? nodesOf(*item) : std::nullopt;
  if (!paths || path >= paths->size() || paths->size() < 2) return project;
  NodePaths rest = *paths;
  rest.erase(rest.begin() + static_cast<std::ptrdiff_t>(path));
  Item stays = *item, dropped = *item;
  Treated::Content treatment = treatmentOf(*item);
  stays.form = formOf(rest, treatment);
  dropped.id = 0;
  treatment.axis.reset();
  dropped.form = formOf({(*paths)[path]}, std::move(treatment));
  std::vector<Id> ids;
  Project out =
      withReplaced(project, id, {stays, dropped}, Formula::joined(Formula::part(0), Role::Add, Formula::part(1)), ids);
  made = ids.empty() ? 0 : ids.back();
  return out;
}

}  // namespace widecut
