// The numbers of patterns, as they are asked for. One declared table: the bench and the tests follow from it.
#pragma once

#include <span>

#include "geometry/box.h"
#include "shapes/pattern.h"
#include "shapes/starter.h"

namespace widecut {

/// One number of a kind of pattern. Gaps are measured between the boxes of copies, so the box of the first one counts.
struct PatternNumber {
  StarterNumber number;
  double (*value)(const Pattern& pattern, const Box& first);
  void (*set)(Pattern& pattern, const Box& first, double value);
};

/// A kind of pattern: its place in the variant is its place in the table.
struct PatternKind {
  std::string_view name;     ///< "row", "grid", "ring", "path", "mirror".
  std::string_view meaning;  ///< A few words.
  std::span<const PatternNumber> numbers;
};
std::span<const PatternKind> patternKinds();
inline const PatternKind& kindOf(const Pattern& pattern) { return patternKinds()[pattern.index()]; }

/// The pattern with one of its kind's numbers set, kept within its range.
Pattern withNumber(const Pattern& pattern, std::size_t number, const Box& first, double value);

/// What a repeat of something of this size is at first: a row of five, a grid of three by three, a ring of eight and a
/// mirror image, beside it. A ring goes round `centre`, mirrors pass through it; null for none that was chosen.
Pattern usualPattern(std::size_t kind, const Box& first, const Point* centre = nullptr);
/// A pattern of another kind with as many copies, as far as that kind can; as wide apart where both are in a row.
Pattern asKind(const Pattern& pattern, std::size_t kind, const Box& first);
/// Copies evenly along a line, which starts at the middle of the first one.
Trail usualTrail(Contour line);

}  // namespace widecut
