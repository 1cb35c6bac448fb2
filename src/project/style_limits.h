// What a look may be: limits of fills, lines and effects.
#pragma once

#include <string>

#include "project/style.h"

namespace widecut {

/// What of a style is beyond the limits, in words; empty when all is well.
std::string beyondStyle(const Style& style);
/// The same of the lengths of a dashed line.
std::string beyondDashes(const std::vector<double>& dashes);

}  // namespace widecut
