// One operand of an arrangement moved or reshaped: only its own pairs are searched again.
#include <algorithm>

#include "cutting/arrangement.h"

namespace widecut {
namespace {

std::size_t at(int i) { return static_cast<std::size_t>(i); }

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
  changed_.assign(arcs_.arcs.size(), 0);
  const bool few = hasTree_ && replaceFew(*operands[at(moved)], moved);
  if (!few && !replaceArcs(*operands[at(moved)], moved)) return false;
  forgetPairs();

  CrossingSearch search(arcs_, frame_, nodes_, events_, crossings_);
  search.logTo(log_);
  if (few)
    meetFew(search);
  else
    meetMoved(search, moved);
  const auto isOwn = [&](const PairLog::Pair& pair) { return arcs_.arcs[at(pair.arcs[0])].operand == moved; };
  selfContacts_[at(moved)] = static_cast<int>(std::count_if(log_.contacts.begin(), log_.contacts.end(), isOwn));
  boundWindings();
  logs_ = finish();
  return logs_;
}

/// Meets all arcs of the operand with one another and with all others.
void Arrangement::meetMoved(CrossingSearch& search, int moved) {
  ArcTree own;
  own.build(arcs_, operandStarts_[at(moved)].arcs, operandStarts_[at(moved) + 1].arcs, frame_.tolerance);
  own.pairs([&](int i, int j) { search.meet(std::min(i, j), std::max(i, j)); });
  tree_.build(arcs_, 0, arcs_.arcs.size(), frame_.tolerance);
  hasTree_ = true;
  own.pairsWith(tree_, [&](int i, int j) {
    if (arcs_.arcs[at(j)].operand != moved) search.meet(std::min(i, j), std::max(i, j));
  });
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
    if (arc.liesFarOut()) return false;
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
    changed_[first.arcs + i] = 1;
  }
  arcs_.chains += fresh.chains;
  return true;
}

/// Takes back what was found between the arcs that changed and any others.
void Arrangement::forgetPairs() {
  const auto isGone = [&](const PairLog::Pair& pair) {
    return pair.arcs[0] >= 0 && (changed_[at(pair.arcs[0])] != 0 || changed_[at(pair.arcs[1])] != 0);
  };
  events_.resize(searchedEvents_);
  std::size_t kept = 0;
  for (std::size_t i = 0; i < events_.size(); ++i) {
    if (isGone({{events_[i].arc, log_.others[i]}})) continue;
    events_[kept] = events_[i];
    log_.others[kept++] = log_.others[i];
  }
  events_.resize(kept);
  log_.others.resize(kept);
  std::erase_if(crossings_, [&](const ShallowCrossing& c) { return isGone({{c.arcs[0], c.arcs[1]}}); });
  std::erase_if(log_.contacts, isGone);
  std::erase_if(log_.unions, [&](const PairLog::Union& u) { return isGone(u.of); });
  nodes_.separate();
  for (const PairLog::Union& u : log_.unions) nodes_.unite(u.nodes[0], u.nodes[1]);
}

}  // namespace widecut
