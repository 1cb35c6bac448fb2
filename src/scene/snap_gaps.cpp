// Gaps that are as wide as others.
#include <algorithm>
#include <limits>

#include "scene/snapping.h"

namespace widecut {
namespace {

double along(Point p, int axis) { return axis == 0 ? p.x : p.y; }

/// The extent of a box along an axis.
struct Run {
  double low, high;
  double from, to;  ///< Across.
};
Run runOf(const Box& box, int axis) {
  return {along(box.low, axis), along(box.high, axis), along(box.low, 1 - axis), along(box.high, 1 - axis)};
}

}  // namespace

void SnapField::alongGaps(int axis, const SnapProbe& probe, double reach, std::vector<Along>& found) const {
  if (!probe.isWhole || !has(SnapKind::Gap)) return;
  const Run own = runOf(probe.box, axis);
  // Neighbours are what lies beside it, and beside those.
  std::vector<Run> row;
  constexpr double far = std::numeric_limits<double>::infinity();
  const Box beside = axis == 0 ? Box{{-far, own.from}, {far, own.to}} : Box{{own.from, -far}, {own.to, far}};
  for (const std::size_t i : boxGrid_.touching(beside)) {
    const Run run = runOf(boxGrid_[i], axis);
    if (run.from < own.to && run.to > own.from) row.push_back(run);
  }
  const auto before = [&](double edge) {
    const Run* best = nullptr;
    for (const Run& run : row)
      if (run.high <= edge && (!best || run.high > best->high)) best = &run;
    return best;
  };
  const auto after = [&](double edge) {
    const Run* best = nullptr;
    for (const Run& run : row)
      if (run.low >= edge && (!best || run.low < best->low)) best = &run;
    return best;
  };
  const double across = (own.from + own.to) / 2, size = own.high - own.low;
  const auto add = [&](double low, double gap, std::initializer_list<std::pair<double, double>> gaps) {
    const double by = low - own.low;
    if (std::abs(by) > reach || !(gap > 0)) return;
    Along one{by, {0, low}, std::abs(by) + 0.1 * reach, {SnapKind::Gap, {}, {}, gap}};
    for (const auto& [from, to] : gaps)
      one.reason.lines.emplace_back(axis == 0 ? Point{from, across} : Point{across, from},
                                    axis == 0 ? Point{to, across} : Point{across, to});
    found.push_back(std::move(one));
  };
  const Run *left = before(own.low + reach), *right = after(own.high - reach);
  if (left && right && right->low - left->high > size) {
    const double gap = (right->low - left->high - size) / 2, low = left->high + gap;
    add(low, gap, {{left->high, low}, {low + size, right->low}});
  }
  if (left)
    if (const Run* next = before(left->low)) {
      const double gap = left->low - next->high, low = left->high + gap;
      add(low, gap, {{next->high, left->low}, {left->high, low}});
    }
  if (right)
    if (const Run* next = after(right->high)) {
      const double gap = next->low - right->high, low = right->low - gap - size;
      add(low, gap, {{low + size, right->low}, {right->high, next->low}});
    }
}

}  // namespace widecut
