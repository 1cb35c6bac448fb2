// Sheets with every feature of paint, made up by number.
#pragma once

#include "project/model.h"

namespace widecut {

/// The first so many show each kind of paint by itself: fills, lines, effects, modes, groups. Later ones mix all.
inline constexpr int countOfMadeUpKinds = 24;
Project madeUpSheet(unsigned number);

}  // namespace widecut
