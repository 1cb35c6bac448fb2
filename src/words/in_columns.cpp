#include "words/in_columns.h"

#include <algorithm>

#include "words/drop_cap.h"
#include "words/list_marks.h"
#include "words/paragraph_lines.h"

namespace widecut {
namespace {

LineMeasures measuresOf(const Paragraph& paragraph) {
  return {paragraph.style().leading, paragraph.ascent(), paragraph.descent(), paragraph.capHeight()};
}

/// The lines of one paragraph in their places, from a cursor on.
class InColumns {
 public:
  InColumns(const std::vector<Column>& columns, const StyledParagraph& one, std::string mark)
      : columns_(columns), one_(one), paragraph_(*one.paragraph), style_(paragraph_.style()), mark_(std::move(mark)) {}

  std::vector<Placed> lines(Cursor& cursor) {
    constexpr int tries = 4;
    cursor.space += style_.spaceBefore + (style_.ruleAbove > 0 ? style_.ruleAbove + style_.ruleGap : 0);
    drop_ = dropCapOf(paragraph_, one_.stretches);
    rest_ = drop_ ? restBehind(*drop_) : one_.paragraph;
    start_ = cursor;
    std::vector<Placed> out;
    for (int i = 0; i < tries; ++i) {
      slots_.emplace(columns_, start_, measuresOf(paragraph_), lowest_);
      if (drop_ && !hasRoomForDrop()) {
        start_ = {start_.column + 1, true, 0, 0};
        slots_.emplace(columns_, start_, measuresOf(paragraph_), lowest_);
      }
      out = placed(linesIn(*rest_, widths()));
      if (areKept(out)) break;
    }
    cursor.column = out.back().column;
    cursor.isAtTop = false;
    cursor.y = out.back().line.start.y;
    if (drop_ && out.front().column == cursor.column)
      cursor.y = std::max(cursor.y, out.front().line.start.y + (style_.dropLines - 1) * style_.leading);
    cursor.space = style_.spaceAfter + (style_.ruleBelow > 0 ? style_.ruleBelow + style_.ruleGap : 0);
    return out;
  }

 private:
  ParagraphPtr restBehind(const DropCap& drop) const {
    std::vector<StyledStretch> stretches;
    for (StyledStretch one : one_.stretches) {
      if (one.to <= drop.bytes) continue;
      one.from = std::max(one.from, drop.bytes) - drop.bytes;
      one.to -= drop.bytes;
      stretches.push_back(std::move(one));
    }
    return paragraphFor(paragraph_.text().substr(drop.bytes), std::move(stretches), style_);
  }

  /// Counts base lines: which one of the paragraph a slot is on.
  std::size_t baseLine(std::size_t slot) const {
    std::size_t line = 0;
    for (std::size_t k = 1; k <= slot; ++k) line += slots_->at(k).beginsLine ? 1 : 0;
    return line;
  }
  bool hasRoomForDrop() const {
    std::size_t last = 0;
    for (int line = 1; line < style_.dropLines; ++line) {
      do ++last;
      while (!slots_->at(last).beginsLine);
    }
    return slots_->at(last).column == slots_->at(0).column || start_.isAtTop || start_.column + 1 >= columns_.size();
  }

  /// What a slot leaves free for the drop cap.
  double besideDrop(std::size_t number) const {
    const Slot& slot = slots_->at(number);
    if (!drop_ || !slot.beginsLine || slot.column != slots_->at(0).column) return 0;
    const std::size_t line = number < drop_->widths.size() * 8 ? baseLine(number) : drop_->widths.size();
    if (line >= drop_->widths.size()) return 0;
    const double taken = drop_->widths[line];
    return paragraph_.isLeftward() ? slot.right - (dropEdge() - taken) : dropEdge() + taken - slot.left;
  }
  /// Where the drop cap begins: as far in as all lines beside it have room.
  double dropEdge() const {
    const bool isLeftward = paragraph_.isLeftward();
    double edge = isLeftward ? slots_->at(0).right : slots_->at(0).left;
    for (std::size_t k = 0, line = 0; line < drop_->widths.size(); ++k) {
      const Slot& slot = slots_->at(k);
      if (k > 0 && slot.beginsLine) ++line;
      if (line >= drop_->widths.size() || slot.column != slots_->at(0).column) break;
      if (slot.beginsLine) edge = isLeftward ? std::min(edge, slot.right) : std::max(edge, slot.left);
    }
    return isLeftward ? edge - style_.indentRight : edge + style_.indentLeft;
  }

  double listRoom() const { return mark_.empty() ? 0 : listIndent * style_.size; }
  /// What a line is in from the left and the right of its slot.
  std::pair<double, double> indents(std::size_t number) const {
    double left = 0, right = style_.indentRight;
    if (slots_->at(number).beginsLine) left = style_.indentLeft;
    double& begin = paragraph_.isLeftward() ? right : left;
    if (slots_->at(number).beginsLine) begin += listRoom();
    if (number == 0 && !drop_) begin += style_.indentFirst;
    if (const double beside = besideDrop(number); beside > 0) begin = beside;
    return {left, right};
  }
  LineWidths widths() const {
    LineWidths out;
    out.of = [this](std::size_t number) {
      const Slot& slot = slots_->at(number);
      const auto [left, right] = indents(number);
      return slot.right - slot.left - left - right;
    };
    if (slots_->alikeFrom() != LineWidths::npos) {
      out.alikeFrom = drop_ ? drop_->widths.size() : style_.indentFirst != 0 ? 1 : 0;
    }
    return out;
  }

  std::vector<Placed> placed(const std::vector<ParagraphLine>& lines) const {
    std::vector<Placed> out;
    out.reserve(lines.size());
    const std::size_t skipped = drop_ ? drop_->bytes : 0;
    for (const ParagraphLine& line : lines) {
      const Slot& slot = slots_->at(line.number);
      Placed one;
      one.column = slot.column;
      SetLine& set = one.line;
      set.paragraph = one_.from + skipped;
      set.from = one_.from + skipped + line.from;
      set.to = one_.from + skipped + line.to;
      set.start = {slot.left + indents(line.number).first + line.x, slot.y};
      set.width = line.width;
      set.ascent = paragraph_.ascent();
      set.descent = paragraph_.descent();
      set.endsInHyphen = line.endsInHyphen;
      set.body = line.body;
      out.push_back(std::move(one));
    }
    adorn(out, lines.front().number, lines.back().number);
    return out;
  }

  /// Drop cap, list mark and rules, of the first and the last line.
  void adorn(std::vector<Placed>& lines, std::size_t firstSlot, std::size_t lastSlot) const {
    SetLine &first = lines.front().line, &last = lines.back().line;
    if (drop_ || !mark_.empty() || style_.ruleAbove > 0) {
      auto body = std::make_shared<LineBody>(*first.body);
      if (drop_) addDrop(first, *body);
      if (!mark_.empty()) addListMark(paragraph_, mark_, *body);
      if (style_.ruleAbove > 0)
        addRule(first, firstSlot, -paragraph_.capHeight() - style_.ruleGap - style_.ruleAbove, style_.ruleAbove, *body);
      first.body = std::move(body);
    }
    if (style_.ruleBelow > 0) {
      auto body = std::make_shared<LineBody>(*last.body);
      addRule(last, lastSlot, paragraph_.descent() + style_.ruleGap, style_.ruleBelow, *body);
      last.body = std::move(body);
    }
  }
  void addRule(const SetLine& line, std::size_t number, double y, double thickness, LineBody& body) const {
    const Slot& slot = slots_->at(number);
    body.rules.push_back({{slot.left + style_.indentLeft - line.start.x, y},
                          {slot.right - style_.indentRight - line.start.x, y + thickness}});
  }
  void addDrop(SetLine& first, LineBody& body) const {
    const std::size_t skipped = drop_->bytes;
    // From here on bytes count from the beginning of the whole paragraph.
    for (SetRun& run : body.runs) {
      run.from += skipped;
      run.to += skipped;
      for (SetGlyph& glyph : run.glyphs) glyph.at += skipped;
    }
    for (CaretStop& stop : body.stops) stop.at += skipped;
    double left = dropEdge() - first.start.x;
    if (paragraph_.isLeftward()) left -= *std::max_element(drop_->widths.begin(), drop_->widths.end()) - style_.dropGap;
    const double down = (style_.dropLines - 1) * style_.leading;
    std::vector<CaretStop> stops;
    const auto& letters = paragraph_.letterPlaces();
    std::vector<SetRun> runs;
    addShifted(drop_->runs, {left, down}, runs);
    const double share = widthOf(drop_->runs) / static_cast<double>(style_.dropLetters);
    for (std::size_t i = 0; i < letters.size() && letters[i] < skipped; ++i)
      stops.push_back({letters[i], left + share * static_cast<double>(i)});
    body.stops.insert(body.stops.begin(), stops.begin(), stops.end());
    body.runs.insert(body.runs.begin(), runs.begin(), runs.end());
    first.from = first.paragraph = one_.from;
  }

  /// Whether no column has too few lines of the paragraph; or else says where they are to be next time.
  bool areKept(const std::vector<Placed>& lines) {
    const auto least = static_cast<std::size_t>(style_.keptLines);
    const std::size_t end = columns_.size() - 1;  // what has no room stands there
    if (least < 2 || lines.front().column == lines.back().column || lines.back().column == end) return true;
    const auto in = [&](std::size_t column) {
      return static_cast<std::size_t>(
          std::count_if(lines.begin(), lines.end(), [&](const Placed& one) { return one.column == column; }));
    };
    const bool canMove = !start_.isAtTop;
    const std::size_t first = in(lines.front().column), last = in(lines.back().column);
    const auto moveOn = [&] {
      start_ = {lines.front().column + 1, true, 0, 0};
      return false;
    };
    if (first < std::min(least, lines.size()) && canMove) return moveOn();
    if (last >= least) return true;
    const std::size_t before = lines[lines.size() - last - 1].column, there = in(before), taken = least - last;
    if (there < taken + (before == lines.front().column ? least : 1))
      return canMove && before == lines.front().column ? moveOn() : true;
    const std::size_t lowestLine = lines.size() - last - taken - 1;
    if (lowest_.contains(before)) return true;
    lowest_[before] = lines[lowestLine].line.start.y;
    return false;
  }

  const std::vector<Column>& columns_;
  const StyledParagraph& one_;
  const Paragraph& paragraph_;
  const TextStyle& style_;
  std::string mark_;
  Cursor start_;
  std::map<std::size_t, double> lowest_;
  std::optional<Slots> slots_;
  std::optional<DropCap> drop_;
  ParagraphPtr rest_;
};

}  // namespace

std::vector<Placed> placedInColumns(const std::vector<Column>& columns, const StyledParagraph& one,
                                    const std::string& mark, Cursor& cursor) {
  return InColumns(columns, one, mark).lines(cursor);
}

}  // namespace widecut
