// What paints make of outlines: gradients where they lie, hatches, lines that no pen draws.
#pragma once

#include "scene/scene.h"

namespace widecut {

/// The map from the unit square to a box.
Affine unitTo(const Box& box);
/// The gradient over what it reaches over. `place` is the item's, from its frame to what it lies in.
GradientBrush brushOf(const Gradient& gradient, const Box& box, const Affine& place, const Around& around);
/// True when the hatch would have more than mostHatchMarks lines or dots over the box: then none is drawn.
bool isTooFine(const Hatch& hatch, const Box& box);
/// The lines or dots of a hatch within the outline.
Outline hatched(const Outline& outline, const Box& box, const Hatch& hatch);
/// What a line paints, and the box of it.
struct LineMark {
  Mark mark;
  Box box;
};
std::optional<LineMark> lineMarkOf(const std::shared_ptr<const Outline>& outline, const Line& line);
/// The marks of a follower: a panel behind the box, a copy of the shape or of its outline.
std::vector<Mark> followerMarks(const Effect& effect, const Outline& outline, const Box& box);

}  // namespace widecut
