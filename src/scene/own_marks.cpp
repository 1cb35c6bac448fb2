#include "scene/own_marks.h"

#include <algorithm>
#include <map>

#include "cutting/planar_map.h"
#include "project/edits/levels.h"
#include "project/forms/words.h"
#include "project/resolve.h"
#include "scene/letters.h"
#include "scene/line_marks.h"
#include "scene/live_text.h"

namespace widecut {
namespace {

/// The part of the outline that the picture reaches: usually all of it, and then the same object.
std::shared_ptr<const Outline> reachedBy(std::shared_ptr<const Outline> outline, const Box& box,
                                         const Affine& toOutline, const Medium& medium) {
  const auto back = toOutline.inverse();
  if (!back) return std::make_shared<const Outline>();
  const Box pixels{{0, 0}, {double(medium.width), double(medium.height)}};
  if (pixels.grown(0.01 * std::max(medium.width, medium.height) / 1000).contains((*back)(box))) return outline;
  std::vector<Point> quad;
  quad.reserve(4);
  for (int i = 0; i < 4; ++i) quad.push_back(toOutline(pixels.corner(i)));
  const Operand operands[] = {{*outline}, {polygon(quad)}};
  const auto map = PlanarMap::of(operands);
  return std::make_shared<const Outline>(map ? map->intersect() : Outline{});
}

/// What the item's own style paints of its outline.
class Marks {
 public:
  Marks(const Item& item, const Around& around, Content& content) : item_(item), around_(around), content_(content) {}

  void add() {
    const Style& style = *item_.style;
    if (style.fills.empty() && style.lines.empty()) return;
    const bool areLetters = addLetters();
    if (areLetters && !isAnyShown(style.lines)) return;
    const auto shape = resolved(item_);
    if (shape->outline.isEmpty()) return;
    outline_ = std::shared_ptr<const Outline>(shape, &shape->outline);
    box_ = shape->box;
    filled_ = outline_;
    if (!areLetters) addFills();
    for (const Line& line : style.lines) {
      if (!line.shown) continue;
      auto drawn = lineMarkOf(outline_, line);
      if (!drawn) continue;
      content_.mixes = content_.mixes || line.blend != Blend::Normal;
      content_.box.add(drawn->box);
      content_.over.push_back(std::move(drawn->mark));
    }
  }

 private:
  void addFills() {
    const auto coloured = colouredLetters();
    for (const Fill& fill : item_.style->fills)
      if (fill.shown) add(fill);
    for (const auto& [colour, letters] : coloured)
      if (const auto own = parseColour(colour)) add(Fill{*own}, letters, *own);
  }
  static bool isAnyShown(const std::vector<Line>& lines) {
    return std::any_of(lines.begin(), lines.end(), [](const Line& line) { return line.shown; });
  }
  /// Words that are filled with nothing but flat colours are so line by line; false for all else.
  bool addLetters() {
    const Words* words = wordsOf(item_);
    const Style& style = *item_.style;
    const bool isPlain = words && std::all_of(style.fills.begin(), style.fills.end(), [](const Fill& fill) {
                           return !fill.shown || (!fill.level && std::holds_alternative<Colour>(fill.paint));
                         });
    if (!isPlain || !isStraight(words->set()) || hasColours(words->set())) return false;
    for (const Fill& fill : style.fills) {
      if (!fill.shown) continue;
      FillLetters letters{words->sharedSet(), words->content().stretch, std::get<Colour>(fill.paint), fill.opacity,
                          fill.blend};
      const Box box = boxOf(letters);
      if (box.isEmpty()) continue;
      content_.mixes = content_.mixes || fill.blend != Blend::Normal;
      content_.box.add(box);
      content_.under.emplace_back(std::move(letters));
    }
    return true;
  }
  /// Of the letters that show.
  static bool hasColours(const SetWords& set) {
    return std::any_of(set.lines.begin(), set.lines.begin() + static_cast<std::ptrdiff_t>(set.shown),
                       [](const SetLine& line) {
                         return std::any_of(line.body->runs.begin(), line.body->runs.end(),
                                            [](const SetRun& run) { return !run.colour.empty(); });
                       });
  }
  /// The letters of words that have colours of their own, by these; what is left is filled like the item.
  std::map<std::string, std::shared_ptr<const Outline>> colouredLetters() {
    std::map<std::string, Outline> found;
    Outline rest;
    const Words* words = wordsOf(item_);
    for (std::size_t i = 0; words && i < words->set().shown; ++i) {
      const SetLine& line = words->set().lines[i];
      for (const SetRun& run : line.body->runs) {
        Outline& to = run.colour.empty() ? rest : found[run.colour];
        const Outline letters = words->outlineBetween(line.paragraph + run.from, line.paragraph + run.to);
        to.contours.insert(to.contours.end(), letters.contours.begin(), letters.contours.end());
      }
    }
    std::map<std::string, std::shared_ptr<const Outline>> out;
    if (found.empty()) return out;
    const Outline rules = transformed(rulesOf(words->set()), words->content().stretch);
    rest.contours.insert(rest.contours.end(), rules.contours.begin(), rules.contours.end());
    filled_ = std::make_shared<const Outline>(std::move(rest));
    for (auto& [colour, letters] : found) out[colour] = std::make_shared<const Outline>(std::move(letters));
    return out;
  }
  void add(const Fill& fill) {
    if (!fill.level) {
      paintIn(filled_, fill);
      return;
    }
    // What has no area is not filled at all.
    const auto line = lineOf(*fill.level, box_);
    if (auto filled = filledTo({*outline_}, fill.level->share, fill.level->by, line ? &*line : nullptr))
      paintIn(std::make_shared<const Outline>(std::move(*filled)), fill);
  }
  void paintIn(const std::shared_ptr<const Outline>& outline, const Fill& fill) {
    if (const auto* colour = std::get_if<Colour>(&fill.paint)) {
      add(fill, outline, *colour);
    } else if (const auto* gradient = std::get_if<Gradient>(&fill.paint)) {
      add(fill, outline, brushOf(*gradient, box_, item_.toParent(), around_));
    } else if (const auto* hatch = std::get_if<Hatch>(&fill.paint)) {
      add(fill, std::make_shared<const Outline>(hatched(*outline, box_, *hatch)), hatch->colour);
    } else if (auto photo = photoIn(item_, fill)) {
      auto reached = reachedBy(outline, box_, photo->pixelsToFrame, *photo->medium);
      add(fill, std::move(reached),
          PictureBrush{std::move(photo->medium), photo->pixelsToFrame, std::move(photo->adjustments),
                       std::move(photo->playing)});
    }
  }
  void add(const Fill& fill, std::shared_ptr<const Outline> outline, Brush brush) {
    if (outline->isEmpty()) return;
    content_.mixes = content_.mixes || fill.blend != Blend::Normal;
    content_.box.add(outline == outline_ ? box_ : bounds(*outline));
    content_.under.emplace_back(FillOutline{std::move(outline), std::move(brush), fill.opacity, fill.blend});
  }

  const Item& item_;
  const Around& around_;
  Content& content_;
  std::shared_ptr<const Outline> outline_, filled_;
  Box box_;
};

}  // namespace

void addOwnMarks(const Item& item, const Around& around, Content& content) { Marks(item, around, content).add(); }

}  // namespace widecut
