// Items that are one.
#pragma once

#include "project/forms/form.h"

namespace widecut {

/// Members, each as it is. Its own fills lie behind them, within the outline of all of them; as a part of a recipe it
/// is what they cover together.
struct Group {
  ItemList members;  ///< Back to front, at least one.
  std::string extra;
};

inline std::string_view kindName(const Group&) { return "group"; }
inline const ItemList& childrenOf(const Group& group) { return group.members; }
std::optional<Form> withChildren(const Group& group, ItemList members);
Form withChildReplaced(const Group& group, std::size_t member, const ItemList& members, const Formula& joined);
inline bool showsChildren(const Group&) { return true; }
inline std::vector<Copy> copiesOf(const Group&) { return {Copy{}}; }
Form mapped(const Group& group, const Affine& linear);
inline bool isSameRule(const Group& a, const Group& b) { return a.extra == b.extra; }
std::optional<Formula> flatten(const Group& group, const Affine& frame, Flat& flat);

/// What items cover together, as Flat takes it.
std::optional<Formula> flattenAll(const ItemList& items, const Affine& frame, Flat& flat);

}  // namespace widecut
