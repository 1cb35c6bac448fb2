#include "project/forms/outline_form.h"

#include "project/forms/children.h"
#include "project/limits.h"

namespace widecut {

const ItemList& childrenOf(const Outline&) { return noItems(); }

std::optional<Form> withChildren(const Outline& outline, const ItemList&) {
  return std::make_shared<const Outline>(outline);
}

Form withChildReplaced(const Outline& outline, std::size_t, const ItemList&, const Formula&) {
  return std::make_shared<const Outline>(outline);
}

Form mapped(const Outline& outline, const Affine& linear) {
  return std::make_shared<const Outline>(transformed(outline, linear));
}

std::string whatIsBeyond(const Outline& outline) {
  // Handles too: the box of a curve is not known to be finite when they are not.
  for (const Contour& c : outline.contours) {
    bool within = isPlace(c.start);
    for (const Segment& s : c.segments) within = within && isPlace(s.end) && isPlace(s.handle1) && isPlace(s.handle2);
    if (!within) return "would reach further than 1000000 points (353 m)";
  }
  return {};
}

bool isSameRule(const Outline& a, const Outline& b) { return a == b; }

std::optional<Formula> flatten(const Outline& outline, const Affine& frame, Flat& flat) {
  flat.operands.push_back({transformed(outline, frame)});
  return Formula::part(static_cast<int>(flat.operands.size()) - 1);
}

}  // namespace widecut
