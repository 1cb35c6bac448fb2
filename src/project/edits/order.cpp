#include "project/edits/order.h"

#include <algorithm>

#include "project/edits/cutouts.h"
#include "project/edits/places.h"
#include "project/edits/tree.h"
#include "project/forms/form.h"
#include "project/names.h"

namespace widecut {
namespace {

ItemList stepped(const ItemList& list, const IdSet& ids, bool forward) {
  if (std::none_of(list.begin(), list.end(), [&](const ItemPtr& item) { return ids.contains(item->id); })) return list;
  std::vector<ItemPtr> order(list.begin(), list.end());
  if (forward) std::reverse(order.begin(), order.end());
  // The first ones may stand at the end already: then they stay, and those behind them do not pass them.
  for (std::size_t i = 1; i < order.size(); ++i)
    if (ids.contains(order[i]->id) && !ids.contains(order[i - 1]->id)) std::swap(order[i], order[i - 1]);
  if (forward) std::reverse(order.begin(), order.end());
  const ItemList next(order.begin(), order.end());
  return next == list ? list : next;
}

Project stepped(const Project& project, std::span<const Id> items, bool forward) {
  const IdSet ids(items.begin(), items.end());
  IdSet parents;
  for (const Id id : items) {
    const auto chain = chainTo(project, id);
    if (chain.size() > 1) parents.insert(chain[chain.size() - 2]->id);
  }
  const std::vector<Id> wholes(parents.begin(), parents.end());
  const Project inside = withEach(project, wholes, [&](const Item& whole) {
    if (whole.recipe()) return whole;
    return withChildren(whole, stepped(childrenOf(whole), ids, forward)).value_or(whole);
  });
  return withSheets(inside, [&](const SheetPtr& sheet) -> SheetPtr {
    const ItemList next = stepped(sheet->items, ids, forward);
    if (next == sheet->items) return sheet;
    Sheet out = *sheet;
    out.items = next;
    return std::make_shared<const Sheet>(std::move(out));
  });
}

/// The formula with a part behind the leaf before `place`, within its brackets; parts from there on have moved by one.
Formula withLeafAt(const Formula& formula, std::size_t place, Role role) {
  const std::size_t count = formula.leaves().size();
  const auto operators = formula.operators();
  const auto brackets = formula.brackets();
  std::vector<std::string> names;
  for (std::size_t i = 0; i <= count; ++i) names.push_back("p" + std::to_string(i));
  std::string text = place == 0 ? names[0] + " " + signOf(role) + " " : "";
  for (std::size_t i = 0; i < count; ++i) {
    if (i > 0) text += std::string(" ") + signOf(operators[i - 1]) + " ";
    text += std::string(static_cast<std::size_t>(brackets[i].before), '(') + names[i < place ? i : i + 1];
    if (i + 1 == place) text += std::string(" ") + signOf(role) + " " + names[place];
    text += std::string(static_cast<std::size_t>(brackets[i].after), ')');
  }
  return Formula::parse(text, names).value_or(formula);
}

/// The role of what stands before a place in a recipe; for the first ones, of what comes next.
Role roleAt(const Recipe& recipe, std::size_t place) {
  const auto roles = rolesOf(recipe);
  if (place == 0) return Role::Add;
  if (place > 1) return roles[place - 1];
  return roles.size() > 1 ? roles[1] : Role::Add;
}

/// The role of a part of this recipe, which it keeps when it only changes places; the first one has that of the next.
std::optional<Role> ownRole(const Recipe* recipe, Id part) {
  if (!recipe) return std::nullopt;
  const auto roles = rolesOf(*recipe);
  for (std::size_t i = 0; i < recipe->parts.size(); ++i)
    if (recipe->parts[i]->id == part) return roles[std::min(std::max<std::size_t>(i, 1), roles.size() - 1)];
  return std::nullopt;
}

Item withChildAt(const Item& whole, std::size_t place, const ItemPtr& child, std::optional<Role> own,
                 std::optional<Role>& role) {
  const auto& children = childrenOf(whole);
  place = std::min(place, children.size());
  const Recipe* recipe = whole.recipe();
  if (!recipe) {
    const std::size_t beside = place == 0 ? 0 : place - 1;
    const ItemPtr& there = children[beside];
    return withChildReplaced(whole, beside, place == 0 ? ItemList{child, there} : ItemList{there, child},
                             Formula::part(0));
  }
  role = own.value_or(roleAt(*recipe, place));
  Recipe changed = *recipe;
  changed.formula = withLeafAt(recipe->formula, place, *role);
  std::vector<ItemPtr> parts(children.begin(), children.end());
  parts.insert(parts.begin() + static_cast<std::ptrdiff_t>(place), child);
  changed.parts = ItemList(parts.begin(), parts.end());
  Item out = whole;
  out.form = std::make_shared<const Recipe>(std::move(changed));
  return out;
}

/// The whole with a copy of one of its children behind it.
Item withChildCopied(const Item& whole, Id child, Point shift, Id& nextId, Id& made) {
  const ItemList& children = childrenOf(whole);
  std::vector<std::string> taken;
  for (const ItemPtr& one : children) taken.push_back(one->name);
  const auto at = std::find_if(children.begin(), children.end(), [&](const ItemPtr& one) { return one->id == child; });
  const auto place = static_cast<std::size_t>(at - children.begin());
  Item copy = freshCopy(**at, nextId);
  copy.name = UniqueNames(taken).take(copy.name);
  copy.position = copy.position + shift;
  made = copy.id;
  // What a recipe begins with is added to.
  const auto own =
      whole.recipe() ? std::optional(place == 0 ? Role::Add : rolesOf(*whole.recipe())[place]) : std::nullopt;
  std::optional<Role> role;
  return withChildAt(whole, place + 1, std::make_shared<const Item>(std::move(copy)), own, role);
}

}  // namespace

Project broughtForward(const Project& project, std::span<const Id> items) { return stepped(project, items, true); }
Project sentBackward(const Project& project, std::span<const Id> items) { return stepped(project, items, false); }

Project withItemsMoved(const Project& project, std::span<const Id> items, const StackPlace& to,
                       std::optional<Role>& role) {
  std::vector<Id> ids = outermost(project, items);
  const IdSet set(ids.begin(), ids.end());
  const SheetPtr sheet = findSheet(project, to.sheet);
  if (!sheet || ids.empty()) return project;
  for (const ItemPtr& above : chainTo(project, to.inside))
    if (set.contains(above->id)) return project;
  const ItemPtr whole = to.inside == 0 ? nullptr : findItem(project, to.inside);
  if (to.inside != 0 && (!whole || childrenOf(*whole).empty())) return project;

  const auto moved = asOnSheet(project, ids);
  // What stands at the place, and stays: groups that are left empty go along.
  const ItemList& there = whole ? childrenOf(*whole) : sheet->items;
  Project next = withoutItems(project, ids);
  Id before = 0;
  for (std::size_t i = to.place; i < there.size() && before == 0; ++i)
    if (findItem(next, there[i]->id)) before = there[i]->id;
  const auto placeIn = [&](const ItemList& left) {
    const auto at = std::find_if(left.begin(), left.end(), [&](const ItemPtr& item) { return item->id == before; });
    return static_cast<std::size_t>(at - left.begin());
  };
  if (whole) {
    if (!findItem(next, to.inside)) return project;
    const auto back = frameToSheet(next, to.inside).inverse();
    if (!back) return project;
    return withItem(next, to.inside, [&](const Item& had) {
      Item out = had;
      const std::size_t place = placeIn(childrenOf(had));
      for (std::size_t i = 0; i < moved.size(); ++i)
        out = withChildAt(out, place + i, std::make_shared<const Item>(mapped(*moved[i], *back)),
                          ownRole(whole->recipe(), moved[i]->id), role);
      return out;
    });
  }
  return withSheet(next, to.sheet, [&](const Sheet& had) {
    Sheet out = had;
    std::vector<ItemPtr> order(had.items.begin(), had.items.end());
    const auto at = order.begin() + static_cast<std::ptrdiff_t>(placeIn(had.items));
    order.insert(at, moved.begin(), moved.end());
    out.items = ItemList(order.begin(), order.end());
    return out;
  });
}

Project withCopies(const Project& project, std::span<const Id> items, Point shift, std::vector<Id>& copies) {
  const std::vector<Id> ids = outermost(project, items);
  const IdSet set(ids.begin(), ids.end());
  Project next = project;
  for (const SheetPtr& sheet : sheetsOf(project)) {
    std::vector<ItemPtr> copied;
    for (const ItemPtr& item : sheet->items)
      if (set.contains(item->id)) copied.push_back(item);
    next = withCopiesOnTop(next, sheet->id, copied, shift, copies);
  }
  for (const Id id : ids) {
    const auto chain = chainTo(project, id);
    if (chain.size() < 2) continue;
    const Id whole = chain[chain.size() - 2]->id;
    const auto back = frameToSheet(next, whole).inverse();
    if (!back) continue;
    Id nextId = next.nextId, made = 0;
    next = withItem(next, whole,
                    [&](const Item& had) { return withChildCopied(had, id, back->vector(shift), nextId, made); });
    next.nextId = nextId;
    copies.push_back(made);
  }
  return next;
}

}  // namespace widecut
