// Texts from elsewhere: the part that parses them. Only called in the reading process, by tests and fuzzers.
#pragma once

#include "storage/text_in.h"

namespace widecut::parsing {

/// See widecut::textFromFile.
Result<LookedText> textFromFile(std::string_view bytes, TextKind kind, const TextStyle& whole);

}  // namespace widecut::parsing
