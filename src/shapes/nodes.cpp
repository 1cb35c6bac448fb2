#include "shapes/nodes.h"

namespace widecut {

NodePath nodesOf(const Contour& contour) {
  NodePath path{{}, contour.closed};
  path.nodes.reserve(contour.segments.size() + 1);
  path.nodes.push_back({contour.start, contour.start, contour.start});
  for (const Segment& s : contour.segments) {
    Node to{s.end, s.end, s.end};
    if (s.kind != SegmentKind::Line) {
      const Bezier c = asCubic(path.nodes.back().at, s);
      path.nodes.back().out = c[1];
      to.in = c[2];
    }
    path.nodes.push_back(to);
  }
  // A closed contour says its start again, unless a straight edge back to it is understood.
  if (path.closed && path.nodes.size() > 1 && path.nodes.back().at == contour.start) {
    path.nodes.front().in = path.nodes.back().in;
    path.nodes.pop_back();
  }
  return path;
}

NodePaths nodesOf(const Outline& outline) {
  NodePaths paths;
  paths.reserve(outline.contours.size());
  for (const Contour& contour : outline.contours) paths.push_back(nodesOf(contour));
  return paths;
}

Contour contourOf(const NodePath& path) {
  if (path.nodes.empty()) return {{}, {}, path.closed};
  Contour contour{path.nodes.front().at, {}, path.closed};
  contour.segments.reserve(path.edges());
  for (std::size_t i = 0; i < path.edges(); ++i) {
    const Node &from = path.nodes[i], &to = path.nodes[path.next(i)];
    contour.segments.push_back(isStraight(path, i) ? Segment::line(to.at) : Segment::cubic(from.out, to.in, to.at));
  }
  return contour;
}

Outline outlineOf(const NodePaths& paths) {
  Outline outline;
  for (const NodePath& path : paths)
    if (!path.nodes.empty()) outline.contours.push_back(contourOf(path));
  return outline;
}

NodePath transformed(const NodePath& path, const Affine& map) {
  NodePath out = path;
  for (Node& n : out.nodes) n = {map(n.at), map(n.in), map(n.out), n.corner};
  return out;
}

std::size_t countOfNodes(const NodePaths& paths) {
  std::size_t n = 0;
  for (const NodePath& path : paths) n += path.nodes.size();
  return n;
}

Bezier edgeOf(const NodePath& path, std::size_t edge) {
  const Node &from = path.nodes[edge], &to = path.nodes[path.next(edge)];
  if (isStraight(path, edge)) return asCubic(from.at, Segment::line(to.at));
  return {from.at, from.out, to.in, to.at};
}

bool isStraight(const NodePath& path, std::size_t edge) {
  return !path.nodes[edge].hasOut() && !path.nodes[path.next(edge)].hasIn();
}

NodeKind kindOf(const NodePath& path, std::size_t node) {
  if (path.isEnd(node)) return NodeKind::Corner;
  const std::size_t before = path.previous(node);
  if (isStraight(path, before) && isStraight(path, node)) return NodeKind::Corner;
  constexpr double close = 1e-6;
  const Point in = endDirection(edgeOf(path, before)), out = startDirection(edgeOf(path, node));
  if (!(dot(in, out) > 0) || std::abs(cross(in, out)) > close) return NodeKind::Corner;
  const Node& n = path.nodes[node];
  const double a = distance(n.at, n.in), b = distance(n.at, n.out);
  return n.hasIn() && n.hasOut() && std::abs(a - b) <= close * (a + b) ? NodeKind::Even : NodeKind::Smooth;
}

}  // namespace widecut
