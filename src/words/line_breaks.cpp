#include "words/line_breaks.h"

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <limits>
#include <unordered_map>

#include "geometry/stop_point.h"

namespace widecut {
namespace {

constexpr double infinity = std::numeric_limits<double>::infinity();
constexpr double rounding = 1e-7;  // points

// As in the paper, but for what is said beside them.
constexpr double lineCost = 1;
constexpr double hyphenPenalty = 50;
constexpr double hyphensInARow = 3000;
constexpr double unlikeNeighbours = 3000;
constexpr double mostBadness = 10'000;
constexpr double sticksOut = 1e9;       // of a word wider than its line
constexpr double partedAnywhere = 1e6;  // of one that is parted where it may not be
constexpr std::size_t mostWays = 8;     // that are gone on with from where a word is parted where it may not be

enum class Fitness : unsigned char { Tight, Decent, Loose, VeryLoose };
Fitness fitnessOf(double ratio) {
  if (ratio < -0.5) return Fitness::Tight;
  if (ratio <= 0.5) return Fitness::Decent;
  return ratio <= 1 ? Fitness::Loose : Fitness::VeryLoose;
}

/// What one line costs, after one of this fitness that ended in a hyphen or not.
double costOf(double ratio, const BreakPlace& place, bool isLast, Fitness before, bool hyphenBefore) {
  double cost = 0;
  if (ratio < -1) {
    cost = sticksOut;
  } else {
    const double badness = std::min(mostBadness, 100 * std::abs(ratio * ratio * ratio));
    cost = (lineCost + badness) * (lineCost + badness);
  }
  if (place.isHyphen) cost += hyphenPenalty * hyphenPenalty;
  if (place.isForced) cost += partedAnywhere;
  if (hyphenBefore && (place.isHyphen || isLast)) cost += hyphensInARow;
  const int step = std::abs(static_cast<int>(fitnessOf(ratio)) - static_cast<int>(before));
  return step > 1 ? cost + unlikeNeighbours : cost;
}

double widthOf(const BreakText& text, std::size_t begin, const BreakPlace& place) {
  const double width = text.width[std::max(place.end, begin)] - text.width[begin] + place.hyphen - place.hangs;
  return width - (begin < text.hangs.size() ? text.hangs[begin] : 0);
}

std::size_t beginOf(const BreakText& text, std::size_t from) { return from == 0 ? 0 : text.places[from - 1].next; }

/// A way to break the paragraph up to a place.
struct Node {
  std::size_t from = 0;  ///< The place that it broke at, plus 1.
  std::size_t line = 0;  ///< The next one to be filled.
  Fitness fitness = Fitness::Decent;
  double cost = 0;
  std::int32_t before = -1;  ///< The node of the line before.
  std::size_t filled = 0;    ///< The line that it filled.
  bool isOnlyWay = false;    ///< Its next piece is wider than any line.
};

class Search {
 public:
  Search(const BreakText& text, const LineWidths& widths, const BreakRules& rules, double most)
      : text_(text), widths_(widths), rules_(rules), most_(most) {
    for (const BreakPlace& place : text.places) mostHangs_ = std::max(mostHangs_, place.hangs);
  }

  /// Nothing when some line would be looser than it may.
  std::vector<BrokenLine> lines() {
    active_.push_back(added({}, 0));
    for (std::size_t place = 0; place < text_.places.size(); ++place) {
      if (active_.empty()) return {};
      goTo(place);
    }
    const auto best =
        std::min_element(active_.begin(), active_.end(), [&](auto a, auto b) { return of(a).cost < of(b).cost; });
    if (best == active_.end()) return {};
    std::vector<BrokenLine> out;
    for (std::int32_t node = *best; of(node).before >= 0; node = of(node).before)
      out.push_back({of(node).filled, of(node).from - 1});
    std::reverse(out.begin(), out.end());
    return out;
  }

 private:
  const Node& of(std::int32_t node) const { return nodes_[static_cast<std::size_t>(node)]; }

  std::int32_t added(Node node, std::size_t line) {
    const std::size_t roomy =
        node.from < text_.places.size() ? lineWithRoom(text_, widths_, rules_, node.from, line) : line;
    node.line = roomy;
    node.isOnlyWay =
        node.from < text_.places.size() && ratioOf(text_, rules_, node.from, node.from, widths_(roomy)) < -1;
    nodes_.push_back(node);
    return static_cast<std::int32_t>(nodes_.size() - 1);
  }

  /// Tries to end lines at a place.
  void goTo(std::size_t place) {
    stopPoint();
    const bool isLast = place + 1 == text_.places.size();
    const BreakPlace& at = text_.places[place];
    std::unordered_map<std::uint64_t, std::size_t> known;  // by line and fitness, where in `best`
    std::vector<Node> best;
    std::erase_if(active_, [&](std::int32_t node) {
      const Node& from = of(node);
      const double ratio = ratioOf(text_, rules_, from.from, place, widths_(from.line));
      const bool isFirst = place == from.from;
      const bool isOver = isOverfull(from, at);
      if (ratio < -1 && !(isFirst && from.isOnlyWay)) return isOver;
      if (ratio > most_) return false;
      const bool hyphenBefore = from.from > 0 && text_.places[from.from - 1].isHyphen;
      Node next;
      next.from = place + 1;
      next.fitness = fitnessOf(ratio);
      next.cost = from.cost + costOf(ratio, at, isLast, from.fitness, hyphenBefore);
      next.before = node;
      next.filled = from.line;
      const std::uint64_t key =
          (std::min(from.line, widths_.alikeFrom) << 2U) | static_cast<std::uint64_t>(next.fitness);
      const auto [one, fresh] = known.try_emplace(key, best.size());
      if (fresh)
        best.push_back(next);
      else if (next.cost < best[one->second].cost)
        best[one->second] = next;
      return isOver;
    });
    // A word without end can be parted at every letter onto any number of lines: all ways would be the square of them.
    if (at.isForced && best.size() > mostWays) {
      std::stable_sort(best.begin(), best.end(), [](const Node& a, const Node& b) { return a.cost < b.cost; });
      best.resize(mostWays);
    }
    for (const Node& node : best) active_.push_back(added(node, node.filled + 1));
    // After the end of all there is nothing but these.
    if (isLast) std::erase_if(active_, [&](std::int32_t node) { return of(node).from != place + 1; });
  }

  /// Whether no place from this one on fits: what a hyphen or a hanging point changes put aside.
  bool isOverfull(const Node& from, const BreakPlace& at) const {
    const std::size_t begin = beginOf(text_, from.from), end = std::max(at.end, begin);
    double least = text_.width[end] - text_.width[begin] - mostHangs_;
    if (begin < text_.hangs.size()) least -= text_.hangs[begin];
    if (rules_.isJustified) least -= text_.shrink[end] - text_.shrink[begin];
    return least > widths_(from.line) + rounding;
  }

  const BreakText& text_;
  const LineWidths& widths_;
  const BreakRules& rules_;
  double most_, mostHangs_ = 0;
  std::vector<Node> nodes_;
  std::vector<std::int32_t> active_;
};

}  // namespace

double ratioOf(const BreakText& text, const BreakRules& rules, std::size_t from, std::size_t place, double width) {
  const std::size_t begin = beginOf(text, from);
  const BreakPlace& at = text.places[place];
  const double room = width - widthOf(text, begin, at);
  const std::size_t end = std::max(at.end, begin);
  if (room < -rounding) {
    const double shrink = rules.isJustified ? text.shrink[end] - text.shrink[begin] : 0;
    return -room <= shrink + rounding ? std::max(room / shrink, -1.0) : -infinity;
  }
  const bool isLast = place + 1 == text.places.size();
  if (room <= rounding || isLast) return 0;
  const double stretch = rules.isJustified ? text.stretch[end] - text.stretch[begin] : rules.raggedStretch;
  return stretch > 0 ? room / stretch : infinity;
}

std::size_t lineWithRoom(const BreakText& text, const LineWidths& widths, const BreakRules& rules, std::size_t from,
                         std::size_t line) {
  constexpr std::size_t furthest = 400;  // lines that are looked at
  for (std::size_t k = line; k < line + furthest; ++k) {
    if (ratioOf(text, rules, from, from, widths(k)) >= -1) return k;
    if (k >= widths.alikeFrom) break;
  }
  return line;
}

std::vector<BrokenLine> bestLines(const BreakText& text, const LineWidths& widths, const BreakRules& rules) {
  for (const double most : looseness)
    if (auto lines = Search(text, widths, rules, most).lines(); !lines.empty()) return lines;
  return {};
}

std::vector<BrokenLine> greedyLines(const BreakText& text, const LineWidths& widths, const BreakRules& rules) {
  BreakRules unshrunk = rules;
  unshrunk.isJustified = false;
  std::vector<BrokenLine> out;
  std::size_t line = 0;
  for (std::size_t from = 0; from < text.places.size();) {
    line = lineWithRoom(text, widths, unshrunk, from, line);
    std::size_t place = from;
    while (place + 1 < text.places.size() && ratioOf(text, unshrunk, from, place + 1, widths(line)) >= -1) ++place;
    out.push_back({line++, place});
    from = place + 1;
  }
  return out;
}

double demerits(const BreakText& text, const LineWidths& widths, const BreakRules& rules,
                const std::vector<BrokenLine>& lines) {
  double sum = 0;
  std::size_t from = 0;
  Fitness fitness = Fitness::Decent;
  for (const BrokenLine& line : lines) {
    const double ratio = ratioOf(text, rules, from, line.place, widths(line.line));
    const bool hyphenBefore = from > 0 && text.places[from - 1].isHyphen;
    sum += costOf(ratio, text.places[line.place], line.place + 1 == text.places.size(), fitness, hyphenBefore);
    fitness = fitnessOf(ratio);
    from = line.place + 1;
  }
  return sum;
}

}  // namespace widecut
