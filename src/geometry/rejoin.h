// Pieces of one curve as that curve.
#pragma once

#include "geometry/outline.h"

namespace widecut {

/// The outline with segments that follow one another along one line, or are the pieces of one curve as `splitAt` makes
/// them, in one: no place moves by more than 1e-9 of the outline's extent. Nodes between others stay.
Outline rejoined(const Outline& outline);

}  // namespace widecut
