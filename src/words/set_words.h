// Setting words: lines with places for the caret, and the outline of their letters.
#pragma once

#include <optional>

#include "geometry/box.h"
#include "geometry/outline.h"
#include "words/text_style.h"

namespace widecut {

/// A frame that lines are broken to. Points, > 0.
struct TextFrame {
  double width = 0, height = 0;
  bool operator==(const TextFrame&) const = default;
};

/// A place between two letters.
struct CaretStop {
  std::size_t at = 0;  ///< The byte of the text.
  double x = 0;
};

struct SetLine {
  std::size_t from = 0, to = 0;  ///< Bytes of the text; the line feed after it is not counted.
  Point start;                   ///< The left end of its base line.
  double width = 0;              ///< White space at the end of a broken line is not counted.
  std::vector<CaretStop> stops;  ///< From `from` to `to`, at least one; rising in bytes.
};

struct SetWords {
  std::vector<SetLine> lines;      ///< At least one.
  std::size_t shown = 0;           ///< So many of them fit into the frame; the others have no outline.
  double ascent = 0, descent = 0;  ///< Of the chosen font, above and below a base line.
  Outline outline;                 ///< The letters of the lines that fit; filled by the nonzero rule.
  bool fits() const { return shown == lines.size(); }
};

/// Sets a text (valid UTF-8; each line feed ends a line). With a frame, lines are broken to its width, and the first
/// one hangs from its upper edge at y = 0; without one, the first base line is y = 0, and x = 0 its left end, middle or
/// right end, as it is aligned.
SetWords setWords(const std::string& text, const TextStyle& style, const std::optional<TextFrame>& frame);

// Where the caret is. Places are bytes of the text, and points lie in the space of the outline.

/// The number of the line that a place is on: where a line was broken, the lower one.
std::size_t lineAt(const SetWords& words, std::size_t at);
/// The caret's foot, on the base line.
Point caretAt(const SetWords& words, std::size_t at);
/// The place nearest to a point.
std::size_t placeAt(const SetWords& words, Point point);
/// The place before the letter that a point is on; the nearest one where it is on none.
std::size_t letterUnder(const SetWords& words, Point point);
/// The place nearest to x on one line.
std::size_t placeOnLine(const SetLine& line, double x);
/// The boxes of what stands between two places, one for each line.
std::vector<Box> boxesOf(const SetWords& words, std::size_t from, std::size_t to);
/// The box of a line, as high as its font reaches.
Box boxOf(const SetWords& words, const SetLine& line);

}  // namespace widecut
