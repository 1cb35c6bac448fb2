// The other words that people have for shapes.
#pragma once

#include <span>
#include <string_view>

#include "shapes/starter.h"

namespace widecut {

/// A word, and the shape that it means.
struct OtherName {
  std::string_view word;
  std::string_view kind;
  int count = 0;  ///< Of what the kind counts, as six corners of a hexagon; 0 leaves it.
};

/// Several words for each kind, none of them the name of a kind.
std::span<const OtherName> otherNames();
/// The words that begin with this, or one of whose words does; a whole word first. Lower case.
std::vector<const OtherName*> otherNamesLike(std::string_view beginning);
/// The usual numbers of what the word means, with its count.
std::vector<double> valuesOf(const OtherName& name);

}  // namespace widecut
