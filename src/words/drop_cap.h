// The large letters that a paragraph begins with.
#pragma once

#include "words/set_words.h"

namespace widecut {

struct DropCap {
  std::size_t bytes = 0;  ///< So many of the paragraph are set large.
  std::vector<SetRun>
      runs;  ///< From x = 0, where their ink begins, on the base line of the last of the lines beside it.
  std::vector<double> widths;  ///< What each line beside it has to leave free, the gap included.
};
/// Of a paragraph whose style asks for one, and which has letters.
std::optional<DropCap> dropCapOf(const Paragraph& paragraph, const std::vector<StyledStretch>& stretches);

}  // namespace widecut
