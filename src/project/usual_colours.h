// What is painted with before anybody chooses.
#pragma once

#include <cstddef>
#include <iterator>

#include "geometry/measure.h"
#include "project/colour.h"

namespace widecut {

inline constexpr Colour usualFill{0x8F, 0xA9, 0xB8};
/// The colour of a new shape, where so many lie already: the usual one first, then others as quiet.
constexpr Colour quietTone(std::size_t place) {
  constexpr Colour tones[] = {
      usualFill, {0xC2, 0xA8, 0x8E}, {0x9C, 0xB0, 0x92}, {0xB5, 0x9F, 0xB4}, {0xC9, 0xBE, 0x8F}};
  return tones[place % std::size(tones)];
}
inline constexpr Colour usualInk{0x23, 0x30, 0x2E};  ///< Of lines and words.
inline constexpr double usualLineWidth = pointsPerMillimetre;

}  // namespace widecut
