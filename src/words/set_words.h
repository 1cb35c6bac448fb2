// Setting words: lines with places for the caret, and the outline of their letters.
#pragma once

#include <optional>
#include <span>

#include "geometry/box.h"
#include "geometry/outline.h"
#include "words/paragraph.h"
#include "words/region.h"
#include "words/text_looks.h"

namespace widecut {

/// Where the lines of a frame lie when there is room above or below them: at the top, in the middle, at the bottom, or
/// further apart. In frames with an outline of their own, lines are not put further apart.
enum class Upright : unsigned char { Top, Middle, Bottom, Spread };
/// What of the first line touches the top: the ascent of its font, its capitals, or its leading.
enum class FirstLine : unsigned char { Ascent, Capitals, Leading };

/// Something that the lines of a frame keep clear of.
struct KeptClear {
  std::shared_ptr<const Outline> outline;  ///< With its margin.
  Affine place;                            ///< From its space to that in which the words are set.
  ClearSide side = ClearSide::Both;
  bool operator==(const KeptClear& other) const;
};

/// A frame that lines are broken to. Points.
struct TextFrame {
  double width = 0, height = 0;  ///< > 0
  /// What the lines have to stay inside of, by the nonzero rule; null for the whole rectangle. Its contours do not
  /// cross.
  std::shared_ptr<const Outline> outline = nullptr;
  double inset = 0;  ///< What lines keep off its edges.
  int columns = 1;
  double gutter = 12;       ///< Between columns.
  bool isBalanced = false;  ///< Columns are as high as each other, as far as can be.
  Upright upright = Upright::Top;
  FirstLine first = FirstLine::Ascent;
  std::vector<KeptClear> clear = {};  ///< By what else is on the sheet.
  bool operator==(const TextFrame& other) const;
};

/// A place between two letters.
struct CaretStop {
  std::size_t at = 0;  ///< The byte, from the beginning of the line.
  double x = 0;        ///< From the line's left end.
};

/// What a line shows, from its left end on its base line. Lines that are set again share it.
struct LineBody {
  std::vector<SetRun> runs;      ///< From left to right; their bytes are counted from the beginning of the paragraph.
  std::vector<CaretStop> stops;  ///< From its beginning to its end, at least one; rising in bytes.
  std::vector<Box> rules;
};

/// A stretch of a line that is bent to where it stands.
struct Bend {
  double from = 0, to = 0;  ///< x on the line.
  Affine place;             ///< From the line to the space of the words.
};

struct SetLine {
  std::size_t from = 0, to = 0;  ///< Bytes of the text; the line feed after it is not counted.
  std::size_t paragraph = 0;     ///< The byte where its paragraph begins.
  Point start;                   ///< The left end of its base line.
  double width = 0;              ///< White space at the end of a broken line is not counted.
  double ascent = 0, descent = 0;
  bool endsInHyphen = false;
  std::shared_ptr<const LineBody> body;
  std::vector<Bend> bends;  ///< Of words along a line; empty for straight ones.

  const std::vector<CaretStop>& stops() const { return body->stops; }
};

struct SetWords {
  std::vector<SetLine> lines;      ///< At least one.
  std::size_t shown = 0;           ///< So many of them fit into the frame.
  double ascent = 0, descent = 0;  ///< Of the chosen font, above and below a base line.
  bool fits() const { return shown == lines.size(); }
};

/// What is to be set: valid UTF-8, in which each line feed ends a paragraph.
struct WordsToSet {
  const std::string& text;
  const TextLooks& looks;
  const TextStyle& style;
};
/// The room for lines in a frame, from its upper left corner; `region` is the inside of its outline, inset and all,
/// and null where it has none.
struct FrameToFill {
  TextFrame frame;
  std::shared_ptr<const Region> region = nullptr;
};

/// Lines of their own: the first base line is y = 0, and x = 0 its left end, middle or right end, as it is aligned.
SetWords setLines(const WordsToSet& words);
/// Lines broken to frames that are filled one after another; what is left over goes on below the last one, and is not
/// shown. As many as there are frames, at least one.
std::vector<SetWords> setStory(const WordsToSet& words, std::span<const FrameToFill> frames);
/// One style, and a rectangular frame or none.
SetWords setWords(const std::string& text, const TextStyle& style, const std::optional<TextFrame>& frame);

/// The letters of the lines that show, and their rules; filled by the nonzero rule.
Outline outlineOf(const SetWords& words);
/// Their underlines and rules alone.
Outline rulesOf(const SetWords& words);
/// Of one line.
void addOutline(const SetLine& line, Outline& outline);
/// Of a stretch of bytes alone; letters that are one sign with others come along with the first of them.
Outline outlineOf(const SetWords& words, std::size_t from, std::size_t to);

/// From a place on a line, x from its left end and y from its base line, to the space of the words.
Affine placeOn(const SetLine& line, double x);

// Where the caret is. Places are bytes of the text, and points lie in the space of the outline.

/// The number of the line that a place is on: where a line was broken, the lower one.
std::size_t lineAt(const SetWords& words, std::size_t at);
/// The caret's foot, on the base line.
Point caretAt(const SetWords& words, std::size_t at);
/// From the caret, which stands upright at the origin, to the space of the words.
Affine caretPlace(const SetWords& words, std::size_t at);
/// The place nearest to a point.
std::size_t placeAt(const SetWords& words, Point point);
/// The place before the letter that a point is on; the nearest one where it is on none.
std::size_t letterUnder(const SetWords& words, Point point);
/// The place nearest to x on one line; x is that of the space of the words.
std::size_t placeOnLine(const SetLine& line, double x);
/// What stands between two places: four corners each, clockwise, one or more for each line.
std::vector<std::vector<Point>> areasOf(const SetWords& words, std::size_t from, std::size_t to);
/// The box of a line, as high as its font reaches.
Box boxOf(const SetLine& line);
/// The box of the letters that show, by the boxes of lines.
Box boxOf(const SetWords& words);

}  // namespace widecut
