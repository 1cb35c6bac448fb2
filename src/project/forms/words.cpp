#include "project/forms/words.h"

#include "project/limits.h"

namespace widecut {

const Words* wordsOf(const Item& item) {
  const auto* held = std::get_if<std::shared_ptr<const Words>>(&item.form);
  return held ? held->get() : nullptr;
}

std::optional<Box> statedBox(const Words& words) {
  const auto& frame = words.content().frame;
  if (!frame) return std::nullopt;
  return words.content().stretch(Box{{0, 0}, {frame->width, frame->height}});
}

std::string whatIsBeyond(const Words& words) {
  const Words::Content& c = words.content();
  if (c.text.size() > limits::mostTextBytes) return "would have more than 100000 bytes of text";
  const TextStyle& style = c.style;
  if (!(style.size >= limits::leastTextSize && style.size <= limits::mostTextSize))
    return "would have letters of a size that is not from 0.1 to 10000 points";
  if (!(style.leading >= 0 && style.leading <= limits::mostTextSize)) return "would have lines too far apart";
  if (style.face.weight < 1 || style.face.weight > 1000) return "would have a weight that is not from 1 to 1000";
  if (style.face.family.size() > limits::mostNameBytes) return "would have a font with too long a name";
  if (c.frame && !(c.frame->width > 0 && c.frame->height > 0 && isPlace({c.frame->width, c.frame->height})))
    return "would have a text frame without an area, or one too large";
  const Affine& s = c.stretch;
  if (!isPlace({s.xx, s.xy}) || !isPlace({s.yx, s.yy})) return "would be stretched too far";
  const Box box = bounds(words.outline());
  return box.isEmpty() || (isPlace(box.low) && isPlace(box.high)) ? ""
                                                                  : "would reach further than 1000000 points (353 m)";
}

Form mapped(const Words& words, const Affine& linear) {
  Words::Content c = words.content();
  const Affine whole = linear.linear() * c.stretch;
  const double scale = whole.meanScale();
  if (!(scale > 0) || !std::isfinite(scale)) {
    c.stretch = whole;
    return wordsForm(std::move(c));
  }
  c.stretch = Affine::scale(1 / scale, 1 / scale) * whole;
  constexpr double rounding = 1e-12;
  const auto isNear = [](double a, double b) { return std::abs(a - b) < rounding; };
  if (isNear(c.stretch.xx, 1) && isNear(c.stretch.yy, 1) && isNear(c.stretch.xy, 0) && isNear(c.stretch.yx, 0))
    c.stretch = {};
  c.style.size *= scale;
  c.style.leading *= scale;
  if (c.frame) c.frame = TextFrame{c.frame->width * scale, c.frame->height * scale};
  return wordsForm(std::move(c));
}

std::optional<Resized> resized(const Words& words, const Affine& inFrame) {
  constexpr double leastFrame = 1e-3;  // points
  Words::Content c = words.content();
  if (!c.frame || c.stretch != Affine{}) return std::nullopt;
  const Box box = inFrame(*statedBox(words));
  c.frame = TextFrame{std::max(box.width(), leastFrame), std::max(box.height(), leastFrame)};
  return Resized{wordsForm(std::move(c)), box.low};
}

std::optional<Formula> flatten(const Words& words, const Affine& frame, Flat& flat) {
  if (words.set().outline.isEmpty()) return std::nullopt;
  return flat.add(transformed(words.outline(), frame));
}

}  // namespace widecut
