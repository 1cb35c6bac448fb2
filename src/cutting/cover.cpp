#include "cutting/cover.h"

#include <algorithm>
#include <bit>
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

void Cover::reset(std::span<const int> bounds) {
  operands_ = static_cast<int>(bounds.size());
  fields_.clear();
  int shift = 0;
  for (const int bound : bounds) {
    // A field of b bits holds −2^(b−1) … 2^(b−1) − 1; one bit more than the bound needs, to be on the safe side.
    const int bits = static_cast<int>(std::bit_width(static_cast<unsigned>(bound))) + 2;
    fields_.push_back({shift, bits});
    shift += bits;
  }
  packed_ = shift <= 64;
  if (packed_) return;
  sets_.assign(1, {0, {}});
  byHash_.clear();
  steps_.clear();
  bool isNew = false;
  (void)byHash_.at(0, 0, &isNew);
}

int Cover::winding(Label label, int operand) const {
  int found = 0;
  eachEntry(label, [&](int i, int w) {
    if (i == operand) found = w;
  });
  return found;
}

std::vector<Cover::Entry> Cover::entries(Label label) const {
  std::vector<Entry> out;
  eachEntry(label, [&](int operand, int winding) { out.push_back({operand, winding}); });
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
