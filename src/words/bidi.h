// The directions in which letters are read, and the order in which they stand on a line: Unicode's annex 9.
#pragma once

#include <optional>
#include <string_view>
#include <vector>

namespace widecut {

using BidiLevel = unsigned char;  // even ones are read from the left, odd ones from the right

struct Directions {
  BidiLevel base = 0;             ///< The paragraph's: 0 or 1.
  std::vector<BidiLevel> levels;  ///< Of each letter.
};
/// Of one paragraph. Its base is that of its first letter that has a direction, where none is given.
Directions directionsOf(std::u32string_view paragraph, std::optional<BidiLevel> base = {});

/// The levels on the line from … to: white space at its end, and before tabs, is read as the paragraph (rule L1).
std::vector<BidiLevel> levelsOnLine(std::u32string_view paragraph, const Directions& directions, std::size_t from,
                                    std::size_t to);
/// The order in which stretches of these levels stand from left to right: the place in the list of each (rule L2).
std::vector<std::size_t> visualOrder(const std::vector<BidiLevel>& levels);

}  // namespace widecut
