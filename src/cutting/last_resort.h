// The overlay that cannot fail: straight runs, rounded to a grid.
#pragma once

#include "cutting/arrangement.h"

namespace widecut {

/// Snap rounding (Hobby, “Practical segment intersection with finite precision output”, 1999): the arcs become
/// straight runs within 1e-7 of the extent, every end and crossing claims its grid cell, and each run is led through
/// the middle of every claimed cell it passes. The result has no crossing left but at nodes, and all its predicates
/// are exact in whole numbers.
class LastResort {
 public:
  explicit LastResort(Arrangement& map) : map_(map) {}
  void build(std::span<const Operand* const> operands);

 private:
  Arrangement& map_;
};

}  // namespace widecut
