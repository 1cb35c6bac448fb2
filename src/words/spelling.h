// Whether words are spelled as the dictionaries of the machine have them.
#pragma once

#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace widecut {

/// The languages for which there are dictionaries, by BCP 47.
const std::vector<std::string>& spelledLanguages();
/// The words of a text that the dictionary of its language has not, as bytes from and to; rising. Words with digits in
/// them are passed over. Nothing where there is no dictionary for the language. Safe from several threads.
std::vector<std::pair<std::size_t, std::size_t>> misspelled(std::string_view text, const std::string& language);

}  // namespace widecut
