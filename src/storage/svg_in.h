// Shapes of an SVG file as items.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "geometry/problem.h"
#include "project/model.h"
#include "reading/process.h"

namespace widecut {

/// What was read, in points (SVG has 96 units an inch), with the drawing's own origin.
struct SvgShapes {
  std::vector<Item> items;  ///< Back to front, with ids that nothing else of it has. Groups of the drawing are groups.
  std::vector<std::string>
      notes;  ///< What it has that could not be taken over, each once: “gradients became one colour”.
};

/// Reads paths, plain shapes, text, groups, uses and their transforms, and colours, lines and opacities given by
/// attributes, by styles, or by simple rules of a style sheet (SVG 1.1). Filled by even-odd, outlines are worked out
/// anew for the nonzero rule. All of that happens in the reading process. Refuses what is no SVG, and what holds no
/// shapes; the problem says where.
Result<SvgShapes> shapesFromSvg(std::string_view text, const reading::Patience& patience = {});

}  // namespace widecut
