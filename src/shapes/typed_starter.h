// Starters as people type them: “box 50 x 75”, “star 7 depth 25”.
#pragma once

#include "shapes/starter.h"

namespace widecut {

/// What was typed: a kind, and what of its size and numbers was said.
struct TypedStarter {
  const StarterKind* kind = nullptr;
  std::optional<double> width, height;  ///< Points.
  std::vector<double> numbers;          ///< All of them; those that were not said are the usual ones.
  bool saysMore = false;                ///< More than the name was typed.
};

/// The words of the name, before any number; lower case, without blanks at the ends.
std::string typedName(std::string_view text);
/// Reads a kind's name, another word for it, or the beginning of it, then a size as in 50 x 75, a bare count (20 for a
/// polygon's corners) or both, count first, and numbers by their names; what has a unit of length is a width. Bare
/// lengths are in `unit`, bare shares per cents. `likeliest` is the kind that a beginning stands for; null refuses it.
Result<TypedStarter> parseTyped(std::string_view text, Unit unit, const StarterKind* likeliest);

}  // namespace widecut
