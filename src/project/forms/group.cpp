#include "project/forms/group.h"

#include "project/forms/children.h"

namespace widecut {

std::optional<Form> withChildren(const Group& group, ItemList members) {
  members = members.withoutGaps();
  if (members.empty()) return std::nullopt;
  return std::make_shared<const Group>(Group{std::move(members), group.extra});
}

Form withChildReplaced(const Group& group, std::size_t member, const ItemList& members, const Formula&) {
  return std::make_shared<const Group>(Group{replacedIn(group.members, member, members), group.extra});
}

Form mapped(const Group& group, const Affine& linear) {
  return std::make_shared<const Group>(Group{allMapped(group.members, linear), group.extra});
}

std::optional<Formula> flatten(const Group& group, const Affine& frame, Flat& flat) {
  return flattenAll(group.members, frame, flat);
}

std::optional<Formula> flattenAll(const ItemList& items, const Affine& frame, Flat& flat) {
  std::optional<Formula> all;
  for (const ItemPtr& item : items)
    if (auto one = flat.add(*item, frame)) all = all ? Formula::joined(*all, Role::Add, *one) : *one;
  return all;
}

}  // namespace widecut
