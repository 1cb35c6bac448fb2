#include "project/edits/starters.h"

#include "project/edits/fills.h"
#include "project/edits/tree.h"
#include "project/edits/words.h"
#include "project/forms/treated.h"
#include "project/names.h"
#include "project/resolve.h"
#include "project/usual_colours.h"

namespace widecut {
namespace {

/// The name with another kind's in the place of this one's, with its number, or as it is when it was chosen.
std::string followed(const std::string& name, const std::string& before, const std::string& now) {
  return name == before || (name.starts_with(before + " ") &&
                            name.find_first_not_of("0123456789", before.size() + 1) == std::string::npos)
             ? now + name.substr(before.size())
             : name;
}

void keepCovered(Item& item) {
  if (pictureOf(*item.style) && !boxInFrame(item).isEmpty())
    setPicture(changeable(item), keptCovering(*pictureOf(*item.style), item));
}

/// What was one flat colour becomes a line of it.
void drawInsteadOfFill(Item& item) {
  const auto colour = colourOf(*item.style);
  if (!colour || lineOf(*item.style) || pictureOf(*item.style)) return;
  Style& style = changeable(item);
  style.fills.clear();
  setLine(style, plainLine(*colour, usualLineWidth));
}

}  // namespace

Item starterItem(Id id, std::string name, const StarterKind& kind, Values numbers, const Box& box, Style style) {
  Item item = plainItem(id, std::move(name), {}, std::move(style));
  item.position = box.centre();
  item.form = starterForm({&kind, within(kind, numbers), {box.width(), box.height()}, {}, {}});
  if (kind.isOpen) drawInsteadOfFill(item);
  return item;
}

std::string nameOfStarter(const StarterKind& kind, Values numbers) {
  if (kind.name == "ellipse") return "disc";
  if (kind.name != "polygon") return std::string(kind.name);
  switch (static_cast<int>(within(kind, numbers)[0])) {
    case 3:
      return "triangle";
    case 5:
      return "pentagon";
    case 6:
      return "hexagon";
    default:
      return "polygon";
  }
}

namespace {

/// The frame of a stretched shape after a change of its numbers, where it had its own proportions: it has them again,
/// about the same middle and as large, so that a regular hexagon becomes a regular pentagon.
std::optional<Box> regularAfter(const StarterKind& kind, StarterSize size, Values before, Values after) {
  constexpr double rounding = 1e-3;
  if (!kind.keeps.empty() || kind.frameAfter) return std::nullopt;
  const Box was = bounds(kind.draw({1, 1}, before)), is = bounds(kind.draw({1, 1}, after));
  if (!(was.width() > 0 && was.height() > 0 && is.width() > 0 && is.height() > 0)) return std::nullopt;
  const double across = size.width / was.width(), down = size.height / was.height();
  if (std::abs(across - down) > rounding * across) return std::nullopt;
  const Point half{is.width() * across / 2, is.height() * across / 2}, middle = (is.centre() - was.centre()) * across;
  return Box{middle - half, middle + half};
}

}  // namespace

Project withNumbers(const Project& project, Id id, Values numbers) {
  return withItem(project, id, [&](const Item& item) {
    const Starter* starter = starterOf(item);
    if (!starter) return item;
    Starter::Content content = starter->content();
    const std::vector<double> before = content.numbers;
    content.numbers = within(*content.kind, numbers);
    if (content.numbers == before) return item;
    Item out = item;
    auto frame = regularAfter(*content.kind, content.size, before, content.numbers);
    if (content.kind->frameAfter) {
      const Point half{content.size.width / 2, content.size.height / 2};
      frame = content.kind->frameAfter({-half, half}, before, content.numbers);
    }
    if (frame) {
      content.size = {frame->width(), frame->height()};
      out.position = item.toParent()(content.stretch(frame->centre()));
    }
    out.name = followed(item.name, nameOfStarter(*content.kind, before), nameOfStarter(*content.kind, content.numbers));
    out.form = withBase(item.form, starterForm(std::move(content)));
    keepCovered(out);
    return out;
  });
}

namespace {

/// Words whose frame has the outline of a kind; those on lines of their own, or in an item's outline, stay.
Item withEdgeOf(const StarterKind& kind, Values numbers, const Item& item, const Words& words) {
  if (!words.content().frame || words.content().on != 0) return item;
  return withWordsChanged(item, [&](Words::Content& content) {
    TextFrame& frame = *content.frame;
    const std::vector<double> all = within(kind, numbers);
    const Outline outline = starterOutline(kind, {frame.width, frame.height}, all);
    const bool isBox = kind.name == "box" && all == usualValues(kind);
    frame.outline =
        isBox
            ? nullptr
            : std::make_shared<const Outline>(transformed(outline, Affine::move({frame.width / 2, frame.height / 2})));
  });
}

}  // namespace

Project withKind(const Project& project, Id id, const StarterKind& kind, Values numbers) {
  return withItem(project, id, [&](const Item& item) {
    if (const Words* words = wordsOf(item)) return withEdgeOf(kind, numbers, item, *words);
    if (!isPlainShape(item)) return item;
    const Box box = boxInFrame(item);
    if (!(box.width() > 0 && box.height() > 0)) return item;
    const Starter* starter = starterOf(item);
    Starter::Content content{&kind, usualValues(kind), {box.width(), box.height()}, {}, {}};
    if (starter) {
      content.size = starter->content().size;
      content.stretch = starter->content().stretch;
      // Numbers of one name and sort are kept.
      for (std::size_t i = 0; i < kind.numbers.size(); ++i)
        for (std::size_t k = 0; k < starter->kind().numbers.size(); ++k)
          if (const StarterNumber& a = kind.numbers[i], &b = starter->kind().numbers[k];
              a.name == b.name && a.kind == b.kind && a.choices == b.choices)
            content.numbers[i] = within(a, starter->content().numbers[k]);
    }
    for (std::size_t i = 0; i < std::min(numbers.size(), content.numbers.size()); ++i)
      content.numbers[i] = within(kind.numbers[i], numbers[i]);
    Item out = item;
    if (!starter) out.position = item.toParent()(box.centre());
    if (starter)
      out.name = followed(item.name, nameOfStarter(starter->kind(), starter->content().numbers),
                          nameOfStarter(kind, content.numbers));
    out.form = withBase(item.form, starterForm(std::move(content)));
    if (kind.isOpen) drawInsteadOfFill(out);
    if (!starter && pictureOf(*out.style)) {
      // The picture stays where it is on the sheet, in the frame space that is centred now.
      Picture picture = *pictureOf(*out.style);
      picture.framing.centre = picture.framing.centre - box.centre();
      setPicture(changeable(out), std::move(picture));
    }
    keepCovered(out);
    return out;
  });
}

}  // namespace widecut
