// Words along a line: an open one, or an outline.
#pragma once

#include "words/set_words.h"

namespace widecut {

/// A line that words run along, and how. Lengths in points.
struct AlongLine {
  std::shared_ptr<const Outline> line;  ///< Its first contour counts. Never null.
  double start = 0;          ///< Where they begin, or how far their middle or end is moved, by the alignment.
  double offset = 0;         ///< Between the line and their base line.
  bool isOtherSide = false;  ///< They stand on the other side of the line, and run the other way.
  bool isSpread = false;     ///< From one end of the line to the other, evenly.
  bool operator==(const AlongLine& other) const;
};

/// Each paragraph runs along the line by itself, the second within the first by the leading. On open lines, letters
/// that come to lie beyond their ends are not shown. At tight bends letters keep as far apart as their boxes need.
SetWords setAlong(const WordsToSet& words, const AlongLine& along);

}  // namespace widecut
