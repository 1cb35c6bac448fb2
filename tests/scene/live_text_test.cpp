// Words as clusters of glyphs, for formats that keep text as text.
#include "scene/live_text.h"

#include <gtest/gtest.h>

#include "project/edits/words_following.h"
#include "sample.h"
#include "scene/drawing.h"
#include "scene/letters.h"
#include "words/set_along.h"

namespace widecut {
namespace {

std::vector<std::string> saidBy(const SetLine& line, const std::string& story) {
  std::vector<std::string> out;
  for (const LiveCluster& cluster : clustersOf(line, story)) out.push_back(cluster.says);
  return out;
}

TEST(LiveText, EveryLetterIsSaidOnceInTheOrderOfReading) {
  const std::string text = "snow, soon";
  const SetWords set = setWords(text, {}, {});
  std::string said;
  double x = -1;
  for (const LiveCluster& cluster : clustersOf(set.lines.front(), text)) {
    said += cluster.says;
    EXPECT_GT(cluster.x, x);
    x = cluster.x;
    EXPECT_EQ(cluster.count, 1U);
  }
  EXPECT_EQ(said, text);
}

TEST(LiveText, ALigatureIsOneClusterOfSeveralLetters) {
  TextStyle style;
  style.face.family = "DejaVu Sans";
  const std::string text = "office";
  const auto said = saidBy(setWords(text, style, {}).lines.front(), text);
  EXPECT_LT(said.size(), 6U);
  std::string all;
  for (const std::string& one : said) all += one;
  EXPECT_EQ(all, text);
}

TEST(LiveText, SeveralGlyphsOfOneLetterAreOneCluster) {
  // An x with two marks, which no font has as one sign.
  const std::string text = "x\xCC\x83\xCC\xA3y";
  TextStyle style;
  style.face.family = "DejaVu Sans";
  const SetWords set = setWords(text, style, {});
  const auto clusters = clustersOf(set.lines.front(), text);
  ASSERT_EQ(clusters.size(), 2U);
  EXPECT_EQ(clusters[0].says, text.substr(0, 5));
  EXPECT_GT(clusters[0].count, 1U);
  EXPECT_EQ(clusters[1].says, "y");
}

TEST(LiveText, TheHyphenOfABrokenWordIsASoftOneAndListMarksSayNothing) {
  TextStyle style;
  style.size = 12;
  style.leading = 15;
  style.hyphens = true;
  style.list = ListMark::Number;
  const std::string text = "the restaurant above the railway station";
  const SetWords set = setWords(text, style, TextFrame{82, 300});
  ASSERT_GT(set.lines.size(), 3U);
  std::string all;
  int hyphens = 0;
  for (const SetLine& line : set.lines) {
    const auto said = saidBy(line, text);
    for (const std::string& one : said) all += one;
    EXPECT_EQ(said.back() == "\xC2\xAD", line.endsInHyphen);
    hyphens += line.endsInHyphen ? 1 : 0;
  }
  EXPECT_GT(hyphens, 0);
  EXPECT_EQ(saidBy(set.lines.front(), text).front(), "") << "the number, which nobody typed";
  for (std::size_t at = all.find("\xC2\xAD"); at != std::string::npos; at = all.find("\xC2\xAD")) all.erase(at, 2);
  EXPECT_EQ(all, text);
}

TEST(LiveText, LettersFromTheRightComeInTheOrderOfReading) {
  const std::string text = "\xD7\x94\xD7\xA8\xD7\x9B";
  TextStyle style;
  style.face.family = "DejaVu Sans";
  const SetWords set = setWords(text, style, {});
  const auto clusters = clustersOf(set.lines.front(), text);
  ASSERT_EQ(clusters.size(), 3U);
  EXPECT_EQ(clusters[0].says, text.substr(0, 2));
  EXPECT_GT(clusters[0].x, clusters[1].x);
  EXPECT_GT(clusters[1].x, clusters[2].x);
}

TEST(LiveText, ADropCapIsTheFirstLetterOfItsLine) {
  TextStyle style;
  style.dropLines = 2;
  const std::string text = "The line climbs from the lake to the ridge";
  const SetWords set = setWords(text, style, TextFrame{200, 300});
  const auto clusters = clustersOf(set.lines.front(), text);
  EXPECT_EQ(clusters[0].says, "T");
  EXPECT_EQ(clusters[1].says, "h");
  EXPECT_GT(clusters[0].run->size, clusters[1].run->size);
  EXPECT_NE(clusters[0].run->raised, clusters[1].run->raised);
}

TEST(LiveText, BentLinesAreNotStraight) {
  EXPECT_TRUE(isStraight(setWords("a line\nand another", {}, {})));
  const std::string text = "round and round";
  const TextStyle style;
  const TextLooks plain;
  const AlongLine along{std::make_shared<const Outline>(ellipseOutline(300, 300))};
  EXPECT_FALSE(isStraight(setAlong({text, plain, style}, along)));
}

/// Words of the sample, and what they become in the list of what is drawn.
struct LiveWords : testing::Test, Sample {
  Words::Content content;
  Style style;
  LiveWords() {
    content.text = "slow";
    setColour(style, Colour{10, 20, 30});
  }
  /// How many commands write words, and how many say lines of them.
  std::pair<int, int> written() {
    Item item = plainItem(project.nextId, "words", {}, style);
    item.form = wordsForm(content);
    const Project with = withItemsOnTop(project, sheet, {item});
    std::pair<int, int> out;
    for (const DrawCommand& command : drawingOf(sceneOfItem(with, with.nextId - 1))) {
      out.first += std::holds_alternative<FillWords>(command) ? 1 : 0;
      out.second += std::holds_alternative<ReadLine>(command) ? 1 : 0;
    }
    return out;
  }
};

TEST_F(LiveWords, InOneFlatColourTheyAreWritten) { EXPECT_EQ(written(), std::pair(1, 0)); }

TEST_F(LiveWords, ALineRoundThemChangesNothingInThat) {
  style.lines = {plainLine({200, 0, 0}, 1)};
  EXPECT_EQ(written(), std::pair(1, 0));
}

TEST_F(LiveWords, ColoursOfLettersThatDoNotShowChangeNothing) {
  content.text = "slow\nslow\nslow";
  content.frame = TextFrame{200, 40};
  content.looks = withLetters({}, 10, 14, [](OwnTextLook& own) { own.look = {{TextAspect::Colour, "#c02020"}}; });
  EXPECT_EQ(written(), std::pair(1, 0));
  content.frame->height = 400;
  EXPECT_EQ(written(), std::pair(0, 3)) << "three lines, where they show";
}

TEST_F(LiveWords, PaintedOtherwiseTheyAreOutlinesThatAreRead) {
  const Style flat = style;
  style.fills.push_back(style.fills.front());
  EXPECT_EQ(written(), std::pair(0, 1)) << "two fills";
  style = flat;
  style.fills.front().paint = Gradient{};
  EXPECT_EQ(written(), std::pair(0, 1)) << "a gradient";
  style = flat;
  style.fills.front().level = FillLevel{};
  EXPECT_EQ(written(), std::pair(0, 1)) << "filled to a level";
  style = flat;
  style.fills.front().paint = Hatch{};
  EXPECT_EQ(written(), std::pair(0, 1)) << "lines";
}

TEST_F(LiveWords, AlongALineTheyAreOutlines) {
  content.along = AlongLine{std::make_shared<const Outline>(ellipseOutline(200, 200))};
  EXPECT_EQ(written().first, 0);
  EXPECT_EQ(written().second, 4) << "each letter is read by itself";
}

TEST_F(LiveWords, ThoseThatNothingPaintsAreNotWritten) {
  style.fills.clear();
  EXPECT_EQ(written(), std::pair(0, 0));
  setColour(style, Colour{10, 20, 30});
  style.fills.front().shown = false;
  EXPECT_EQ(written(), std::pair(0, 0));
}

FillLetters lettersOf(const std::string& text) {
  return {std::make_shared<const SetWords>(setWords(text, {}, {})), Affine::scale(2, 1), Colour{}};
}

TEST(FillLetters, TogetherTheyAreTheOutlineThatIsSet) {
  const FillLetters letters = lettersOf("lake\nridge\nsnow");
  const Outline whole = transformed(outlineOf(*letters.set), letters.stretch);
  EXPECT_EQ(*drawn(letters).outline, whole);
  const Outline byLines = outlineWithin(letters, boxOf(letters));
  ASSERT_EQ(byLines.contours.size(), whole.contours.size());
  const Box a = bounds(byLines), b = bounds(whole), c = boxOf(letters);
  for (const Box& one : {a, c}) {
    EXPECT_NEAR(one.low.x, b.low.x, 1e-9);
    EXPECT_NEAR(one.high.y, b.high.y, 1e-9);
  }
}

TEST(FillLetters, OnlyLinesInSightAreDrawn) {
  const FillLetters letters = lettersOf("lake\nridge\nsnow");
  FillLetters second = lettersOf("\nridge");
  const Box line = boxOf(second);
  EXPECT_EQ(outlineWithin(letters, line).contours.size(), drawn(second).outline->contours.size());
  EXPECT_TRUE(outlineWithin(letters, {{1e4, 1e4}, {2e4, 2e4}}).isEmpty());
}

TEST(FillLetters, WhatChangedIsTheLineThatDid) {
  const FillLetters before = lettersOf("lake\nridge\nsnow"), after = lettersOf("lake\nridges\nsnow");
  const Box changed = changedBox(before, after), line = boxOf(lettersOf("\nridges"));
  EXPECT_FALSE(changed.isEmpty());
  EXPECT_TRUE(line.grown(1e-6).contains(changed));
  EXPECT_TRUE(changedBox(before, lettersOf("lake\nridge\nsnow")).isEmpty());
  EXPECT_FALSE(changedBox(before, lettersOf("lake\nridge")).isEmpty());
}

}  // namespace
}  // namespace widecut
