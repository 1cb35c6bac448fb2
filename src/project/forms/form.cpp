#include "project/forms/form.h"

#include <algorithm>

#include "project/forms/group.h"
#include "project/forms/outline_form.h"
#include "project/forms/recipe.h"
#include "project/forms/repeat.h"
#include "project/forms/starter_form.h"
#include "project/forms/treated.h"
#include "project/forms/words.h"
#include "project/resolve.h"

namespace widecut {
namespace {

// Kinds without children, copies or numbers of their own need not say so.
template <class Kind>
const ItemList& childrenOf(const Kind&) {
  static const ItemList none;
  return none;
}
template <class Kind>
std::optional<Form> withChildren(const Kind& node, const ItemList&) {
  return std::make_shared<const Kind>(node);
}
template <class Kind>
Form withChildReplaced(const Kind& node, std::size_t, const ItemList&, const Formula&) {
  return std::make_shared<const Kind>(node);
}
template <class Kind>
bool showsChildren(const Kind&) {
  return false;
}
template <class Kind>
std::vector<Copy> copiesOf(const Kind&) {
  return {};
}
template <class Kind>
ItemList shownIn(const Kind& node, int) {
  return childrenOf(node);
}
template <class Kind>
std::vector<StylePtr> ownLooks(const Kind&) {
  return {};
}
template <class Kind>
std::size_t countOfCopies(const Kind&) {
  return 1;
}
template <class Kind>
std::optional<Outline> ownOutline(const Kind&) {
  return std::nullopt;
}
template <class Kind>
Corner resultCorners(const Kind&) {
  return {};
}
template <class Kind>
std::optional<Box> statedBox(const Kind&) {
  return std::nullopt;
}
template <class Kind>
std::size_t countOfNodes(const Kind&) {
  return 0;
}
template <class Kind>
std::size_t countOfLetters(const Kind&) {
  return 0;
}
template <class Kind>
std::optional<Resized> resized(const Kind&, const Affine&) {
  return std::nullopt;
}
template <class Kind>
std::string whatIsBeyond(const Kind&) {
  return {};
}

/// Pictures of children follow them: to their new ids, or away.
void followChildren(Item& item, const ItemList& before, const ItemList& after) {
  if (std::none_of(item.style->fills.begin(), item.style->fills.end(),
                   [](const Fill& fill) { return std::holds_alternative<PartPicture>(fill.paint); }))
    return;
  bool gone = false;
  Style& style = changeable(item);
  for (Fill& fill : style.fills) {
    auto* picture = std::get_if<PartPicture>(&fill.paint);
    if (!picture) continue;
    const auto at = std::find_if(before.begin(), before.end(), [&](const auto& c) { return c->id == picture->part; });
    if (at == before.end()) continue;
    const ItemPtr& now = after[static_cast<std::size_t>(at - before.begin())];
    gone = gone || !now;
    if (now) picture->part = now->id;
  }
  if (gone) dropPictures(style);
}

}  // namespace

std::string_view kindOf(const Form& form) {
  return std::visit([](const auto& node) { return kindName(*node); }, form);
}

const ItemList& childrenOf(const Form& form) {
  return std::visit([](const auto& node) -> const ItemList& { return childrenOf(*node); }, form);
}

std::optional<Item> withChildren(const Item& item, ItemList children) {
  Item out = item;
  followChildren(out, childrenOf(item), children);
  auto form = std::visit([&](const auto& node) { return withChildren(*node, std::move(children)); }, item.form);
  if (!form) return std::nullopt;
  out.form = std::move(*form);
  return out;
}

Item withChildReplaced(const Item& item, std::size_t child, const ItemList& children, const Formula& joined) {
  Item out = item;
  const Id before = childrenOf(item)[child]->id;
  const bool stays = std::any_of(children.begin(), children.end(), [&](const auto& c) { return c->id == before; });
  if (!stays && picturePartOf(*item.style) == before) dropPictures(changeable(out));
  out.form = std::visit([&](const auto& node) { return withChildReplaced(*node, child, children, joined); }, item.form);
  return out;
}

bool showsChildren(const Form& form) {
  return std::visit([](const auto& node) { return showsChildren(*node); }, form);
}

std::vector<Copy> copiesOf(const Form& form) {
  return std::visit([](const auto& node) { return copiesOf(*node); }, form);
}

ItemList shownIn(const Form& form, int copy) {
  return std::visit([&](const auto& node) { return shownIn(*node, copy); }, form);
}

std::vector<StylePtr> ownLooks(const Form& form) {
  return std::visit([](const auto& node) { return ownLooks(*node); }, form);
}

std::size_t countOfCopies(const Form& form) {
  return std::visit([](const auto& node) { return countOfCopies(*node); }, form);
}

std::optional<Outline> ownOutline(const Form& form) {
  return std::visit([](const auto& node) { return ownOutline(*node); }, form);
}

Corner resultCorners(const Form& form) {
  return std::visit([](const auto& node) { return resultCorners(*node); }, form);
}

std::optional<Box> statedBox(const Form& form) {
  return std::visit([](const auto& node) { return statedBox(*node); }, form);
}

std::size_t countOfNodes(const Form& form) {
  return std::visit([](const auto& node) { return countOfNodes(*node); }, form);
}

std::size_t countOfLetters(const Form& form) {
  return std::visit([](const auto& node) { return countOfLetters(*node); }, form);
}

std::string whatIsBeyond(const Form& form) {
  return std::visit([](const auto& node) { return whatIsBeyond(*node); }, form);
}

Form mapped(const Form& form, const Affine& linear) {
  return std::visit([&](const auto& node) { return mapped(*node, linear); }, form);
}

std::optional<Resized> resized(const Form& form, const Affine& inFrame) {
  return std::visit([&](const auto& node) { return resized(*node, inFrame); }, form);
}

bool isSameRule(const Form& a, const Form& b) {
  return a.index() == b.index() && std::visit(
                                       [&](const auto& node) {
                                         using Held = std::decay_t<decltype(node)>;
                                         return node == std::get<Held>(b) || isSameRule(*node, *std::get<Held>(b));
                                       },
                                       a);
}

std::optional<Formula> Flat::add(const Item& item, const Affine& parent) {
  return item.isShown() ? add(item.form, parent * item.toParent()) : std::nullopt;
}

Formula Flat::add(Outline outline) {
  operands.push_back({std::move(outline)});
  return Formula::part(static_cast<int>(operands.size()) - 1);
}

std::optional<Formula> Flat::add(const Form& form, const Affine& frame) {
  if (resultCorners(form).isSharp()) return addSharp(form, frame);
  return add(transformed(resolved(form)->outline, frame));
}

std::optional<Formula> Flat::addSharp(const Form& form, const Affine& frame) {
  return std::visit([&](const auto& node) { return flatten(*node, frame, *this); }, form);
}

}  // namespace widecut
