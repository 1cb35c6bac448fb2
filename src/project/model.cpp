#include "project/model.h"

#include <algorithm>

#include "project/forms/form.h"
#include "project/lookup.h"

namespace widecut {
namespace {

template <class Node, class Same>
bool areSame(const std::vector<std::shared_ptr<const Node>>& a, const std::vector<std::shared_ptr<const Node>>& b,
             const Same& same) {
  if (a.size() != b.size()) return false;
  for (std::size_t i = 0; i < a.size(); ++i)
    if (a[i] != b[i] && !same(*a[i], *b[i])) return false;
  return true;
}

bool areSameItems(const ItemList& a, const ItemList& b) {
  bool same = a.size() == b.size();
  eachDifference(a, b, [&](std::size_t i) { same = same && isSame(*a[i], *b[i]); });
  return same;
}

bool areSameForms(const Form& a, const Form& b) {
  return a == b || (isSameRule(a, b) && areSameItems(childrenOf(a), childrenOf(b)));
}

bool areSamePieces(const Piece& a, const Piece& b) {
  return a.id == b.id && a.name == b.name && a.setting == b.setting && a.guides == b.guides && a.extra == b.extra &&
         areSame(a.sheets, b.sheets, [](const Sheet& x, const Sheet& y) { return isSame(x, y); });
}

void gatherMedia(const Style& style, Media& used) {
  for (const Fill& fill : style.fills)
    if (const auto* picture = std::get_if<Picture>(&fill.paint)) {
      const MediumPtr& medium = picture->medium;
      used.emplace(medium->hash, medium);
      if (medium->video) used.emplace(medium->video->file.hash, MediumPtr(medium->video, &medium->video->file));
    }
}

void gatherMedia(const ItemList& items, Media& used) {
  for (const ItemPtr& item : items) {
    gatherMedia(*item->style, used);
    for (const StylePtr& own : ownLooks(item->form)) gatherMedia(*own, used);
    gatherMedia(childrenOf(*item), used);
  }
}

}  // namespace

Style& changeable(Item& item) {
  auto own = std::make_shared<Style>(*item.style);
  Style& style = *own;
  item.style = std::move(own);
  return style;
}

bool isSame(const Item& a, const Item& b) {
  return a.id == b.id && a.name == b.name && a.position == b.position && a.turn == b.turn && a.hidden == b.hidden &&
         a.locked == b.locked && a.paleBy == b.paleBy && a.measures == b.measures && a.division == b.division &&
         a.extra == b.extra && (a.clear == b.clear || (a.clear && b.clear && *a.clear == *b.clear)) &&
         (a.style == b.style || *a.style == *b.style) && areSameForms(a.form, b.form);
}

bool isSame(const Sheet& a, const Sheet& b) {
  return a.id == b.id && a.name == b.name && a.width == b.width && a.height == b.height && a.bleed == b.bleed &&
         a.folds == b.folds && a.guides == b.guides && a.paper == b.paper && a.extra == b.extra &&
         areSameItems(a.items, b.items);
}

bool isSame(const Project& a, const Project& b) {
  const auto areSameNodes = [](const auto& x, const auto& y) {
    return x.first == y.first && (x.second == y.second || *x.second == *y.second);
  };
  return a.name == b.name && a.extra == b.extra && a.swatches == b.swatches &&
         std::equal(a.textStyles.begin(), a.textStyles.end(), b.textStyles.begin(), b.textStyles.end(),
                    [](const auto& x, const auto& y) { return areSame(x, y); }) &&
         areSame(a.pieces, b.pieces, areSamePieces) &&
         std::equal(a.subjects.begin(), a.subjects.end(), b.subjects.begin(), b.subjects.end(), areSameNodes) &&
         std::equal(a.otherFiles.begin(), a.otherFiles.end(), b.otherFiles.begin(), b.otherFiles.end(), areSameNodes);
}

Media mediaOf(const Project& project) {
  Media used;
  for (const SheetPtr& sheet : sheetsOf(project)) gatherMedia(sheet->items, used);
  return used;
}

Item plainItem(Id id, std::string name, const Outline& outline, Style style) {
  const Box box = bounds(outline);
  Item item;
  item.id = id;
  item.name = std::move(name);
  item.position = box.isEmpty() ? Point{} : box.centre();
  item.form = std::make_shared<const Outline>(transformed(outline, Affine::move(-item.position)));
  item.style = std::make_shared<const Style>(std::move(style));
  return item;
}

}  // namespace widecut
