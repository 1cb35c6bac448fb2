#include "project/edits/cutouts.h"

#include <algorithm>
#include <unordered_map>
#include <unordered_set>

#include "project/edits/fills.h"
#include "project/edits/places.h"
#include "project/edits/tree.h"
#include "project/limits.h"
#include "project/names.h"
#include "project/resolve.h"

namespace widecut {
namespace {

/// The parts in formula order: the one that is kept comes first.
std::vector<ItemPtr> inFormulaOrder(std::vector<ItemPtr> parts, Outcome outcome) {
  if (outcome == Outcome::SubtractBack && !parts.empty()) std::rotate(parts.begin(), parts.end() - 1, parts.end());
  return parts;
}

Role roleOf(Outcome outcome) {
  switch (outcome) {
    case Outcome::Union:
      return Role::Add;
    case Outcome::SubtractFront:
    case Outcome::SubtractBack:
      return Role::Subtract;
    case Outcome::Intersect:
      return Role::Intersect;
    case Outcome::Exclude:
      return Role::Exclude;
  }
  return Role::Add;
}

/// In a union the photo of one part grows into all of it: it becomes the cutout's own, where it was, as large as
/// covers.
void growPhoto(Item& cutout) {
  if (auto shown = shownPicture(cutout)) setPicture(changeable(cutout), keptCovering(std::move(*shown), cutout));
}

/// “disc cutout”; where the sheet has one of that name, after the first part that tells them apart: “disc without
/// star”.
std::string cutoutName(const std::vector<ItemPtr>& parts, Role role, const Sheet* sheet) {
  const std::string& first = parts.front()->name;
  constexpr std::string_view ending = " cutout";
  const std::string usual = first.ends_with(ending) ? first : shortened(first + std::string(ending));
  if (!sheet) return usual;
  const auto isFree = [&](const std::string& name) {
    return std::none_of(sheet->items.begin(), sheet->items.end(), [&](const ItemPtr& item) {
      return item->name == name && std::find(parts.begin(), parts.end(), item) == parts.end();
    });
  };
  if (isFree(usual)) return usual;
  constexpr std::string_view words[] = {" and ", " without ", " within ", " or "};
  for (std::size_t i = 1; i < parts.size(); ++i) {
    std::string name = shortened(first + std::string(words[static_cast<std::size_t>(role)]) + parts[i]->name);
    if (isFree(name)) return name;
  }
  return UniqueNames(*sheet).take(usual);
}

/// A live cutout of items that lie beside one another on the sheet, in the order of its formula.
Item cutoutOf(const std::vector<ItemPtr>& parts, Role role, const LookChoice& look, const SheetPtr& sheet) {
  Item cutout;
  cutout.name = cutoutName(parts, role, sheet.get());
  Recipe recipe;
  recipe.formula = Formula::chain(static_cast<int>(parts.size()), role);
  recipe.parts = movedInto(cutout, parts);
  for (const ItemPtr& part : parts)
    if (part->id == look.look) cutout.style = lookOf(*part);
  cutout.form = std::make_shared<const Recipe>(std::move(recipe));
  dropPictures(changeable(cutout));
  if (std::any_of(parts.begin(), parts.end(), [&](const ItemPtr& part) { return part->id == look.photo; })) {
    setPicture(changeable(cutout), PartPicture{look.photo});
    if (role == Role::Add) growPhoto(cutout);
  }
  return cutout;
}

}  // namespace

std::string_view nameOf(Outcome outcome) {
  switch (outcome) {
    case Outcome::Union:
      return "Union";
    case Outcome::SubtractFront:
      return "Subtract front from back";
    case Outcome::SubtractBack:
      return "Subtract back from front";
    case Outcome::Intersect:
      return "Intersect";
    case Outcome::Exclude:
      return "Exclude";
  }
  return "";
}

LookChoice usualLook(const Project& project, std::span<const Id> items, Outcome outcome) {
  const auto parts = inFormulaOrder(combinable(project, items), outcome);
  if (parts.empty()) return {};
  LookChoice choice{parts.front()->id, 0};
  // A shape intersected with a photo is that shape filled with it, so the shape lends the rest of its look.
  if (outcome == Outcome::Intersect)
    for (const ItemPtr& part : parts)
      if (!showsPicture(*part)) {
        choice.look = part->id;
        break;
      }
  for (const ItemPtr& part : combinable(project, items))
    if (showsPicture(*part)) choice.photo = part->id;
  if (outcome != Outcome::Intersect && showsPicture(*parts.front())) choice.photo = parts.front()->id;
  return choice;
}

Project combined(const Project& project, std::span<const Id> items, Outcome outcome, const LookChoice& look, Id& made) {
  const auto stacked = combinable(project, items);
  if (stacked.size() < 2) return project;
  return withOneInstead(
      project, stacked,
      cutoutOf(inFormulaOrder(stacked, outcome), roleOf(outcome), look, sheetOf(project, stacked.front()->id)), made);
}

Project withPhotoWithinAll(const Project& project, std::span<const Id> items, Id& made) {
  Id photo = 0;
  for (const ItemPtr& item : combinable(project, items))
    if (showsPicture(*item)) photo = item->id;
  std::vector<Id> others;
  for (const ItemPtr& item : combinable(project, items))
    if (item->id != photo) others.push_back(item->id);
  if (photo == 0 || others.size() < 2) return project;
  Id whole = 0;
  const Project joined = combined(project, others, Outcome::Union, {others.front(), 0}, whole);
  return combined(joined, std::vector<Id>{photo, whole}, Outcome::Intersect, {whole, photo}, made);
}

Project withJoined(const Project& project, Id id, const Item& shape, Role role, Id& made) {
  const ItemPtr item = findItem(project, id);
  const auto back = frameToSheet(project, id).inverse();
  if (!item || !back) return project;
  Project next = project;
  Item joined = mapped(shape, *back);
  joined.id = next.nextId++;
  if (const Recipe* recipe = item->recipe()) {
    made = id;
    return withItem(next, id, [&](const Item& before) {
      Item out = before;
      Recipe changed = *recipe;
      changed.formula = Formula::joined(recipe->formula, role, Formula::part(static_cast<int>(recipe->parts.size())));
      changed.parts.push_back(std::make_shared<const Item>(joined));
      out.form = std::make_shared<const Recipe>(std::move(changed));
      if (role == Role::Add) growPhoto(out);
      return out;
    });
  }
  const std::vector<ItemPtr> parts{item, std::make_shared<const Item>(mapped(joined, item->toParent()))};
  std::vector<Id> ids;
  next = withReplaced(next, id, {cutoutOf(parts, role, {id, showsPicture(*item) ? id : 0}, sheetOf(project, id))},
                      Formula::part(0), ids);
  made = ids.front();
  return next;
}

Project withPartsLifted(const Project& project, Id id, std::vector<Id>& parts) {
  const ItemPtr whole = findItem(project, id);
  if (!whole || childrenOf(*whole).empty()) return project;
  std::vector<Item> lifted;
  lifted.reserve(childrenOf(*whole).size());
  for (const ItemPtr& part : childrenOf(*whole)) {
    lifted.push_back(mapped(*part, whole->toParent()));
    lifted.back().hidden = part->hidden || whole->hidden;
    parts.push_back(part->id);
  }
  const Recipe* recipe = whole->recipe();
  const auto joined = recipe ? recipe->formula : Formula::chain(static_cast<int>(lifted.size()), Role::Add);
  std::vector<Id> made;
  return withReplaced(project, id, std::move(lifted), joined, made);
}

std::vector<Role> rolesOf(const Recipe& recipe) {
  std::vector<Role> roles = recipe.formula.operators();
  roles.insert(roles.begin(), Role::Add);
  return roles;
}

std::vector<std::string> formulaNames(const Recipe& recipe) {
  std::vector<std::string> out;
  std::unordered_set<std::string> taken;
  std::unordered_map<std::string, int> next;
  for (const ItemPtr& part : recipe.parts) {
    std::string name = part->name;
    for (int& number = next.try_emplace(part->name, 2).first->second; taken.contains(name); ++number)
      name = part->name + " " + std::to_string(number);
    taken.insert(name);
    out.push_back(std::move(name));
  }
  return out;
}

std::string formulaText(const Recipe& recipe) {
  const auto shown =
      recipe.formula.without([&](int part) { return recipe.parts[static_cast<std::size_t>(part)]->hidden; });
  return shown ? shown->text(formulaNames(recipe)) : "";
}

Result<Project> withFormula(const Project& project, Id cutout, std::string_view text) {
  const ItemPtr item = findItem(project, cutout);
  const Recipe* recipe = item ? item->recipe() : nullptr;
  if (!recipe) return project;
  const auto names = formulaNames(*recipe);
  const auto typed = Formula::parse(text, names);
  if (!typed) return tl::unexpected(typed.error());
  std::vector<int> order = typed->leaves();
  std::vector<char> stands(recipe->parts.size(), 0);
  for (const int part : order)
    if (stands[static_cast<std::size_t>(part)]++ > 0)
      return problem("'" + names[static_cast<std::size_t>(part)] + "' stands twice: each part can stand once");
  const std::size_t named = order.size();
  for (int i = 0; i < static_cast<int>(recipe->parts.size()); ++i)
    if (stands[static_cast<std::size_t>(i)] == 0) order.push_back(i);
  Recipe changed = *recipe;
  changed.parts = {};
  std::vector<int> place(order.size());
  for (std::size_t i = 0; i < order.size(); ++i) {
    place[static_cast<std::size_t>(order[i])] = static_cast<int>(i);
    Item part = *recipe->parts[static_cast<std::size_t>(order[i])];
    part.hidden = i >= named;
    changed.parts.push_back(std::make_shared<const Item>(std::move(part)));
  }
  changed.formula = typed->renumbered([&](int part) { return place[static_cast<std::size_t>(part)]; });
  for (std::size_t i = named; i < order.size(); ++i)
    changed.formula = Formula::joined(changed.formula, Role::Add, Formula::part(static_cast<int>(i)));
  return withItem(project, cutout, [&](const Item& before) {
    Item out = before;
    out.form = std::make_shared<const Recipe>(changed);
    return out;
  });
}

Project withRole(const Project& project, Id cutout, int operatorIndex, Role role) {
  return withItem(project, cutout, [&](const Item& item) {
    const Recipe* recipe = item.recipe();
    if (!recipe) return item;
    Recipe changed = *recipe;
    changed.formula = recipe->formula.withOperator(operatorIndex, role);
    Item out = item;
    out.form = std::make_shared<const Recipe>(std::move(changed));
    return out;
  });
}

}  // namespace widecut
