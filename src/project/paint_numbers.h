// The numbers of fills and lines, as they are asked for. One declared table: the bench and the tests follow from it.
#pragma once

#include <span>
#include <vector>

#include "project/style.h"
#include "shapes/starter.h"

namespace widecut {

/// One fill or line of a style.
struct PaintPlace {
  bool isLine = false;
  std::size_t index = 0;  ///< From the back.
  bool operator==(const PaintPlace&) const = default;
};
bool isThere(const Style& style, PaintPlace place);
/// The fill or line of another style that lies as far from the front; nothing where it has fewer.
std::optional<PaintPlace> alikeIn(const Style& other, const Style& style, PaintPlace place);

/// A number of a fill or a line.
struct PaintNumber {
  StarterNumber number;
  bool (*applies)(const Style& style, PaintPlace place);
  double (*value)(const Style& style, PaintPlace place);
  void (*set)(Style& style, PaintPlace place, double value);
};
/// Those that apply there, in their order.
std::vector<const PaintNumber*> numbersOf(const Style& style, PaintPlace place);
/// The number with this name, where it applies; null for none.
const PaintNumber* paintNumber(const Style& style, PaintPlace place, std::string_view name);

/// The stops of a fill's gradient or of a line's colours; null where there are none.
const std::vector<GradientStop>* stopsOf(const Style& style, PaintPlace place);
/// Sets them: at least two, put into their order.
void setStops(Style& style, PaintPlace place, std::vector<GradientStop> stops);
/// The one colour of a fill or line: nothing for pictures and gradients.
std::optional<Colour> plainColourOf(const Style& style, PaintPlace place);
/// One colour in place of whatever it was painted with; hatches keep their pattern.
void setPlainColour(Style& style, PaintPlace place, Colour colour);
/// What it is, in a few words: “colour”, “radial gradient”, “dots”, “photo”.
std::string_view kindOfPaint(const Style& style, PaintPlace place);

void setShown(Style& style, PaintPlace place, bool shown);
bool isShown(const Style& style, PaintPlace place);
void removePaint(Style& style, PaintPlace place);
/// Moves it to another place among those of its sort.
void movePaint(Style& style, PaintPlace place, std::size_t to);

/// The kinds that a fill can be changed to.
enum class FillKind : unsigned char { Colour, Gradient, Lines, Dots };
/// A fill of another kind, in the colours that it had.
Paint asKind(const Paint& paint, FillKind kind);
FillKind fillKindOf(const Paint& paint);

}  // namespace widecut
