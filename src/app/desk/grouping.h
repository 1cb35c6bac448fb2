// Grouping the selection, and deleting it.
#pragma once

#include "app/desk/desk.h"

namespace widecut {

/// The selected items that show what is inside them: groups and repeats.
std::vector<Id> selectedGroups(const Desk& desk);
/// True when something is selected, and all of it has the flag.
bool areAll(const Desk& desk, bool Item::*flag);
void group(Desk& desk);
void ungroup(Desk& desk);
/// What is locked stays, and the person is told so.
void deleteSelection(Desk& desk);

}  // namespace widecut
