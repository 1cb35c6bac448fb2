// What forms with children do alike.
#pragma once

#include "project/edits/places.h"

namespace widecut {

/// The list with others in the place of one.
inline ItemList replacedIn(const ItemList& list, std::size_t at, const ItemList& others) {
  if (others.size() == 1) {
    ItemList out = list;
    out.set(at, others.front());
    return out;
  }
  const auto place = list.begin() + static_cast<std::ptrdiff_t>(at);
  ItemList out(list.begin(), place);
  for (const ItemPtr& item : others) out.push_back(item);
  for (auto item = place + 1; item != list.end(); ++item) out.push_back(*item);
  return out;
}

/// The items after a map of the space they lie in.
inline ItemList allMapped(const ItemList& items, const Affine& map) {
  ItemList out;
  for (const ItemPtr& item : items) out.push_back(std::make_shared<const Item>(mapped(*item, map)));
  return out;
}

}  // namespace widecut
