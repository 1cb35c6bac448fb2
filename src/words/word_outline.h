// Words as outlines.
#pragma once

#include <string>
#include <string_view>

#include "geometry/outline.h"
#include "geometry/problem.h"

namespace widecut {

/// The outline of one line of text, shaped with kerning and ligatures. The base line starts at the
/// origin; `size` is the em in points. Refuses a font file that cannot be read, naming it.
Result<Outline> wordOutline(const std::string& fontFile, std::string_view text, double size);

}  // namespace widecut
