// Edits of starters: their numbers, and another kind in their place.
#pragma once

#include <span>

#include "project/forms/starter_form.h"
#include "project/lookup.h"

namespace widecut {

/// A new starter in a box of its parent's space, upright. Numbers that are missing are the usual ones.
Item starterItem(Id id, std::string name, const StarterKind& kind, Values numbers, const Box& box, Style style);
/// The name that people have for such a shape: "hexagon", "disc", "burst".
std::string nameOfStarter(const StarterKind& kind, Values numbers);

/// The item's starter with other numbers. Its frame stays, unless the kind says that something else does (a balloon's
/// body). Its photo goes on covering it. A name that came from its kind follows. Other items stay as they are.
Project withNumbers(const Project& project, Id item, Values numbers);
/// Another kind in the place of the item's outline, in the same frame: it keeps place, look, photo and role, and those
/// numbers that both kinds have. Cutouts, groups and words stay as they are.
Project withKind(const Project& project, Id item, const StarterKind& kind, Values numbers = {});

}  // namespace widecut
