#include "scene/letters.h"

#include <algorithm>

#include "project/budgets.h"
#include "project/node_memo.h"

namespace widecut {
namespace {

Box inkBox(const SetLine& line) { return Affine::move(line.start)(inkOf(line.body)->box); }

/// The same letters at the same places of the line, whatever they are bytes of.
bool showsSame(const SetRun& a, const SetRun& b) {
  return a.font == b.font && a.size == b.size && a.raised == b.raised && a.underlined == b.underlined && a.x == b.x &&
         (!a.underlined || a.width == b.width) &&
         std::equal(a.glyphs.begin(), a.glyphs.end(), b.glyphs.begin(), b.glyphs.end(),
                    [](const SetGlyph& x, const SetGlyph& y) {
                      return x.glyph == y.glyph && x.offset == y.offset && x.advance == y.advance;
                    });
}
bool showsSame(const SetLine& a, const SetLine& b) {
  if (!(a.start == b.start)) return false;
  return a.body == b.body ||
         (a.body->rules == b.body->rules &&
          std::equal(a.body->runs.begin(), a.body->runs.end(), b.body->runs.begin(), b.body->runs.end(),
                     [](const auto& x, const auto& y) { return showsSame(x, y); }));
}

}  // namespace

std::shared_ptr<const LineInk> inkOf(const std::shared_ptr<const LineBody>& line) {
  static NodeMemo<LineInk> memo("ink of lines", budgets::letterBytes,
                                [](const LineInk& ink) { return storedBytes(ink.outline); });
  if (auto known = memo.find({line})) return known;
  auto ink = std::make_shared<LineInk>();
  SetLine alone;
  alone.body = line;
  addOutline(alone, ink->outline);
  ink->box = bounds(ink->outline);
  memo.keep({line}, ink);
  return ink;
}

Box boxOf(const FillLetters& letters) {
  Box box;
  for (std::size_t i = 0; i < letters.set->shown; ++i) box.add(inkBox(letters.set->lines[i]));
  return box.isEmpty() ? box : letters.stretch(box);
}

Outline outlineWithin(const FillLetters& letters, const Box& seen) {
  Outline out;
  for (std::size_t i = 0; i < letters.set->shown; ++i) {
    const SetLine& line = letters.set->lines[i];
    const auto ink = inkOf(line.body);
    const Affine place = letters.stretch * Affine::move(line.start);
    if (ink->box.isEmpty() || !place(ink->box).touches(seen)) continue;
    Outline placed = transformed(ink->outline, place);
    std::move(placed.contours.begin(), placed.contours.end(), std::back_inserter(out.contours));
  }
  return out;
}

FillOutline drawn(const FillLetters& letters) {
  return {std::make_shared<const Outline>(transformed(outlineOf(*letters.set), letters.stretch)), letters.colour,
          letters.opacity, letters.blend};
}

Box changedBox(const FillLetters& a, const FillLetters& b) {
  Box box;
  const SetWords &before = *a.set, &after = *b.set;
  for (std::size_t i = 0; i < std::max(before.shown, after.shown); ++i) {
    const bool isIn = i < before.shown, isNow = i < after.shown;
    if (isIn && isNow && showsSame(before.lines[i], after.lines[i])) continue;
    if (isIn) box.add(inkBox(before.lines[i]));
    if (isNow) box.add(inkBox(after.lines[i]));
  }
  return box.isEmpty() ? box : a.stretch(box);
}

}  // namespace widecut
