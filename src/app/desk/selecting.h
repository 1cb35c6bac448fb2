// Ways to select, and what hides, locks and dims the selection.
#pragma once

#include "app/desk/desk.h"

namespace widecut {

/// Those of the items that may be moved and deleted.
std::vector<Id> unlocked(const Project& project, const std::vector<Id>& items);
bool isAnyUnlocked(const Project& project, const std::vector<Id>& items);

/// All items at hand beside those that are selected: on the sheet, or inside of what they are inside of.
void selectAll(Desk& desk);
/// Those of them that are not selected, in the stead of those that are.
void invertSelection(Desk& desk);
/// The next one towards the front, or with a step of -1 towards the back; round again at the end.
void selectNext(Desk& desk, int step);
/// What items can have in common with the selected one.
enum class Alike : unsigned char { Fill, Line, Kind, Size };
/// All items of the sheet that are like the first selected one.
void selectAlike(Desk& desk, Alike alike);
/// Selects what is inside the only selected item: a cutout's first part, or what is in front in a group. False when
/// there is nothing inside.
bool goInto(Desk& desk);

/// True when something is selected, and all of it has the flag.
bool areAll(const Desk& desk, bool Item::*flag);
/// Turns a flag of all selected items on, or off where all of them have it.
void toggle(Desk& desk, bool Item::*flag, const QString& on, const QString& off);
/// Nothing on the sheet is locked, or hidden, any more.
void freeAll(Desk& desk, bool Item::*flag, const QString& name);

/// A move of what is not locked, to be made again.
ItemsChange movedBy(Point by);
/// Moves the selection by a millimetre along a unit step; with Shift by ten, with Ctrl by a tenth.
void nudge(Desk& desk, Point way, Qt::KeyboardModifiers keys);

}  // namespace widecut
