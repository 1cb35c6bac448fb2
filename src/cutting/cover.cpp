#include "cutting/cover.h"

#include <algorithm>
#include <limits>

namespace widecut {

namespace {

std::uint64_t scattered(std::uint64_t key) {
  key = (key ^ (key >> 31)) * 0x9E3779B97F4A7C15U;
  return key ^ (key >> 29);
}

}  // namespace

void LabelTable::clear() {
  for (Slot& s : slots_) s.label = empty;
  used_ = 0;
}

void LabelTable::grow() {
  std::vector<Slot> old(std::max<std::size_t>(64, 2 * slots_.size()), Slot{0, empty});
  old.swap(slots_);
  used_ = 0;
  bool isNew = false;
  for (const Slot& s : old)
    if (s.label != empty) (void)at(s.key, s.label, &isNew);
}

std::int64_t& LabelTable::at(std::uint64_t key, std::int64_t otherwise, bool* isNew) {
  if (2 * (used_ + 1) > slots_.size()) grow();
  const std::size_t mask = slots_.size() - 1;
  for (std::size_t i = scattered(key) & mask;; i = (i + 1) & mask) {
    Slot& slot = slots_[i];
    if (slot.label == empty) {
      slot = {key, otherwise};
      ++used_;
      *isNew = true;
      return slot.label;
    }
    if (slot.key == key) {
      *isNew = false;
      return slot.label;
    }
  }
}

void Cover::reset(int operands) {
  operands_ = operands;
  bits_ = operands <= 4 ? 64 / std::max(2, operands) : 0;
  if (bits_ > 0) return;
  sets_.assign(1, {0, {}});
  byHash_.clear();
  steps_.clear();
  bool isNew = false;
  (void)byHash_.at(0, 0, &isNew);
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
  constexpr Label unknown = std::numeric_limits<Label>::max();
  bool isNew = false;
  if (const Label known = steps_.at(key, unknown, &isNew); !isNew) return known;
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
  for (std::uint64_t slot = next.hash;; ++slot) {
    const Label found = byHash_.at(slot, static_cast<Label>(sets_.size()), &isNew);
    if (isNew) sets_.push_back(next);
    if (!isNew && sets_[static_cast<std::size_t>(found)].entries != next.entries) continue;
    return steps_.at(key, found, &isNew) = found;
  }
}

}  // namespace widecut
