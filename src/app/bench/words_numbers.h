// What the bench asks for of words, in groups: numbers and words, each with how it is read and set.
#pragma once

#include <functional>
#include <string_view>
#include <vector>

#include "project/edits/words.h"
#include "shapes/starter.h"

namespace widecut {

/// A group of what is asked for. Its numbers are controls, its words are typed.
struct WordsGroup {
  const char* name;  ///< Of the switch, and of the object.
  const char* caption;
  std::vector<const StarterNumber*> numbers;
  std::vector<TextAspect> words;
  /// Whether it applies to these words; to the next ones where there are none.
  std::function<bool(const Words* words)> applies;
  std::function<std::vector<double>(const Words::Content& content)> values;
  /// The change that brings one of the numbers to a value, for the style, the frame or the line: one of them is set.
  std::function<void(TextStyle& style, int number, double value)> setStyle;
  std::function<void(TextFrame& frame, int number, double value)> setFrame;
  std::function<void(AlongLine& along, int number, double value)> setAlong;
};
const std::vector<WordsGroup>& wordsGroups();

}  // namespace widecut
