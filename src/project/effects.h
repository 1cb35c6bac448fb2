// Effects: shadows, glows and edges of what an item paints, and what follows its shape. One declared table: the bench,
// the file, limits and tests follow from it.
#pragma once

#include <array>
#include <span>
#include <string>
#include <string_view>

#include "project/blend.h"
#include "project/colour.h"
#include "shapes/starter.h"

namespace widecut {

enum class EffectKind : unsigned char {
  Shadow,
  InnerShadow,
  Glow,
  InnerGlow,
  RaisedEdge,
  SoftEdge,
  MirrorBelow,
  PanelBehind,
  TintedCopy,
  OutlineCopy
};

/// Where an effect is painted.
enum class EffectPlace : unsigned char { Behind, InFront, Within };

inline constexpr std::size_t mostEffectNumbers = 4;

/// A kind of effect, and its numbers. There are ten: they read better in this order than they are small in another.
// NOLINTNEXTLINE(clang-analyzer-optin.performance.Padding)
struct EffectDeclaration {
  EffectKind kind;
  std::string_view name;     ///< In the window.
  std::string_view key;      ///< In the file.
  std::string_view meaning;  ///< A few words.
  EffectPlace place;
  bool isPixels = true;  ///< Worked out from the item's pixels; false for followers, which are drawn with outlines.
  bool hasColour = true;
  std::span<const StarterNumber> numbers;  ///< mostEffectNumbers at most. Lengths in points.
  Colour usual;
  double usualOpacity = 1;
  Blend usualBlend = Blend::Normal;
};
std::span<const EffectDeclaration> effectKinds();
const EffectDeclaration& declarationOf(EffectKind kind);

/// One effect of an item.
struct Effect {
  EffectKind kind = EffectKind::Shadow;
  std::array<double, mostEffectNumbers> numbers{};  ///< In the order of the declaration; the rest 0.
  Colour colour;
  double opacity = 1;  ///< 0…1
  Blend blend = Blend::Normal;
  bool shown = true;
  std::string extra = {};
  bool operator==(const Effect&) const = default;
};
/// As it is when it is switched on.
Effect usualEffect(EffectKind kind);
/// The place of a number in the declaration of its kind; the name has to be there.
std::size_t placeOfNumber(EffectKind kind, std::string_view name);
inline double numberOf(const Effect& effect, std::string_view name) {
  return effect.numbers[placeOfNumber(effect.kind, name)];
}

/// How far beyond the item an effect on its pixels reaches, in points; followers and mirror images apart. A Gaussian
/// ends where it is below a quarter of 255th.
double reachOf(const Effect& effect);

}  // namespace widecut
