// The fills and lines of a style as panels list them: from the front.
#pragma once

#include <optional>

#include "project/paint_numbers.h"

namespace widecut {

/// The front fill or line of a style, or the one so many behind it; nothing where there are fewer.
std::optional<PaintPlace> placeAt(const Style& style, bool isLine, std::size_t fromFront);
/// Makes it one colour, adding one where there was none; without a colour it goes.
void setFillColour(Style& style, std::size_t fromFront, std::optional<Colour> colour);
void setLineColour(Style& style, std::size_t fromFront, std::optional<Colour> colour);
/// In points, kept within the limits; a line that is not there is added, and one of no width goes.
void setLineWidth(Style& style, std::size_t fromFront, double width);

}  // namespace widecut
