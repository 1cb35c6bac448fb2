#include "cutting/cover.h"

#include <algorithm>

namespace widecut {

void Cover::reset(int operands) {
  operands_ = operands;
  bits_ = operands <= 4 ? 64 / std::max(2, operands) : 0;
  if (bits_ > 0) return;
  sets_.assign(1, {0, {}});
  byHash_.clear();
  byHash_.emplace(0, 0);
  steps_.clear();
}

int Cover::winding(Label label, int operand) const {
  if (bits_ == 0) {
    for (const Entry& e : sets_[static_cast<std::size_t>(label)].entries)
      if (e.operand == operand) return e.winding;
    return 0;
  }
  // Lower fields that are negative borrow from those above.
  Label rest = label;
  for (int i = 0; i < operand; ++i) {
    const Label low = static_cast<Label>(static_cast<std::uint64_t>(rest) << (64 - bits_)) >> (64 - bits_);
    rest = (rest - low) >> bits_;
  }
  return static_cast<int>(static_cast<Label>(static_cast<std::uint64_t>(rest) << (64 - bits_)) >> (64 - bits_));
}

std::vector<Cover::Entry> Cover::entries(Label label) const {
  if (bits_ == 0) return sets_[static_cast<std::size_t>(label)].entries;
  std::vector<Entry> out;
  for (int i = 0; i < operands_; ++i)
    if (const int w = winding(label, i); w != 0) out.push_back({i, w});
  return out;
}

std::uint64_t Cover::hashOf(int operand, int winding) {
  if (winding == 0) return 0;
  std::uint64_t h = static_cast<std::uint64_t>(operand) * 0x9E3779B97F4A7C15U + static_cast<std::uint64_t>(winding) + 1;
  h = (h ^ (h >> 30)) * 0xBF58476D1CE4E5B9U;
  h = (h ^ (h >> 27)) * 0x94D049BB133111EBU;
  return h ^ (h >> 31);
}

Cover::Label Cover::stepInterned(Label label, int operand, int by) {
  const std::uint64_t key = (static_cast<std::uint64_t>(label) * static_cast<std::uint64_t>(operands_) +
                             static_cast<std::uint64_t>(operand)) *
                                2 +
                            (by > 0 ? 1 : 0);
  if (const auto known = steps_.find(key); known != steps_.end()) return known->second;
  Set next = sets_[static_cast<std::size_t>(label)];
  const auto at = std::lower_bound(next.entries.begin(), next.entries.end(), operand,
                                   [](const Entry& e, int value) { return e.operand < value; });
  const bool there = at != next.entries.end() && at->operand == operand;
  const int before = there ? at->winding : 0, after = before + by;
  next.hash += hashOf(operand, after) - hashOf(operand, before);
  if (after == 0)
    next.entries.erase(at);
  else if (there)
    at->winding = after;
  else
    next.entries.insert(at, {operand, after});
  // Different lists of one hash stand side by side.
  std::uint64_t slot = next.hash;
  for (;; ++slot) {
    const auto [found, isNew] = byHash_.emplace(slot, static_cast<Label>(sets_.size()));
    if (isNew) sets_.push_back(next);
    if (isNew || sets_[static_cast<std::size_t>(found->second)].entries == next.entries) {
      steps_.emplace(key, found->second);
      return found->second;
    }
  }
}

}  // namespace widecut
