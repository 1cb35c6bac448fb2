// What covers each side of each edge, and whether that is the same from everywhere.
#include <algorithm>

#include "cutting/arrangement.h"
#include "geometry/stop_point.h"

namespace widecut {
namespace {

std::size_t at(int i) { return static_cast<std::size_t>(i); }

}  // namespace

Cover::Label Arrangement::crossed(int half, Cover::Label right) const {
  const int sign = half % 2 == 0 ? 1 : -1;
  if (cover_.isPacked()) return right + deltas_[at(half / 2)] * sign;
  for (int k = half / 2; k >= 0; k = edges_[at(k)].alias)
    right = cover_.step(right, edges_[at(k)].operand, edges_[at(k)].against ? -sign : sign);
  return right;
}

/// The half-edge after which, counterclockwise, the way due west (or east) leaves the node.
int Arrangement::sectorTowards(int node, bool west) {
  const int first = starts_[at(node)], last = starts_[at(node) + 1];
  const auto key = [&](int place) {
    const double k = directionKey(wayOut(around_[at(place)]));
    return west || k >= 0 ? k : k + 4;
  };
  if (last - first == 2 && std::abs(key(first) - key(first + 1)) < closeKeys) {
    orderNode(node);
    for (int i = first; i < last; ++i) place_[at(around_[at(i)])] = i;
  }
  int best = first;
  double descent = -10, before = key(first);
  const double start = before;
  for (int i = first; i < last; ++i) {
    const double next = i + 1 < last ? key(i + 1) : start;
    if (before - next > descent) {
      descent = before - next;
      best = i;
    }
    before = next;
  }
  // Nearly one direction: then the order round the node, told apart further out, starts where the way leaves.
  return around_[at(descent < closeKeys ? last - 1 : best)];
}

/// What covers a place, by the arcs that a ray to shrinking x (or y, when `upright`) crosses. `doubtful` is set when
/// the ray starts at an arc, or passes the end of one, too closely to tell.
template <class Skip>
Cover::Label Arrangement::rayLabel(Point p, bool upright, const Skip& skip, bool* doubtful) const {
  Cover::Label label = 0;
  const double close = doubtful ? 4 * frame_.tolerance : 0;
  const auto along = [&](Point q) { return upright ? q.y : q.x; };
  const auto across = [&](Point q) { return upright ? q.x : q.y; };
  const double u = along(p), v = across(p);
  const auto look = [&](int i) {
    const Arc& arc = arcs_.arcs[at(i)];
    const double v0 = across(arc.p[0]), v1 = across(arc.p[3]);
    if (doubtful && !skip(i)) {
      for (const Point end : {arc.p[0], arc.p[3]})
        if (std::abs(across(end) - v) < close && along(end) < u + close) *doubtful = true;
      if (CrossingSearch::nearOn(arc, p, close)) *doubtful = true;
    }
    if ((v0 <= v) == (v1 <= v)) return;
    if (std::max(along(arc.p[0]), along(arc.p[3])) >= u) {
      if (std::min(along(arc.p[0]), along(arc.p[3])) > u) return;
      double hit = 0;
      if (arc.line) {
        hit = along(arc.p[0]) + (along(arc.p[3]) - along(arc.p[0])) * ((v - v0) / (v1 - v0));
      } else {
        const double sign = v1 > v0 ? 1 : -1;
        hit = along(
            arc.at(solveRising(sign * v0, sign * across(arc.p[1]), sign * across(arc.p[2]), sign * v1, sign * v)));
      }
      if (hit >= u) return;
    }
    if (skip(i)) return;
    const int by = upright || !arc.rising ? arc.direction : -arc.direction;
    label = cover_.step(label, arc.operand, by);
  };
  if (hasTree_)
    tree_.onRay(p, upright, close, look);
  else
    for (std::size_t i = 0; i < arcs_.arcs.size(); ++i) look(static_cast<int>(i));
  return label;
}

/// component_ of a node becomes the least node of its component; seeds_ are the leftmost nodes, one each.
void Arrangement::findComponents() {
  const int n = nodes_.count();
  component_.resize(at(n));
  for (int i = 0; i < n; ++i) component_[at(i)] = i;
  const auto root = [&](int i) {
    while (component_[at(i)] != i) i = component_[at(i)] = component_[at(component_[at(i)])];
    return i;
  };
  for (const Edge& e : edges_) {
    const int a = root(e.from), b = root(e.to);
    if (a != b) component_[at(std::max(a, b))] = std::min(a, b);
  }
  seeds_.clear();
  lefts_.assign(at(n), -1);
  for (int i = 0; i < n; ++i) {
    if (starts_[at(i)] == starts_[at(i) + 1]) continue;
    const int c = component_[at(i)] = root(i);
    int& left = lefts_[at(c)];
    if (left < 0) {
      left = static_cast<int>(seeds_.size());
      seeds_.push_back(i);
      rights_.resize(seeds_.size());
      rights_[at(left)] = i;
      continue;
    }
    const Point p = nodes_.at(i), l = nodes_.at(seeds_[at(left)]), r = nodes_.at(rights_[at(left)]);
    if (p.x < l.x || (p.x == l.x && p.y < l.y)) seeds_[at(left)] = i;
    if (p.x > r.x || (p.x == r.x && p.y > r.y)) rights_[at(left)] = i;
  }
}

Cover::Label Arrangement::seedLabel(int node) const {
  if (seeds_.size() < 2) return 0;
  const int mine = component_[at(node)];
  return rayLabel(
      nodes_.at(node), false, [&](int i) { return component_[at(nodes_.find(arcs_.arcs[at(i)].node[0]))] == mine; },
      nullptr);
}

bool Arrangement::labelAll() {
  findComponents();
  labels_.resize(2 * edges_.size());
  known_.assign(2 * edges_.size(), 0);
  for (std::size_t i = 0; i < seeds_.size(); ++i) {
    const Cover::Label west = seedLabel(seeds_[i]);
    if (!spread(seeds_[i], west)) return false;
    if (label(sectorTowards(rights_[i], false)) != west) return false;
  }
  // Where a first tolerance failed, agreement alone is not enough.
  return doubtfulEdgesHold() && (retries_ == 0 || exact_ || allEdgesHold());
}

bool Arrangement::spread(int node, Cover::Label west) {
  open_.clear();
  if (!labelNode(sectorTowards(node, true), west, open_)) return false;
  while (!open_.empty()) {
    const int half = open_.back();
    open_.pop_back();
    if (!labelNode(half, labels_[at(half)], open_)) return false;
  }
  return true;
}

/// Labels all sectors of the tail of the half-edge, given the one on its left. False when that contradicts what is
/// known from the other ends, or does not close.
bool Arrangement::labelNode(int half, Cover::Label left, std::vector<int>& open) {
  enum : char { Unknown, FromOneEnd, FromBoth };
  if (known_[at(half)] == FromBoth) return true;
  const int node = tail(half), first = starts_[at(node)], last = starts_[at(node) + 1];
  const Cover::Label start = left;
  int place = place_[at(half)];
  for (int i = first; i < last; ++i) {
    place = place + 1 == last ? first : place + 1;
    const int g = around_[at(place)], twin = g ^ 1;
    const Cover::Label right = left;
    left = crossed(g, right);
    if (known_[at(g)] == Unknown) {
      labels_[at(g)] = left;
      labels_[at(twin)] = right;
      known_[at(g)] = known_[at(twin)] = FromOneEnd;
      open.push_back(twin);
    } else {
      if (labels_[at(g)] != left || labels_[at(twin)] != right) return false;
      known_[at(g)] = known_[at(twin)] = FromBoth;
    }
  }
  return left == start;
}

/// At doubtful nodes an order can be consistent and wrong: long pieces there are judged by a ray.
bool Arrangement::doubtfulEdgesHold() const {
  for (const int node : doubtful_)
    for (int i = starts_[at(node)]; i < starts_[at(node) + 1]; ++i)
      if (!holdsByRay(around_[at(i)])) return false;
  return true;
}

bool Arrangement::allEdgesHold() const {
  for (std::size_t i = 0; i < edges_.size(); ++i)
    if (!edges_[i].isAlias && !holdsByRay(2 * static_cast<int>(i))) return false;
  return true;
}

bool Arrangement::holdsByRay(int half) const {
  stopPoint();
  const Leaving way = leaving(half);
  const Arc& arc = *way.arc;
  if (length(arc.at(way.v) - arc.at(way.u)) < 100 * frame_.contraction()) return true;
  // The ray leaves a level piece upright, and an upright one level. From a piece that runs to growing x the upright ray
  // leaves on its right, the level one on its left where it rises.
  const bool upright = arc.high[0] - arc.low[0] > arc.high[1] - arc.low[1];
  const bool onLeft = (!upright && arc.rising) == (way.v > way.u);
  const Cover::Label expected = label(onLeft ? half : half ^ 1);
  const auto alias = [&](int other) {
    if (&arcs_.arcs[at(other)] == way.arc) return true;
    for (int k = edge(half).alias; k >= 0; k = edges_[at(k)].alias)
      if (pieces_[at(edges_[at(k)].first)].arc == other) return true;
    return false;
  };
  for (const double t : {0.5, 0.37, 0.71}) {
    bool doubt = false;
    const Cover::Label seen = rayLabel(arc.at(way.u + (way.v - way.u) * t), upright, alias, &doubt);
    if (!doubt) return seen == expected;
  }
  return true;
}

}  // namespace widecut
