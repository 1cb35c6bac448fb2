// Making and changing live cutouts.
#pragma once

#include <span>

#include "project/forms/recipe.h"
#include "project/lookup.h"

namespace widecut {

/// What two or more items can become.
enum class Outcome : unsigned char { Union, SubtractFront, SubtractBack, Intersect, Exclude };
inline constexpr Outcome allOutcomes[] = {Outcome::Union, Outcome::SubtractFront, Outcome::SubtractBack,
                                          Outcome::Intersect, Outcome::Exclude};
/// The edit's name: "Union", "Subtract front from back" …
std::string_view nameOf(Outcome outcome);

/// Who lends the cutout its looks.
struct LookChoice {
  Id look = 0;   ///< Fill colour, outline and opacity come from this item.
  Id photo = 0;  ///< Its photo shows; 0 for none.
  bool operator==(const LookChoice&) const = default;
};
/// The item whose area the outcome starts from keeps the look; the frontmost photo shows.
LookChoice usualLook(const Project& project, std::span<const Id> items, Outcome outcome);

/// The items replaced by one live cutout in the place of the frontmost. Fewer than two items change nothing.
Project combined(const Project& project, std::span<const Id> items, Outcome outcome, const LookChoice& look, Id& made);

/// The frontmost photo within all the other items together, as a cutout within which these are one. Nothing changes for
/// fewer than three items, or where none shows a photo.
Project withPhotoWithinAll(const Project& project, std::span<const Id> items, Id& made);

/// A shape (sheet space, its id is given anew) joined to an item by a role: as a last part of it when it is a cutout;
/// else both become one in its place, which keeps the item's look and shows its photo. `made` receives that.
Project withJoined(const Project& project, Id item, const Item& shape, Role role, Id& made);

/// The cutout, or group, replaced by what is inside it; each keeps its look. Within another cutout its formula stays,
/// in brackets. A repeat leaves the items of its first copy.
Project withPartsLifted(const Project& project, Id cutout, std::vector<Id>& parts);
/// What each part does in its recipe: the role of the operator before it; the first part is added.
std::vector<Role> rolesOf(const Recipe& recipe);
/// The parts' names as formulas know them: where two are alike, later ones get a number.
std::vector<std::string> formulaNames(const Recipe& recipe);
/// The recipe's formula without the parts that are left out.
std::string formulaText(const Recipe& recipe);
/// The cutout with a typed formula. Parts take its order; those that it does not name are left out of the recipe, but
/// stay parts. The problem says where the text is wrong.
Result<Project> withFormula(const Project& project, Id cutout, std::string_view text);
/// Operator `index` of the cutout's formula changed.
Project withRole(const Project& project, Id cutout, int operatorIndex, Role role);

}  // namespace widecut
