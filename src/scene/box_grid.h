// Finding boxes among many.
#pragma once

#include <cstdint>
#include <vector>

#include "geometry/box.h"

namespace widecut {

/// Boxes in the cells of a grid over all of them, about as many cells as boxes. Asking for a small box looks at a few.
class BoxGrid {
 public:
  BoxGrid() = default;
  explicit BoxGrid(std::vector<Box> boxes);

  const Box& operator[](std::size_t i) const { return boxes_[i]; }
  /// The numbers of those that touch the box, rising. The box may reach to infinity.
  std::vector<std::size_t> touching(const Box& box) const;

 private:
  struct Cells {
    int left, top, right, bottom;
  };
  Cells cellsOf(const Box& box) const;

  std::vector<Box> boxes_;
  Box all_;
  int side_ = 1;  ///< Cells across, and down.
  std::vector<std::vector<std::uint32_t>> cells_;
};

}  // namespace widecut
