// The lines of one paragraph, broken to widths and laid out in them.
#pragma once

#include "words/line_breaks.h"
#include "words/set_words.h"

namespace widecut {

/// Bytes are counted from the beginning of the paragraph.
struct ParagraphLine {
  std::size_t number = 0;  ///< Of the widths: the place that it fills.
  std::size_t from = 0, to = 0;
  double x = 0;      ///< Its left end, from that of its place; of lines without a width from where they are aligned at.
  double width = 0;  ///< Without white space at its end.
  bool endsInHyphen = false;
  std::shared_ptr<const LineBody> body;
};

/// What breaking goes by: widths of clusters, and where lines may end. `forced` are clusters before which words are
/// parted that have to be.
BreakText breakTextOf(const Paragraph& paragraph, const std::vector<std::size_t>& forced = {});
BreakRules breakRulesOf(const Paragraph& paragraph);

/// Lines in places of these widths. What was found for a paragraph is kept with it, for when it comes to the same
/// places.
std::vector<ParagraphLine> linesIn(const Paragraph& paragraph, const LineWidths& widths);
/// All of it on one line.
ParagraphLine onOneLine(const Paragraph& paragraph);

}  // namespace widecut
