#include "words/set_words.h"

#include <gtest/gtest.h>

namespace widecut {
namespace {

const TextStyle plain{{"Cabin", 400, false}, 20, 24, Align::Left};

TextStyle aligned(Align align) {
  TextStyle style = plain;
  style.align = align;
  return style;
}

std::vector<std::string> linesOf(const std::string& text, const SetWords& words) {
  std::vector<std::string> out;
  for (const SetLine& line : words.lines) out.push_back(text.substr(line.from, line.to - line.from));
  return out;
}

TEST(SetWords, AnOHasAHoleAndSitsOnTheBaseLine) {
  const SetWords o = setWords("o", {{"League Spartan", 700}, 100, 100}, {});
  EXPECT_EQ(outlineOf(o).contours.size(), 2U);
  const Box box = bounds(outlineOf(o));
  EXPECT_NEAR(box.high.y, 0, 4);
  EXPECT_GT(box.height(), 30);
  EXPECT_FALSE(isInside(outlineOf(o), FillRule::Nonzero, box.centre()));
}

TEST(SetWords, SizeScalesTheWord) {
  const Outline small = outlineOf(setWords("Peak", {{}, 10, 12}, {}));
  const Outline large = outlineOf(setWords("Peak", {{}, 40, 48}, {}));
  EXPECT_NEAR(bounds(large).width(), 4 * bounds(small).width(), 1e-6);
}

TEST(SetWords, LineFeedsEndLinesWithTheLeadingBetweenThem) {
  const SetWords words = setWords("one\n\ntwo", plain, {});
  ASSERT_EQ(words.lines.size(), 3U);
  EXPECT_DOUBLE_EQ(words.lines[0].start.y, 0);
  EXPECT_DOUBLE_EQ(words.lines[2].start.y, 48);
  EXPECT_EQ(words.lines[1].from, words.lines[1].to);
  EXPECT_DOUBLE_EQ(words.lines[1].width, 0);
}

TEST(SetWords, NoTextIsOneEmptyLineForTheCaret) {
  const SetWords words = setWords("", plain, {});
  ASSERT_EQ(words.lines.size(), 1U);
  EXPECT_TRUE(outlineOf(words).isEmpty());
  EXPECT_EQ(caretAt(words, 0), Point{});
  EXPECT_EQ(setWords("a\n", plain, {}).lines.size(), 2U);
}

TEST(SetWords, AlignmentIsAboutTheOriginWithoutAFrame) {
  const double width = setWords("snow", plain, {}).lines[0].width;
  EXPECT_NEAR(setWords("snow", aligned(Align::Centre), {}).lines[0].start.x, -width / 2, 1e-9);
  EXPECT_NEAR(setWords("snow", aligned(Align::Right), {}).lines[0].start.x, -width, 1e-9);
}

TEST(SetWords, AFrameBreaksLinesBetweenWords) {
  const std::string text = "the slow line above the clouds";
  const SetWords words = setWords(text, plain, TextFrame{120, 200});
  EXPECT_EQ(linesOf(text, words), (std::vector<std::string>{"the slow line ", "above the ", "clouds"}));
  for (const SetLine& line : words.lines) EXPECT_LE(line.width, 120);
  EXPECT_GT(words.lines[0].start.y, 0);
  EXPECT_TRUE(words.fits());
  const SetWords right = setWords(text, aligned(Align::Right), TextFrame{120, 200});
  for (const SetLine& line : right.lines) EXPECT_NEAR(line.start.x + line.width, 120, 1e-9);
}

TEST(SetWords, AWordWiderThanTheFrameIsBrokenBetweenLetters) {
  const std::string text = "Skarrowpeakrailway";
  const SetWords words = setWords(text, plain, TextFrame{60, 400});
  ASSERT_GT(words.lines.size(), 2U);
  std::string all;
  for (const std::string& line : linesOf(text, words)) all += line;
  EXPECT_EQ(all, text);
  for (const SetLine& line : words.lines) EXPECT_LE(line.width, 60 + 1e-6);
  // A frame narrower than any letter has one on each line.
  EXPECT_EQ(setWords("abc", plain, TextFrame{0.5, 400}).lines.size(), 3U);
}

TEST(SetWords, AVeryLongWordInAVeryNarrowFrameIsBrokenStepByStep) {
  const std::string text(60'000, 'i');
  const SetWords words = setWords(text, plain, TextFrame{0.5, 50});
  EXPECT_EQ(words.lines.size(), text.size());
  EXPECT_EQ(words.shown, 2U);
}

TEST(SetWords, LinesBeyondTheFrameAreCountedNotShown) {
  const SetWords words = setWords("one\ntwo\nthree", plain, TextFrame{200, 55});
  EXPECT_EQ(words.lines.size(), 3U);
  EXPECT_EQ(words.shown, 2U);
  EXPECT_FALSE(words.fits());
  EXPECT_EQ(outlineOf(words), outlineOf(setWords("one\ntwo", plain, TextFrame{200, 55})));
}

TEST(SetWords, ACaretStandsBetweenLettersAndIsFoundAgain) {
  const std::string text = "caf\xC3\xA9 fi\nrow";
  const SetWords words = setWords(text, {{"EB Garamond", 400}, 30, 36}, {});
  double last = -1;
  for (const CaretStop& stop : words.lines[0].stops()) {
    EXPECT_GT(stop.x, last);
    last = stop.x;
    EXPECT_EQ(placeAt(words, words.lines[0].start + Point{stop.x, -5}), stop.at);
  }
  EXPECT_NEAR(last, words.lines[0].width, 1e-9);
  EXPECT_EQ(words.lines[0].stops().size(), 8U);  // a ligature of f and i is two letters
  EXPECT_EQ(lineAt(words, 9), 1U);
  EXPECT_EQ(caretAt(words, 9), (Point{0, 36}));
  EXPECT_EQ(placeAt(words, {500, 500}), text.size());
  EXPECT_EQ(placeAt(words, {-500, -500}), 0U);
}

TEST(SetWords, WhatIsSelectedHasABoxOnEachLine) {
  const SetWords words = setWords("one\ntwo\nthree", plain, {});
  const auto areas = areasOf(words, 1, 10);
  ASSERT_EQ(areas.size(), 3U);
  const auto width = [&](std::size_t i) { return areas[i][1].x - areas[i][0].x; };
  EXPECT_GT(areas[0][0].x, 0);
  EXPECT_NEAR(width(1), words.lines[1].width, 1e-9);
  EXPECT_LT(width(2), words.lines[2].width);
  EXPECT_TRUE(areasOf(words, 4, 4).empty());
}

TEST(SetWords, WordsReadFromTheRightHaveTheirCaretThere) {
  const std::string text = "\xD7\x90\xD7\x91\xD7\x92";  // three Hebrew letters
  const SetWords words = setWords(text, plain, {});
  const auto& stops = words.lines[0].stops();
  ASSERT_EQ(stops.size(), 4U);
  EXPECT_GT(stops.front().x, stops.back().x);
}

}  // namespace
}  // namespace widecut
