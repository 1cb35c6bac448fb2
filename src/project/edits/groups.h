// Making groups.
#pragma once

#include <span>

#include "project/model.h"

namespace widecut {

/// The items of one sheet as one group, in the place of the frontmost. Each keeps its look and place. No items change
/// nothing.
Project grouped(const Project& project, std::span<const Id> items, Id& made);

}  // namespace widecut
