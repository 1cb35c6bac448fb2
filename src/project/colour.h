// Colours, and what is reckoned with them in a space that is even to the eye.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>

namespace widecut {

/// sRGB, not premultiplied.
struct Colour {
  std::uint8_t red = 0, green = 0, blue = 0, alpha = 255;
  std::uint16_t swatch = 0;  ///< The number of the project's swatch that it is; 0 for one of its own.
  bool operator==(const Colour&) const = default;
};
/// The same to look at, wherever it comes from.
inline bool looksAlike(const Colour& a, const Colour& b) {
  return a.red == b.red && a.green == b.green && a.blue == b.blue && a.alpha == b.alpha;
}
/// Reads #rrggbb or #rrggbbaa; “@3” after it says that it is the swatch of that number (1…65535).
std::optional<Colour> parseColour(std::string_view text);
/// #rrggbb, or #rrggbbaa when not opaque; without its swatch.
std::string colourText(Colour colour);

/// A colour in OKLab (Björn Ottosson, 2020): how light (0 black … 1 white), and its two axes of tint.
struct Oklab {
  double light = 0, a = 0, b = 0;
};
/// The same by hue.
struct Oklch {
  double light = 0;     ///< 0…1
  double strength = 0;  ///< From 0, grey; what sRGB shows ends below 0.33.
  double hueDeg = 0;    ///< 0…360
};
Oklab oklabOf(Colour colour);
Oklch oklchOf(Colour colour);
Oklab oklabOf(const Oklch& colour);

/// True when sRGB shows it.
bool isInGamut(const Oklab& colour);
/// How strong a colour of this light and hue can be in sRGB.
double mostStrength(double light, double hueDeg);
/// The nearest sRGB; beyond what it shows each channel is cut off.
Colour srgbOf(const Oklab& colour, std::uint8_t alpha = 255);
/// As strong as sRGB shows it, at most.
Colour srgbOf(const Oklch& colour, std::uint8_t alpha = 255);

/// The colour at a share of the way from one to another, in OKLab; see-through colours count by their alpha.
Colour mixed(Colour from, Colour to, double share);
/// Its light brought nearer to white by a share, or to black by a negative one; hue kept, strength as far as it shows.
Colour lightened(Colour colour, double share);

/// A colour that can be told from this one wherever they meet: lighter than dark ones, darker than light ones.
Colour toneOn(Colour below);

/// The contrast ratio of WCAG 2: 1…21. See-through colours count as opaque.
double contrast(Colour a, Colour b);

}  // namespace widecut
