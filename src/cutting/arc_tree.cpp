#include "cutting/arc_tree.h"

namespace widecut {
namespace {

constexpr int leafSize = 8;
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

ArcTree::Cell ArcTree::cellOf(const Arc& arc, double margin) {
  // The diagonals are √2 longer than the coordinates they stand for.
  const double m = margin, d = 2 * margin;
  Cell c;
  c.low[0] = Two{arc.low[0] - m, arc.low[1] - m};
  c.low[1] = Two{arc.low[2] - d, arc.low[3] - d};
  c.negHigh[0] = Two{-arc.high[0] - m, -arc.high[1] - m};
  c.negHigh[1] = Two{-arc.high[2] - d, -arc.high[3] - d};
  return c;
}

void ArcTree::build(const Arcs& arcs, std::size_t first, std::size_t last, double margin) {
  nodes_.clear();
  order_.clear();
  cells_.clear();
  chains_.clear();
  parts_.clear();
  begins_.clear();
  if (first == last) return;
  orderContours(arcs, first, last);
  cells_.reserve(order_.size());
  for (const int i : order_) {
    const Arc& arc = arcs.arcs[static_cast<std::size_t>(i)];
    chains_.push_back(arc.chain);
    begins_.push_back(arc.beginsContour);
    const Arc* next = static_cast<std::size_t>(i) + 1 < last ? &arc + 1 : nullptr;
    parts_.push_back(next && partAtOnce(arc, *next, margin));
    cells_.push_back(cellOf(arc, margin));
  }
  nodes_.reserve(order_.size());
  (void)make(0, static_cast<int>(order_.size()));
}

void ArcTree::refresh(const Arcs& arcs, std::span<const char> changed, double margin) {
  for (std::size_t place = 0; place < order_.size(); ++place) {
    const auto i = static_cast<std::size_t>(order_[place]);
    const bool beforeChanged = i + 1 < changed.size() && changed[i + 1] != 0;
    if (changed[i] != 0) cells_[place] = cellOf(arcs.arcs[i], margin);
    if (changed[i] != 0 || beforeChanged)
      parts_[place] = i + 1 < arcs.arcs.size() && partAtOnce(arcs.arcs[i], arcs.arcs[i + 1], margin);
  }
  // Children stand after their parents.
  for (std::size_t n = nodes_.size(); n-- > 0;) {
    Node& whole = nodes_[n];
    if (whole.left >= 0) {
      whole.cell = node(whole.left).cell;
      whole.cell.add(node(whole.right).cell);
    } else {
      whole.cell = cell(whole.first);
      for (int i = whole.first + 1; i < whole.last; ++i) whole.cell.add(cell(i));
    }
  }
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
    all.add(Point{arcs.arcs[i].low[0], arcs.arcs[i].low[1]}),
        all.add(Point{arcs.arcs[i].high[0], arcs.arcs[i].high[1]});
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

/// Where a run of arcs is cut in two: at its middle, or at a contour's end close to it.
int ArcTree::cutBetween(int first, int last) const {
  const int middle = first + (last - first) / 2, reach = (last - first) / 4;
  for (int away = 0; away <= reach; ++away) {
    if (begins(middle - away)) return middle - away;
    if (begins(middle + away)) return middle + away;
  }
  return middle;
}

int ArcTree::make(int first, int last) {
  const int id = static_cast<int>(nodes_.size());
  nodes_.push_back({{}, first, last, -1, -1, -1});
  Cell whole;
  if (last - first > leafSize) {
    const int middle = cutBetween(first, last);
    const int left = make(first, middle), right = make(middle, last);
    whole = node(left).cell;
    whole.add(node(right).cell);
    nodes_[static_cast<std::size_t>(id)].left = left;
    nodes_[static_cast<std::size_t>(id)].right = right;
    const int chain = node(left).chain;
    nodes_[static_cast<std::size_t>(id)].chain = chain == node(right).chain ? chain : -1;
  } else {
    whole = cell(first);
    bool one = true;
    for (int i = first + 1; i < last; ++i) one = one && chain(i) == chain(first);
    nodes_[static_cast<std::size_t>(id)].chain = one ? chain(first) : -1;
    for (int i = first + 1; i < last; ++i) whole.add(cell(i));
  }
  nodes_[static_cast<std::size_t>(id)].cell = whole;
  return id;
}

}  // namespace widecut
