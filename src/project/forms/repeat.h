// Live copies in a row, a grid or a ring.
#pragma once

#include <algorithm>

#include "project/forms/form.h"
#include "shapes/pattern.h"

namespace widecut {

/// Items shown at every place of a pattern. Each place shows the same items: a change of them is one of all copies. Its
/// own fills lie behind, within the outline of all copies; as a part of a recipe it is what they cover together.
struct Repeat {
  ItemList items;  ///< As the first copy, back to front; at least one.
  Pattern pattern;
  std::vector<int> leftOut;  ///< Numbers of copies that are not shown, rising, from 0.
  std::string extra;
};

inline std::string_view kindName(const Repeat&) { return "repeat"; }
inline const ItemList& childrenOf(const Repeat& repeat) { return repeat.items; }
std::optional<Form> withChildren(const Repeat& repeat, ItemList items);
Form withChildReplaced(const Repeat& repeat, std::size_t item, const ItemList& items, const Formula& joined);
inline bool showsChildren(const Repeat&) { return true; }
/// The places of the copies that are not left out.
std::vector<Affine> copiesOf(const Repeat& repeat);
/// The ones that are left out included.
inline std::size_t countOfCopies(const Repeat& repeat) { return std::max<std::size_t>(1, countOf(repeat.pattern)); }
std::string whatIsBeyond(const Repeat& repeat);
Form mapped(const Repeat& repeat, const Affine& linear);
bool isSameRule(const Repeat& a, const Repeat& b);
std::optional<Formula> flatten(const Repeat& repeat, const Affine& frame, Flat& flat);

}  // namespace widecut
