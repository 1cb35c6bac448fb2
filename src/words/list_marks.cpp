#include "words/list_marks.h"

namespace widecut {

std::string Lists::mark(ListMark kind) {
  count_ = kind == before_ && kind != ListMark::None ? count_ + 1 : 1;
  before_ = kind;
  constexpr int letters = 26;
  switch (kind) {
    case ListMark::None:
      return {};
    case ListMark::Dot:
      return "\xE2\x80\xA2";
    case ListMark::Dash:
      return "\xE2\x80\x93";
    case ListMark::Number:
      return std::to_string(count_) + ".";
    case ListMark::Letter: {
      std::string out;
      for (int n = count_; n > 0; n = (n - 1) / letters) out.insert(0, 1, static_cast<char>('a' + (n - 1) % letters));
      return out + ".";
    }
  }
  return {};
}

void addShifted(const std::vector<SetRun>& runs, Point by, std::vector<SetRun>& out) {
  for (SetRun run : runs) {
    run.x += by.x;
    run.raised -= by.y;
    out.push_back(std::move(run));
  }
}

double widthOf(const std::vector<SetRun>& runs) {
  double width = 0;
  for (const SetRun& run : runs) width += run.width;
  return width;
}

void addListMark(const Paragraph& paragraph, const std::string& mark, LineBody& body) {
  if (mark.empty()) return;
  auto runs = paragraph.words(mark);
  for (SetRun& run : runs) {
    run.from = run.to = 0;
    for (SetGlyph& glyph : run.glyphs) glyph.at = 0;
  }
  const double em = paragraph.style().size, width = widthOf(runs);
  constexpr double gap = 0.35;  // ems
  const bool isCounted = mark.back() == '.';
  const double x = isCounted ? -gap * em - width : -listIndent * em;
  std::vector<SetRun> all;
  addShifted(runs, {paragraph.isLeftward() ? body.stops.front().x - x - width : x, 0}, all);
  body.runs.insert(body.runs.begin(), all.begin(), all.end());
}

}  // namespace widecut
