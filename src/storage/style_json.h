// Styles in the file: fills, lines, effects, opacity and blend mode.
#pragma once

#include <nlohmann/json.hpp>

#include "storage/members.h"

namespace widecut {

/// Adds what the style has to an object.
void writeStyle(const Style& style, nlohmann::json& object);
/// Reads it; pictures refer to these media by their hashes. Throws Wrong.
Style readStyle(Members& members, const Media& media);

/// #rrggbb or #rrggbbaa, with “ @3” after it where it is a swatch of the project.
std::string colourForFile(Colour colour);

}  // namespace widecut
