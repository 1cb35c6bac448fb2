// Shapes of an SVG file: the part that parses it. Only called in the reading process, by tests and fuzzers.
#pragma once

#include "storage/svg_in.h"

namespace widecut::parsing {

/// See widecut::shapesFromSvg.
Result<SvgShapes> shapesFromSvg(std::string_view text);

}  // namespace widecut::parsing
