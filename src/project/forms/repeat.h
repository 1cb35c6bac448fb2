// Live copies in a row, a grid, a ring, along a line, or mirrored.
#pragma once

#include <algorithm>

#include "project/forms/form.h"
#include "shapes/pattern.h"

namespace widecut {

/// How one item looks in one copy, otherwise than in the others.
struct OwnLook {
  int copy = 0;
  Id item = 0;
  StylePtr style;  ///< Never null.
};

/// Items shown at every place of a pattern. Each place shows the same items: a change of them is one of all copies. Its
/// own fills lie behind, within the outline of all copies; as a part of a recipe it is what they cover together.
struct Repeat {
  ItemList items;  ///< As the first copy, back to front; at least one.
  Pattern pattern;
  std::vector<int> leftOut = {};    ///< Numbers of copies that are not shown, rising, from 0.
  std::vector<OwnLook> looks = {};  ///< By copy, and in it as the items are.
  std::string extra = {};
};

inline std::string_view kindName(const Repeat&) { return "repeat"; }
inline const ItemList& childrenOf(const Repeat& repeat) { return repeat.items; }
std::optional<Form> withChildren(const Repeat& repeat, ItemList items);
Form withChildReplaced(const Repeat& repeat, std::size_t item, const ItemList& items, const Formula& joined);
inline bool showsChildren(const Repeat&) { return true; }
/// The copies that are not left out.
std::vector<Copy> copiesOf(const Repeat& repeat);
/// All of them.
std::vector<Affine> allPlacesOf(const Repeat& repeat);
/// The box of the items that show, in the frame of the repeat: what gaps and middles are measured from.
Box firstBox(const Repeat& repeat);
ItemList shownIn(const Repeat& repeat, int copy);
std::vector<StylePtr> ownLooks(const Repeat& repeat);
/// The ones that are left out included.
inline std::size_t countOfCopies(const Repeat& repeat) { return std::max<std::size_t>(1, countOf(repeat.pattern)); }
std::string whatIsBeyond(const Repeat& repeat);
Form mapped(const Repeat& repeat, const Affine& linear);
bool isSameRule(const Repeat& a, const Repeat& b);
/// One outline: copies only cover more of the same, however many there are.
std::optional<Formula> flatten(const Repeat& repeat, const Affine& frame, Flat& flat);

/// The repeat of an item; null for all other forms.
inline const Repeat* repeatOf(const Item& item) {
  const auto* held = std::get_if<std::shared_ptr<const Repeat>>(&item.form);
  return held ? held->get() : nullptr;
}

}  // namespace widecut
