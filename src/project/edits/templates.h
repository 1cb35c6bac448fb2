// Templates: items that are drawn over and not delivered.
#pragma once

#include <span>

#include "project/model.h"

namespace widecut {

inline constexpr double usualPaleness = 0.7, mostPaleness = 0.95;

/// The items as pale as this, 0…mostPaleness; 0 makes them what they are again.
Project withPaleness(const Project& project, std::span<const Id> items, double paleBy);
/// The sheet as it is delivered: without the templates on it, and in its groups and repeats. Parts of recipes stay, for
/// a recipe is not what one of its parts is.
Sheet withoutTemplates(const Sheet& sheet);
/// Whether there are any to be left out.
bool hasTemplates(const Sheet& sheet);

}  // namespace widecut
