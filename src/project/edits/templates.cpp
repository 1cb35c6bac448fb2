#include "project/edits/templates.h"

#include <algorithm>

#include "project/edits/tree.h"
#include "project/forms/form.h"

namespace widecut {
namespace {

bool isOrHasTemplate(const Item& item) {
  if (item.isTemplate()) return true;
  if (!showsChildren(item.form)) return false;
  const ItemList& children = childrenOf(item);
  return std::any_of(children.begin(), children.end(), [](const ItemPtr& child) { return isOrHasTemplate(*child); });
}

ItemList without(const ItemList& items) {
  ItemList kept;
  for (const ItemPtr& item : items) {
    if (item->isTemplate()) continue;
    if (!isOrHasTemplate(*item)) {
      kept.push_back(item);
      continue;
    }
    ItemList inside = without(childrenOf(*item));
    if (!inside.empty()) kept.push_back(std::make_shared<const Item>(*withChildren(*item, std::move(inside))));
  }
  return kept;
}

}  // namespace

Project withPaleness(const Project& project, std::span<const Id> items, double paleBy) {
  return withEach(project, items, [paleBy](const Item& before) {
    Item after = before;
    after.paleBy = std::clamp(paleBy, 0.0, mostPaleness);
    return after;
  });
}

bool hasTemplates(const Sheet& sheet) {
  return std::any_of(sheet.items.begin(), sheet.items.end(),
                     [](const ItemPtr& item) { return isOrHasTemplate(*item); });
}

Sheet withoutTemplates(const Sheet& sheet) {
  Sheet out = sheet;
  if (hasTemplates(sheet)) out.items = without(sheet.items);
  return out;
}

}  // namespace widecut
