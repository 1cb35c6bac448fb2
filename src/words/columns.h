// The places for lines in a row of frames.
#pragma once

#include <deque>
#include <map>
#include <memory>
#include <span>
#include <vector>

#include "words/region.h"
#include "words/set_words.h"

namespace widecut {

/// Where one line, or a part of a line between holes, may stand.
struct Slot {
  double left = 0, right = 0;
  double y = 0;            ///< The base line.
  std::size_t column = 0;  ///< Of `Columns`.
  bool beginsLine = true;  ///< The first one on its base line.
};

/// A column of a frame.
struct Column {
  std::size_t frame = 0;
  double left = 0, right = 0, top = 0, bottom = 0;
  const Region* region = nullptr;
  FirstLine first = FirstLine::Ascent;
  double startsLower = 0;  ///< By how much the first line is lower than it might be.
};

/// All columns of the frames, and one without an end for what has no room in them.
std::vector<Column> columnsOf(std::span<const FrameToFill> frames);

/// How far setting has come.
struct Cursor {
  std::size_t column = 0;
  bool isAtTop = true;
  double y = 0;      ///< The last base line.
  double space = 0;  ///< To be left before the next one, besides the leading.
};

/// What lines of a paragraph take up.
struct LineMeasures {
  double leading = 0;
  double ascent = 0, descent = 0, capHeight = 0;
};

/// The places for the lines of one paragraph, from a cursor on; found as they are asked for, without an end.
class Slots {
 public:
  /// No base line lies lower than `lowest` says for a column.
  Slots(const std::vector<Column>& columns, Cursor cursor, LineMeasures measures,
        std::map<std::size_t, double> lowest = {});
  const Slot& at(std::size_t number) const;
  /// From this number on all are alike in width; the greatest number where that is not known.
  std::size_t alikeFrom() const;

 private:
  void findMore() const;
  bool isBeyond(double y) const;

  const std::vector<Column>& columns_;
  LineMeasures measures_;
  std::map<std::size_t, double> lowest_;
  mutable Cursor cursor_;
  mutable std::deque<Slot> slots_;  ///< So that those that were handed out stay where they are.
  std::size_t firstColumn_;
};

}  // namespace widecut
