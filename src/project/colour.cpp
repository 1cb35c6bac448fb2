#include "project/colour.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <numbers>

namespace widecut {
namespace {

using Linear = std::array<double, 3>;

double toLinear(std::uint8_t v) {
  const double c = v / 255.0;
  return c <= 0.04045 ? c / 12.92 : std::pow((c + 0.055) / 1.055, 2.4);
}
double fromLinear(double v) { return v <= 0.0031308 ? 12.92 * v : 1.055 * std::pow(v, 1 / 2.4) - 0.055; }

Linear linearOf(const Oklab& c) {
  const double l = std::pow(c.light + 0.3963377774 * c.a + 0.2158037573 * c.b, 3);
  const double m = std::pow(c.light - 0.1055613458 * c.a - 0.0638541728 * c.b, 3);
  const double s = std::pow(c.light - 0.0894841775 * c.a - 1.2914855480 * c.b, 3);
  return {4.0767416621 * l - 3.3077115913 * m + 0.2309699292 * s,
          -1.2684380046 * l + 2.6097574011 * m - 0.3413193965 * s,
          -0.0041960863 * l - 0.7034186147 * m + 1.7076147010 * s};
}

std::uint8_t eightBits(double v) { return static_cast<std::uint8_t>(std::lround(std::clamp(v, 0.0, 1.0) * 255)); }

double luminance(Colour c) { return 0.2126 * toLinear(c.red) + 0.7152 * toLinear(c.green) + 0.0722 * toLinear(c.blue); }

}  // namespace

std::optional<Colour> parseColour(std::string_view text) {
  std::uint16_t swatch = 0;
  if (const auto at = text.find(" @"); at != std::string_view::npos) {
    const char *from = text.data() + at + 2, *end = text.data() + text.size();
    if (const auto read = std::from_chars(from, end, swatch); read.ptr != end || read.ec != std::errc() || swatch == 0)
      return std::nullopt;
    text = text.substr(0, at);
  }
  if ((text.size() != 7 && text.size() != 9) || text[0] != '#') return std::nullopt;
  std::uint8_t v[4] = {0, 0, 0, 255};
  for (std::size_t i = 0; 2 * i + 2 < text.size(); ++i) {
    const char* from = text.data() + 1 + 2 * i;
    if (std::from_chars(from, from + 2, v[i], 16).ptr != from + 2) return std::nullopt;
  }
  return Colour{v[0], v[1], v[2], v[3], swatch};
}

std::string colourText(Colour c) {
  static constexpr char hex[] = "0123456789abcdef";
  std::string text = "#";
  const auto add = [&](std::uint8_t v) {
    text += hex[v >> 4];
    text += hex[v & 15];
  };
  add(c.red);
  add(c.green);
  add(c.blue);
  if (c.alpha != 255) add(c.alpha);
  return text;
}

Oklab oklabOf(Colour c) {
  const double r = toLinear(c.red), g = toLinear(c.green), b = toLinear(c.blue);
  const double l = std::cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
  const double m = std::cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
  const double s = std::cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
  return {0.2104542553 * l + 0.7936177850 * m - 0.0040720468 * s,
          1.9779984951 * l - 2.4285922050 * m + 0.4505937099 * s,
          0.0259040371 * l + 0.7827717662 * m - 0.8086757660 * s};
}

Oklch oklchOf(Colour colour) {
  const Oklab lab = oklabOf(colour);
  const double strength = std::hypot(lab.a, lab.b);
  constexpr double grey = 1e-4;  // what rounding leaves of greys has no hue
  const double hue = strength < grey ? 0 : std::atan2(lab.b, lab.a) * 180 / std::numbers::pi;
  return {lab.light, strength < grey ? 0 : strength, hue < 0 ? hue + 360 : hue};
}

Oklab oklabOf(const Oklch& c) {
  const double hue = c.hueDeg * std::numbers::pi / 180;
  return {c.light, c.strength * std::cos(hue), c.strength * std::sin(hue)};
}

bool isInGamut(const Oklab& colour) {
  constexpr double slack = 1e-4;
  const Linear linear = linearOf(colour);
  return std::all_of(linear.begin(), linear.end(), [](double v) { return v >= -slack && v <= 1 + slack; });
}

double mostStrength(double light, double hueDeg) {
  double low = 0, high = 0.4;
  constexpr int halvings = 24;
  for (int i = 0; i < halvings; ++i) {
    const double middle = (low + high) / 2;
    (isInGamut(oklabOf(Oklch{light, middle, hueDeg})) ? low : high) = middle;
  }
  return low;
}

Colour srgbOf(const Oklab& colour, std::uint8_t alpha) {
  const Linear c = linearOf(colour);
  return {eightBits(fromLinear(std::max(0.0, c[0]))), eightBits(fromLinear(std::max(0.0, c[1]))),
          eightBits(fromLinear(std::max(0.0, c[2]))), alpha};
}

Colour srgbOf(const Oklch& colour, std::uint8_t alpha) {
  Oklch shown = colour;
  shown.light = std::clamp(shown.light, 0.0, 1.0);
  if (!isInGamut(oklabOf(shown))) shown.strength = std::min(shown.strength, mostStrength(shown.light, shown.hueDeg));
  return srgbOf(oklabOf(shown), alpha);
}

Colour mixed(Colour from, Colour to, double share) {
  if (share <= 0) return from;
  if (share >= 1) return to;
  const double alpha = from.alpha + (to.alpha - from.alpha) * share;
  if (alpha <= 0) return {to.red, to.green, to.blue, 0};
  const double weight = to.alpha * share / alpha;
  const Oklab a = oklabOf(from), b = oklabOf(to);
  return srgbOf(Oklab{a.light + (b.light - a.light) * weight, a.a + (b.a - a.a) * weight, a.b + (b.b - a.b) * weight},
                static_cast<std::uint8_t>(std::lround(alpha)));
}

Colour lightened(Colour colour, double share) {
  Oklch c = oklchOf(colour);
  share = std::clamp(share, -1.0, 1.0);
  if (share == 0) return colour;
  c.light += share > 0 ? (1 - c.light) * share : c.light * share;
  return srgbOf(c, colour.alpha);
}

Colour toneOn(Colour below) {
  constexpr double far = 0.45, middle = 0.55;
  below.swatch = 0;
  below.alpha = 255;
  return lightened(below, oklchOf(below).light > middle ? -far : far);
}

double contrast(Colour a, Colour b) {
  const double x = luminance(a), y = luminance(b);
  return (std::max(x, y) + 0.05) / (std::min(x, y) + 0.05);
}

}  // namespace widecut
