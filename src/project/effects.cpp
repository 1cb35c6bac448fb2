#include "project/effects.h"

#include <algorithm>
#include <stdexcept>

namespace widecut {
namespace {

constexpr double farthest = 2000, mostBlur = 1000;

constexpr StarterNumber aLength(std::string_view name, double least, double most, double usual,
                                std::string_view meaning) {
  return {name, least, most, usual, pointsPerMillimetre / 2, meaning, {}, NumberKind::Length};
}
constexpr StarterNumber anAngle(std::string_view name, double usual, std::string_view meaning) {
  return {name, -360, 360, usual, 1, meaning, {}, NumberKind::Angle};
}
constexpr StarterNumber aShare(std::string_view name, double most, double usual, std::string_view meaning) {
  return {name, 0, most, usual, 0.01, meaning, {}, NumberKind::Share};
}

constexpr StarterNumber shadowNumbers[] = {
    aLength("distance", 0, farthest, 5, "How far it lies away"),
    anAngle("direction", 60, "Where it falls: 0° to the right, 90° down; the sheet's, however the item is turned"),
    aLength("softness", 0, mostBlur, 8, "How far its edge is spread")};
constexpr StarterNumber glowNumbers[] = {aLength("softness", 0, mostBlur, 14, "How far it shines"),
                                         aShare("force", 8, 2, "How full it is near the edge")};
constexpr StarterNumber raisedNumbers[] = {
    aLength("depth", 0, mostBlur, 5, "How far in the edge is lit"),
    anAngle("direction", 60, "Where the light falls: 0° to the right, 90° down; the sheet's"),
    aShare("force", 4, 1, "How strong light and shade are")};
constexpr StarterNumber softNumbers[] = {aLength("softness", 0, mostBlur, 10, "How far in the edge fades")};
constexpr StarterNumber mirrorNumbers[] = {
    aLength("gap", -farthest, farthest, 2, "Between the item and its mirror image"),
    aShare("height", 1, 0.5, "How much of it is seen")};
constexpr StarterNumber panelNumbers[] = {
    aLength("margin", -farthest, farthest, 12, "How far it reaches beyond the item"),
    {"corners", 0, 5, 1, 1, "What is done to its corners", "sharp|round|scoop|bevel|step|notch", NumberKind::Choice},
    aLength("size", 0, farthest, 8, "How large its corners are")};
constexpr StarterNumber copyNumbers[] = {
    aLength("offset", -farthest, farthest, 0, "How far outside the item's outline it runs"),
    aLength("width", 0.05, 1000, 1.5, "Of its line"), anAngle("turn", 4, "By how much it is turned")};

constexpr Colour dark{0x16, 0x20, 0x1E}, warm{0xF2, 0xB2, 0x33}, white{255, 255, 255}, rust{0xBF, 0x3F, 0x26};
constexpr EffectDeclaration declared[] = {
    {EffectKind::Shadow, "shadow", "shadow", "Falls on what lies behind", EffectPlace::Behind, true, true,
     shadowNumbers, dark, 0.5, Blend::Normal},
    {EffectKind::InnerShadow, "inner shadow", "inner-shadow", "Falls from the edges into the item",
     EffectPlace::InFront, true, true, shadowNumbers, dark, 0.5, Blend::Normal},
    {EffectKind::Glow, "glow", "glow", "Shines from behind the item", EffectPlace::Behind, true, true, glowNumbers,
     warm, 0.9, Blend::Normal},
    {EffectKind::InnerGlow, "inner glow", "inner-glow", "Shines from the edges into the item", EffectPlace::InFront,
     true, true, glowNumbers, white, 0.8, Blend::Normal},
    {EffectKind::RaisedEdge, "raised edge", "raised-edge",
     "Its edge catches light on one side and lies in shade on the other", EffectPlace::InFront, true, true,
     raisedNumbers, white, 0.7, Blend::Normal},
    {EffectKind::SoftEdge, "soft edge", "soft-edge", "Fades towards its edge", EffectPlace::Within, true, false,
     softNumbers, dark, 1, Blend::Normal},
    {EffectKind::MirrorBelow, "mirror below", "mirror-below", "As if it stood on something that shines",
     EffectPlace::Behind, true, false, mirrorNumbers, dark, 0.45, Blend::Normal},
    {EffectKind::PanelBehind, "panel behind", "panel-behind", "A panel that follows its box", EffectPlace::Behind,
     false, true, panelNumbers, Colour{0xE4, 0xE0, 0xD2}, 1, Blend::Normal},
    {EffectKind::TintedCopy,
     "tinted copy",
     "tinted-copy",
     "A copy of its shape in one colour over it",
     EffectPlace::InFront,
     false,
     true,
     {},
     rust,
     0.45,
     Blend::Multiply},
    {EffectKind::OutlineCopy, "outline copy", "outline-copy", "Its outline once more, offset or turned",
     EffectPlace::InFront, false, true, copyNumbers, dark, 1, Blend::Normal}};

}  // namespace

std::span<const EffectDeclaration> effectKinds() { return declared; }

const EffectDeclaration& declarationOf(EffectKind kind) { return declared[static_cast<std::size_t>(kind)]; }

Effect usualEffect(EffectKind kind) {
  const EffectDeclaration& d = declarationOf(kind);
  Effect effect{kind, {}, d.usual, d.usualOpacity, d.usualBlend};
  for (std::size_t i = 0; i < d.numbers.size(); ++i) effect.numbers[i] = d.numbers[i].usual;
  return effect;
}

std::size_t placeOfNumber(EffectKind kind, std::string_view name) {
  const auto numbers = declarationOf(kind).numbers;
  for (std::size_t i = 0; i < numbers.size(); ++i)
    if (numbers[i].name == name) return i;
  throw std::logic_error("no such number of an effect");
}

double reachOf(const Effect& effect) {
  constexpr double deviations = 1.75;  // softness is two standard deviations; 3.5 of them
  switch (effect.kind) {
    case EffectKind::Shadow:
      return effect.numbers[0] + deviations * effect.numbers[2];
    case EffectKind::Glow:
      // Force makes what is faint show further out.
      return (deviations + 0.1 * effect.numbers[1]) * effect.numbers[0];
    default:
      return 0;
  }
}

}  // namespace widecut
