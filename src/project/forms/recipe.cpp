#include "project/forms/recipe.h"

#include "project/forms/children.h"
#include "project/forms/treated.h"

namespace widecut {

std::optional<Form> withChildren(const Recipe& recipe, ItemList parts) {
  Recipe changed = recipe;
  changed.parts = {};
  std::vector<int> newIndex(parts.size(), -1);
  for (std::size_t i = 0; i < parts.size(); ++i) {
    if (!parts[i]) continue;
    newIndex[i] = static_cast<int>(changed.parts.size());
    changed.parts.push_back(parts[i]);
  }
  if (changed.parts.size() == parts.size()) return std::make_shared<const Recipe>(std::move(changed));
  const auto formula = recipe.formula.without([&](int part) { return !parts[static_cast<std::size_t>(part)]; });
  if (!formula) return std::nullopt;
  changed.formula = formula->renumbered([&](int part) { return newIndex[static_cast<std::size_t>(part)]; });
  return std::make_shared<const Recipe>(std::move(changed));
}

Form withChildReplaced(const Recipe& recipe, std::size_t part, const ItemList& parts, const Formula& joined) {
  const int place = static_cast<int>(part), more = static_cast<int>(parts.size()) - 1;
  Recipe changed = recipe;
  changed.formula = recipe.formula.with([&](int leaf) {
    if (leaf == place) return joined.renumbered([&](int n) { return n + place; });
    return Formula::part(leaf > place ? leaf + more : leaf);
  });
  changed.parts = replacedIn(recipe.parts, part, parts);
  return std::make_shared<const Recipe>(std::move(changed));
}

Corner resultCorners(const Recipe& recipe) { return recipe.corners; }

std::string whatIsBeyond(const Recipe& recipe) { return whatIsBeyond(recipe.corners); }

Form mapped(const Recipe& recipe, const Affine& linear) {
  Recipe changed = recipe;
  changed.corners.size *= linear.meanScale();
  changed.parts = allMapped(recipe.parts, linear);
  return std::make_shared<const Recipe>(std::move(changed));
}

bool isSameRule(const Recipe& a, const Recipe& b) {
  return a.formula == b.formula && a.corners == b.corners && a.extra == b.extra;
}

std::optional<Formula> flatten(const Recipe& recipe, const Affine& frame, Flat& flat) {
  std::vector<std::optional<Formula>> leaves;
  leaves.reserve(recipe.parts.size());
  for (const ItemPtr& part : recipe.parts) leaves.push_back(flat.add(*part, frame));
  const auto of = [&](int part) -> const std::optional<Formula>& { return leaves[static_cast<std::size_t>(part)]; };
  const auto whole = recipe.formula.without([&](int part) { return !of(part); });
  if (!whole) return std::nullopt;
  return whole->with([&](int part) { return *of(part); });
}

}  // namespace widecut
