// What takes cutouts and items apart, with a word on what came of it.
#pragma once

#include "app/desk/desk.h"

namespace widecut {

/// What the open cutout removes becomes items behind it.
void keepOffcuts(Desk& desk);
/// The open cutout's, or the only item's, separate regions become items.
void splitLoose(Desk& desk);
/// The open cutout becomes a plain outline.
void bake(Desk& desk);
/// The open cutout's parts become items of the sheet again.
void liftParts(Desk& desk);
/// The only open line of the selection; null when there is none, or several are.
ItemPtr openLineAmong(const Desk& desk);
/// True when there is one open line among the selection: what it can be cut along.
bool isLineToCutAlong(const Desk& desk);
/// True when other items are selected with it.
bool isLineAmongOthers(const Desk& desk);
/// Those fill up to a level along it, and each keeps a copy of it; the line goes.
void fillUpAlong(Desk& desk);
/// The other selected items, or all that it crosses, are parted along it with the knife's gap; the line goes.
void cutAlong(Desk& desk);
/// What of the selection overhangs the sheet, or its bleed, is hidden.
void trim(Desk& desk, bool toBleed);

}  // namespace widecut
