// The families of starters, and the words that they are declared in.
#pragma once

#include <array>

#include "shapes/contour_maker.h"
#include "shapes/starter.h"

namespace widecut::kinds {

// The families, in the order in which they are shown.
std::span<const StarterKind> plain();
std::span<const StarterKind> corners();
std::span<const StarterKind> edges();
std::span<const StarterKind> signs();
std::span<const StarterKind> balloons();
std::span<const StarterKind> lines();
std::span<const StarterKind> cutters();
std::span<const StarterKind> soft();
std::span<const StarterKind> figures();

// Declaring numbers.
inline constexpr double millimetre = 72 / 25.4;
inline constexpr double longest = 1000;  // points: of lengths that are numbers

constexpr StarterNumber count(std::string_view name, int least, int most, int usual, std::string_view meaning) {
  return {name, double(least), double(most), double(usual), 1, meaning, {}, NumberKind::Count, false};
}
constexpr StarterNumber share(std::string_view name, double least, double most, double usual,
                              std::string_view meaning) {
  return {name, least, most, usual, 0.05, meaning, {}, NumberKind::Share, false};
}
constexpr StarterNumber times(std::string_view name, double least, double most, double usual,
                              std::string_view meaning) {
  return {name, least, most, usual, 0.25, meaning, {}, NumberKind::Times, false};
}
constexpr StarterNumber angle(std::string_view name, double least, double most, double usual,
                              std::string_view meaning) {
  return {name, least, most, usual, 5, meaning, {}, NumberKind::Angle, false};
}
constexpr StarterNumber lengthOf(std::string_view name, double leastMm, double usualMm, std::string_view meaning) {
  return {name, leastMm * millimetre, longest, usualMm * millimetre, 0.5 * millimetre, meaning,
          {},   NumberKind::Length,   false};
}
constexpr StarterNumber choice(std::string_view name, std::string_view words, int usual, std::string_view meaning) {
  double most = 0;
  for (const char c : words) most += c == '|' ? 1 : 0;
  return {name, 0, most, double(usual), 1, meaning, words, NumberKind::Choice, false};
}
constexpr StarterNumber onOff(std::string_view name, bool usual, std::string_view meaning) {
  return {name, 0, 1, usual ? 1.0 : 0.0, 1, meaning, {}, NumberKind::Switch, false};
}
constexpr StarterNumber seed() {
  return {"seed", 0, 9999, 7, 1, "which of the irregular ones it is", {}, NumberKind::Seed, false};
}

constexpr StarterSize inMm(double width, double height) { return {width * millimetre, height * millimetre}; }
inline constexpr StarterSize usualSide{40 * millimetre, 40 * millimetre};

/// The first n values, to be given names.
template <std::size_t n>
std::array<double, n> take(Values values) {
  std::array<double, n> out{};
  for (std::size_t i = 0; i < n; ++i) out[i] = values[i];
  return out;
}

inline Box frameOf(StarterSize s) { return {{-s.width / 2, -s.height / 2}, {s.width / 2, s.height / 2}}; }
/// Node n of a contour, the start being 0; the last one where there are fewer.
Point nodeOf(const Outline& outline, std::size_t contour, std::size_t n);
/// An even throw in 0…1 for a seed: the same wherever it is asked for.
double chance(double seed, unsigned index);

/// How far the handles of half a wave reach along it: within 0.2 % of its depth of a sine.
inline constexpr double waveHandle = 0.3642;
/// A wave from (0, y) to (length, y), whose crests touch y = 0 and whose troughs lie at `depth`. `shift` moves the
/// first crest, in lengths from crest to crest.
Contour waveRun(double length, int crests, double depth, double shift);

/// Quarter turns clockwise, exactly.
Affine quarterTurns(int count);

// Symmetries and counts of nodes that many kinds have.
inline Symmetry bothWays(Values) { return {true, true}; }
inline Symmetry leftAndRight(Values) { return {true, false}; }
inline Symmetry topAndBottom(Values) { return {false, true}; }
inline Symmetry none(Values) { return {}; }
template <int n>
int always(StarterSize, Values) {
  return n;
}
template <std::size_t contour, std::size_t n>
Point node(const Outline& outline, Values) {
  return nodeOf(outline, contour, n);
}

}  // namespace widecut::kinds
