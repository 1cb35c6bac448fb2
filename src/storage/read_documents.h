// Documents as the program and its reading process send them each other: JSON, as in the project's file.
#pragma once

#include <string>

#include "storage/svg_in.h"
#include "storage/text_in.h"

namespace widecut {

/// A text with its looks and named styles, and what they differ from.
struct TextAndStyle {
  LookedText text;
  TextStyle whole;
};
std::string textMessage(const LookedText& text, const TextStyle& whole);
/// The problem says that it is none.
Result<TextAndStyle> textOfMessage(const std::string& message);

std::string shapesMessage(const SvgShapes& shapes);
/// The problem says that it is none.
Result<SvgShapes> shapesOfMessage(const std::string& message);

}  // namespace widecut
