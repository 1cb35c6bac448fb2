#include <gtest/gtest.h>

#include <cmath>

#include "geometry/path_data.h"
#include "words/hyphens.h"
#include "words/region.h"
#include "words/set_words.h"

namespace widecut {
namespace {

const std::string story =
    "The line climbs from the lake to the ridge in nineteen minutes, and the last carriage leaves the upper station "
    "when the lamps on the viaduct are lit. Nobody has ever counted the teeth of the rack, but the oldest driver says "
    "that there are as many of them as there are days in a long life.";

TextStyle body() {
  TextStyle style;
  style.face.family = "EB Garamond";
  style.size = 12;
  style.leading = 15;
  return style;
}

SetWords setIn(const std::string& text, const TextStyle& style, const TextFrame& frame, const TextLooks& looks = {}) {
  std::shared_ptr<const Region> region;
  if (frame.outline) region = std::make_shared<const Region>(*frame.outline);
  const FrameToFill room{frame, region};
  return setStory({text, looks, style}, {&room, 1}).front();
}

std::shared_ptr<const Outline> path(const char* data) { return std::make_shared<const Outline>(*parsePathData(data)); }

std::string lineText(const std::string& text, const SetLine& line) {
  std::string out = text.substr(line.from, line.to - line.from);
  while (!out.empty() && out.back() == ' ') out.pop_back();
  return out;
}

TEST(SetStory, JustifiedLinesReachFromEndToEndButForTheLast) {
  TextStyle style = body();
  style.align = Align::Justified;
  const SetWords words = setIn(story, style, {220, 400});
  ASSERT_GT(words.lines.size(), 5U);
  for (std::size_t i = 0; i < words.lines.size(); ++i) {
    const SetLine& line = words.lines[i];
    EXPECT_NEAR(line.start.x, 0, 1e-6);
    if (i + 1 < words.lines.size())
      EXPECT_NEAR(line.width, 220, 1e-6) << i;
    else
      EXPECT_LT(line.width, 220);
  }
}

TEST(SetStory, LinesFollowASlantedEdge) {
  TextFrame frame{200, 300};
  frame.outline = path("M0 0H200V300H120Z");
  TextStyle style = body();
  style.align = Align::Justified;
  const SetWords words = setIn(story, style, frame);
  ASSERT_GT(words.shown, 4U);
  for (std::size_t i = 1; i < words.shown; ++i) EXPECT_GT(words.lines[i].start.x, words.lines[i - 1].start.x);
  // All ink stays inside.
  for (const auto& run : flattened(outlineOf(words), 0.1))
    for (const Point p : run) EXPECT_GT(p.x, 120 * p.y / 300 - 1.0) << p.x << " " << p.y;
}

TEST(SetStory, AHoleHasLinesOnBothSides) {
  TextFrame frame{300, 200};
  frame.outline = path("M0 0H300V200H0Z M100 40V140H200V40Z");
  const SetWords words = setIn(story + " " + story, body(), frame);
  int beside = 0;
  for (std::size_t i = 0; i + 1 < words.shown; ++i)
    if (words.lines[i].start.y == words.lines[i + 1].start.y) {
      ++beside;
      EXPECT_LT(words.lines[i].start.x + words.lines[i].width, 100.1);
      EXPECT_GT(words.lines[i + 1].start.x, 199.9);
    }
  EXPECT_GE(beside, 4);
}

TEST(SetStory, ColumnsAreFilledOneAfterTheOther) {
  TextFrame frame{320, 90};
  frame.columns = 2;
  frame.gutter = 20;
  const SetWords words = setIn(story, body(), frame);
  const auto inSecond = [](const SetLine& line) { return line.start.x >= 170 - 1e-9; };
  const auto first = std::find_if(words.lines.begin(), words.lines.end(), inSecond);
  ASSERT_NE(first, words.lines.end());
  EXPECT_GE(first - words.lines.begin(), 5);
  EXPECT_NEAR(first->start.x, 170, 1e-6);
  EXPECT_NEAR(first->start.y, words.lines.front().start.y, 1e-9);
}

TEST(SetStory, BalancedColumnsAreEquallyHigh) {
  TextFrame frame{320, 400};
  frame.columns = 2;
  frame.isBalanced = true;
  const SetWords words = setIn(story, body(), frame);
  int left = 0, right = 0;
  for (const SetLine& line : words.lines) (line.start.x > 150 ? right : left) += 1;
  EXPECT_LE(std::abs(left - right), 1);
  EXPECT_TRUE(words.fits());
}

TEST(SetStory, LinesLieAtTheBottomOrInTheMiddle) {
  TextFrame frame{220, 400};
  frame.upright = Upright::Bottom;
  const SetWords bottom = setIn(story, body(), frame);
  EXPECT_NEAR(bottom.lines.back().start.y + bottom.lines.back().descent, 400, 1e-6);
  frame.upright = Upright::Middle;
  const SetWords middle = setIn(story, body(), frame);
  const double above = middle.lines.front().start.y - middle.ascent;
  EXPECT_NEAR(above, 400 - middle.lines.back().start.y - middle.descent, 1e-6);
  frame.upright = Upright::Bottom;
  frame.outline = path("M0 0H220L110 400Z");
  const SetWords shaped = setIn("a few words", body(), frame);
  EXPECT_TRUE(shaped.fits());
  EXPECT_GT(shaped.lines.front().start.y,
            setIn("a few words", body(), {220, 400, frame.outline}).lines.front().start.y);
}

TEST(SetStory, WordsArePartedByTheirLanguage) {
  EXPECT_EQ(hyphenPlaces("carriage", "en-US"), std::vector<std::size_t>{3});
  EXPECT_FALSE(hyphenPlaces("montagne", "fr").empty());
  EXPECT_TRUE(hyphenPlaces("carriage", "tlh").empty());
  TextStyle style = body();
  style.hyphens = true;
  style.language = "en-US";
  style.align = Align::Justified;
  const SetWords words = setIn(story, style, {62, 600});
  int hyphens = 0;
  for (const SetLine& line : words.lines) {
    if (!line.endsInHyphen) continue;
    ++hyphens;
    EXPECT_NEAR(line.width, 62, 1e-6);
    const SetRun& last = line.body->runs.back();
    EXPECT_EQ(last.from, last.to);  // it is in no text
  }
  EXPECT_GT(hyphens, 0);
  style.hyphens = false;
  for (const SetLine& line : setIn(story, style, {62, 600}).lines) EXPECT_FALSE(line.endsInHyphen);
}

TEST(SetStory, ASoftHyphenShowsOnlyAtTheEndOfALine) {
  const std::string text = "Skarrow\xC2\xADpeak";
  EXPECT_EQ(setIn(text, body(), {300, 100}).lines.size(), 1U);
  const SetWords narrow = setIn(text, body(), {50, 100});
  ASSERT_EQ(narrow.lines.size(), 2U);
  EXPECT_TRUE(narrow.lines[0].endsInHyphen);
}

TEST(SetStory, ADropCapIsAsHighAsItsLines) {
  TextStyle style = body();
  style.dropLines = 4;
  style.dropGap = 4;
  const SetWords words = setIn(story, style, {220, 400});
  ASSERT_GT(words.lines.size(), 5U);
  const Outline cap = outlineOf(words, 0, 1);
  const Box box = bounds(cap);
  EXPECT_NEAR(box.low.x, 0, 0.5);
  EXPECT_NEAR(box.high.y, words.lines[3].start.y, 1.5);
  EXPECT_NEAR(box.height(), 3 * 15 + 12 * 0.65, 4);  // a T has serifs above the capitals' height
  for (std::size_t i = 0; i < 4; ++i) EXPECT_GE(words.lines[i].start.x, box.high.x + 3.5) << i;
  EXPECT_NEAR(words.lines[4].start.x, 0, 1e-6);
  // A letter that widens: lines that hug it are longer at its top.
  TextStyle hugging = style;
  hugging.dropHugs = true;
  const std::string text = "A" + story.substr(3);
  const SetWords hugged = setIn(text, hugging, {220, 400});
  EXPECT_LT(hugged.lines[0].start.x + 5, hugged.lines[3].start.x);
  EXPECT_EQ(lineText(text, words.lines[0])[0], 'A' + ('T' - 'A') * (text[0] == 'T'));
}

TEST(SetStory, FewLinesOfAParagraphDoNotStandAlone) {
  TextStyle style = body();
  const std::string text = story + "\n" + story;
  TextFrame frame{320, 15 * 12 + 3};
  frame.columns = 2;
  const auto alone = [&](const SetWords& words) {
    int count = 0;
    for (std::size_t i = 1; i + 1 < words.lines.size(); ++i) {
      const bool isColumnEnd = words.lines[i + 1].start.y < words.lines[i].start.y;
      if (isColumnEnd && words.lines[i].paragraph != words.lines[i - 1].paragraph) ++count;
    }
    return count;
  };
  for (double height = 60; height < 220; height += 5) {
    frame.height = height;
    style.keptLines = 2;
    EXPECT_EQ(alone(setIn(text, style, frame)), 0) << height;
  }
}

TEST(SetStory, AStoryFlowsThroughFramesWithoutLosingALetter) {
  std::vector<FrameToFill> frames{{{150, 60}}, {{90, 100}}, {{200, 300}}};
  const TextStyle style = body();
  const auto sets = setStory({story, {}, style}, frames);
  ASSERT_EQ(sets.size(), 3U);
  std::size_t at = 0;
  for (const SetWords& words : sets)
    for (const SetLine& line : words.lines) {
      EXPECT_EQ(line.from, at);
      at = line.to;
    }
  EXPECT_EQ(at, story.size());
  EXPECT_TRUE(sets.back().fits());
  for (const SetLine& line : sets[1].lines) EXPECT_LE(line.width, 90 + 1e-6);
}

TEST(SetStory, ParagraphsKeepTheirSpaceIndentsAndLists) {
  TextStyle style = body();
  style.spaceBefore = 10;
  style.indentLeft = 20;
  style.indentFirst = 5;
  const SetWords words = setIn("one\ntwo", style, {200, 100});
  EXPECT_NEAR(words.lines[0].start.x, 25, 1e-9);
  EXPECT_NEAR(words.lines[1].start.y - words.lines[0].start.y, 25, 1e-9);
  style.list = ListMark::Number;
  const SetWords list = setIn("one\ntwo", style, {200, 100});
  EXPECT_GT(list.lines[0].start.x, 30);
  EXPECT_LT(bounds(outlineOf(list)).low.x, list.lines[0].start.x - 2);
}

TEST(SetStory, ScriptsWithoutSpacesAreJustifiedBetweenTheirLetters) {
  std::string text;
  for (int i = 0; i < 40; ++i) text += "\xE0\xBA\x81\xE0\xBA\xB2";
  TextStyle style;
  style.face.family = "DejaVu Sans";  // which has Lao
  style.size = 20;
  style.align = Align::Justified;
  const SetWords set = setWords(text, style, TextFrame{210, 300});
  ASSERT_GT(set.lines.size(), 2U);
  const SetLine& line = set.lines.front();
  EXPECT_NEAR(line.width, 210, 1e-6);
  const auto& stops = line.stops();
  // Two kinds of letters, turn by turn.
  const double two = stops[2].x - stops[0].x;
  for (std::size_t i = 1; i + 3 < stops.size(); ++i) EXPECT_NEAR(stops[i + 2].x - stops[i].x, two, 1e-6) << i;
  EXPECT_LT(stops.back().x - stops[stops.size() - 3].x, two - 1e-6) << "the last one is not parted from the edge";
  EXPECT_LT(set.lines.back().width, 210.0);
}

TEST(SetStory, DecimalsStandBelowOneAnother) {
  TextStyle style;
  style.tabs = "60mm decimal";
  const auto xOf = [&](const std::string& text, char letter, const std::string& language) {
    style.language = language;
    const SetWords set = setWords(text, style, TextFrame{400, 300});
    const std::size_t at = text.find(letter);
    for (const CaretStop& stop : set.lines.front().stops())
      if (stop.at == at) return stop.x;
    return -1.0;
  };
  const double there = 60 / 25.4 * 72;
  EXPECT_NEAR(xOf("a\t1.25", '.', "en"), there, 1e-9);
  EXPECT_NEAR(xOf("a\t1,036.5", '.', "en"), there, 1e-9);
  EXPECT_NEAR(xOf("a\t1.036,5", ',', "de"), there, 1e-9);
  // Whole numbers end there.
  EXPECT_NEAR(setWords("a\t2318", style, TextFrame{400, 300}).lines.front().stops().back().x, there, 1e-9);
}

TEST(SetStory, TabsLeadToTheirPlaces) {
  TextStyle style = body();
  style.tabs = "36mm, 70mm right";
  const std::string text = "up\tdown\t9.40";
  const SetWords words = setIn(text, style, {300, 100});
  ASSERT_EQ(words.lines.size(), 1U);
  const auto xOf = [&](std::size_t at) { return caretAt(words, at).x; };
  EXPECT_NEAR(xOf(3), 36 * 72 / 25.4, 1e-6);
  EXPECT_NEAR(xOf(text.size()), 70 * 72 / 25.4, 1e-6);
}

TEST(SetStory, HangingPointsHangOut) {
  TextStyle style = body();
  style.align = Align::Justified;
  style.hanging = true;
  const std::string text = "\xE2\x80\x9C" + story;
  const SetWords words = setIn(text, style, {220, 400});
  EXPECT_LT(bounds(outlineOf(words, 0, 3)).low.x, -0.5);
}

TEST(SetStory, RulesAndUnderlinesAreDrawn) {
  TextStyle style = body();
  style.ruleAbove = 2;
  style.ruleBelow = 1;
  const std::size_t plain = outlineOf(setIn("peak", body(), {100, 50})).contours.size();
  EXPECT_EQ(outlineOf(setIn("peak", style, {100, 50})).contours.size(), plain + 2);
  TextStyle under = body();
  under.underlined = true;
  EXPECT_EQ(outlineOf(setIn("peak", under, {100, 50})).contours.size(), plain + 1);
}

TEST(SetStory, StretchesInOtherLooksAreSetSo) {
  TextLooks looks;
  looks = withLetters(looks, 4, 9, [](OwnTextLook& own) { own.look = {{TextAspect::Size, 30.0}}; });
  const SetWords words = setIn("the large word", body(), {400, 100}, looks);
  const Box large = bounds(outlineOf(words, 4, 5)), small = bounds(outlineOf(words, 10, 11));
  EXPECT_GT(large.height(), small.height() * 1.5);
}

TEST(SetStory, OddTextsAreSet) {
  TextStyle style = body();
  style.hyphens = true;
  style.align = Align::Justified;
  style.dropLines = 3;
  for (const std::string& text :
       {std::string(), std::string("\n\n\n"), std::string("     "), std::string("\t\t\t"), std::string("a"),
        std::string("\xCC\x81\xCC\x81"), std::string(5000, 'm'), std::string("\xEF\xBF\xBD\n\xE2\x80\x8F")})
    for (const double width : {0.01, 3.0, 40.0, 4000.0}) {
      const SetWords words = setIn(text, style, {width, 30});
      EXPECT_FALSE(words.lines.empty());
      EXPECT_EQ(words.lines.front().from, 0U);
      EXPECT_EQ(words.lines.back().to, text.size());
    }
}

}  // namespace
}  // namespace widecut
