// Where two contents differ.
#pragma once

#include "scene/scene.h"

namespace widecut {

/// A box, in their frame space, outside of which both paint the same; nothing when it is not known to be smaller than
/// all of them. Segments that both outlines have bound nothing that changed.
std::optional<Box> changedBox(const Content& a, const Content& b);
/// The same of what they paint without their finish.
std::optional<Box> changedBody(const Content& a, const Content& b);

}  // namespace widecut
