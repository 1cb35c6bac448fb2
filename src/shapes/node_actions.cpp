#include "shapes/node_actions.h"

#include <algorithm>
#include <cmath>

#include "geometry/fit.h"

namespace widecut {
namespace {

/// Calls act(path, node) for each node that the stretch names.
template <class Act>
void eachOf(NodePaths& paths, const Stretch& stretch, const Act& act) {
  for (std::size_t p = 0; p < paths.size(); ++p)
    for (std::size_t i = 0; i < paths[p].nodes.size(); ++i)
      if (stretch.empty() || std::binary_search(stretch.begin(), stretch.end(), NodePlace{p, i})) act(paths[p], i);
}

double turnAt(const NodePath& path, std::size_t node) {
  const Point in = endDirection(edgeOf(path, path.previous(node))), out = startDirection(edgeOf(path, node));
  return std::atan2(std::abs(cross(in, out)), dot(in, out));
}

}  // namespace

NodePaths smoothed(NodePaths paths, const Stretch& stretch) {
  eachOf(paths, stretch, [](NodePath& path, std::size_t node) {
    if (kindOf(path, node) == NodeKind::Corner) path = withKind(path, node, NodeKind::Smooth);
  });
  return paths;
}

NodePaths withoutKinks(NodePaths paths, const Stretch& stretch) {
  constexpr double sharpest = pi / 3;
  eachOf(paths, stretch, [](NodePath& path, std::size_t node) {
    if (path.isEnd(node) || kindOf(path, node) != NodeKind::Corner || turnAt(path, node) > sharpest) return;
    if (isStraight(path, node) && isStraight(path, path.previous(node))) return;
    path = withKind(path, node, NodeKind::Smooth);
  });
  return paths;
}

NodePaths withEvenHandles(NodePaths paths, const Stretch& stretch) {
  eachOf(paths, stretch, [](NodePath& path, std::size_t node) {
    Node& n = path.nodes[node];
    if (path.hasEdge(node) && n.hasOut()) n.out = n.at + unit(n.out - n.at) * (arcLength(edgeOf(path, node)) / 3);
    const std::size_t before = path.previous(node);
    if ((path.closed || node > 0) && n.hasIn()) n.in = n.at + unit(n.in - n.at) * (arcLength(edgeOf(path, before)) / 3);
  });
  return paths;
}

NodePaths straightened(NodePaths paths, const Stretch& stretch) {
  const auto isIn = [&](std::size_t p, std::size_t node) {
    return stretch.empty() || std::binary_search(stretch.begin(), stretch.end(), NodePlace{p, node});
  };
  for (std::size_t p = 0; p < paths.size(); ++p)
    for (std::size_t edge = 0; edge < paths[p].edges(); ++edge)
      if (isIn(p, edge) && isIn(p, paths[p].next(edge))) paths[p] = withStraight(paths[p], edge);
  return paths;
}

NodePaths simplified(const NodePaths& paths, double tolerance, double& error) {
  NodePaths out;
  error = 0;
  for (const NodePath& path : paths) {
    const Simplified few = simplified(contourOf(path), tolerance);
    NodePath made = nodesOf(few.contour);
    if (made.nodes.size() >= path.nodes.size()) {
      out.push_back(path);
      continue;
    }
    for (Node& n : made.nodes)
      for (const Node& old : path.nodes)
        if (old.at == n.at) n.corner = old.corner;
    out.push_back(std::move(made));
    error = std::max(error, few.error);
  }
  return out;
}

NodePaths refitted(const NodePaths& paths, double& error) {
  const Box box = boundsOf(paths);
  error = 0;
  if (box.isEmpty()) return paths;
  const double size = std::max(box.width(), box.height());
  const std::size_t most = std::max<std::size_t>(2, countOfNodes(paths) / 2);
  // The least tolerance that does, between one that hardly shows and one that is too much.
  constexpr double first = 1e-4, last = 0.1;
  constexpr int halvings = 6;
  double low = std::log(first), high = std::log(last);
  NodePaths best = paths;
  for (int i = 0; i < halvings; ++i) {
    const double middle = (low + high) / 2;
    double strayed = 0;
    NodePaths few = simplified(paths, std::exp(middle) * size, strayed);
    if (countOfNodes(few) > most) {
      low = middle;
      continue;
    }
    high = middle;
    error = strayed;
    best = std::move(few);
  }
  return best;
}

Box boundsOf(const NodePaths& paths) { return bounds(outlineOf(paths)); }

}  // namespace widecut
