// A line as it is laid out: glyphs, spaces and tabs where they stand, and the caret's places between them.
#pragma once

#include "words/set_words.h"

namespace widecut {

/// What a line is to be.
struct LineAsk {
  std::size_t from = 0, to = 0;  ///< Bytes of the paragraph.
  bool endsInHyphen = false;
  bool isFilled = false;  ///< Its spaces are to fill `width`, if it is not the last one.
  bool isLast = false;
  double width = 0;  ///< Of its place.
};
struct LaidLine {
  std::shared_ptr<const LineBody> body;
  double width = 0;  ///< Without white space at its end, and what hangs out of it.
  double hangsBefore = 0, hangsAfter = 0;
};
LaidLine laidLine(const Paragraph& paragraph, const LineAsk& ask);

/// How wide the clusters from … to are with tabs, when they begin a line.
double tabbedWidth(const Paragraph& paragraph, std::size_t from, std::size_t to);

}  // namespace widecut
