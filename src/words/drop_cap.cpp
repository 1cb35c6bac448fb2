#include "words/drop_cap.h"

#include <algorithm>

#include "words/font_library.h"
#include "words/region.h"

namespace widecut {

std::optional<DropCap> dropCapOf(const Paragraph& paragraph, const std::vector<StyledStretch>& stretches) {
  const TextStyle& style = paragraph.style();
  const auto& letters = paragraph.letterPlaces();
  if (style.dropLines < 2 || letters.size() < 2) return std::nullopt;
  DropCap out;
  out.bytes = letters[std::min(static_cast<std::size_t>(style.dropLetters), letters.size() - 1)];

  // As high as its lines: from the base line of the last to the capitals' height of the first.
  TextStyle large = paragraph.styleAt(0);
  const FontPtr font = fontFor(large.face, large.axes).font;
  const double height = (style.dropLines - 1) * style.leading + paragraph.capHeight();
  const double size = height / std::max(font->capHeight(), 0.1);
  std::vector<StyledStretch> first;
  for (StyledStretch one : stretches) {
    if (one.from >= out.bytes) break;
    one.to = std::min(one.to, out.bytes);
    one.style.size = size;
    one.style.shift = 0;
    first.push_back(std::move(one));
  }
  large.size = size;
  large.dropLines = 0;
  const ParagraphPtr cap = paragraphFor(paragraph.text().substr(0, out.bytes), std::move(first), large);
  out.runs = cap->line(0, out.bytes);

  SetLine line;
  auto body = std::make_shared<LineBody>();
  body->runs = out.runs;
  line.body = body;
  Outline ink;
  addOutline(line, ink);
  const Region region(ink);
  if (region.box().isEmpty()) return std::nullopt;
  for (SetRun& run : out.runs) run.x -= region.box().low.x;
  for (int i = 0; i < style.dropLines; ++i) {
    const double base = (i + 1 - style.dropLines) * style.leading;
    double right = region.box().high.x;
    if (style.dropHugs)
      if (const auto beside = region.reach(base - paragraph.capHeight(), base)) right = beside->second;
    out.widths.push_back(right - region.box().low.x + style.dropGap);
  }
  return out;
}

}  // namespace widecut
