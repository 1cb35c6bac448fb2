// Making groups and repeats.
#pragma once

#include <span>

#include "project/model.h"
#include "shapes/pattern.h"

namespace widecut {

/// The items of one sheet as one group, in the place of the frontmost. Each keeps its look and place. No items change
/// nothing.
Project grouped(const Project& project, std::span<const Id> items, Id& made);
/// The same as the first copy of a repeat. The pattern's points are measured from the middle of the items.
Project repeated(const Project& project, std::span<const Id> items, const Pattern& pattern, Id& made);

}  // namespace widecut
