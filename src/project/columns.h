// What the margins and columns of a sheet leave.
#pragma once

#include "project/model.h"

namespace widecut {

/// The box between the margins.
Box marginBox(const Sheet& sheet, const Setting& setting);
/// The columns between them, left to right; none when there is no room, and all between the margins where there is one.
std::vector<Box> columnsOf(const Sheet& sheet, const Setting& setting);

}  // namespace widecut
