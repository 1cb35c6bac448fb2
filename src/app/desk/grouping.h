// Grouping the selection, and deleting it.
#pragma once

#include "app/desk/desk.h"

namespace widecut {

/// The selected items that show what is inside them: groups and repeats.
std::vector<Id> selectedGroups(const Desk& desk);
void group(Desk& desk);
void ungroup(Desk& desk);
/// What is locked stays, and the person is told so.
void deleteSelection(Desk& desk);

}  // namespace widecut
