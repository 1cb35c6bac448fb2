#include "cutting/arc_tree.h"

namespace widecut {
namespace {

constexpr int leafSize = 4;
/// Few contours are left in the order they come in.
constexpr std::size_t manyContours = 8;

/// The bits of two 16-bit numbers, interleaved: a place on the Morton curve.
std::uint32_t mortonCode(double x, double y) {
  const auto spread = [](double v) {
    auto bits = static_cast<std::uint32_t>(std::clamp(v, 0.0, 65535.0));
    bits = (bits | (bits << 8)) & 0x00FF00FFU;
    bits = (bits | (bits << 4)) & 0x0F0F0F0FU;
    bits = (bits | (bits << 2)) & 0x33333333U;
    return (bits | (bits << 1)) & 0x55555555U;
  };
  return spread(x) | (spread(y) << 1);
}

}  // namespace

void ArcTree::build(const Arcs& arcs, std::size_t first, std::size_t last, double margin) {
  nodes_.clear();
  order_.clear();
  cells_.clear();
  if (first == last) return;
  orderContours(arcs, first, last);
  cells_.reserve(order_.size());
  for (const int i : order_) {
    const Arc& arc = arcs.arcs[static_cast<std::size_t>(i)];
    Cell& c = cells_.emplace_back();
    for (int k = 0; k < 4; ++k) {
      // The diagonals are √2 longer than the coordinates they stand for.
      const double grow = k < 2 ? margin : 2 * margin;
      c.low[k] = arc.low[k] - grow;
      c.high[k] = arc.high[k] + grow;
    }
  }
  nodes_.reserve(order_.size());
  (void)make(0, static_cast<int>(order_.size()));
}

void ArcTree::orderContours(const Arcs& arcs, std::size_t first, std::size_t last) {
  struct Run {
    std::uint32_t code;
    int first, last;
  };
  const auto& starts = arcs.contourStarts;
  const auto from = std::lower_bound(starts.begin(), starts.end(), static_cast<int>(first));
  const auto to = std::lower_bound(starts.begin(), starts.end(), static_cast<int>(last));
  if (static_cast<std::size_t>(to - from) < manyContours) {
    order_.resize(last - first);
    for (std::size_t i = first; i < last; ++i) order_[i - first] = static_cast<int>(i);
    return;
  }
  Box all;
  for (std::size_t i = first; i < last; ++i)
    all.add(Point{arcs.arcs[i].low[0], arcs.arcs[i].low[1]}), all.add(Point{arcs.arcs[i].high[0], arcs.arcs[i].high[1]});
  const double size = std::max({all.width(), all.height(), 1e-300});
  std::vector<Run> runs;
  for (auto it = from; it != to; ++it) {
    Box box;
    for (int i = *it; i < *(it + 1); ++i) {
      const Arc& a = arcs.arcs[static_cast<std::size_t>(i)];
      box.add(a.p[0]);
      box.add(a.p[3]);
    }
    const Point c = (box.centre() - all.low) * (65535 / size);
    runs.push_back({mortonCode(c.x, c.y), *it, *(it + 1)});
  }
  std::stable_sort(runs.begin(), runs.end(), [](const Run& a, const Run& b) { return a.code < b.code; });
  for (const Run& run : runs)
    for (int i = run.first; i < run.last; ++i) order_.push_back(i);
}

int ArcTree::make(int first, int last) {
  const int id = static_cast<int>(nodes_.size());
  nodes_.push_back({{}, first, last, -1, -1});
  Cell whole;
  if (last - first > leafSize) {
    const int middle = first + (last - first) / 2;
    const int left = make(first, middle), right = make(middle, last);
    const Cell &a = node(left).cell, &b = node(right).cell;
    for (int k = 0; k < 4; ++k) {
      whole.low[k] = std::min(a.low[k], b.low[k]);
      whole.high[k] = std::max(a.high[k], b.high[k]);
    }
    nodes_[static_cast<std::size_t>(id)].left = left;
    nodes_[static_cast<std::size_t>(id)].right = right;
  } else {
    whole = cell(first);
    for (int i = first + 1; i < last; ++i)
      for (int k = 0; k < 4; ++k) {
        whole.low[k] = std::min(whole.low[k], cell(i).low[k]);
        whole.high[k] = std::max(whole.high[k], cell(i).high[k]);
      }
  }
  nodes_[static_cast<std::size_t>(id)].cell = whole;
  return id;
}

}  // namespace widecut
