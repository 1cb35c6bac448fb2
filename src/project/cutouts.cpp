#include "project/cutouts.h"

#include <algorithm>

#include "project/resolve.h"

namespace widecut {
namespace {

bool names(std::span<const Id> ids, Id id) { return std::find(ids.begin(), ids.end(), id) != ids.end(); }

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

bool hasPhoto(const Item& item) { return item.style.photo || (item.recipe() && item.recipe()->photoFrom); }

std::string cutoutName(const std::vector<ItemPtr>& parts) {
  std::string name = parts.front()->name + " cutout";
  return name;
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

std::vector<ItemPtr> combinable(const Project& project, std::span<const Id> items) {
  std::vector<ItemPtr> found;
  for (const SheetPtr& sheet : sheetsOf(project)) {
    for (const ItemPtr& item : sheet->items)
      if (names(items, item->id)) found.push_back(item);
    if (!found.empty()) break;
  }
  return found;
}

LookChoice usualLook(const Project& project, std::span<const Id> items, Outcome outcome) {
  const auto parts = inFormulaOrder(combinable(project, items), outcome);
  if (parts.empty()) return {};
  LookChoice choice{parts.front()->id, 0};
  // A shape intersected with a photo is that shape filled with it, so the shape lends the rest of its look.
  if (outcome == Outcome::Intersect)
    for (const ItemPtr& part : parts)
      if (!hasPhoto(*part)) {
        choice.look = part->id;
        break;
      }
  for (const ItemPtr& part : combinable(project, items))
    if (hasPhoto(*part)) choice.photo = part->id;
  if (outcome != Outcome::Intersect && hasPhoto(*parts.front())) choice.photo = parts.front()->id;
  return choice;
}

Project combined(const Project& project, std::span<const Id> items, Outcome outcome, const LookChoice& look, Id& made) {
  const auto stacked = combinable(project, items);
  if (stacked.size() < 2) return project;
  const auto parts = inFormulaOrder(stacked, outcome);

  Box box;
  for (const ItemPtr& part : parts) box.add(boxInParent(*part));
  Item cutout;
  cutout.id = project.nextId;
  cutout.name = cutoutName(parts);
  cutout.position = box.isEmpty() ? parts.front()->position : box.centre();
  Recipe recipe;
  recipe.formula = Formula::chain(static_cast<int>(parts.size()), roleOf(outcome));
  for (const ItemPtr& part : parts) {
    Item inside = *part;
    inside.position = part->position - cutout.position;
    if (part->id == look.look) cutout.style = part->style;
    if (part->id == look.photo) recipe.photoFrom = part->id;
    recipe.parts.push_back(std::make_shared<const Item>(std::move(inside)));
  }
  cutout.style.photo.reset();
  cutout.form = std::make_shared<const Recipe>(std::move(recipe));
  made = cutout.id;

  const Id frontmost = stacked.back()->id;
  Project next = withSheet(project, sheetOf(project, frontmost)->id, [&](const Sheet& sheet) {
    Sheet out = sheet;
    out.items.clear();
    for (const ItemPtr& item : sheet.items) {
      if (item->id == frontmost) out.items.push_back(std::make_shared<const Item>(cutout));
      if (!names(items, item->id)) out.items.push_back(item);
    }
    return out;
  });
  ++next.nextId;
  return next;
}

Project withPartsLifted(const Project& project, Id id, std::vector<Id>& parts) {
  const SheetPtr home = sheetOf(project, id);
  if (!home) return project;
  return withSheet(project, home->id, [&](const Sheet& sheet) {
    Sheet out = sheet;
    out.items.clear();
    for (const ItemPtr& item : sheet.items) {
      const Recipe* recipe = item->recipe();
      if (item->id != id || !recipe) {
        out.items.push_back(item);
        continue;
      }
      for (const ItemPtr& part : recipe->parts) {
        parts.push_back(part->id);
        out.items.push_back(std::make_shared<const Item>(mapped(*part, item->toParent(), project.media)));
      }
    }
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
