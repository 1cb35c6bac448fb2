// Lengths and numbers as people type them.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "geometry/problem.h"

namespace widecut {

inline constexpr double pointsPerMillimetre = 72 / 25.4;

/// What a bare number means in a field. Pixels are those of CSS and SVG, 1/96 inch.
enum class Unit : unsigned char { Millimetre, Point, Plain, Centimetre, Inch, Pixel };
/// Points; 1 for plain numbers.
double pointsPer(Unit unit);
/// "mm", "cm", "in", "pt", "px"; empty for plain numbers.
std::string_view nameOf(Unit unit);
/// The length with this name; nothing when there is none.
std::optional<Unit> unitNamed(std::string_view name);

/// Reads what was typed into a field that held `before` (in points for lengths): sums with + - * / and
/// brackets, the units mm cm in pt px (1/96 in), `1/3 of 297mm`; of the old value `+=3`, `-=3`, `*2`, `/2`, and
/// `50%` of a length that is not 0. The result is in points, or plain. Refuses what is not a finite number.
Result<double> parseMeasure(std::string_view text, Unit unit, double before);

/// The value with at most `decimals` decimals and its unit, as in "12.5 mm".
std::string measureText(double value, Unit unit, int decimals = 2);

}  // namespace widecut
