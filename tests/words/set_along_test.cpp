#include "words/set_along.h"

#include <gtest/gtest.h>

#include <cmath>

#include "geometry/path_data.h"

namespace widecut {
namespace {

const TextLooks plain;
AlongLine alongPath(const char* data) { return {std::make_shared<const Outline>(*parsePathData(data))}; }
const char* const disc =
    "M100 0C155.228 0 200 44.772 200 100C200 155.228 155.228 200 100 200C44.772 200 0 155.228 0 100C0 44.772 44.772 0 "
    "100 0Z";
SetWords along(const std::string& text, const TextStyle& style, const AlongLine& line) {
  return setAlong({text, plain, style}, line);
}

TEST(SetAlong, AStraightLineChangesNothing) {
  const TextStyle style{{}, 20, 24};
  const Outline flat = outlineOf(setWords("Skarrow", style, {}));
  const Outline bent = outlineOf(along("Skarrow", style, alongPath("M0 0H500")));
  const Box a = bounds(flat), b = bounds(bent);
  EXPECT_NEAR(a.low.x, b.low.x, 1e-6);
  EXPECT_NEAR(a.high.x, b.high.x, 1e-6);
  EXPECT_NEAR(a.low.y, b.low.y, 1e-6);
}

TEST(SetAlong, LettersStandOnTheOutsideOfADiscAndOnItsInsideOnTheOtherSide) {
  const TextStyle style{{}, 20, 24};
  AlongLine line = alongPath(disc);
  const auto reach = [&] {
    std::pair<double, double> out{1e9, 0};
    for (const auto& run : flattened(outlineOf(along("HHHHHHHHHHHHHHHH", style, line)), 0.05))
      for (const Point p : run) {
        const double r = distance(p, {100, 100});
        out = {std::min(out.first, r), std::max(out.second, r)};
      }
    return out;
  };
  EXPECT_GT(reach().first, 98.5);
  EXPECT_GT(reach().second, 110);
  line.isOtherSide = true;
  EXPECT_LT(reach().second, 101.5);
  EXPECT_LT(reach().first, 90);
  line.isOtherSide = false;
  line.offset = 30;
  EXPECT_NEAR(reach().first, 130, 1.5);
}

TEST(SetAlong, SpreadWordsReachFromEndToEnd) {
  AlongLine line = alongPath("M0 0H300");
  line.isSpread = true;
  const Box box = bounds(outlineOf(along("HOH", {{}, 20, 24}, line)));
  EXPECT_LT(box.low.x, 3);
  EXPECT_GT(box.high.x, 297);
}

TEST(SetAlong, WhatIsBeyondAnOpenLineIsCountedNotShown) {
  const SetWords words = along("more letters than there is room for", {{}, 20, 24}, alongPath("M0 0H100"));
  ASSERT_EQ(words.lines.size(), 2U);
  EXPECT_EQ(words.shown, 1U);
  EXPECT_EQ(words.lines[0].to, words.lines[1].from);
  EXPECT_LE(bounds(outlineOf(words)).high.x, 101);
}

TEST(SetAlong, LettersDoNotCollideInATightBend) {
  // Letters on the inside of a narrow valley: the boxes of neighbours keep apart.
  const SetWords words = along("HHHHHHHHHHHHHH", {{}, 30, 36}, alongPath("M0 0L150 100L300 0"));
  const SetLine& line = words.lines.front();
  double overlap = 0;
  for (std::size_t i = 0; i + 1 < line.bends.size(); ++i) {
    // The upper end of the right stem of one, and of the left stem of the next: which is further along?
    const Bend &a = line.bends[i], &b = line.bends[i + 1];
    const Point right = a.place(Point{a.to - 3, -20}), left = b.place(Point{b.from + 3, -20});
    const Point way = a.place.vector({1, 0}) + b.place.vector({1, 0});
    overlap = std::max(overlap, dot(right - left, unit(way)));
  }
  EXPECT_LT(overlap, 0.5);
}

TEST(SetAlong, TheCaretStandsOnTheLineAndIsFoundAgain) {
  const SetWords words = along("rack and pinion", {{}, 20, 24}, alongPath(disc));
  for (std::size_t at = 0; at < 15; ++at) {
    const Affine caret = caretPlace(words, at);
    EXPECT_NEAR(distance(caret(Point{}), {100, 100}), 100, 1.5);
    EXPECT_EQ(placeAt(words, caret(Point{0.3, -4})), at);
  }
}

}  // namespace
}  // namespace widecut
