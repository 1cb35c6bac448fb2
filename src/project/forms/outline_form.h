// The plain outline as a form: it has no children.
#pragma once

#include "project/forms/form.h"

namespace widecut {

inline std::string_view kindName(const Outline&) { return "outline"; }
const ItemList& childrenOf(const Outline& outline);
std::optional<Form> withChildren(const Outline& outline, const ItemList& children);
Form withChildReplaced(const Outline& outline, std::size_t child, const ItemList& children, const Formula& joined);
inline std::optional<Outline> ownOutline(const Outline& outline) { return outline; }
inline std::size_t countOfNodes(const Outline& outline) { return storedNodes(outline); }
std::string whatIsBeyond(const Outline& outline);
inline bool showsChildren(const Outline&) { return false; }
inline std::vector<Affine> copiesOf(const Outline&) { return {}; }
Form mapped(const Outline& outline, const Affine& linear);
bool isSameRule(const Outline& a, const Outline& b);
std::optional<Formula> flatten(const Outline& outline, const Affine& frame, Flat& flat);

}  // namespace widecut
