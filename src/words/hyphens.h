// Where words may be parted by a hyphen, by the patterns of their language.
#pragma once

#include <cstddef>
#include <string>
#include <string_view>
#include <vector>

namespace widecut {

/// The languages there are patterns for, as “de-AT”, by name. Looked for once.
const std::vector<std::string>& hyphenLanguages();
/// The patterns that are nearest to a language: its own, or those of the same language elsewhere; empty for none.
std::string hyphensFor(const std::string& language);

/// The bytes of a word (letters alone, UTF-8) at which it may be parted, rising. Two letters stay before and three
/// behind. Empty for languages without patterns.
std::vector<std::size_t> hyphenPlaces(std::string_view word, const std::string& language);

}  // namespace widecut
