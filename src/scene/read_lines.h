// Lines of words as they are read, for formats in which text can be searched.
#pragma once

#include <vector>

#include "scene/scene.h"

namespace widecut {

/// Adds the lines of words, or of those that a cutout is made of; `place` leads from the item's frame space.
void addReadLines(const Item& item, const Affine& place, std::vector<ReadLine>& read);

}  // namespace widecut
