// Labels of faces: how often each operand winds round them.
#pragma once

#include <cstdint>
#include <unordered_map>
#include <vector>

namespace widecut {

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
  std::unordered_map<std::uint64_t, Label> byHash_;
  std::unordered_map<std::uint64_t, Label> steps_;
};

}  // namespace widecut
