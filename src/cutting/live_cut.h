// A cut that is made again and again while one part moves.
#pragma once

#include <memory>
#include <span>

#include "cutting/formula.h"
#include "cutting/operand.h"

namespace widecut {

/// Remembers the last operands and their map. When just one of them has changed, only what that one touches is searched
/// again; the result is the same as cut()'s. Not for several threads at once.
class LiveCut {
 public:
  LiveCut();
  ~LiveCut();
  LiveCut(const LiveCut&) = delete;
  LiveCut& operator=(const LiveCut&) = delete;

  /// The same as cut().
  Result<Outline> cut(std::span<const Operand> operands, const Formula& formula);
  /// True when no more than one operand differs from the last ones.
  bool follows(std::span<const Operand> operands) const;
  /// How many cuts so far re-did one operand only.
  int moves() const;

 private:
  struct Inside;
  std::unique_ptr<Inside> inside_;
};

}  // namespace widecut
