// `widecut deliver`: sheets and items as files.
#pragma once

#include <string>

#include "geometry/problem.h"

namespace widecut {

/// What was asked for on the command line.
struct DeliverRequest {
  std::string file, format;
  std::string out;  ///< Of several sheets, `{sheet}` in it stands for the number of each, with zeros before it.
  std::string sheets = "1";  ///< Numbers from 1 on, as 3, 2-5,8 or all.
  double ppi = 144;
  std::string item;
  bool transparent = false, bleed = false, templates = false, letters = false;
};

/// Several sheets become the pages of one PDF, or a file each where `out` has `{sheet}`. Notes are told on standard
/// error; files that are written already stay when a later one fails.
Result<void> deliverFile(const DeliverRequest& request);

}  // namespace widecut
