// Starters: shapes that are made from numbers and keep them. One declared table says what kinds there are; the bench,
// the file, the command line and the tests follow from it.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "geometry/measure.h"
#include "geometry/outline.h"
#include "geometry/problem.h"

namespace widecut {

/// What a number counts or measures, and with that its unit.
enum class NumberKind : unsigned char {
  Count,   ///< Whole.
  Share,   ///< 1 is 100 %.
  Times,   ///< How often, or how many times as much.
  Angle,   ///< Degrees, clockwise on the sheet.
  Length,  ///< Points. Stays when the frame is resized.
  Choice,  ///< The place in a list of words, from 0 on.
  Switch,  ///< 0 or 1.
  Seed     ///< Whole: which of the irregular shapes it is.
};

/// A number of a kind: what it is called, what it may be and what it means.
struct StarterNumber {
  std::string_view name;  ///< Plain words.
  double least = 0, most = 1, usual = 0;
  double step = 0.01;        ///< Of a notch of the wheel.
  std::string_view meaning;  ///< A few words, of what it changes.
  std::string_view choices;  ///< Of a choice: its words, with | between them.
  NumberKind kind = NumberKind::Share;
  bool leaps = false;  ///< A measure that something whole follows from: the area leaps where that changes.

  bool isMeasure() const {
    return kind == NumberKind::Share || kind == NumberKind::Times || kind == NumberKind::Angle ||
           kind == NumberKind::Length;
  }
};

/// The numbers of one starter, in the order of its kind's table.
using Values = std::span<const double>;

struct StarterSize {
  double width = 0, height = 0;  ///< Points, above 0.
  bool operator==(const StarterSize&) const = default;
};

/// Along which axes an outline is its own mirror image.
struct Symmetry {
  bool upright = false;  ///< Left and right.
  bool across = false;   ///< Top and bottom.
};

/// A place of the outline that is taken hold of to change one number, or two.
struct NumberHandle {
  int number = 0;  ///< In the kind's table.
  int second = -1;
  /// Where it is on an outline of its kind.
  Point (*at)(const Outline& outline, Values values) = nullptr;
  /// Where `at` alone does not tell which numbers bring it to a point of the frame: the numbers that do.
  void (*toward)(StarterSize size, Point point, std::span<double> values) = nullptr;
};

/// A kind of starter. Closed outlines run clockwise, holes the other way; all stay within their frame, which is centred
/// on the origin, and touch all four of its sides.
struct StarterKind {
  std::string_view name;
  std::string_view family;
  /// What keeps its size or its roundness when width and height change, in words; empty for kinds that are stretched.
  std::string_view keeps;
  std::span<const StarterNumber> numbers;
  /// The size that suits it. Of kinds that are stretched the longer side: their proportions are those of the outline.
  StarterSize usual;
  /// The outline for numbers within their ranges. Kinds that keep something are drawn for the size in its frame;
  /// those that are stretched anywhere, at any size, and are fitted into their frame afterwards.
  Outline (*draw)(StarterSize size, Values values) = nullptr;
  /// How many nodes it has. At the ends of ranges nodes may coincide, and it has fewer.
  int (*nodes)(StarterSize size, Values values) = nullptr;
  Symmetry (*symmetry)(Values values) = nullptr;
  std::span<const NumberHandle> handles = {};
  /// The frame after a change of numbers, when what changes is not to scale the rest; null where it stays.
  Box (*frameAfter)(Box frame, Values before, Values after) = nullptr;
  bool isOpen = false;  ///< A line rather than an area: it has two ends, and is drawn instead of filled.
};

/// All kinds, family by family.
std::span<const StarterKind* const> starterKinds();
/// The kind with this name; null when there is none.
const StarterKind* starterKind(std::string_view name);
/// How many letters are to be added, taken away or changed from one word to the other (Levenshtein's distance).
std::size_t lettersApart(std::string_view a, std::string_view b);
/// Names of kinds that are spelled much like this one, the likeliest first; three at most.
std::vector<std::string_view> namesLike(std::string_view name);

/// The number's name as one word, as in files and on the command line: "soft-tips".
std::string keyOf(const StarterNumber& number);
/// The words of a choice.
std::vector<std::string_view> choicesOf(const StarterNumber& choice);
/// The value as it is typed and shown, as in "25 %", "12", "2.5 mm" or a choice's word.
std::string valueText(const StarterNumber& number, double value, Unit unit = Unit::Millimetre);
/// What it may be: "3 to 400", or the words of a choice with | between them.
std::string rangeText(const StarterNumber& number, Unit unit = Unit::Millimetre);
/// Reads a value: a choice by its word, a share as 0.25 or 25 %, lengths with or without a unit (`unit` when without).
/// Refuses what is out of range, with the range.
Result<double> parseValue(const StarterNumber& number, std::string_view text, Unit unit = Unit::Point);

std::vector<double> usualValues(const StarterKind& kind);
/// The value within the number's range, whole where it has to be.
double within(const StarterNumber& number, double value);
/// All values within their ranges; missing ones are the usual ones.
std::vector<double> within(const StarterKind& kind, Values values);

/// The outline in a frame of this size, centred on the origin.
Outline starterOutline(const StarterKind& kind, StarterSize size, Values values);
/// The size in which it has its own proportions, as large as is usual.
StarterSize usualSize(const StarterKind& kind, Values values);

/// The values that bring the handle as near to a point of the frame as their ranges allow.
std::vector<double> dragged(const StarterKind& kind, StarterSize size, Values values, const NumberHandle& handle,
                            Point to);

/// Another throw of what is random, or free, in a starter: the same for the same `turn`.
std::vector<double> dealt(const StarterKind& kind, Values values, unsigned turn);

}  // namespace widecut
