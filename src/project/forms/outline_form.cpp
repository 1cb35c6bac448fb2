#include "project/forms/outline_form.h"

#include "project/limits.h"

namespace widecut {

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
  return flat.add(transformed(outline, frame));
}

}  // namespace widecut
