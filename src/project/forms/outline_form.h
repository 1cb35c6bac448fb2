// The plain outline as a form: it has no children.
#pragma once

#include "project/forms/form.h"

namespace widecut {

inline std::string_view kindName(const Outline&) { return "outline"; }
inline std::optional<Outline> ownOutline(const Outline& outline) { return outline; }
inline std::size_t countOfNodes(const Outline& outline) { return storedNodes(outline); }
std::string whatIsBeyond(const Outline& outline);
Form mapped(const Outline& outline, const Affine& linear);
bool isSameRule(const Outline& a, const Outline& b);
std::optional<Formula> flatten(const Outline& outline, const Affine& frame, Flat& flat);

}  // namespace widecut
