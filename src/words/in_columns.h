// The lines of one paragraph in the columns of a story.
#pragma once

#include "words/columns.h"
#include "words/paragraphs.h"

namespace widecut {

/// A line of the story with the column that it is in.
struct Placed {
  SetLine line;
  std::size_t column = 0;
};

/// The lines of a paragraph from a cursor on, which comes to stand behind them; `mark` is that of its list, or empty.
std::vector<Placed> placedInColumns(const std::vector<Column>& columns, const StyledParagraph& one,
                                    const std::string& mark, Cursor& cursor);

}  // namespace widecut
