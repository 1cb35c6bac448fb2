#include "project/cutouts.h"

#include <algorithm>

#include "project/framing.h"
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

/// In a union the photo of one part grows into all of it: it becomes the cutout's own, where it was, as large as
/// covers.
void growPhoto(Item& cutout, const Media& media) {
  const auto shown = shownPhoto(cutout, media);
  if (!shown) return;
  const Medium& m = *media.at(shown->medium);
  const Framing framing{shown->pixelsToFrame(Point{m.width / 2.0, m.height / 2.0}), shown->pointsPerPixel,
                        shown->pixelsToFrame.turnAngle()};
  Recipe recipe = *cutout.recipe();
  recipe.photoFrom.reset();
  cutout.form = std::make_shared<const Recipe>(std::move(recipe));
  cutout.style.photo = PhotoFill{shown->medium, keptCovering(framing, resolved(cutout)->box, m.width, m.height)};
}

std::string cutoutName(const std::vector<ItemPtr>& parts) {
  const std::string& first = parts.front()->name;
  constexpr std::string_view ending = " cutout";
  return first.ends_with(ending) ? first : first + std::string(ending);
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
  const auto photoPart = recipe.photoFrom;
  cutout.form = std::make_shared<const Recipe>(std::move(recipe));
  if (outcome == Outcome::Union && photoPart) growPhoto(cutout, project.media);
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

Role roleOfPart(const Recipe& recipe, std::size_t part) {
  const auto roles = recipe.formula.operators();
  return part == 0 || part > roles.size() ? Role::Add : roles[part - 1];
}

std::vector<std::string> formulaNames(const Recipe& recipe) {
  std::vector<std::string> out;
  for (const ItemPtr& part : recipe.parts) {
    std::string name = part->name;
    for (int number = 2; std::find(out.begin(), out.end(), name) != out.end(); ++number)
      name = part->name + " " + std::to_string(number);
    out.push_back(std::move(name));
  }
  return out;
}

std::string formulaText(const Recipe& recipe) {
  std::optional<Formula> shown = recipe.formula;
  for (std::size_t i = 0; i < recipe.parts.size(); ++i)
    if (recipe.parts[i]->hidden && shown) shown = shown->without(static_cast<int>(i));
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
  const auto stands = [&](int part) { return std::count(order.begin(), order.end(), part); };
  for (const int part : order)
    if (stands(part) > 1)
      return problem("'" + names[static_cast<std::size_t>(part)] + "' stands twice: each part can stand once");
  const std::size_t named = order.size();
  for (int i = 0; i < static_cast<int>(recipe->parts.size()); ++i)
    if (stands(i) == 0) order.push_back(i);
  Recipe changed = *recipe;
  changed.parts.clear();
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
