// How a PDF says what codes and stretches of text mean.
#pragma once

#include <span>
#include <string>
#include <utility>

namespace widecut::pdf {

/// UTF-16 in hexadecimal digits.
std::string utf16(const std::string& utf8);
/// The map of a font from codes, in hexadecimal digits, to the texts that they mean. `range` holds all codes.
std::string unicodeMap(const std::string& range, std::span<const std::pair<std::string, std::string>> rows);

}  // namespace widecut::pdf
