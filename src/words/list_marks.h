// What stands before the paragraphs of a list.
#pragma once

#include "words/set_words.h"

namespace widecut {

/// How far in the lines of a list begin, in ems.
inline constexpr double listIndent = 1.3;

/// Counts the paragraphs of lists.
class Lists {
 public:
  /// What stands before a paragraph; empty for those that are in no list. Asked of each in turn.
  std::string mark(ListMark kind);

 private:
  ListMark before_ = ListMark::None;
  int count_ = 0;
};

/// A mark of a list, left of the line that begins at x = 0.
void addListMark(const Paragraph& paragraph, const std::string& mark, LineBody& body);

/// Runs moved to another place of a line.
void addShifted(const std::vector<SetRun>& runs, Point by, std::vector<SetRun>& out);
double widthOf(const std::vector<SetRun>& runs);

}  // namespace widecut
