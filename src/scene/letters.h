// Letters as they are painted: line by line, drawn when something asks for them.
#pragma once

#include "scene/scene.h"

namespace widecut {

/// What lies on a line, from its left end on its base line. Only for lines that are not bent.
struct LineInk {
  Outline outline;
  Box box;  ///< Tight.
};
/// Worked out when it is asked for, and kept for a while. Lines that are set again share it.
std::shared_ptr<const LineInk> inkOf(const std::shared_ptr<const LineBody>& line);

/// The box of all letters; a little larger where they are stretched aslant.
Box boxOf(const FillLetters& letters);
/// The letters of the lines that reach into `seen`, a box of the content's space.
Outline outlineWithin(const FillLetters& letters, const Box& seen);
/// All of them as one outline.
FillOutline drawn(const FillLetters& letters);
/// A box that holds all that only one of two texts shows.
Box changedBox(const FillLetters& a, const FillLetters& b);

}  // namespace widecut
