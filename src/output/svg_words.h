// Words in an SVG that stay text.
#pragma once

#include <optional>
#include <set>
#include <string>

#include "scene/drawing.h"

namespace widecut {

/// Elements of text that show the words where the reader has their fonts: letters stand where they stand here, one by
/// one. `attributes` say how they are painted; `families` receives what has to be there. Nothing where plain letters do
/// not say all that shows: of scripts read from the right, and of forms that only the font's features make.
std::optional<std::string> svgWords(const FillWords& words, const std::string& attributes,
                                    std::set<std::string>& families);

}  // namespace widecut
