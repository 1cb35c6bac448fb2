#include "project/forms/words.h"

#include "cutting/offset.h"
#include "cutting/planar_map.h"
#include "project/budgets.h"
#include "project/limits.h"
#include "project/node_memo.h"
#include "words/region.h"

namespace widecut {
namespace {

SetWords setOf(const Words::Content& content) {
  const WordsToSet words{content.text, content.looks, content.style};
  if (content.along && !content.along->line->isEmpty()) return setAlong(words, *content.along);
  if (!content.frame) return setLines(words);
  const FrameToFill room = roomIn(*content.frame);
  return setStory(words, {&room, 1}).front();
}

template <class Looks>
std::string whatIsWrongIn(const Looks& looks) {
  for (const auto& one : looks)
    for (const auto& [aspect, value] : one.look)
      if (const std::string wrong = whatIsWrong(aspect, value); !wrong.empty())
        return "would have words whose " + std::string(entryOf(aspect).name) + " " + wrong;
  return {};
}

bool isLength(double v) { return v >= 0 && v <= limits::mostLength; }

std::string whatIsWrongIn(const TextFrame& frame) {
  if (!(frame.width > 0 && frame.height > 0 && isPlace({frame.width, frame.height})))
    return "would have a text frame without an area, or one too large";
  if (!isLength(frame.inset) || !isLength(frame.gutter)) return "would have an inset or a gutter that is no length";
  if (frame.columns < 1 || frame.columns > limits::mostTextColumns) return "would have columns not from 1 to 50";
  return {};
}

/// Whether lines cannot reach far, however they are set: so that words need not be set to know it.
bool isSurelyNear(const Words::Content& c) {
  if (c.stretch != Affine{} || !c.looks.isPlain() || c.along) return false;
  if (c.frame) return c.frame->clear.empty();
  constexpr double widest = 4;  // of a letter, in sizes
  const TextStyle& s = c.style;
  const double letter = s.size * (widest + std::abs(s.tracking) / 1000) + s.leading + std::abs(s.shift) +
                        std::abs(s.indentLeft) + std::abs(s.indentRight) + std::abs(s.indentFirst) +
                        std::abs(s.spaceBefore) + std::abs(s.spaceAfter) + s.ruleAbove + s.ruleBelow +
                        std::abs(s.ruleGap);
  return s.tabs.empty() && static_cast<double>(c.text.size() + 1) * letter < limits::mostLength;
}

TextFrame scaled(TextFrame frame, double scale) {
  const double width = frame.width * scale, height = frame.height * scale;
  frame.inset *= scale;
  frame.gutter *= scale;
  return sized(std::move(frame), width, height);
}

}  // namespace

Words::Words(Content content, std::shared_ptr<const std::string> story, SetWords set)
    : content_(std::move(content)), story_(std::move(story)) {
  std::call_once(made_->once, [&] { made_->set = std::move(set); });
}

const SetWords& Words::set() const {
  std::call_once(made_->once, [this] { made_->set = setOf(content_); });
  return made_->set;
}

std::shared_ptr<const Outline> Words::outline() const {
  static NodeMemo<Outline> memo("outlines of letters", budgets::letterBytes, storedBytes);
  const std::shared_ptr<const Words> self = weak_from_this().lock();
  if (self)
    if (auto known = memo.find({self})) return known;
  auto made = std::make_shared<const Outline>(transformed(outlineOf(set()), content_.stretch));
  if (self) memo.keep({self}, made);
  return made;
}

const Words* wordsOf(const Item& item) {
  const auto* held = std::get_if<std::shared_ptr<const Words>>(&item.form);
  return held ? held->get() : nullptr;
}

FrameToFill roomIn(const TextFrame& frame) {
  if (!frame.outline && frame.clear.empty()) return {frame, nullptr};
  std::shared_ptr<Region> region;
  if (frame.outline) {
    const std::vector<Operand> edge{{*frame.outline, FillRule::Nonzero}};
    const auto inside = frame.inset > 0 ? offset(edge.front(), -frame.inset) : cut(edge, Formula::chain(1, Role::Add));
    region = std::make_shared<Region>(inside ? *inside : *frame.outline);
  } else {
    const double in = frame.inset, right = frame.width - in, bottom = frame.height - in;
    region = std::make_shared<Region>(polygon({{in, in}, {right, in}, {right, bottom}, {in, bottom}}));
  }
  for (const KeptClear& one : frame.clear) region->keepClearOf(transformed(*one.outline, one.place), one.side);
  return {frame, std::move(region)};
}

Outline edgeOf(const TextFrame& frame) {
  if (frame.outline) return *frame.outline;
  return polygon({{0, 0}, {frame.width, 0}, {frame.width, frame.height}, {0, frame.height}});
}

TextFrame sized(TextFrame frame, double width, double height) {
  if (frame.outline)
    frame.outline = std::make_shared<const Outline>(
        transformed(*frame.outline, Affine::scale(width / frame.width, height / frame.height)));
  frame.width = width;
  frame.height = height;
  return frame;
}

std::optional<Box> statedBox(const Words& words) {
  const auto& frame = words.content().frame;
  if (!frame) return std::nullopt;
  return words.content().stretch(Box{{0, 0}, {frame->width, frame->height}});
}

std::size_t countOfLetters(const Words& words) { return words.content().text.size(); }

std::string whatIsBeyond(const Words& words) {
  const Words::Content& c = words.content();
  if (c.text.size() > limits::mostTextBytes) return "would have more than 2000000 bytes of text";
  const TextStyle& style = c.style;
  if (!(style.size >= limits::leastTextSize && style.size <= limits::mostTextSize))
    return "would have letters of a size that is not from 0.1 to 10000 points";
  if (!(style.leading >= 0 && style.leading <= limits::mostTextSize)) return "would have lines too far apart";
  if (style.face.weight < 1 || style.face.weight > 1000) return "would have a weight that is not from 1 to 1000";
  if (style.face.family.size() > limits::mostNameBytes) return "would have a font with too long a name";
  for (int i = 0; i < countOfTextAspects; ++i) {
    const auto aspect = static_cast<TextAspect>(i);
    if (const std::string wrong = whatIsWrong(aspect, valueOf(style, aspect)); !wrong.empty())
      return "would have words whose " + std::string(entryOf(aspect).name) + " " + wrong;
  }
  if (const std::string wrong = whatIsWrongIn(c.looks.letters); !wrong.empty()) return wrong;
  if (const std::string wrong = whatIsWrongIn(c.looks.paragraphs); !wrong.empty()) return wrong;
  if (c.frame)
    if (const std::string wrong = whatIsWrongIn(*c.frame); !wrong.empty()) return wrong;
  if (c.along && !(std::abs(c.along->start) <= limits::mostLength && std::abs(c.along->offset) <= limits::mostLength))
    return "would begin too far along its line, or too far from it";
  const Affine& s = c.stretch;
  if (!isPlace({s.xx, s.xy}) || !isPlace({s.yx, s.yy})) return "would be stretched too far";
  if (isSurelyNear(c)) return {};
  const Box box = c.stretch(boxOf(words.set()));
  return words.set().shown == 0 || (isPlace(box.low) && isPlace(box.high))
             ? ""
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
  if (!isNear(scale, 1)) {
    c.style = scaled(c.style, scale);
    c.looks = scaled(c.looks, scale);
    if (c.frame) c.frame = scaled(*c.frame, scale);
    if (c.along) {
      c.along->line = std::make_shared<const Outline>(transformed(*c.along->line, Affine::scale(scale, scale)));
      c.along->start *= scale;
      c.along->offset *= scale;
    }
  }
  return wordsForm(std::move(c));
}

std::optional<Resized> resized(const Words& words, const Affine& inFrame) {
  constexpr double leastFrame = 1e-3;  // points
  Words::Content c = words.content();
  if (!c.frame || c.stretch != Affine{}) return std::nullopt;
  const Box box = inFrame(*statedBox(words));
  c.frame = sized(*c.frame, std::max(box.width(), leastFrame), std::max(box.height(), leastFrame));
  return Resized{wordsForm(std::move(c)), box.low};
}

std::optional<Formula> flatten(const Words& words, const Affine& frame, Flat& flat) {
  const auto letters = words.outline();
  if (letters->isEmpty()) return std::nullopt;
  return flat.add(transformed(*letters, frame));
}

}  // namespace widecut
