// What a drag of the node tool does to what it took hold of.
#pragma once

#include "app/desk/desk.h"
#include "app/tools/node_marks.h"

namespace widecut {

/// What is pulled: a handle, both of a node's handles out of it, or an edge where it was taken hold of.
enum class Pull : unsigned char { Handle, BothHandles, Edge };

/// Where a handle goes that is dragged to a place of the sheet: at a step of 45° with `atSteps`, and into its node when
/// it comes within `reach` of that.
Point handlePlace(const Project& project, const NodeHit& held, Point onSheet, bool atSteps, double reach);
/// The item after what is held was dragged to a place of the sheet. `alone` breaks a handle from the other one. As it
/// was where that is gone.
Project withPulled(const Project& project, const NodeHit& held, Pull pull, Point onSheet, bool alone);
/// The way of a drag, or the one that brings the held node onto its item's axis when that is within `reach`.
Point snappedToAxis(const Project& project, const NodeHit& held, Point by, double reach);
/// The end that is held; nothing for a node that is none.
std::optional<PathEnd> heldEnd(const Project& project, const NodeHit& held);

}  // namespace widecut
