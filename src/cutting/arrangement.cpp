#include "cutting/arrangement.h"

#include <algorithm>

#include "cutting/last_resort.h"
#include "geometry/stop_point.h"

namespace widecut {
namespace {

/// Shares of the extent that are tried as tolerance, in this order.
constexpr double ladder[] = {ladderStart, 1e-12, 1e-10, 1e-9, 1e-13, 1e-8, 3e-12};
/// Up to this many arcs every pair is looked at; beyond, a tree finds those that come close.
constexpr std::size_t fewArcs = 28;

std::size_t at(int i) { return static_cast<std::size_t>(i); }

bool closerThan(Point a, Point b, double d) { return dot(b - a, b - a) < d * d; }

}  // namespace

void Arrangement::build(std::span<const Operand* const> operands) {
  logs_ = false;
  buildByLadder(operands);
}

void Arrangement::buildByLadder(std::span<const Operand* const> operands) {
  retries_ = 0;
  usedLastResort_ = false;
  for (const double relative : ladder) {
    if (attempt(operands, relative)) return;
    ++retries_;
  }
  buildByLastResort(operands);
}

void Arrangement::buildByLastResort(std::span<const Operand* const> operands) {
  usedLastResort_ = true;
  LastResort(*this).build(operands);
}

bool Arrangement::attempt(std::span<const Operand* const> operands, double relative) {
  exact_ = false;
  frame_ = Frame::around(operands, relative);
  nodes_.clear();
  arcs_.clear();
  events_.clear();
  crossings_.clear();
  std::size_t segments = 0;
  for (const Operand* operand : operands)
    for (const Contour& c : operand->outline.contours) segments += c.segments.size() + 1;
  arcs_.reserve(segments);
  nodes_.reserve(2 * segments);
  operandStarts_.clear();
  const auto mark = [&] { operandStarts_.push_back({arcs_.arcs.size(), arcs_.sources.size(), nodes_.count()}); };
  for (std::size_t i = 0; i < operands.size(); ++i) {
    mark();
    arcs_.add(*operands[i], static_cast<int>(i), frame_, nodes_);
  }
  mark();
  log_.clear();
  // Ends that are one because nothing lies between them.
  for (std::size_t i = 0; logs_ && i < operands.size(); ++i)
    for (int n = operandStarts_[i].nodes; n < operandStarts_[i + 1].nodes; ++n)
      if (const int one = nodes_.find(n); one != n) log_.unions.push_back({{n, one}, {{-1, -1}}});
  findEvents(operands.size());
  return finish();
}

bool Arrangement::finish() {
  searchedEvents_ = events_.size();
  sortEvents();
  contract();
  if (addHotNodes()) {
    sortEvents();
    contract();
  }
  makePieces();
  makeEdges();
  collectAround();
  mergeAliases();
  orderAround();
  return labelAll();
}

void Arrangement::findEvents(std::size_t operands) {
  CrossingSearch search(arcs_, frame_, nodes_, events_, crossings_);
  if (logs_) search.logTo(log_);
  findPairs(search);
  selfContacts_.resize(operands);
  for (std::size_t i = 0; i < operands; ++i) selfContacts_[i] = search.selfContacts(static_cast<int>(i));
  boundWindings();
}

/// A closed curve that crosses itself k times winds at most k + 1 times round any place.
void Arrangement::boundWindings() {
  bounds_ = selfContacts_;
  for (std::size_t c = 0; c + 1 < arcs_.contourStarts.size(); ++c)
    ++bounds_[at(arcs_.arcs[at(arcs_.contourStarts[c])].operand)];
  cover_.reset(bounds_);
}

void Arrangement::findPairs(CrossingSearch& search) {
  const std::size_t n = arcs_.arcs.size();
  hasTree_ = n > fewArcs;
  if (hasTree_) {
    tree_.build(arcs_, 0, n, frame_.tolerance);
    tree_.pairs([&](int i, int j) { search.meet(std::min(i, j), std::max(i, j)); });
    return;
  }
  const double reach = 2 * frame_.tolerance;
  for (std::size_t i = 0; i < n; ++i) {
    const Arc& a = arcs_.arcs[i];
    for (std::size_t j = i + 1; j < n; ++j) {
      const Arc& b = arcs_.arcs[j];
      if (a.chain == b.chain) continue;
      if (j == i + 1 && partAtOnce(a, b, frame_.tolerance)) continue;
      if (a.low[0] > b.high[0] + reach || b.low[0] > a.high[0] + reach || a.low[1] > b.high[1] + reach ||
          b.low[1] > a.high[1] + reach || a.low[2] > b.high[2] + 2 * reach || b.low[2] > a.high[2] + 2 * reach ||
          a.low[3] > b.high[3] + 2 * reach || b.low[3] > a.high[3] + 2 * reach)
        continue;
      search.meet(static_cast<int>(i), static_cast<int>(j));
    }
  }
}

/// The events of each arc together, ascending.
void Arrangement::sortEvents() {
  const std::size_t n = arcs_.arcs.size();
  eventStarts_.assign(n + 1, 0);
  for (const Event& e : events_) ++eventStarts_[at(e.arc) + 1];
  for (std::size_t i = 0; i < n; ++i) eventStarts_[i + 1] += eventStarts_[i];
  sorted_.resize(events_.size());
  for (const Event& e : events_) sorted_[at(eventStarts_[at(e.arc)]++)] = e;
  for (std::size_t i = n; i > 0; --i) eventStarts_[i] = eventStarts_[i - 1];
  eventStarts_[0] = 0;
  for (std::size_t i = 0; i < n; ++i) {
    const auto first = sorted_.begin() + eventStarts_[i], last = sorted_.begin() + eventStarts_[i + 1];
    if (last - first > 1) std::sort(first, last, [](const Event& a, const Event& b) { return a.u < b.u; });
  }
}

/// Unites consecutive places of an arc that are hardly apart.
void Arrangement::contract() {
  const double least = frame_.contraction();
  for (std::size_t i = 0; i < arcs_.arcs.size(); ++i) {
    stopPoint();
    const Arc& arc = arcs_.arcs[i];
    Point before = arc.p[0];
    int node = arc.node[0];
    for (int k = eventStarts_[i]; k < eventStarts_[i + 1]; ++k) {
      const Event& e = sorted_[at(k)];
      const Point here = arc.at(e.u);
      if (closerThan(before, here, least)) nodes_.unite(node, e.node);
      before = here;
      node = e.node;
    }
    if (closerThan(before, arc.p[3], least)) nodes_.unite(node, arc.node[1]);
  }
}

/// A third arc that passes within the tolerance of a crossing meets one of its two arcs no further away than a few
/// tolerances by the sine of their angle; when there is nothing so close, there is no third arc.
bool Arrangement::standsAlone(const ShallowCrossing& crossing) const {
  const double reach = 16 * frame_.tolerance / std::max(crossing.sine, 1e-12);
  for (int k = 0; k < 2; ++k) {
    const Arc& arc = arcs_.arcs[at(crossing.arcs[k])];
    const Point p = arc.at(crossing.u[k]);
    if (closerThan(p, arc.p[0], reach) || closerThan(p, arc.p[3], reach)) return false;
    const auto first = sorted_.begin() + eventStarts_[at(crossing.arcs[k])];
    const auto last = sorted_.begin() + eventStarts_[at(crossing.arcs[k]) + 1];
    auto it = std::lower_bound(first, last, crossing.u[k], [](const Event& e, double u) { return e.u < u; });
    if (it != first && closerThan(p, arc.at((it - 1)->u), reach)) return false;
    while (it != last && it->node == crossing.node) ++it;
    if (it != last && closerThan(p, arc.at(it->u), reach)) return false;
  }
  return true;
}

/// A shallow crossing strays along its arcs: whatever else passes through it must know it as a node.
bool Arrangement::addHotNodes() {
  const std::size_t before = events_.size();
  for (const ShallowCrossing& crossing : crossings_) {
    if (nodes_.find(crossing.node) != crossing.node || standsAlone(crossing)) continue;
    const Point p = nodes_.at(crossing.node);
    const auto look = [&](int i) {
      const Arc& arc = arcs_.arcs[at(i)];
      if (nodes_.find(arc.node[0]) == crossing.node || nodes_.find(arc.node[1]) == crossing.node) return;
      for (int k = eventStarts_[at(i)]; k < eventStarts_[at(i) + 1]; ++k)
        if (nodes_.find(sorted_[at(k)].node) == crossing.node) return;
      if (const auto u = CrossingSearch::nearOn(arc, p, frame_.tolerance)) events_.push_back({i, crossing.node, *u});
    };
    if (hasTree_) {
      tree_.around(p, look);
      continue;
    }
    const double reach = frame_.tolerance;
    for (std::size_t i = 0; i < arcs_.arcs.size(); ++i) {
      const Arc& a = arcs_.arcs[i];
      if (p.x >= a.low[0] - reach && p.x <= a.high[0] + reach && p.y >= a.low[1] - reach && p.y <= a.high[1] + reach)
        look(static_cast<int>(i));
    }
  }
  return events_.size() > before;
}

/// An edge with an arc of its own, for overlays made of straight runs.
void Arrangement::addStraightEdge(int from, int to, int source, double t0, double t1) {
  const Point a = nodes_.at(from), b = nodes_.at(to);
  const bool forwards = a.x < b.x || (a.x == b.x && a.y < b.y);
  const int number = static_cast<int>(pieces_.size());
  Arc& arc = arcs_.arcs.emplace_back();
  arc.p = forwards ? Bezier{a, {}, {}, b} : Bezier{b, {}, {}, a};
  arc.node[0] = forwards ? from : to;
  arc.node[1] = forwards ? to : from;
  arc.t0 = forwards ? t0 : t1;
  arc.t1 = forwards ? t1 : t0;
  arc.direction = forwards ? 1 : -1;
  arc.source = source;
  arc.operand = arcs_.sources[at(source)].operand;
  arc.settle();
  pieces_.push_back({number, from, to, forwards ? 0.0 : 1.0, forwards ? 1.0 : 0.0});
  edges_.push_back({from, to, number, number, arc.operand, -1, false, false});
}

/// Cuts every arc at its nodes, contour by contour.
void Arrangement::makePieces() {
  pieces_.clear();
  contourOfPiece_.clear();
  pieceStarts_.assign(1, 0);
  const auto& starts = arcs_.contourStarts;
  for (std::size_t c = 0; c + 1 < starts.size(); ++c) {
    for (int i = starts[c]; i < starts[c + 1]; ++i) addPieces(i);
    if (static_cast<int>(pieces_.size()) == pieceStarts_.back()) continue;
    contourOfPiece_.resize(pieces_.size(), static_cast<int>(pieceStarts_.size()) - 1);
    pieceStarts_.push_back(static_cast<int>(pieces_.size()));
  }
}

void Arrangement::addPieces(int id) {
  const Arc& arc = arcs_.arcs[at(id)];
  const bool forwards = arc.direction > 0;
  const int first = eventStarts_[at(id)], last = eventStarts_[at(id) + 1];
  int from = nodes_.find(arc.node[forwards ? 0 : 1]);
  if (first == last) {
    const int to = nodes_.find(arc.node[forwards ? 1 : 0]);
    if (from != to) {
      pieces_.push_back({id, from, to, forwards ? 0.0 : 1.0, forwards ? 1.0 : 0.0});
      return;
    }
  }
  const std::size_t before = pieces_.size();
  const double end = forwards ? 1 : 0;
  double u0 = 1 - end;
  const auto reach = [&](int node, double u) {
    const int to = nodes_.find(node);
    if (to != from) {
      pieces_.push_back({id, from, to, u0, u});
      from = to;
      u0 = u;
      return;
    }
    // A long way that comes back to its own cluster gets a node on it; a short one was no way at all.
    if (!closerThan(arc.at(u0), arc.at(u), 4 * frame_.contraction())) {
      const double middle = 0.5 * (u0 + u);
      const Point p = arc.at(middle);
      const int extra = nodes_.add(p, frame_.toSheet(p), false);
      pieces_.push_back({id, from, extra, u0, middle});
      pieces_.push_back({id, extra, to, middle, u});
      u0 = u;
    } else if (u == end && pieces_.size() > before) {
      u0 = pieces_.back().u1 = end;
    }
  };
  if (forwards)
    for (int k = first; k < last; ++k) reach(sorted_[at(k)].node, sorted_[at(k)].u);
  else
    for (int k = last; k > first; --k) reach(sorted_[at(k - 1)].node, sorted_[at(k - 1)].u);
  reach(arc.node[forwards ? 1 : 0], end);
}

/// Joins pieces into edges between junctions.
void Arrangement::makeEdges() {
  edges_.clear();
  const std::size_t n = at(nodes_.count());
  degree_.assign(n, 0);
  isJunction_.assign(n, 0);
  for (const Piece& p : pieces_) {
    ++degree_[at(p.from)];
    ++degree_[at(p.to)];
  }
  for (std::size_t c = 0; c + 1 < pieceStarts_.size(); ++c) {
    int left = pieces_[at(pieceStarts_[c])].from, right = left;
    int before = pieces_[at(pieceStarts_[c + 1] - 1)].from;
    for (int i = pieceStarts_[c]; i < pieceStarts_[c + 1]; ++i) {
      const int node = pieces_[at(i)].to;
      // A contour that turns back on itself does so at a junction.
      if (before == node) isJunction_[at(pieces_[at(i)].from)] = 1;
      before = pieces_[at(i)].from;
      const Point p = nodes_.at(node), l = nodes_.at(left), r = nodes_.at(right);
      if (p.x < l.x || (p.x == l.x && p.y < l.y)) left = node;
      if (p.x > r.x || (p.x == r.x && p.y > r.y)) right = node;
    }
    isJunction_[at(left)] = isJunction_[at(right)] = 1;
  }
  for (std::size_t c = 0; c + 1 < pieceStarts_.size(); ++c) edgesOfContour(static_cast<int>(c));
}

void Arrangement::edgesOfContour(int contour) {
  const int first = pieceStarts_[at(contour)], last = pieceStarts_[at(contour) + 1];
  const auto junction = [&](int node) { return isJunction_[at(node)] || degree_[at(node)] != 2; };
  int begin = first;
  while (!junction(pieces_[at(begin)].from)) ++begin;  // its leftmost node is one
  const int operand = arcs_.arcs[at(pieces_[at(begin)].arc)].operand;
  int start = begin;
  for (int k = 0; k < last - first; ++k) {
    const int i = begin + k < last ? begin + k : begin + k - (last - first);
    if (!junction(pieces_[at(i)].to)) continue;
    edges_.push_back({pieces_[at(start)].from, pieces_[at(i)].to, start, i, operand, -1, false, false});
    start = i + 1 < last ? i + 1 : first;
  }
}

/// The half-edges that leave each node, in no order yet. Aliases are left out.
void Arrangement::collectAround() {
  const std::size_t n = at(nodes_.count());
  starts_.assign(n + 1, 0);
  for (const Edge& e : edges_) {
    if (e.isAlias) continue;
    ++starts_[at(e.from) + 1];
    ++starts_[at(e.to) + 1];
  }
  for (std::size_t i = 0; i < n; ++i) starts_[i + 1] += starts_[i];
  around_.resize(at(starts_[n]));
  for (std::size_t i = 0; i < edges_.size(); ++i) {
    const Edge& e = edges_[i];
    if (e.isAlias) continue;
    const int half = 2 * static_cast<int>(i);
    around_[at(starts_[at(e.from)]++)] = half;
    around_[at(starts_[at(e.to)]++)] = half + 1;
  }
  for (std::size_t i = n; i > 0; --i) starts_[i] = starts_[i - 1];
  starts_[0] = 0;
}

/// Runs of several pieces never run together: their inner nodes would be junctions.
bool Arrangement::runTogether(const Edge& a, const Edge& b) const {
  if (a.first != a.last || b.first != b.last) return false;
  const Piece& piece = pieces_[at(a.first)];
  const Arc &p = arcs_.arcs[at(piece.arc)], &q = arcs_.arcs[at(pieces_[at(b.first)].arc)];
  if (p.line && q.line) return true;
  for (const double t : {0.5, 0.25, 0.75})
    if (!CrossingSearch::nearOn(q, p.at(piece.u0 + (piece.u1 - piece.u0) * t), 3 * frame_.tolerance)) return false;
  return true;
}

/// Edges between the same two nodes that run together become one, with a list of aliases.
void Arrangement::mergeAliases() {
  bool merged = false;
  for (std::size_t node = 0; node + 1 < starts_.size(); ++node) {
    for (int i = starts_[node]; i < starts_[node + 1]; ++i) {
      const int first = around_[at(i)];
      Edge& e = edges_[at(first / 2)];
      const int other = head(first);
      if (e.isAlias || other < static_cast<int>(node)) continue;
      for (int j = i + 1; j < starts_[node + 1]; ++j) {
        const int second = around_[at(j)];
        Edge& f = edges_[at(second / 2)];
        if (f.isAlias || head(second) != other || !runTogether(e, f)) continue;
        f.isAlias = true;
        f.against = first % 2 != second % 2;
        f.alias = e.alias;
        e.alias = second / 2;
        merged = true;
      }
    }
  }
  if (merged) collectAround();
  if (!cover_.isPacked()) return;
  deltas_.assign(edges_.size(), 0);
  for (std::size_t i = 0; i < edges_.size(); ++i) {
    if (edges_[i].isAlias) continue;
    for (int k = static_cast<int>(i); k >= 0; k = edges_[at(k)].alias)
      deltas_[i] += cover_.packedStep(edges_[at(k)].operand) * (edges_[at(k)].against ? -1 : 1);
  }
}

}  // namespace widecut
