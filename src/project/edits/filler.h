// Words to fill a frame with until the true ones are there.
#pragma once

#include <string>

#include "project/forms/words.h"

namespace widecut {

/// So many words of plain prose that says nothing in particular, in sentences; the same ones each time.
std::string fillerWords(std::size_t count);
/// The words with as much of it behind their text as their frame still holds; in frames that the text does not reach,
/// and for words without a frame, nothing changes.
Project withFiller(const Project& project, Id words);

}  // namespace widecut
