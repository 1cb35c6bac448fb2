#include "app/bench/words_numbers.h"

#include <QtGlobal>
#include <cmath>
#include <deque>

namespace widecut {
namespace {

using enum TextAspect;

NumberKind kindOf(const AspectEntry& entry) {
  switch (entry.kind) {
    case AspectKind::Length:
      return NumberKind::Length;
    case AspectKind::Switch:
      return NumberKind::Switch;
    case AspectKind::Choice:
      return NumberKind::Choice;
    default:
      return NumberKind::Count;
  }
}

/// The control of an aspect, as the table declares it.
const StarterNumber* numberOf(TextAspect aspect) {
  static std::deque<StarterNumber> made;  // they stay where they are
  const AspectEntry& entry = entryOf(aspect);
  StarterNumber out;
  out.name = entry.words;
  out.least = entry.least;
  out.most = entry.kind == AspectKind::Switch ? 1 : entry.most;
  out.meaning = entry.meaning.empty() ? entry.words : entry.meaning;
  out.choices = entry.choices;
  out.kind = kindOf(entry);
  out.step = 1;
  made.push_back(out);
  return &made.back();
}

/// Words in a frame, or those that are about to be typed.
bool haveFrame(const Words* words) { return !words || words->content().frame; }

WordsGroup ofStyle(const char* name, const char* caption, const std::vector<TextAspect>& aspects,
                   std::vector<TextAspect> typed) {
  WordsGroup out;
  out.name = name;
  out.caption = caption;
  out.numbers.reserve(aspects.size());
  for (const TextAspect aspect : aspects) out.numbers.push_back(numberOf(aspect));
  out.words = std::move(typed);
  out.applies = haveFrame;
  out.setStyle = [aspects](TextStyle& style, int number, double value) {
    setValue(style, aspects[static_cast<std::size_t>(number)], value);
  };
  out.values = [aspects](const Words::Content& content) {
    std::vector<double> values;
    values.reserve(aspects.size());
    for (const TextAspect aspect : aspects) values.push_back(std::get<double>(valueOf(content.style, aspect)));
    return values;
  };
  return out;
}

constexpr double far = 10'000;  // points
constexpr StarterNumber frameNumbers[] = {
    {"inset", 0, far, 0, 1, "what lines keep off the edges", {}, NumberKind::Length},
    {"columns", 1, 12, 1, 1, "side by side", {}, NumberKind::Count},
    {"gutter", 0, far, 12, 1, "between columns", {}, NumberKind::Length},
    {"lines lie", 0, 3, 0, 1, "when there is room above or below them", "at the top|in the middle|at the bottom|spread",
     NumberKind::Choice},
    {"first line", 0, 2, 0, 1, "what of it touches the top", "by its ascent|by its capitals|by its leading",
     NumberKind::Choice},
    {"balanced", 0, 1, 0, 1, "columns are equally high", {}, NumberKind::Switch},
};
std::vector<double> frameValues(const Words::Content& content) {
  const TextFrame f = content.frame.value_or(TextFrame{});
  return {f.inset,
          static_cast<double>(f.columns),
          f.gutter,
          static_cast<double>(f.upright),
          static_cast<double>(f.first),
          f.isBalanced ? 1.0 : 0.0};
}
void setFrame(TextFrame& f, int number, double value) {
  const auto whole = static_cast<int>(std::lround(value));
  switch (number) {
    case 0:
      f.inset = value;
      break;
    case 1:
      f.columns = whole;
      break;
    case 2:
      f.gutter = value;
      break;
    case 3:
      f.upright = static_cast<Upright>(whole);
      break;
    case 4:
      f.first = static_cast<FirstLine>(whole);
      break;
    default:
      f.isBalanced = whole != 0;
  }
}

constexpr StarterNumber alongNumbers[] = {
    {"start", -far, far, 0, 1, "where on the line they begin", {}, NumberKind::Length},
    {"off the line", -far, far, 0, 1, "between the line and the letters’ feet", {}, NumberKind::Length},
    {"other side",
     0,
     1,
     0,
     1,
     "they stand on the other side of the line, and run the other way",
     {},
     NumberKind::Switch},
    {"spread", 0, 1, 0, 1, "evenly, from one end of the line to the other", {}, NumberKind::Switch},
};
std::vector<double> alongValues(const Words::Content& content) {
  const AlongLine a = content.along.value_or(AlongLine{});
  return {a.start, a.offset, a.isOtherSide ? 1.0 : 0.0, a.isSpread ? 1.0 : 0.0};
}
void setAlong(AlongLine& a, int number, double value) {
  switch (number) {
    case 0:
      a.start = value;
      break;
    case 1:
      a.offset = value;
      break;
    case 2:
      a.isOtherSide = value >= 0.5;
      break;
    default:
      a.isSpread = value >= 0.5;
  }
}

template <std::size_t count>
std::vector<const StarterNumber*> pointersTo(const StarterNumber (&numbers)[count]) {
  std::vector<const StarterNumber*> out;
  out.reserve(count);
  for (const StarterNumber& number : numbers) out.push_back(&number);
  return out;
}

std::vector<WordsGroup> made() {
  std::vector<WordsGroup> out;
  WordsGroup frame;
  frame.name = "groupFrame";
  frame.caption = QT_TRANSLATE_NOOP("widecut::WordsPage", "Frame");
  frame.numbers = pointersTo(frameNumbers);
  frame.applies = [](const Words* words) { return words && words->content().frame; };
  frame.values = frameValues;
  frame.setFrame = setFrame;
  out.push_back(std::move(frame));
  WordsGroup along;
  along.name = "groupAlong";
  along.caption = QT_TRANSLATE_NOOP("widecut::WordsPage", "Along its line");
  along.numbers = pointersTo(alongNumbers);
  along.applies = [](const Words* words) { return words && words->content().along; };
  along.values = alongValues;
  along.setAlong = setAlong;
  out.push_back(std::move(along));
  out.push_back(ofStyle(
      "groupLines", QT_TRANSLATE_NOOP("widecut::WordsPage", "Lines"),
      {TextAspect::Align, Hyphens, Hanging, TextAspect::Breaking, IndentLeft, IndentRight, IndentFirst, KeptLines},
      {Language}));
  out.push_back(ofStyle("groupParagraph", QT_TRANSLATE_NOOP("widecut::WordsPage", "Paragraphs"),
                        {SpaceBefore, SpaceAfter, List, RuleAbove, RuleBelow, RuleGap}, {Tabs}));
  out.push_back(ofStyle("groupDrop", QT_TRANSLATE_NOOP("widecut::WordsPage", "Drop cap"),
                        {DropLines, DropLetters, DropGap, DropHugs}, {}));
  out.push_back(ofStyle("groupLetters", QT_TRANSLATE_NOOP("widecut::WordsPage", "Letters"),
                        {Case, Tracking, Shift, Underlined}, {Features, Axes}));
  out.back().applies = [](const Words*) { return true; };
  return out;
}

}  // namespace

const std::vector<WordsGroup>& wordsGroups() {
  static const std::vector<WordsGroup> groups = made();
  return groups;
}

}  // namespace widecut
