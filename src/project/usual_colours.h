// What is painted with before anybody chooses.
#pragma once

#include "project/colour.h"

namespace widecut {

inline constexpr Colour usualFill{0x8F, 0xA9, 0xB8};
inline constexpr Colour usualInk{0x23, 0x30, 0x2E};  ///< Of lines and words.

}  // namespace widecut
