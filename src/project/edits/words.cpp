#include "project/edits/words.h"

#include <algorithm>

#include "project/edits/fills.h"
#include "project/edits/places.h"
#include "project/edits/tree.h"
#include "project/limits.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr double leastFrame = 1e-3;  // points

/// The item with its words made of something else.
Item withContent(const Item& item, const std::function<void(Words::Content&)>& change) {
  const Words* words = wordsOf(item);
  if (!words) return item;
  Words::Content content = words->content();
  change(content);
  if (content == words->content()) return item;
  Item out = item;
  out.form = wordsForm(std::move(content));
  if (pictureOf(*out.style) && !boxInFrame(out).isEmpty())
    setPicture(changeable(out), keptCovering(*pictureOf(*out.style), out));
  return out;
}

double leftEnd(const Words& words) {
  double left = words.set().lines.front().start.x;
  for (const SetLine& line : words.set().lines) left = std::min(left, line.start.x);
  return left;
}

/// Shifts words on lines of their own so that their left end is where it was.
Item keptInPlace(Item item, const Words& before) {
  const Words& now = *wordsOf(item);
  if (now.content().frame) return item;
  const Point shift = now.content().stretch(Point{leftEnd(before) - leftEnd(now), 0});
  item.position = item.toParent()(shift);
  return item;
}

void gather(const ItemPtr& item, std::vector<ItemPtr>& found) {
  if (wordsOf(*item)) found.push_back(item);
  for (const ItemPtr& child : childrenOf(*item)) gather(child, found);
}

/// The height that all lines take.
double heightOf(const Words& words) { return words.set().lines.back().start.y + words.set().descent; }

}  // namespace

std::string nameOfWords(const std::string& text) {
  constexpr std::size_t usualBytes = 28;
  std::string name = text;
  std::replace(name.begin(), name.end(), '\n', ' ');
  if (name.size() > usualBytes) {
    const auto space = name.rfind(' ', usualBytes);
    name = shortened(name, space == std::string::npos || space == 0 ? usualBytes : space);
  }
  while (!name.empty() && name.back() == ' ') name.pop_back();
  name.erase(0, std::min(name.find_first_not_of(' '), name.size()));
  return name.empty() ? "words" : name;
}

Project withText(const Project& project, Id id, const std::string& text) {
  return withItem(project, id, [&](const Item& item) {
    const Words* words = wordsOf(item);
    Item out = withContent(item, [&](Words::Content& content) { content.text = text; });
    if (words && item.name == nameOfWords(words->content().text)) out.name = nameOfWords(text);
    return out;
  });
}

std::vector<ItemPtr> wordsAmong(const Project& project, std::span<const Id> items) {
  std::vector<ItemPtr> found;
  for (const Id id : outermost(project, items))
    if (const ItemPtr item = findItem(project, id)) gather(item, found);
  return found;
}

Project withTextStyle(const Project& project, std::span<const Id> items,
                      const std::function<void(TextStyle&)>& change) {
  std::vector<Id> ids;
  for (const ItemPtr& item : wordsAmong(project, items)) ids.push_back(item->id);
  return withEach(project, ids, [&](const Item& item) {
    return keptInPlace(withContent(item, [&](Words::Content& content) { change(content.style); }), *wordsOf(item));
  });
}

Project withFrameFitted(const Project& project, Id id) {
  return withItem(project, id, [&](const Item& item) {
    const Words* words = wordsOf(item);
    if (!words) return item;
    const SetWords& set = words->set();
    if (words->content().frame)
      return withContent(item, [&](Words::Content& content) { content.frame->height = heightOf(*words); });
    double width = 0;
    for (const SetLine& line : set.lines) width = std::max(width, line.width);
    // The frame's corner is where the upper left end of the lines was.
    Item out = withContent(item, [&](Words::Content& content) {
      content.frame = TextFrame{width + leastFrame,  // so that no line breaks by rounding
                                set.ascent + heightOf(*words)};
    });
    out.position = item.toParent()(words->content().stretch(Point{leftEnd(*words), -set.ascent}));
    return out;
  });
}

Project withLettersFitted(const Project& project, Id id) {
  return withItem(project, id, [&](const Item& item) {
    const Words* words = wordsOf(item);
    if (!words || !words->content().frame || words->set().fits()) return item;
    const auto scaled = [&](double share) {
      return withContent(item, [&](Words::Content& content) {
        content.style.size *= share;
        content.style.leading *= share;
      });
    };
    double fits = 0, tooLarge = 1;
    constexpr int halvings = 12;
    for (int i = 0; i < halvings; ++i) {
      const double middle = (fits + tooLarge) / 2;
      if (words->content().style.size * middle < limits::leastTextSize) break;
      (wordsOf(scaled(middle))->set().fits() ? fits : tooLarge) = middle;
    }
    return fits > 0 ? scaled(fits) : item;
  });
}

}  // namespace widecut
