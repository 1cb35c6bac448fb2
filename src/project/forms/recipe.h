// The form of a live cutout.
#pragma once

#include "project/forms/form.h"
#include "shapes/corners.h"

namespace widecut {

/// Parts, and the formula over them (leaf n of the formula is part n). Parts that are hidden are left out of the
/// formula. Nested forms are resolved together, as one formula, but for those with treated corners.
struct Recipe {
  ItemList parts;  ///< At least one.
  Formula formula = Formula::part(0);
  Corner corners = {};  ///< Of every corner of what comes of it.
  std::string extra = {};
};

inline std::string_view kindName(const Recipe&) { return "cutout"; }
inline const ItemList& childrenOf(const Recipe& recipe) { return recipe.parts; }
/// A part that goes takes the operator before it along.
std::optional<Form> withChildren(const Recipe& recipe, ItemList parts);
Form withChildReplaced(const Recipe& recipe, std::size_t part, const ItemList& parts, const Formula& joined);
Corner resultCorners(const Recipe& recipe);
std::string whatIsBeyond(const Recipe& recipe);
/// The corners' size grows along, on the whole.
Form mapped(const Recipe& recipe, const Affine& linear);
bool isSameRule(const Recipe& a, const Recipe& b);
std::optional<Formula> flatten(const Recipe& recipe, const Affine& frame, Flat& flat);

}  // namespace widecut
