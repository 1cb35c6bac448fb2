// What can be said of how words look, declared once: bench, file, command line and texts that are brought in follow.
#pragma once

#include <string>
#include <string_view>
#include <utility>
#include <variant>
#include <vector>

#include "words/text_style.h"

namespace widecut {

enum class TextAspect : unsigned char {
  Family,
  Weight,
  Italic,
  Size,
  Tracking,
  Shift,
  Case,
  Underlined,
  Colour,
  Features,
  Axes,
  Language,
  Leading,
  Align,
  Breaking,
  Hyphens,
  Hanging,
  IndentLeft,
  IndentRight,
  IndentFirst,
  SpaceBefore,
  SpaceAfter,
  List,
  Tabs,
  KeptLines,
  DropLines,
  DropLetters,
  DropGap,
  DropHugs,
  RuleAbove,
  RuleBelow,
  RuleGap,
};
inline constexpr int countOfTextAspects = static_cast<int>(TextAspect::RuleGap) + 1;

enum class AspectKind : unsigned char { Length, Number, Count, Switch, Choice, Words };

struct AspectEntry {  // NOLINT(clang-analyzer-optin.performance.Padding)
  TextAspect aspect;
  std::string_view name;   ///< In the file, and on the command line.
  std::string_view words;  ///< As it is called.
  bool isOfParagraphs;     ///< Or else of letters.
  AspectKind kind;
  double least = 0, most = 0;     ///< Of numbers. Lengths are in points.
  std::string_view choices = {};  ///< Of a choice: its words, with | between them.
  std::string_view meaning = {};  ///< A few words.
};
/// All of them, in the order of `TextAspect`.
const AspectEntry& entryOf(TextAspect aspect);
/// The one of this name; null where there is none.
const AspectEntry* findAspect(std::string_view name);

/// Switches are 0 or 1, choices the place in their list.
using AspectValue = std::variant<double, std::string>;
AspectValue valueOf(const TextStyle& style, TextAspect aspect);
/// Numbers are brought into their range; a value of the wrong type changes nothing.
void setValue(TextStyle& style, TextAspect aspect, const AspectValue& value);
/// What is wrong with a value: nothing, or “is not from 1 to 1000”.
std::string whatIsWrong(TextAspect aspect, const AspectValue& value);

/// Some aspects of how something looks; the others are those of what it is in. By aspect, each once.
using Look = std::vector<std::pair<TextAspect, AspectValue>>;
TextStyle with(TextStyle style, const Look& look);
/// `first`, and what `second` says where both say something.
Look joined(const Look& first, const Look& second);
/// All lengths and sizes times a scale (> 0); not brought into their ranges.
TextStyle scaled(TextStyle style, double scale);
/// What of `b` is other than in `a`.
Look difference(const TextStyle& a, const TextStyle& b);

}  // namespace widecut
