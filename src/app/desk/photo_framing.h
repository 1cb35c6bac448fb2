// What is done to the photos of the selected items in their frames.
#pragma once

#include "app/desk/desk.h"
#include "project/framing.h"

namespace widecut {

/// Left and right of the photos exchanged.
void mirrorPhotos(Desk& desk);
/// The photos fitted into their frames; true pixels at the ppi of the piece's delivery.
void fitPhotos(Desk& desk, Fit fit);
/// A habit of the photos turned on, or off where all have it.
void toggleHabit(Desk& desk, bool FramingHabits::*habit, const QString& name);

}  // namespace widecut
