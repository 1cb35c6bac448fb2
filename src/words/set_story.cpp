#include <algorithm>
#include <cmath>

#include "words/in_columns.h"
#include "words/list_marks.h"
#include "words/paragraph_lines.h"
#include "words/set_words.h"

namespace widecut {
namespace {

/// All of a story in its columns, and what is done with the room that is left over.
class Story {
 public:
  Story(const WordsToSet& words, std::span<const FrameToFill> frames)
      : words_(words), frames_(frames), columns_(columnsOf(frames)) {}

  std::vector<SetWords> set() {
    setOnce();
    if (fits()) {
      balance();
      lower();
    }
    shift();
    return inFrames();
  }

 private:
  void setOnce() {
    lines_.clear();
    Cursor cursor;
    Lists lists;
    Paragraphs paragraphs(words_);
    while (const auto one = paragraphs.next()) {
      const std::string mark = lists.mark(one->paragraph->style().list);
      for (Placed& line : placedInColumns(columns_, *one, mark, cursor)) lines_.push_back(std::move(line));
    }
  }
  bool fits() const { return lines_.back().column + 1 < columns_.size(); }
  std::size_t lastFrame() const { return columns_[lines_.back().column].frame; }

  /// Makes the columns of the last frame that is reached equally high.
  void balance() {
    const std::size_t last = lastFrame();
    const TextFrame& frame = frames_[last].frame;
    if (!frame.isBalanced || frame.columns < 2) return;
    double top = 0, low = 0, high = 0;
    for (const Column& column : columns_)
      if (column.frame == last) {
        top = column.top;
        high = column.bottom;
      }
    low = top;
    const auto setBottoms = [&](double bottom) {
      for (Column& column : columns_)
        if (column.frame == last) column.bottom = bottom;
      setOnce();
    };
    constexpr int halvings = 14;
    for (int i = 0; i < halvings; ++i) {
      const double middle = (low + high) / 2;
      setBottoms(middle);
      (fits() && lastFrame() == last ? high : low) = middle;
    }
    setBottoms(high);
  }

  /// In outlines, lines that begin lower are of other lengths: they are set anew until they end at the bottom.
  void lower() {
    for (std::size_t i = 0; i < frames_.size(); ++i) {
      const TextFrame& frame = frames_[i].frame;
      const bool isLowered = frame.upright == Upright::Middle || frame.upright == Upright::Bottom;
      if (!frames_[i].region || !isLowered || i > lastFrame()) continue;
      const std::size_t shown = countIn(i);
      double low = 0, high = frames_[i].region->box().height();
      const auto setAt = [&](double lower) {
        for (Column& column : columns_)
          if (column.frame == i) column.startsLower = lower;
        setOnce();
      };
      constexpr int halvings = 12;
      for (int k = 0; k < halvings; ++k) {
        const double middle = (low + high) / 2;
        setAt(middle);
        (fits() && countIn(i) >= shown ? low : high) = middle;
      }
      setAt(frame.upright == Upright::Bottom ? low : low / 2);
      if (!fits()) setAt(0);
    }
  }
  /// How many paragraphs' bytes a frame has, told by the end of its last line.
  std::size_t countIn(std::size_t frame) const {
    std::size_t end = 0;
    for (const Placed& one : lines_)
      if (columns_[one.column].frame == frame) end = std::max(end, one.line.to);
    return end;
  }

  /// In rectangles lines are just moved.
  void shift() {
    for (std::size_t c = 0; c + 1 < columns_.size(); ++c) {
      const Column& column = columns_[c];
      const Upright upright = frames_[column.frame].frame.upright;
      if (column.region || upright == Upright::Top) continue;
      std::vector<SetLine*> lines;
      for (Placed& one : lines_)
        if (one.column == c) lines.push_back(&one.line);
      if (lines.empty()) continue;
      const double room = column.bottom - lines.back()->start.y - lines.back()->descent;
      for (std::size_t i = 0; i < lines.size(); ++i) {
        double share = upright == Upright::Middle ? 0.5 : 1;
        if (upright == Upright::Spread)
          share = lines.size() > 1 ? static_cast<double>(i) / static_cast<double>(lines.size() - 1) : 0;
        lines[i]->start.y += room * share;
      }
    }
  }

  /// The place of the caret in a frame that the text does not reach.
  void addEmptyLine(std::size_t frame, SetWords& words) const {
    static const auto nothing = std::make_shared<const LineBody>(LineBody{{}, {{0, 0}}, {}});
    SetLine line;
    line.from = line.to = line.paragraph = words_.text.size();
    for (const Column& column : columns_)
      if (column.frame == frame) {
        line.start = {column.left, column.top + words.ascent};
        break;
      }
    line.ascent = words.ascent;
    line.descent = words.descent;
    line.body = nothing;
    words.lines.push_back(std::move(line));
    words.shown = 1;
  }

  std::vector<SetWords> inFrames() {
    const std::size_t count = std::max<std::size_t>(frames_.size(), 1);
    std::vector<SetWords> out(count);
    const auto measure = paragraphFor("", {}, words_.style);
    for (SetWords& one : out) {
      one.ascent = measure->ascent();
      one.descent = measure->descent();
    }
    for (Placed& one : lines_) {
      const std::size_t frame = columns_[one.column].frame;
      SetWords& words = out[std::min(frame, count - 1)];
      if (frame < count) words.shown = words.lines.size() + 1;
      words.lines.push_back(std::move(one.line));
    }
    for (std::size_t i = 0; i < count; ++i)
      if (out[i].lines.empty()) addEmptyLine(i, out[i]);
    return out;
  }

  const WordsToSet& words_;
  std::span<const FrameToFill> frames_;
  std::vector<Column> columns_;
  std::vector<Placed> lines_;
};

}  // namespace

SetWords setLines(const WordsToSet& words) {
  SetWords out;
  Lists lists;
  double y = 0, space = 0;
  const auto measure = paragraphFor("", {}, words.style);
  out.ascent = measure->ascent();
  out.descent = measure->descent();
  Paragraphs paragraphs(words);
  while (const auto one = paragraphs.next()) {
    const TextStyle& style = one->paragraph->style();
    ParagraphLine line = onOneLine(*one->paragraph);
    if (!out.lines.empty()) y += style.leading + space + style.spaceBefore;
    space = style.spaceAfter;
    if (const std::string mark = lists.mark(style.list); !mark.empty()) {
      auto body = std::make_shared<LineBody>(*line.body);
      addListMark(*one->paragraph, mark, *body);
      line.body = std::move(body);
    }
    SetLine set;
    set.from = set.paragraph = one->from;
    set.to = one->to;
    set.start = {line.x, y};
    set.width = line.width;
    set.ascent = one->paragraph->ascent();
    set.descent = one->paragraph->descent();
    set.body = std::move(line.body);
    out.lines.push_back(std::move(set));
  }
  out.shown = out.lines.size();
  return out;
}

std::vector<SetWords> setStory(const WordsToSet& words, std::span<const FrameToFill> frames) {
  return Story(words, frames).set();
}

SetWords setWords(const std::string& text, const TextStyle& style, const std::optional<TextFrame>& frame) {
  const TextLooks plain;
  const WordsToSet words{text, plain, style};
  if (!frame) return setLines(words);
  const FrameToFill whole{*frame, nullptr};
  return setStory(words, {&whole, 1}).front();
}

}  // namespace widecut
