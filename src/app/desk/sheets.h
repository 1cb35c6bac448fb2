// What is done to the sheet that is open, and to its piece.
#pragma once

#include "app/desk/desk.h"

namespace widecut {

/// An empty sheet behind the one that is open, and like it.
void newSheet(Desk& desk);
void duplicateSheet(Desk& desk);
/// The last one of a project stays.
void deleteSheet(Desk& desk);
void deletePiece(Desk& desk);

}  // namespace widecut
