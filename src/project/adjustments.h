// How a photo is adjusted: its light, its colours, how sharp it is. One declared table: the bench, the file, limits and
// tests follow from it. The photo itself stays as it is.
#pragma once

#include <array>
#include <memory>
#include <span>
#include <string>

#include "project/colour.h"
#include "shapes/starter.h"

namespace widecut {

/// In the order in which they are asked for. They are applied in that of their description in `media/adjusting`.
enum class Adjusting : unsigned char {
  Brightness,
  Contrast,
  BlackPoint,
  WhitePoint,
  Saturation,
  Warmth,
  Grey,
  TwoTones,
  Blur,
  Sharpness,
  Vignette
};

inline constexpr std::size_t adjustmentCount = 11;

/// Each number with its range; its usual value changes nothing.
std::span<const StarterNumber> adjustmentNumbers();

struct Adjustments {
  std::array<double, adjustmentCount> numbers;
  Colour dark{0x1C, 0x2B, 0x28}, light{0xF6, 0xF1, 0xE4};  ///< What black and white become in two tones.

  Adjustments();
  double of(Adjusting which) const { return numbers[static_cast<std::size_t>(which)]; }
  void set(Adjusting which, double value) { numbers[static_cast<std::size_t>(which)] = value; }
  /// True when it changes no pixel.
  bool isNeutral() const;
  bool operator==(const Adjustments&) const = default;
};
/// Null for those that change nothing.
using AdjustmentsPtr = std::shared_ptr<const Adjustments>;
AdjustmentsPtr shared(const Adjustments& adjustments);
/// Whether both change photos alike.
bool areAlike(const AdjustmentsPtr& a, const AdjustmentsPtr& b);
/// What tells adjustments apart, the same in every run; empty for none.
std::string keyOf(const Adjustments* adjustments);

}  // namespace widecut
