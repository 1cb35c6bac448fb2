#include "scene/box_grid.h"

#include <algorithm>
#include <cmath>

namespace widecut {

BoxGrid::BoxGrid(std::vector<Box> boxes) : boxes_(std::move(boxes)) {
  for (const Box& box : boxes_) all_.add(box);
  side_ = std::clamp(static_cast<int>(std::sqrt(static_cast<double>(boxes_.size()))), 1, 512);
  cells_.resize(static_cast<std::size_t>(side_) * static_cast<std::size_t>(side_));
  for (std::size_t i = 0; i < boxes_.size(); ++i) {
    if (boxes_[i].isEmpty()) continue;
    const Cells c = cellsOf(boxes_[i]);
    for (int y = c.top; y <= c.bottom; ++y)
      for (int x = c.left; x <= c.right; ++x)
        cells_[static_cast<std::size_t>(y * side_ + x)].push_back(static_cast<std::uint32_t>(i));
  }
}

BoxGrid::Cells BoxGrid::cellsOf(const Box& box) const {
  const auto cell = [&](double at, double low, double size) {
    const double share = size > 0 ? (at - low) / size * side_ : 0;
    return static_cast<int>(std::clamp(std::floor(share), 0.0, side_ - 1.0));
  };
  return {cell(box.low.x, all_.low.x, all_.width()), cell(box.low.y, all_.low.y, all_.height()),
          cell(box.high.x, all_.low.x, all_.width()), cell(box.high.y, all_.low.y, all_.height())};
}

std::vector<std::size_t> BoxGrid::touching(const Box& box) const {
  std::vector<std::size_t> found;
  if (!box.touches(all_)) return found;
  const Cells asked = cellsOf(box);
  for (int y = asked.top; y <= asked.bottom; ++y)
    for (int x = asked.left; x <= asked.right; ++x)
      for (const std::uint32_t i : cells_[static_cast<std::size_t>(y * side_ + x)])
        if (boxes_[i].touches(box)) found.push_back(i);
  std::sort(found.begin(), found.end());
  found.erase(std::unique(found.begin(), found.end()), found.end());
  return found;
}

}  // namespace widecut
