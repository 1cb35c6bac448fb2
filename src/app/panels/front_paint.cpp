#include "app/panels/front_paint.h"

#include <algorithm>

#include "project/limits.h"
#include "project/usual_colours.h"

namespace widecut {

std::optional<PaintPlace> placeAt(const Style& style, bool isLine, std::size_t fromFront) {
  const std::size_t count = isLine ? style.lines.size() : style.fills.size();
  return fromFront < count ? std::optional(PaintPlace{isLine, count - 1 - fromFront}) : std::nullopt;
}

void setFillColour(Style& style, std::size_t fromFront, std::optional<Colour> colour) {
  const auto place = placeAt(style, false, fromFront);
  if (place && !colour && style.fills.size() > 1 && !isPicture(style.fills[place->index]))
    removePaint(style, *place);
  else if (!place || !colour || isPicture(style.fills[place->index]))
    setColour(style, colour);
  else
    setPlainColour(style, *place, *colour);
}

void setLineColour(Style& style, std::size_t fromFront, std::optional<Colour> colour) {
  const auto place = placeAt(style, true, fromFront);
  if (!colour && place)
    removePaint(style, *place);
  else if (colour && place)
    setPlainColour(style, *place, *colour);
  else if (colour)
    setLine(style, plainLine(*colour, 1));
}

void setLineWidth(Style& style, std::size_t fromFront, double width) {
  const auto place = placeAt(style, true, fromFront);
  const double within = std::clamp(width, limits::leastLine, limits::mostLine);
  if (width <= 0 && place)
    removePaint(style, *place);
  else if (width > 0 && place)
    style.lines[place->index].shape.width = within;
  else if (width > 0)
    setLine(style, plainLine(usualInk, within));
}

}  // namespace widecut
