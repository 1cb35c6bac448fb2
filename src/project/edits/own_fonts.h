// The fonts that a project has with it, and its words.
#pragma once

#include "project/model.h"

namespace widecut {

/// `after`, in which all words know the fonts of the project, and no others. Those of words that came from another
/// project come along, as far as neither the program, the machine nor the project has their families. Only what differs
/// from `before` is looked at.
Project withOwnFonts(const Project& before, const Project& after);

}  // namespace widecut
