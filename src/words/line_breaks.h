// Where the lines of a paragraph end: the best ends for all of it at once, after D. E. Knuth and M. F. Plass,
// “Breaking paragraphs into lines”, Software: Practice and Experience 11 (1981), with lines of any width each.
#pragma once

#include <cstddef>
#include <functional>
#include <limits>
#include <vector>

namespace widecut {

/// A place at which a line may end. Letters are counted in clusters of the paragraph.
struct BreakPlace {
  std::size_t end = 0;    ///< The cluster after the last one on the line, without white space.
  std::size_t next = 0;   ///< The cluster that begins the next line.
  double hyphen = 0;      ///< The width of the hyphen that it adds.
  bool isHyphen = false;  ///< A word is parted here.
  bool isForced = false;  ///< The word is too wide for any line: it is parted where it may not be.
  double hangs = 0;       ///< How far what ends the line may hang out of it.
};

/// A paragraph as its lines are broken: widths of clusters added up, each list one longer than there are clusters.
struct BreakText {
  std::vector<double> width, stretch, shrink;
  std::vector<double> hangs;       ///< Of each cluster, when it begins a line.
  std::vector<BreakPlace> places;  ///< Rising; the last one is the end of the paragraph.
};

struct BreakRules {
  bool isJustified = false;
  double raggedStretch = 60;  ///< By how much lines that are not justified may well be short.
};

/// How wide the lines to be filled are.
struct LineWidths {
  std::function<double(std::size_t line)> of;  ///< By its number; numbers may go on for ever.
  std::size_t alikeFrom = npos;                ///< From this one on all are alike.
  static constexpr std::size_t npos = static_cast<std::size_t>(-1);
  double operator()(std::size_t line) const { return of(line); }
};
struct BrokenLine {
  std::size_t line = 0;   ///< Its number: lines too narrow for any word are left out.
  std::size_t place = 0;  ///< Of `places`: where it ends.
  bool operator==(const BrokenLine&) const = default;
};

/// How well a stretch fits a line: by how much of what its spaces may be stretched (positive) or shrunk (negative) they
/// are, ±infinity where they cannot. `from` is the place of the line before plus 1, 0 at the beginning.
double ratioOf(const BreakText& text, const BreakRules& rules, std::size_t from, std::size_t place, double width);

/// The lines whose demerits together are the least, among those without a line looser than the first of `looseness`
/// with which there are any. Words that are wider than all lines to come stick out of theirs.
std::vector<BrokenLine> bestLines(const BreakText& text, const LineWidths& widths, const BreakRules& rules);
/// Each line as full as can be.
std::vector<BrokenLine> greedyLines(const BreakText& text, const LineWidths& widths, const BreakRules& rules);
/// What the lines cost; the lower the better.
double demerits(const BreakText& text, const LineWidths& widths, const BreakRules& rules,
                const std::vector<BrokenLine>& lines);

/// The line, from `line` on, for what begins at `from`: the first that has room for the next piece; `line` itself where
/// none of those to come has.
std::size_t lineWithRoom(const BreakText& text, const LineWidths& widths, const BreakRules& rules, std::size_t from,
                         std::size_t line);
/// The ratios up to which lines are asked for, one after another.
inline constexpr double looseness[] = {2, 8, std::numeric_limits<double>::infinity()};

}  // namespace widecut
