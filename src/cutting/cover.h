// Labels of faces: how often each operand winds round them.
#pragma once

#include <cstdint>
#include <span>
#include <vector>

namespace widecut {

/// Labels by 64-bit keys, in one block: open addressing, no removal.
class LabelTable {
 public:
  void clear();
  /// The label kept for the key, or `otherwise`, which is then kept; tells whether it was new.
  std::int64_t& at(std::uint64_t key, std::int64_t otherwise, bool* isNew);

 private:
  struct Slot {
    std::uint64_t key;
    std::int64_t label;
  };
  void grow();
  static constexpr std::int64_t empty = -1;
  std::vector<Slot> slots_;
  std::size_t used_ = 0;
};

/// A label stands for one winding number an operand. While their bits fit into one number they share it; otherwise
/// labels are interned lists. 0 is the label of the plane outside everything.
class Cover {
 public:
  using Label = std::int64_t;

  /// `bounds` says for each operand how far its winding can be from 0.
  void reset(std::span<const int> bounds);
  /// The label after crossing one edge of the operand, which adds `by` (±1) to its winding.
  Label step(Label label, int operand, int by) {
    if (packed_) return label + packedStep(operand) * by;
    return stepInterned(label, operand, by);
  }
  bool isPacked() const { return packed_; }
  /// What a step adds to a packed label.
  Label packedStep(int operand) const {
    return static_cast<Label>(std::uint64_t{1} << fields_[static_cast<std::size_t>(operand)].shift);
  }
  int winding(Label label, int operand) const;
  /// The operands whose winding is not 0, ascending, with it.
  struct Entry {
    int operand;
    int winding;
    bool operator==(const Entry&) const = default;
  };
  std::vector<Entry> entries(Label label) const;
  /// Calls visit(operand, winding) for the same.
  template <class Visit>
  void eachEntry(Label label, const Visit& visit) const {
    if (!packed_) {
      for (const Entry& e : sets_[static_cast<std::size_t>(label)].entries) visit(e.operand, e.winding);
      return;
    }
    // Lower fields that are negative borrow from those above.
    std::uint64_t rest = static_cast<std::uint64_t>(label);
    for (int i = 0; i < operands_ && rest != 0; ++i) {
      const int bits = fields_[static_cast<std::size_t>(i)].bits;
      const Label w = static_cast<Label>(rest << (64 - bits)) >> (64 - bits);
      if (w != 0) visit(i, static_cast<int>(w));
      if (bits == 64) return;
      rest = static_cast<std::uint64_t>(static_cast<Label>(rest - static_cast<std::uint64_t>(w)) >> bits);
    }
  }
  int operandCount() const { return operands_; }

 private:
  Label stepInterned(Label label, int operand, int by);
  static std::uint64_t hashOf(int operand, int winding);

  struct Set {
    std::uint64_t hash;
    std::vector<Entry> entries;
  };
  struct Field {
    int shift, bits;
  };
  int operands_ = 0;
  bool packed_ = true;
  std::vector<Field> fields_;
  std::vector<Set> sets_;
  LabelTable byHash_, steps_;
};

}  // namespace widecut
