#include "app/tools/node_drags.h"

#include "app/tools/line_tool.h"
#include "shapes/node_edits.h"

namespace widecut {
namespace {

/// The path of what is held, in the item's frame space; nothing where it is gone.
std::optional<NodePath> pathOf(const Project& project, const NodeHit& held) {
  const ItemPtr item = findItem(project, held.item);
  const auto paths = item ? nodesOf(*item) : std::nullopt;
  if (!paths || held.place.path >= paths->size() || held.place.node >= (*paths)[held.place.path].nodes.size())
    return std::nullopt;
  return (*paths)[held.place.path];
}

}  // namespace

Point handlePlace(const Project& project, const NodeHit& held, Point onSheet, bool atSteps, double reach) {
  const auto path = pathOf(project, held);
  if (!path) return onSheet;
  const Point node = frameToSheet(project, held.item)(path->nodes[held.place.node].at);
  if (atSteps) onSheet = node + atEighths(onSheet - node);
  return distance(onSheet, node) <= reach ? node : onSheet;
}

Project withPulled(const Project& project, const NodeHit& held, Pull pull, Point onSheet, bool alone) {
  const auto before = pathOf(project, held);
  if (!before) return project;
  const Affine frame = frameToSheet(project, held.item), back = frame.inverse().value_or(Affine{});
  const std::size_t number = held.place.node;
  const Node& node = before->nodes[number];
  const Point to = onSheet == frame(node.at) ? node.at : back(onSheet);
  return withReshaped(project, held.item, back(held.at), [&](const NodePaths& paths) {
    NodePaths after = paths;
    NodePath& path = after[held.place.path];
    constexpr double nearest = 0.08;  // to an end of the edge, where handles pull nothing
    switch (pull) {
      case Pull::Edge:
        path = withBend(path, number, std::clamp(held.t, nearest, 1 - nearest), to);
        break;
      case Pull::Handle:
        path = withHandle(path, number, held.side, to, alone);
        break;
      case Pull::BothHandles:
        path = withHandle(path, number, Side::Out, to, true);
        path = withHandle(path, number, Side::In, node.at * 2 - to, true);
    }
    return after;
  });
}

Point snappedToAxis(const Project& project, const NodeHit& held, Point by, double reach) {
  const ItemPtr item = findItem(project, held.item);
  const auto axis = item ? axisOf(*item) : std::nullopt;
  if (!axis) return by;
  const Affine frame = frameToSheet(project, held.item), back = frame.inverse().value_or(Affine{});
  const Point to = held.at + by, on = frame(axis->onto(back(to)));
  return distance(on, to) <= reach ? on - held.at : by;
}

std::optional<PathEnd> heldEnd(const Project& project, const NodeHit& held) {
  const auto path = pathOf(project, held);
  if (!path || !path->isEnd(held.place.node)) return std::nullopt;
  return PathEnd{held.item, held.place.path, held.place.node == 0};
}

}  // namespace widecut
