// What brings items into order as a whole, and what shows round them.
#pragma once

#include "app/desk/desk.h"
#include "app/desk/preferences.h"

namespace widecut {

/// The selection neatened; the person is told when it is neat already.
void neaten(Desk& desk);
/// The colours of fill and outline of the selection changed for one another.
void swapPaint(Desk& desk);
/// A level on the selection, in a tone that can be seen on what is below it; the bench shows its numbers.
void addLevel(Desk& desk);
/// The selection a template, or no more.
void toggleTemplate(Desk& desk);
bool areTemplates(const Desk& desk);
/// The only selected item as large as the sheet with its bleed.
void fillSheet(Desk& desk);
/// Guides of the sheet at the edges of the selection.
void layGuidesAround(Desk& desk);
/// Turns on, or off, what shows on the mat.
void showOrHide(Desk& desk, bool Preferences::*shows);

}  // namespace widecut
