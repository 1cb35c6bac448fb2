// What forms with children do alike.
#pragma once

#include "project/edits/places.h"

namespace widecut {

/// The list with others in the place of one.
inline std::vector<ItemPtr> replacedIn(std::vector<ItemPtr> list, std::size_t at, const std::vector<ItemPtr>& others) {
  const auto place = list.erase(list.begin() + static_cast<std::ptrdiff_t>(at));
  list.insert(place, others.begin(), others.end());
  return list;
}

/// The items after a map of the space they lie in.
inline std::vector<ItemPtr> allMapped(std::vector<ItemPtr> items, const Affine& map) {
  for (ItemPtr& item : items) item = std::make_shared<const Item>(mapped(*item, map));
  return items;
}

}  // namespace widecut
