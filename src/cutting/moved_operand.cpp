// One operand of an arrangement moved: only its own pairs are searched again.
#include <algorithm>

#include "cutting/arrangement.h"

namespace widecut {
namespace {

std::size_t at(int i) { return static_cast<std::size_t>(i); }

/// Working coordinates of a drawing are within about 2; the tolerance still suits what lies this far out.
constexpr double furthest = 4;
/// Nodes of crossings that are gone stay behind; with this many times the outlines' own, the map is made anew.
constexpr int mostNodes = 8;

}  // namespace

void Arrangement::buildForMoves(std::span<const Operand* const> operands) {
  logs_ = true;
  buildByLadder(operands);
}

bool Arrangement::moveOperand(std::span<const Operand* const> operands, int moved) {
  if (!logs_ || usedLastResort_ || retries_ > 0 || operands.size() + 1 != operandStarts_.size()) return false;
  if (nodes_.count() > mostNodes * (operandStarts_.back().nodes + 64)) return false;
  // A map that fails half-way must not be moved again.
  logs_ = false;
  if (!replaceArcs(*operands[at(moved)], moved)) return false;
  forgetPairs(moved);

  CrossingSearch search(arcs_, frame_, nodes_, events_, crossings_);
  search.logTo(log_);
  ArcTree own;
  own.build(arcs_, operandStarts_[at(moved)].arcs, operandStarts_[at(moved) + 1].arcs, frame_.tolerance);
  own.pairs([&](int i, int j) { search.meet(std::min(i, j), std::max(i, j)); });
  tree_.build(arcs_, 0, arcs_.arcs.size(), frame_.tolerance);
  hasTree_ = true;
  own.pairsWith(tree_, [&](int i, int j) {
    if (arcs_.arcs[at(j)].operand != moved) search.meet(std::min(i, j), std::max(i, j));
  });
  selfContacts_[at(moved)] = search.selfContacts(moved);
  boundWindings();
  logs_ = finish();
  return logs_;
}

/// Puts the operand's new arcs and nodes in the places of the old ones. False when they do not fit there.
bool Arrangement::replaceArcs(const Operand& operand, int moved) {
  const Start first = operandStarts_[at(moved)], last = operandStarts_[at(moved) + 1];
  Arcs fresh;
  Nodes nodes;
  fresh.clear();
  fresh.add(operand, moved, frame_, nodes);
  if (fresh.arcs.size() != last.arcs - first.arcs || fresh.sources.size() != last.sources - first.sources ||
      nodes.count() != last.nodes - first.nodes)
    return false;
  const auto old =
      std::lower_bound(arcs_.contourStarts.begin(), arcs_.contourStarts.end(), static_cast<int>(first.arcs));
  for (std::size_t i = 0; i < fresh.contourStarts.size(); ++i)
    if (*(old + static_cast<std::ptrdiff_t>(i)) != fresh.contourStarts[i] + static_cast<int>(first.arcs)) return false;
  for (const Arc& arc : fresh.arcs)
    for (int k = 0; k < 2; ++k)
      if (std::abs(arc.low[k]) > furthest || std::abs(arc.high[k]) > furthest) return false;
  for (int i = 0; i < nodes.count(); ++i) {
    if (nodes.find(i) != i) return false;
    nodes_.move(first.nodes + i, nodes.at(i), nodes.sheet(i));
  }
  std::copy(fresh.sources.begin(), fresh.sources.end(),
            arcs_.sources.begin() + static_cast<std::ptrdiff_t>(first.sources));
  for (std::size_t i = 0; i < fresh.arcs.size(); ++i) {
    Arc& arc = arcs_.arcs[first.arcs + i];
    arc = fresh.arcs[i];
    arc.source += static_cast<int>(first.sources);
    arc.node[0] += first.nodes;
    arc.node[1] += first.nodes;
    arc.chain += arcs_.chains;
  }
  arcs_.chains += fresh.chains;
  return true;
}

/// Takes back what was found between the operand and any other, or itself.
void Arrangement::forgetPairs(int moved) {
  events_.resize(searchedEvents_);
  std::size_t kept = 0;
  for (std::size_t i = 0; i < events_.size(); ++i) {
    if (log_.others[i] == moved || arcs_.arcs[at(events_[i].arc)].operand == moved) continue;
    events_[kept] = events_[i];
    log_.others[kept++] = log_.others[i];
  }
  events_.resize(kept);
  log_.others.resize(kept);
  std::erase_if(crossings_, [&](const ShallowCrossing& c) {
    return arcs_.arcs[at(c.arcs[0])].operand == moved || arcs_.arcs[at(c.arcs[1])].operand == moved;
  });
  std::erase_if(log_.unions, [&](const PairLog::Union& u) { return u.operands[0] == moved || u.operands[1] == moved; });
  nodes_.separate();
  for (const PairLog::Union& u : log_.unions) nodes_.unite(u.nodes[0], u.nodes[1]);
}

}  // namespace widecut
