// Turns by quarters and halves, and turns and slants taken back.
#pragma once

#include "app/desk/desk.h"

namespace widecut {

/// The selection turned about its pivot by degrees, clockwise, as one step.
void turnSelection(Desk& desk, double angleDeg);
/// Every selected item upright again where it is; starters and words lose their slant too. Of plain outlines a slant is
/// their own shape, and stays.
void clearTurnAndSlant(Desk& desk);

}  // namespace widecut
