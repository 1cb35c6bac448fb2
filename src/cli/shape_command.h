// `widecut shape`: outlines of starters, and the table of their kinds.
#pragma once

#include <string>
#include <vector>

#include "geometry/problem.h"

namespace widecut {

/// What was asked for on the command line.
struct ShapeRequest {
  std::vector<std::string> words;  ///< The kind's name, then key=value.
  std::string batch;               ///< A file of JSON lines.
  bool list = false, asJson = false;
};

/// Writes to standard output.
Result<void> shape(const ShapeRequest& request);

}  // namespace widecut
