// Fills that reach a share of their item: true areas, lists of numbers, labels.
#include "project/edits/levels.h"

#include <gtest/gtest.h>

#include <limits>
#include <random>

#include "cutting/knife.h"
#include "cutting/level_line.h"
#include "cutting/planar_map.h"
#include "project/edits/colours.h"
#include "project/edits/words.h"
#include "project/forms/words.h"
#include "project/limits.h"
#include "project/lookup.h"
#include "project/resolve.h"
#include "sample.h"

namespace widecut {
namespace {

/// A blob of some curves with a hole or two in it.
Outline withHoles(std::mt19937& random) {
  const auto number = [&](double low, double high) {
    return std::uniform_real_distribution<double>(low, high)(random);
  };
  const int spikes = 3 + static_cast<int>(random() % 8);
  Outline body = starOutline(number(40, 300), number(40, 300), spikes, number(0.3, 0.9));
  if (random() % 2 == 0) body = ellipseOutline(number(40, 300), number(40, 300));
  Outline holes;
  for (int i = 1 + static_cast<int>(random() % 2); i > 0; --i) {
    const Affine place = Affine::move({number(-30, 30), number(-30, 30)}) * Affine::turn(number(0, 3));
    for (Contour& c : transformed(ellipseOutline(number(5, 40), number(5, 40)), place).contours)
      holes.contours.push_back(c);
  }
  const Operand operands[] = {{body}, {holes}};
  return PlanarMap::of(operands)->subtract();
}

TEST(Levels, AHundredOutlinesWithHolesAreFilledToTheTrueShare) {
  std::mt19937 random(14);
  double worst = 0;
  for (int i = 0; i < 100; ++i) {
    const Outline shape = withHoles(random);
    const double whole = signedArea(*simplified({shape}));
    ASSERT_GT(whole, 0);
    for (int tenth = 1; tenth <= 9; ++tenth) {
      const auto filled = filledTo({shape}, tenth / 10.0, LevelBy::Area);
      ASSERT_TRUE(filled);
      worst = std::max(worst, std::abs(signedArea(*filled) / whole - tenth / 10.0));
    }
  }
  std::printf("levels by area: within %.1e of the whole\n", worst);
  EXPECT_LT(worst, 1e-9);
}

TEST(Levels, ByWidthAndByTurn) {
  const Operand box{rectangleOutline(80, 40)};
  EXPECT_NEAR(signedArea(*filledTo(box, 0.25, LevelBy::Width)), 800, 1e-9);
  EXPECT_NEAR(bounds(*filledTo(box, 0.25, LevelBy::Width)).high.x, -20, 1e-9);
  const Operand disc{ellipseOutline(100, 100)};
  const double whole = signedArea(*simplified(disc));
  for (const double share : {0.1, 0.25, 0.5, 0.65, 0.9}) {
    const auto slice = filledTo(disc, share, LevelBy::Turn);
    ASSERT_TRUE(slice);
    // A disc of four curves is round to within 3e-4.
    EXPECT_NEAR(signedArea(*slice) / whole, share, 3e-4);
  }
  const Box quarter = bounds(*filledTo(disc, 0.25, LevelBy::Turn));
  EXPECT_NEAR(quarter.low.x, 0, 1e-9);
  EXPECT_NEAR(quarter.high.y, 0, 1e-9);
  for (const LevelBy by : {LevelBy::Width, LevelBy::Turn, LevelBy::Height, LevelBy::Area}) {
    EXPECT_TRUE(filledTo(disc, 0, by)->isEmpty());
    EXPECT_NEAR(signedArea(*filledTo(disc, 1, by)), whole, 1e-9);
    EXPECT_FALSE(filledTo(disc, 1.01, by));
    EXPECT_FALSE(filledTo({rectangleOutline(0, 0)}, 0.5, by));
  }
}

TEST(Levels, ALevelIsTakenHoldOfWhereItStands) {
  std::mt19937 random(3);
  for (int i = 0; i < 30; ++i) {
    const Operand shape{withHoles(random)};
    const Box box = bounds(shape.outline);
    for (const LevelBy by : {LevelBy::Height, LevelBy::Area, LevelBy::Width, LevelBy::Turn})
      for (const double share : {0.05, 0.3, 0.62, 0.95}) {
        const auto line = levelLine(shape, share, by);
        ASSERT_TRUE(line);
        EXPECT_TRUE(box.grown(1e-9).contains(line->from));
        EXPECT_TRUE(box.grown(1e-9).contains(line->to));
        for (const Point at : {line->grip(by), line->to}) {
          const auto through = shareThrough(shape, at, by);
          ASSERT_TRUE(through);
          EXPECT_NEAR(*through, share, 1e-9);
        }
      }
    // Beyond the box a level is empty, or full.
    EXPECT_EQ(*shareThrough(shape, box.high + Point{5, 5}, LevelBy::Area), 0);
    EXPECT_EQ(*shareThrough(shape, box.low - Point{5, 5}, LevelBy::Height), 1);
    EXPECT_EQ(*shareThrough(shape, box.low - Point{5, 5}, LevelBy::Width), 0);
  }
  const Operand nothing{rectangleOutline(0, 0)};
  EXPECT_FALSE(levelLine(nothing, 0.5, LevelBy::Height));
  EXPECT_FALSE(shareThrough(nothing, {0, 0}, LevelBy::Height));
  EXPECT_FALSE(levelAt({rectangleOutline(4, 4)}, 0.5, LevelBy::Turn)) << "a dial has no surface";
}

TEST(Levels, TheFrontmostThatShowsIsSet) {
  Style style;
  Fill fill{Colour{1, 2, 3}};
  setLevel(style, 0.3);
  fill.level = FillLevel{LevelBy::Area, 0.1};
  style.fills = {fill, fill, fill};
  style.fills[2].shown = false;
  setLevel(style, 0.7);
  EXPECT_EQ(style.fills[0].level->share, 0.1);
  EXPECT_EQ(style.fills[1].level->share, 0.7);
  EXPECT_EQ(style.fills[2].level->share, 0.1);
  EXPECT_EQ(levelFillOf(style), &style.fills[1]);
}

TEST(Levels, ListsAndTablesAreRead) {
  const auto shares = [](const char* text) {
    std::vector<double> out;
    if (const auto found = levelsFrom(text))
      for (const LevelEntry& e : *found) out.push_back(e.share);
    return out;
  };
  EXPECT_EQ(shares("25, 50, 65, 90"), (std::vector<double>{0.25, 0.5, 0.65, 0.9}));
  EXPECT_EQ(shares("25 %\n50%\n"), (std::vector<double>{0.25, 0.5}));
  EXPECT_EQ(shares("0.25;0.5;1"), (std::vector<double>{0.25, 0.5, 1}));
  EXPECT_EQ(shares("1\t2"), (std::vector<double>{0.01, 0.02}));
  for (const char* no : {"", "25", "25, 101", "25, -1", "snow, rain", "25, 50 and more", "nan, 1", "1e400, 2"})
    EXPECT_TRUE(shares(no).empty()) << no;
  const auto table = levelsFrom("line,taken\nSkarrow,25\n\"Upper bend\",62.5\r\n");
  ASSERT_TRUE(table);
  EXPECT_EQ(*table, (std::vector<LevelEntry>{{"Skarrow", 0.25}, {"Upper bend", 0.625}}));
  EXPECT_EQ(percentText(0.625), "62.5 %");
  EXPECT_EQ(percentText(0.9), "90 %");
}

struct LevelRow : testing::Test, Sample {
  std::vector<Id> made;
  void SetUp() override {
    project = withStyle(project, std::vector<Id>{disc}, [](Style& style) {
      Fill fill{Colour{200, 30, 30}};
      fill.level = FillLevel{LevelBy::Area, 0.1};
      style.fills.push_back(fill);
    });
  }
  double shareOf(Id id) { return levelFillOf(*findItem(project, id)->style)->level->share; }
  std::string textOf(Id id) { return wordsOf(*findItem(project, id))->content().text; }
};

TEST_F(LevelRow, IsMadeOfAListWithLabelsThatFollow) {
  const std::vector<LevelEntry> entries{{"Skarrow Upper Valley and Tarn", 0.25}, {"", 0.5}, {"", 0.9}};
  project = withLevelRow(project, disc, entries, made);
  ASSERT_EQ(made.size(), 6U);
  EXPECT_EQ(made[0], disc);
  for (std::size_t i = 0; i < 3; ++i) EXPECT_DOUBLE_EQ(shareOf(made[i]), entries[i].share);
  EXPECT_EQ(textOf(made[3]), "Skarrow Upper Valley and Tarn\n25 %");
  EXPECT_EQ(textOf(made[5]), "90 %");
  const Box first = boxOnSheet(project, made[0]), second = boxOnSheet(project, made[1]);
  EXPECT_NEAR(second.low.y, first.low.y, 1e-9);
  EXPECT_GT(second.low.x, first.high.x);
  EXPECT_GT(boxOnSheet(project, made[4]).low.y, second.high.y);
  EXPECT_NEAR(boxOnSheet(project, made[4]).centre().x, second.centre().x, 0.5);
  EXPECT_LT(boxOnSheet(project, made[3]).high.x, boxOnSheet(project, made[4]).low.x) << "labels have room";

  // Another level, and another text around it.
  project = withText(project, made[3], "Skarrow: 25 % of seats");
  project = withStyle(project, std::vector<Id>{disc}, [](Style& style) { style.fills.back().level->share = 0.333; });
  EXPECT_EQ(textOf(made[3]), "Skarrow: 33.3 % of seats");
  EXPECT_EQ(textOf(made[4]), "50 %");
}

TEST_F(LevelRow, NeedsALevel) {
  const Project before = project;
  const std::vector<LevelEntry> entries{{"", 0.25}, {"", 0.5}};
  EXPECT_TRUE(isSame(withLevelRow(project, box, entries, made), before));
  EXPECT_TRUE(made.empty());
}

/// A box of 100 × 100 whose colour rises along a line of the sheet from its left to its right.
struct LevelsAlong : testing::Test, Sample {
  const Contour across{{0, 50}, {Segment::line({100, 50})}, false};
  void SetUp() override { project = withLevelAlong(project, std::vector<Id>{box}, across); }
  const FillLevel& level() const { return *levelFillOf(*findItem(project, box)->style)->level; }
  /// What is filled of it, on the sheet.
  Box filled() const {
    const ItemPtr item = findItem(project, box);
    const auto line = lineOf(level(), resolved(*item)->box);
    return frameToSheet(project, box)(
        bounds(*filledTo({resolved(*item)->outline}, level().share, level().by, line ? &*line : nullptr)));
  }
};

TEST_F(LevelsAlong, TheLineIsKeptInTheItemsBoxAndGoesWithIt) {
  EXPECT_EQ(level().by, LevelBy::Along);
  EXPECT_EQ(level().share, 0.5);
  EXPECT_NEAR(filled().high.x, 50, 1e-6);
  project = withStyle(project, std::vector<Id>{box}, [](Style& style) { setLevel(style, 0.25); });
  project = withResized(project, std::vector<Id>{box}, Affine::scale(2, 0.5).about({0, 0}));
  EXPECT_NEAR(filled().high.x, 50, 1e-6) << "a quarter of twice the width";
  EXPECT_NEAR(filled().high.y, 50, 1e-6);
  project = withMapped(project, std::vector<Id>{box}, Affine::move({30, 7}));
  EXPECT_NEAR(filled().high.x, 80, 1e-6);
  // Laid along another line it keeps its share.
  project = withLevelAlong(project, std::vector<Id>{box}, {{230, 20}, {Segment::line({30, 20})}, false});
  EXPECT_EQ(level().share, 0.25);
  EXPECT_NEAR(filled().low.x, 180, 1e-6) << "from its right";
}

TEST_F(LevelsAlong, WithoutALineItRisesStraightUpwards) {
  FillLevel plain{LevelBy::Along, 0.4};
  EXPECT_FALSE(lineOf(plain, {{0, 0}, {10, 10}}));
  FillLevel other = level();
  other.by = LevelBy::Width;
  EXPECT_FALSE(lineOf(other, {{0, 0}, {10, 10}})) << "the line is kept for later, and does nothing";
  EXPECT_NE(other, level());
}

TEST_F(LevelsAlong, LinesBeyondTheLimitsAreRefused) {
  const auto refused = [&](Contour line) {
    const Project changed = withStyle(project, std::vector<Id>{box}, [&](Style& style) {
      style.fills.back().level->line = std::make_shared<const Contour>(std::move(line));
    });
    return beyondLimits(changed, nullptr).has_value();
  };
  EXPECT_FALSE(refused(across));
  EXPECT_TRUE(refused({{0, 0}, {Segment::line({1e5, 0})}, false}));
  EXPECT_TRUE(refused({{0, 0}, {Segment::line({std::numeric_limits<double>::quiet_NaN(), 0})}, false}));
  EXPECT_TRUE(refused({{0, 0}, std::vector<Segment>(1200, Segment::line({1, 1})), false}));
}

}  // namespace
}  // namespace widecut
