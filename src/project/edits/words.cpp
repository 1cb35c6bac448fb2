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

/// Another text: what was changed is found between its beginning and its end, and the looks of the rest stay.
void setText(Words::Content& content, const std::string& text) {
  const std::string& before = content.text;
  const std::size_t least = std::min(before.size(), text.size());
  const auto isLetter = [](const std::string& t, std::size_t at) {
    return at == t.size() || (t[at] & '\xC0') != '\x80';
  };
  std::size_t begin = 0, end = 0;
  while (begin < least && before[begin] == text[begin]) ++begin;
  while (begin > 0 && !(isLetter(before, begin) && isLetter(text, begin))) --begin;
  while (end < least - begin && before[before.size() - 1 - end] == text[text.size() - 1 - end]) ++end;
  while (end > 0 && !isLetter(before, before.size() - end)) --end;
  LookedText next = withReplaced({before, content.looks}, begin, before.size() - end,
                                 {text.substr(begin, text.size() - end - begin), {}});
  content.text = std::move(next.text);
  content.looks = std::move(next.looks);
}

/// What the whole is said to look like counts for all stretches of it too.
void forgetIn(TextLooks& looks, const Look& changed) {
  const auto forget = [&](auto& one) {
    for (const auto& said : changed) std::erase_if(one.look, [&](const auto& own) { return own.first == said.first; });
  };
  for (LetterLook& one : looks.letters) forget(one);
  for (ParagraphLook& one : looks.paragraphs) forget(one);
  const auto saysNothing = [](const auto& one) { return !one.named && one.look.empty(); };
  std::erase_if(looks.letters, saysNothing);
  std::erase_if(looks.paragraphs, saysNothing);
}

double leftEnd(const Words& words) {
  double left = words.set().lines.front().start.x;
  for (const SetLine& line : words.set().lines) left = std::min(left, line.start.x);
  return left;
}

/// Shifts words on lines of their own so that their left end is where it was.
Item keptInPlace(Item item, const Words& before) {
  const Words& now = *wordsOf(item);
  if (now.content().frame || now.content().along) return item;
  const Point shift = now.content().stretch(Point{leftEnd(before) - leftEnd(now), 0});
  item.position = item.toParent()(shift);
  return item;
}

void gather(const ItemPtr& item, std::vector<ItemPtr>& found) {
  if (wordsOf(*item)) found.push_back(item);
  for (const ItemPtr& child : childrenOf(*item)) gather(child, found);
}

/// The height that all lines take.
double heightOf(const Words& words) {
  const SetLine& last = words.set().lines.back();
  return last.start.y + last.descent + (words.content().frame ? words.content().frame->inset : 0);
}

/// A frame as high as its lines. One with columns, or of a shape, is brought to it step by step.
void setHeight(Words::Content& content, const Words& words) {
  TextFrame frame = *content.frame;
  frame.upright = Upright::Top;
  const auto withHeight = [&](double height) {
    Words::Content next = content;
    next.frame = sized(frame, frame.width, height);
    return next;
  };
  double fits = heightOf(words), tooLow = 0;
  if (frame.columns > 1 || frame.outline || !words.set().fits() || content.frame->upright != Upright::Top) {
    constexpr int doublings = 20, halvings = 24;
    fits = frame.height;
    for (int i = 0; i < doublings && !Words(withHeight(fits)).set().fits(); ++i) {
      tooLow = fits;
      fits *= 2;
    }
    for (int i = 0; i < halvings; ++i) {
      const double middle = (fits + tooLow) / 2;
      (Words(withHeight(middle)).set().fits() ? fits : tooLow) = middle;
    }
  }
  content.frame = sized(*content.frame, frame.width, fits);
}

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
    Item out = withWordsChanged(item, [&](Words::Content& content) { setText(content, text); });
    if (words && item.name == nameOfWords(words->content().text)) out.name = nameOfWords(text);
    return out;
  });
}

std::vector<ItemPtr> wordsIn(std::span<const ItemPtr> items) {
  std::vector<ItemPtr> found;
  for (const ItemPtr& item : items) gather(item, found);
  return found;
}

std::vector<ItemPtr> wordsAmong(const Project& project, std::span<const Id> items) {
  std::vector<ItemPtr> found;
  for (const Id id : outermost(project, items))
    if (const ItemPtr item = findItem(project, id)) gather(item, found);
  return found;
}

std::vector<ItemPtr> allWords(const Project& project) {
  std::vector<ItemPtr> found;
  for (const SheetPtr& sheet : sheetsOf(project))
    for (const ItemPtr& item : sheet->items) gather(item, found);
  return found;
}

Item withWords(const Item& item, Words::Content content) {
  Item out = item;
  out.form = wordsForm(std::move(content));
  return out;
}

Item withWordsChanged(const Item& item, const std::function<void(Words::Content&)>& change) {
  const Words* words = wordsOf(item);
  if (!words) return item;
  Words::Content content = words->content();
  change(content);
  if (content == words->content()) return item;
  Item out = withWords(item, std::move(content));
  if (pictureOf(*out.style) && !boxInFrame(out).isEmpty())
    setPicture(changeable(out), keptCovering(*pictureOf(*out.style), out));
  return out;
}

Project withTextStyle(const Project& project, std::span<const Id> items,
                      const std::function<void(TextStyle&)>& change) {
  std::vector<Id> ids;
  for (const ItemPtr& item : wordsAmong(project, items)) ids.push_back(item->id);
  return withEach(project, ids, [&](const Item& item) {
    const auto changed = [&](Words::Content& content) {
      const TextStyle before = content.style;
      change(content.style);
      forgetIn(content.looks, difference(before, content.style));
    };
    return keptInPlace(withWordsChanged(item, changed), *wordsOf(item));
  });
}

LookedText lookedTextOf(const Words& words) { return {words.content().text, words.content().looks}; }

Project withLookedText(const Project& project, Id id, const LookedText& text) {
  const Project typed = withText(project, id, text.text);
  return withItem(typed, id, [&](const Item& item) {
    return withWordsChanged(item, [&](Words::Content& content) { content.looks = text.looks; });
  });
}

Project withLookBetween(const Project& project, Id id, std::size_t from, std::size_t to, const Look& look) {
  Look ofLetters, ofParagraphs;
  for (const auto& one : look) (entryOf(one.first).isOfParagraphs ? ofParagraphs : ofLetters).push_back(one);
  return withItem(project, id, [&](const Item& item) {
    return withWordsChanged(item, [&](Words::Content& content) {
      if (!ofLetters.empty())
        content.looks =
            withLetters(content.looks, from, to, [&](OwnTextLook& own) { own.look = joined(own.look, ofLetters); });
      if (!ofParagraphs.empty())
        content.looks = withParagraphs(content.text, content.looks, from, to,
                                       [&](OwnTextLook& own) { own.look = joined(own.look, ofParagraphs); });
    });
  });
}

Project withTextFrames(const Project& project, std::span<const Id> items,
                       const std::function<void(TextFrame&)>& change) {
  std::vector<Id> ids;
  for (const ItemPtr& item : wordsAmong(project, items))
    if (wordsOf(*item)->content().frame) ids.push_back(item->id);
  return withEach(project, ids, [&](const Item& item) {
    return withWordsChanged(item, [&](Words::Content& content) { change(*content.frame); });
  });
}

Project withAlongLines(const Project& project, std::span<const Id> items,
                       const std::function<void(AlongLine&)>& change) {
  std::vector<Id> ids;
  for (const ItemPtr& item : wordsAmong(project, items))
    if (wordsOf(*item)->content().along) ids.push_back(item->id);
  return withEach(project, ids, [&](const Item& item) {
    return withWordsChanged(item, [&](Words::Content& content) { change(*content.along); });
  });
}

Project withFrameFitted(const Project& project, Id id) {
  return withItem(project, id, [&](const Item& item) {
    const Words* words = wordsOf(item);
    if (!words) return item;
    const SetWords& set = words->set();
    if (words->content().frame)
      return withWordsChanged(item, [&](Words::Content& content) { setHeight(content, *words); });
    double width = 0;
    for (const SetLine& line : set.lines) width = std::max(width, line.width);
    // The frame's corner is where the upper left end of the lines was.
    Item out = withWordsChanged(item, [&](Words::Content& content) {
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
    if (!words || !words->content().frame || words->content().text.empty()) return item;
    const auto withShare = [&](double share) {
      return withWordsChanged(item, [&](Words::Content& content) {
        content.style.size *= share;
        content.style.leading *= share;
        content.looks = scaled(content.looks, share);
      });
    };
    double fits = 0, tooLarge = 1;
    constexpr int halvings = 12;
    const double most = limits::mostTextSize / std::max(words->content().style.size, words->content().style.leading);
    while (tooLarge < most && wordsOf(withShare(tooLarge))->set().fits()) {
      fits = tooLarge;
      tooLarge = std::min(tooLarge * 2, most);
    }
    for (int i = 0; i < halvings; ++i) {
      const double middle = (fits + tooLarge) / 2;
      if (words->content().style.size * middle < limits::leastTextSize) break;
      (wordsOf(withShare(middle))->set().fits() ? fits : tooLarge) = middle;
    }
    return fits > 0 ? withShare(fits) : item;
  });
}

}  // namespace widecut
