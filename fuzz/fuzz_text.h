// What holds of a text of any kind that is read.
#pragma once

#include <cstddef>
#include <cstdint>

#include "storage/parsing/text_file.h"
#include "words/set_words.h"
#include "words/text_breaks.h"

namespace widecut {

inline int readAnyText(const std::uint8_t* data, std::size_t size, TextKind kind) {
  const TextStyle style;
  const auto text = parsing::textFromFile({reinterpret_cast<const char*>(data), size}, kind, style);
  if (!text) {
    if (text.error().message.empty()) __builtin_trap();
    return 0;
  }
  if (cleanText(text->text) != text->text) __builtin_trap();
  std::size_t at = 0;
  for (const LetterLook& look : text->looks.letters) {
    if (look.from < at || look.to <= look.from || look.to > text->text.size()) __builtin_trap();
    at = look.to;
  }
  for (const ParagraphLook& look : text->looks.paragraphs)
    if (look.at != paragraphBegin(text->text, look.at)) __builtin_trap();
  // It can be set, and all of it is in lines.
  const FrameToFill room{{90, 60}, nullptr};
  const auto set = setStory({text->text, text->looks, style}, {&room, 1});
  if (set.front().lines.back().to != text->text.size()) __builtin_trap();
  return 0;
}

}  // namespace widecut
