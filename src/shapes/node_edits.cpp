#include "shapes/node_edits.h"

#include <algorithm>

#include "geometry/fit.h"

namespace widecut {
namespace {

Node nodeAt(Point p) { return {p, p, p}; }

Point& handleOf(Node& node, Side side) { return side == Side::In ? node.in : node.out; }
Side other(Side side) { return side == Side::In ? Side::Out : Side::In; }

/// The edge that a handle belongs to; nothing beyond the end of an open path.
std::optional<std::size_t> edgeOfHandle(const NodePath& path, std::size_t node, Side side) {
  if (side == Side::Out) return path.hasEdge(node) ? std::optional(node) : std::nullopt;
  if (!path.closed && node == 0) return std::nullopt;
  return path.previous(node);
}

/// The direction in which the path leaves a node on one side, away from it.
Point wayFrom(const NodePath& path, std::size_t node, Side side) {
  const auto edge = edgeOfHandle(path, node, side);
  if (!edge) return {};
  return side == Side::Out ? startDirection(edgeOf(path, *edge)) : -endDirection(edgeOf(path, *edge));
}

bool isStraightOn(const NodePath& path, std::size_t node, Side side) {
  const auto edge = edgeOfHandle(path, node, side);
  return edge && isStraight(path, *edge);
}

/// Turns the handle opposite to `side` so that it goes on in line with that side; its length stays.
void lineUp(NodePath& path, std::size_t node, Side side) {
  Node& n = path.nodes[node];
  Point& turned = handleOf(n, other(side));
  const Point way = wayFrom(path, node, side);
  if (turned != n.at && way != Point{}) turned = n.at - way * distance(turned, n.at);
}

/// The smooth nodes of a path, before an edit, beside a straight edge.
std::vector<std::pair<std::size_t, Side>> besideStraight(const NodePath& path) {
  std::vector<std::pair<std::size_t, Side>> found;
  for (std::size_t i = 0; i < path.nodes.size(); ++i)
    for (const Side side : {Side::In, Side::Out})
      if (isStraightOn(path, i, side) && kindOf(path, i) == NodeKind::Smooth) found.emplace_back(i, side);
  return found;
}

/// The samples that a merged edge should pass.
std::vector<Sample> samplesAlong(const Bezier& first, const Bezier& second) {
  constexpr int steps = 24;
  std::vector<Sample> samples;
  samples.reserve(2 * steps + 1);
  for (int i = 0; i < steps; ++i) samples.push_back({pointOn(first, double(i) / steps), {}});
  for (int i = 0; i <= steps; ++i) samples.push_back({pointOn(second, double(i) / steps), {}});
  samples.front().way = startDirection(first);
  samples.back().way = endDirection(second);
  return samples;
}

double strayOf(const Bezier& c, const std::vector<Sample>& samples) {
  double most = 0;
  for (const Sample& s : samples) most = std::max(most, nearestOn(c, s.at).distance);
  return most;
}

/// One curve in the place of two: the one that they were split from, or else the nearest one with their directions.
Bezier merged(const Bezier& first, const Bezier& second) {
  const std::vector<Sample> samples = samplesAlong(first, second);
  const double in = distance(first[2], first[3]), out = distance(second[0], second[1]);
  const CubicFit fit = fittedCubic(samples);
  if (!(in + out > 0)) return fit.curve;
  // A split at t leaves handles of t and 1 − t beside the node, and of t and 1 − t of their whole at the ends.
  const double t = in / (in + out);
  if (!(t > 0 && t < 1)) return fit.curve;
  const Bezier before{first[0], first[0] + (first[1] - first[0]) / t, second[3] + (second[2] - second[3]) / (1 - t),
                      second[3]};
  return strayOf(before, samples) <= strayOf(fit.curve, samples) ? before : fit.curve;
}

void setEdge(NodePath& path, std::size_t edge, const Bezier& c) {
  path.nodes[edge].out = c[1];
  path.nodes[path.next(edge)].in = c[2];
}

std::vector<std::size_t> smoothNodes(const NodePath& path, std::initializer_list<std::size_t> nodes) {
  std::vector<std::size_t> found;
  for (const std::size_t node : nodes)
    if (kindOf(path, node) != NodeKind::Corner) found.push_back(node);
  return found;
}

}  // namespace

NodePath withNodeAdded(const NodePath& path, std::size_t edge, double t) {
  NodePath out = path;
  const bool straight = isStraight(path, edge);
  const auto [before, after] = splitAt(edgeOf(path, edge), t);
  Node made = nodeAt(before[3]);
  if (straight) {
    made = nodeAt(mix(path.nodes[edge].at, path.nodes[path.next(edge)].at, t));
  } else {
    made.in = before[2];
    made.out = after[1];
    out.nodes[edge].out = before[1];
    out.nodes[path.next(edge)].in = after[2];
  }
  out.nodes.insert(out.nodes.begin() + static_cast<std::ptrdiff_t>(edge) + 1, made);
  return out;
}

NodePath withoutNode(const NodePath& path, std::size_t node) {
  NodePath out = path;
  const auto drop = [&] { out.nodes.erase(out.nodes.begin() + static_cast<std::ptrdiff_t>(node)); };
  if (path.isEnd(node) || path.nodes.size() < 3) {
    drop();
    // What is the end now has no handle beyond it.
    if (!out.nodes.empty() && !out.closed) {
      out.nodes.front().in = out.nodes.front().at;
      out.nodes.back().out = out.nodes.back().at;
    }
    return out;
  }
  const std::size_t before = path.previous(node), after = path.next(node);
  const bool straight = isStraight(path, before) && isStraight(path, node);
  const Bezier c = straight ? Bezier{} : merged(edgeOf(path, before), edgeOf(path, node));
  out.nodes[before].out = straight ? path.nodes[before].at : c[1];
  out.nodes[after].in = straight ? path.nodes[after].at : c[2];
  drop();
  return out;
}

NodePath withNodesMapped(const NodePath& path, std::span<const std::size_t> nodes, const Affine& map) {
  NodePath out = path;
  for (const std::size_t i : nodes) {
    Node& n = out.nodes[i];
    // A shift keeps what lies on the node there.
    const bool in = n.hasIn(), hasOut = n.hasOut();
    n.at = map(n.at);
    n.in = in ? map(n.in) : n.at;
    n.out = hasOut ? map(n.out) : n.at;
  }
  for (const auto& [node, side] : besideStraight(path)) lineUp(out, node, side);
  return out;
}

NodePath withHandle(const NodePath& path, std::size_t node, Side side, Point to, bool alone) {
  if (!edgeOfHandle(path, node, side)) return path;
  NodePath out = path;
  Node& n = out.nodes[node];
  const NodeKind kind = alone ? NodeKind::Corner : kindOf(path, node);
  if (kind != NodeKind::Corner && isStraightOn(path, node, other(side))) {
    const Point way = -wayFrom(path, node, other(side));
    to = n.at + way * std::max(0.0, dot(to - n.at, way));
  }
  handleOf(n, side) = to;
  if (kind == NodeKind::Even)
    handleOf(n, other(side)) = n.at - (to - n.at);
  else if (kind == NodeKind::Smooth && to != n.at)
    lineUp(out, node, side);
  return out;
}

NodePath withBend(const NodePath& path, std::size_t edge, double t, Point to) {
  NodePath out = path;
  const std::size_t end = path.next(edge);
  const auto smooth = smoothNodes(path, {edge, end});
  Bezier c = edgeOf(path, edge);
  const double u = 1 - t, a = 3 * u * u * t, b = 3 * u * t * t, whole = a * a + b * b;
  const Point by = to - pointOn(c, t);
  c[1] = c[1] + by * (a / whole);
  c[2] = c[2] + by * (b / whole);
  setEdge(out, edge, c);
  for (const std::size_t node : smooth) lineUp(out, node, node == edge ? Side::Out : Side::In);
  return out;
}

NodePath withKind(const NodePath& path, std::size_t node, NodeKind kind) {
  if (path.isEnd(node) || path.nodes.size() < 2) return path;
  NodePath out = path;
  Node& n = out.nodes[node];
  if (kind == NodeKind::Corner) {
    n.in = n.out = n.at;
    return out;
  }
  // The way through: across the corner's halving line, by what its sides do now, or by its neighbours.
  const Point before = path.nodes[path.previous(node)].at, after = path.nodes[path.next(node)].at;
  Point in = n.hasIn() ? n.in - n.at : Point{}, to = n.hasOut() ? n.out - n.at : Point{};
  Point way = unit(unit(to) - unit(in));
  if (in == Point{} && to == Point{}) way = unit(after - before);
  if (way == Point{}) way = unit(after - n.at);
  // A third of the way to the neighbour is what a straight edge's handles are.
  const double usualIn = distance(before, n.at) / 3, usualOut = distance(n.at, after) / 3;
  double lengthIn = in == Point{} ? usualIn : length(in), lengthOut = to == Point{} ? usualOut : length(to);
  if (kind == NodeKind::Even) lengthIn = lengthOut = (lengthIn + lengthOut) / 2;
  n.in = n.at - way * lengthIn;
  n.out = n.at + way * lengthOut;
  return out;
}

NodePath withStraight(const NodePath& path, std::size_t edge) {
  NodePath out = path;
  const std::size_t end = path.next(edge);
  out.nodes[edge].out = path.nodes[edge].at;
  out.nodes[end].in = path.nodes[end].at;
  return out;
}

NodePath reversed(const NodePath& path) {
  NodePath out = path;
  for (Node& n : out.nodes) std::swap(n.in, n.out);
  std::reverse(out.nodes.begin() + (path.closed && !path.nodes.empty() ? 1 : 0), out.nodes.end());
  return out;
}

NodePath withStart(const NodePath& path, std::size_t node) {
  NodePath out = path;
  if (path.closed)
    std::rotate(out.nodes.begin(), out.nodes.begin() + static_cast<std::ptrdiff_t>(node), out.nodes.end());
  return out;
}

NodePaths partedAt(const NodePath& path, std::size_t node) {
  if (path.isEnd(node) || path.nodes.size() < 2) return {path};
  NodePath first = path;
  if (path.closed) {
    first = withStart(path, node);
    first.closed = false;
    Node end = first.nodes.front();
    end.out = end.at;
    first.nodes.push_back(end);
    first.nodes.front().in = first.nodes.front().at;
    return {first};
  }
  const auto place = path.nodes.begin() + static_cast<std::ptrdiff_t>(node);
  first.nodes.assign(path.nodes.begin(), place + 1);
  first.nodes.back().out = first.nodes.back().at;
  NodePath second{{place, path.nodes.end()}, false};
  second.nodes.front().in = second.nodes.front().at;
  return {first, second};
}

NodePath closed(const NodePath& path) {
  NodePath out = path;
  if (path.closed || path.nodes.size() < 2) return out;
  out.closed = true;
  if (out.nodes.size() > 2 && out.nodes.front().at == out.nodes.back().at) {
    out.nodes.front().in = out.nodes.back().in;
    out.nodes.pop_back();
  }
  return out;
}

NodePath joined(const NodePath& path, const NodePath& onwards) {
  NodePath out = path;
  auto from = onwards.nodes.begin();
  if (!out.nodes.empty() && from != onwards.nodes.end() && out.nodes.back().at == from->at) {
    out.nodes.back().out = from->out;
    ++from;
  }
  out.nodes.insert(out.nodes.end(), from, onwards.nodes.end());
  return out;
}

}  // namespace widecut
