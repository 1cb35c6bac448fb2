// How what is painted mixes with what is behind it: the modes of the W3C's Compositing and Blending Level 1.
#pragma once

#include <array>
#include <cstdint>
#include <optional>
#include <string_view>

namespace widecut {

enum class Blend : std::uint8_t {
  Normal,
  Multiply,
  Screen,
  Overlay,
  Darken,
  Lighten,
  ColourDodge,
  ColourBurn,
  HardLight,
  SoftLight,
  Difference,
  Exclusion,
  Hue,
  Saturation,
  Colour,
  Luminosity
};

/// The standard's names, which SVG and CSS use, in the order of the modes.
inline constexpr std::array<std::string_view, 16> blendNames{
    "normal",     "multiply",   "screen",     "overlay",   "darken", "lighten",    "color-dodge", "color-burn",
    "hard-light", "soft-light", "difference", "exclusion", "hue",    "saturation", "color",       "luminosity"};
/// What people call them, in the same order, as the words of a choice.
inline constexpr std::string_view blendChoices =
    "normal|multiply|screen|overlay|darken|lighten|colour dodge|colour burn|hard light|soft light|difference|"
    "exclusion|hue|saturation|colour|luminosity";
inline std::string_view nameOf(Blend blend) { return blendNames[static_cast<std::size_t>(blend)]; }
inline std::optional<Blend> blendNamed(std::string_view name) {
  for (std::size_t i = 0; i < blendNames.size(); ++i)
    if (blendNames[i] == name) return static_cast<Blend>(i);
  return std::nullopt;
}

}  // namespace widecut
