#include "project/edits/groups.h"

#include "project/edits/tree.h"
#include "project/forms/group.h"
#include "project/forms/repeat.h"
#include "project/resolve.h"

namespace widecut {
namespace {

/// The items in the frame of one whole, whose origin is the middle of them.
std::vector<ItemPtr> inFrameOf(Item& whole, const std::vector<ItemPtr>& items) {
  Box box;
  for (const ItemPtr& item : items) box.add(boxInParent(*item));
  whole.position = box.isEmpty() ? items.front()->position : box.centre();
  std::vector<ItemPtr> inside;
  inside.reserve(items.size());
  for (const ItemPtr& item : items) {
    Item moved = *item;
    moved.position = item->position - whole.position;
    inside.push_back(std::make_shared<const Item>(std::move(moved)));
  }
  return inside;
}

}  // namespace

Project grouped(const Project& project, std::span<const Id> ids, Id& made) {
  const auto items = combinable(project, ids);
  if (items.empty()) return project;
  Item whole;
  whole.name = "group";
  whole.form = std::make_shared<const Group>(Group{inFrameOf(whole, items), {}});
  return withOneInstead(project, items, std::move(whole), made);
}

Project repeated(const Project& project, std::span<const Id> ids, const Pattern& pattern, Id& made) {
  const auto items = combinable(project, ids);
  if (items.empty()) return project;
  constexpr const char* names[] = {"row", "grid", "ring"};
  Item whole;
  whole.name = names[pattern.index()];
  whole.form = std::make_shared<const Repeat>(Repeat{inFrameOf(whole, items), pattern, {}, {}});
  return withOneInstead(project, items, std::move(whole), made);
}

}  // namespace widecut
