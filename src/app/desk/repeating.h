// Repeating the selection: rows, grids, rings, copies along a line, and mirrored ones.
#pragma once

#include "app/desk/desk.h"
#include "project/forms/repeat.h"

namespace widecut {

/// Places in the table of kinds of patterns (shapes/pattern_numbers.h).
inline constexpr std::size_t patternRow = 0, patternGrid = 1, patternRing = 2, patternMirror = 4;

/// The only selected item, when it is a repeat; null otherwise.
ItemPtr selectedRepeat(const Desk& desk);
/// Makes a repeat of the selection, usual for its size, which is selected then.
void repeatSelection(Desk& desk, std::size_t kind);
/// True when there are a line or an outline to go along, and something that can.
bool canRepeatAlong(const Desk& desk);
/// Copies of the rest of the selection along its open line or, when there is none, along the outline that was selected
/// last. Copies that are along a line already take up this one.
void repeatAlongLine(Desk& desk);
/// The copy left out, or shown again.
void leaveOut(Desk& desk, Id repeat, int copy, bool isOut);

}  // namespace widecut
