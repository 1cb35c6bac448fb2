// Where a text may be parted: between letters as people count them, between words, at the ends of lines. By the rules
// of Unicode (UAX 14 and 29). Places are numbers of bytes; texts are valid UTF-8.
#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace widecut {

/// The text as it is kept: valid UTF-8 (what is not becomes U+FFFD), a line feed for every kind of line end, and no
/// other control characters but tabs.
std::string cleanText(std::string_view text);

/// The places between letters, the beginning and the end included; rising.
std::vector<std::size_t> letterStops(std::string_view text);
/// The places after which a line may end, the end of the text last; rising.
std::vector<std::size_t> lineStops(std::string_view text);
/// The next place to the right or left of one: the next letter's, or the beginning of the next word (to the left: of
/// this one).
enum class Stride : unsigned char { Letter, Word };
std::size_t stepped(std::string_view text, std::size_t from, int direction, Stride stride);
/// The word at a place, as from and to; the white space there when it is between words.
std::pair<std::size_t, std::size_t> wordAt(std::string_view text, std::size_t at);

/// The letter at a byte, and by how many bytes it is written.
struct Letter {
  char32_t code = 0;
  std::size_t bytes = 1;
};
Letter letterAt(std::string_view text, std::size_t at);
/// True for what takes its look from the letter before it: marks, joiners, variation selectors.
bool isAttached(char32_t code);

}  // namespace widecut
