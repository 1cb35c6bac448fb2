// Labels of faces: how often each operand winds round them.
#pragma once

#include <cstdint>
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

/// A label stands for one winding number an operand. Few operands share the bits of one number; more are kept
/// as interned lists. 0 is the label of the plane outside everything.
class Cover {
 public:
  using Label = std::int64_t;

  void reset(int operands);
  /// The label after crossing one edge of the operand, which adds `by` (±1) to its winding.
  Label step(Label label, int operand, int by) {
    if (bits_ > 0) return label + packedStep(operand) * by;
    return stepInterned(label, operand, by);
  }
  bool isPacked() const { return bits_ > 0; }
  /// What a step adds to a packed label.
  Label packedStep(int operand) const { return Label{1} << (bits_ * operand); }
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
    if (bits_ == 0) {
      for (const Entry& e : sets_[static_cast<std::size_t>(label)].entries) visit(e.operand, e.winding);
      return;
    }
    for (int i = 0; i < operands_; ++i)
      if (const int w = winding(label, i); w != 0) visit(i, w);
  }
  int operandCount() const { return operands_; }

 private:
  Label stepInterned(Label label, int operand, int by);
  static std::uint64_t hashOf(int operand, int winding);

  struct Set {
    std::uint64_t hash;
    std::vector<Entry> entries;
  };
  int operands_ = 0;
  int bits_ = 0;
  std::vector<Set> sets_;
  LabelTable byHash_, steps_;
};

}  // namespace widecut
