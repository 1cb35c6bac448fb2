// `widecut words`: words as they are set, as lines with positions or as path data.
#pragma once

#include <string>
#include <vector>

#include "geometry/problem.h"

namespace widecut {

/// What was asked for on the command line.
struct WordsRequest {
  std::string text, font = "Cabin";
  std::string size = "24pt";
  std::string in, along;           ///< Path data of an outline, or of a line; empty for lines of their own.
  std::vector<std::string> looks;  ///< As align=justified or leading=30pt, by the table of what words can look like.
  bool asJson = false;
};

/// Writes to standard output. A family that is not there is told on standard error.
Result<void> words(const WordsRequest& request);

}  // namespace widecut
