// What is done to the photos of the selected items in their frames.
#pragma once

#include "app/desk/desk.h"
#include "project/framing.h"

namespace widecut {

/// What is reframed: the selected item, or the first one of those that share a photo, where nothing else is selected;
/// null where no photo shows.
ItemPtr reframedItem(const Desk& desk);
/// The photo of the frontmost selected item that shows one, behind all of the selection.
void sharePhoto(Desk& desk);
/// The photo of the selected item behind the whole sheet too, or behind all that are chosen, in register with it.
void layPhotoBehindSheet(Desk& desk);
/// Whether what is reframed is shared over all sheets of the piece, and that turned on or off.
bool isOverSheets(const Desk& desk);
void toggleOverSheets(Desk& desk);
/// Whether any of the selection shares its photo.
bool sharesPhoto(const Desk& desk);
/// Frames of the selection leave the photo that they share, and show as their own what they show now.
void leaveSharedPhoto(Desk& desk);
/// Left and right of the photos exchanged.
void mirrorPhotos(Desk& desk);
/// The photos fitted into their frames; true pixels are 300 an inch, and 96 in pieces set out in pixels.
void fitPhotos(Desk& desk, Fit fit);
/// A habit of the photos turned on, or off where all have it.
void toggleHabit(Desk& desk, bool FramingHabits::*habit, const QString& name);

}  // namespace widecut
