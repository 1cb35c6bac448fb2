#include "project/forms/group.h"

#include "project/edits/places.h"

namespace widecut {

std::optional<Form> withChildren(const Group& group, std::vector<ItemPtr> members) {
  std::erase(members, nullptr);
  if (members.empty()) return std::nullopt;
  return std::make_shared<const Group>(Group{std::move(members), group.extra});
}

Form withChildReplaced(const Group& group, std::size_t member, std::vector<ItemPtr> members, const Formula&) {
  Group changed = group;
  const auto at = changed.members.erase(changed.members.begin() + static_cast<std::ptrdiff_t>(member));
  changed.members.insert(at, members.begin(), members.end());
  return std::make_shared<const Group>(std::move(changed));
}

Form mapped(const Group& group, const Affine& linear) {
  Group changed = group;
  for (ItemPtr& member : changed.members) member = std::make_shared<const Item>(mapped(*member, linear));
  return std::make_shared<const Group>(std::move(changed));
}

std::optional<Formula> flatten(const Group& group, const Affine& frame, Flat& flat) {
  return flattenAll(group.members, copiesOf(group), frame, flat);
}

std::optional<Formula> flattenAll(const std::vector<ItemPtr>& items, const std::vector<Affine>& places,
                                  const Affine& frame, Flat& flat) {
  std::optional<Formula> all;
  for (const Affine& place : places)
    for (const ItemPtr& item : items)
      if (auto one = flat.add(*item, frame * place)) all = all ? Formula::joined(*all, Role::Add, *one) : *one;
  return all;
}

}  // namespace widecut
