#include "cutting/last_resort.h"

#include <algorithm>
#include <unordered_map>

#include "geometry/stop_point.h"

namespace widecut {
namespace {

using Whole = std::int64_t;
__extension__ using Wide = __int128;

/// The grid has this many cells, as a power of two, over the larger extent.
constexpr int gridBits = 26;
/// Straight runs stay this close to their curves, as a share of the extent; coarser when there would be too many.
constexpr double fineness = 1e-7;
constexpr double mostRuns = 400000;

std::size_t at(int i) { return static_cast<std::size_t>(i); }

struct Cell {
  Whole x, y;
  bool operator==(const Cell&) const = default;
};
struct CellHash {
  std::size_t operator()(Cell c) const {
    return static_cast<std::size_t>(c.x * 0x1F123BB5 + c.y) * 0x9E3779B97F4A7C15U;
  }
};
Cell cellOf(Point p) { return {std::llround(p.x), std::llround(p.y)}; }
Point middleOf(Cell c) { return {static_cast<double>(c.x), static_cast<double>(c.y)}; }
Whole crossOf(Cell a, Cell b, Cell c) { return (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x); }

/// A straight run between two cells, with what it stands for.
struct Run {
  Cell from, to;
  double t0, t1;
  int source;
};

/// The nearest whole number; halves go up.
Whole rounded(Wide num, Wide den) {
  if (den < 0) {
    num = -num;
    den = -den;
  }
  const Wide twice = 2 * num + den, q = twice / (2 * den);
  return static_cast<Whole>(q * 2 * den > twice ? q - 1 : q);
}

std::optional<Cell> crossingCell(const Run& a, const Run& b) {
  const Whole e0 = crossOf(b.from, b.to, a.from), e1 = crossOf(b.from, b.to, a.to);
  const Whole f0 = crossOf(a.from, a.to, b.from), f1 = crossOf(a.from, a.to, b.to);
  if (!((e0 < 0 && e1 > 0) || (e0 > 0 && e1 < 0)) || !((f0 < 0 && f1 > 0) || (f0 > 0 && f1 < 0))) return std::nullopt;
  const Wide den = Wide{e0} - e1;
  return Cell{a.from.x + rounded(Wide{e0} * (a.to.x - a.from.x), den),
              a.from.y + rounded(Wide{e0} * (a.to.y - a.from.y), den)};
}

/// A share of a run, as a fraction; `open` when the share itself is not meant.
struct Bound {
  Whole num, den;
  bool open;
};
bool below(const Bound& a, const Bound& b) { return Wide{a.num} * b.den < Wide{b.num} * a.den; }
bool equal(const Bound& a, const Bound& b) { return Wide{a.num} * b.den == Wide{b.num} * a.den; }

/// True when the run meets the cell: its square with the left and upper sides, without the other two.
bool passes(const Run& run, Cell cell) {
  Bound low{0, 1, false}, high{1, 1, false};
  const auto raise = [&](Bound b) {
    if (below(low, b) || (equal(low, b) && b.open)) low = b;
  };
  const auto lower = [&](Bound b) {
    if (below(b, high) || (equal(high, b) && b.open)) high = b;
  };
  const auto clip = [&](Whole from, Whole to, Whole centre) {
    // Twice the coordinates, so that the sides are whole: centre − 1 ≤ v < centre + 1.
    const Whole d = 2 * (to - from), least = 2 * centre - 1 - 2 * from, most = 2 * centre + 1 - 2 * from;
    if (d == 0) return least <= 0 && 0 < most;
    if (d > 0) {
      raise({least, d, false});
      lower({most, d, true});
    } else {
      raise({-most, -d, true});
      lower({-least, -d, false});
    }
    return true;
  };
  if (!clip(run.from.x, run.to.x, cell.x) || !clip(run.from.y, run.to.y, cell.y)) return false;
  return below(low, high) || (equal(low, high) && !low.open && !high.open);
}

int stepsFor(const Bezier& c, double tolerance) {
  const double bend = std::max(length(c[0] - 2 * c[1] + c[2]), length(c[1] - 2 * c[2] + c[3]));
  return static_cast<int>(std::clamp(std::ceil(std::sqrt(0.75 * bend / tolerance)), 1.0, 4096.0));
}

Bezier workCubic(const Source& s, const Frame& frame) {
  const auto c = asCubic(s.start, {s.kind, s.handle1, s.handle2, s.end});
  return {frame.toWork(c[0]), frame.toWork(c[1]), frame.toWork(c[2]), frame.toWork(c[3])};
}

std::vector<Run> runsOf(const std::vector<Source>& sources, const Frame& frame) {
  double tolerance = std::ldexp(fineness, gridBits + 1), total = 0;
  for (const Source& s : sources) total += s.kind == SegmentKind::Line ? 1 : stepsFor(workCubic(s, frame), tolerance);
  if (total > mostRuns) tolerance *= square(total / mostRuns);
  std::vector<Run> runs;
  for (std::size_t i = 0; i < sources.size(); ++i) {
    const Bezier c = workCubic(sources[i], frame);
    const int steps = sources[i].kind == SegmentKind::Line ? 1 : stepsFor(c, tolerance);
    Cell from = cellOf(c[0]);
    double t0 = 0;
    for (int k = 1; k <= steps; ++k) {
      const double t1 = k == steps ? 1 : static_cast<double>(k) / steps;
      const Cell to = cellOf(k == steps ? c[3] : pointOn(c, t1));
      if (to == from && k < steps) continue;
      if (!(to == from)) runs.push_back({from, to, t0, t1, static_cast<int>(i)});
      from = to;
      t0 = t1;
    }
  }
  return runs;
}

}  // namespace

void LastResort::build(std::span<const Operand* const> operands) {
  Arrangement& m = map_;
  m.frame_ = Frame::around(operands, ladderStart);
  m.frame_.scale = std::ldexp(m.frame_.scale, gridBits);
  m.frame_.tolerance = 0.25;
  m.frame_.noise = 0;
  m.nodes_.clear();
  m.arcs_.clear();
  for (std::size_t i = 0; i < operands.size(); ++i) m.arcs_.add(*operands[i], static_cast<int>(i), m.frame_, m.nodes_);
  // Wide fields, or interned lists.
  m.cover_.reset(std::vector<int>(operands.size(), 1 << 20));
  const std::vector<Run> runs = runsOf(m.arcs_.sources, m.frame_);

  // The runs as line arcs, to find those that come close.
  Arcs lines;
  lines.clear();
  for (const Run& run : runs) {
    Arc& arc = lines.arcs.emplace_back();
    const bool forwards = run.from.x < run.to.x;
    arc.p = {middleOf(forwards ? run.from : run.to), {}, {}, middleOf(forwards ? run.to : run.from)};
    arc.settle();
    // Of a chain of its own, and neighbour to none: every pair is looked at.
    arc.chain = static_cast<int>(lines.arcs.size());
    arc.node[0] = 2 * arc.chain;
    arc.node[1] = 2 * arc.chain + 1;
  }
  lines.contourStarts = {0, static_cast<int>(runs.size())};
  ArcTree tree;
  tree.build(lines, 0, runs.size(), 0.75);

  std::unordered_map<Cell, int, CellHash> hot;
  m.nodes_.clear();
  const auto claim = [&](Cell c, Point sheet, bool original) {
    const auto [found, isNew] = hot.try_emplace(c, 0);
    if (isNew) found->second = m.nodes_.add(middleOf(c), sheet, original);
  };
  for (const Source& s : m.arcs_.sources)
    for (const Point p : {s.start, s.end}) claim(cellOf(m.frame_.toWork(p)), p, true);
  const auto claimMiddle = [&](Cell c) { claim(c, m.frame_.toSheet(middleOf(c)), false); };
  for (const Run& run : runs) {
    claimMiddle(run.from);
    claimMiddle(run.to);
  }
  tree.pairs([&](int i, int j) {
    stopPoint();
    if (const auto cell = crossingCell(runs[at(i)], runs[at(j)])) claimMiddle(*cell);
  });
  std::vector<std::vector<int>> through(runs.size());
  for (const auto& [cell, node] : hot) {
    const auto look = [&, c = cell, n = node](int i) {
      if (passes(runs[at(i)], c)) through[at(i)].push_back(n);
    };
    tree.around(middleOf(cell), look);
  }

  // Each run, led through its cells, becomes edges; each edge is an arc of its own.
  m.arcs_.arcs.clear();
  m.edges_.clear();
  m.pieces_.clear();
  for (std::size_t i = 0; i < runs.size(); ++i) {
    const Run& run = runs[i];
    const Point from = middleOf(run.from), way = middleOf(run.to) - from;
    auto& cells = through[i];
    const auto place = [&](int node) { return dot(m.nodes_.at(node) - from, way); };
    std::sort(cells.begin(), cells.end(), [&](int a, int b) { return place(a) < place(b); });
    double t0 = run.t0;
    for (std::size_t k = 1; k < cells.size(); ++k) {
      const double share = std::clamp(place(cells[k]) / dot(way, way), 0.0, 1.0);
      const double t1 = k + 1 == cells.size() ? run.t1 : run.t0 + (run.t1 - run.t0) * share;
      m.addStraightEdge(cells[k - 1], cells[k], run.source, t0, t1);
      t0 = t1;
    }
  }
  m.exact_ = true;
  m.arcs_.contourStarts = {0, static_cast<int>(m.arcs_.arcs.size())};
  m.hasTree_ = m.arcs_.arcs.size() > 64;
  if (m.hasTree_) m.tree_.build(m.arcs_, 0, m.arcs_.arcs.size(), 0.25);
  m.collectAround();
  m.mergeAliases();
  m.orderAround();
  m.lastResortHeld_ = m.labelAll();
}

}  // namespace widecut
