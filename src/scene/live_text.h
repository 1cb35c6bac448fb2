// Words as letters of their fonts, for formats that keep text as text.
#pragma once

#include <string>
#include <vector>

#include "words/set_words.h"

namespace widecut {

/// Letters that are one sign, where they stand on a line.
struct LiveCluster {
  /// What was typed. Nothing for what was not, as the mark of a list; a soft hyphen for that of a word which is broken.
  std::string says;
  const SetRun* run = nullptr;
  std::size_t first = 0, count = 0;  ///< Its glyphs in the run.
  double x = 0;                      ///< Of the first one, from the line's left end.
};
/// The letters of a straight line that have glyphs, in the order in which they are read; `line` outlives them.
std::vector<LiveCluster> clustersOf(const SetLine& line, const std::string& story);
/// True when every line that shows is straight.
bool isStraight(const SetWords& words);

}  // namespace widecut
