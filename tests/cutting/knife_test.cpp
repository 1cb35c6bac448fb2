#include "cutting/knife.h"

#include <gtest/gtest.h>

#include "cutting/level.h"
#include "cutting/planar_map.h"
#include "geometry/path_data.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

Outline path(const char* text) { return *parsePathData(text); }

double total(const std::vector<Outline>& pieces) {
  double sum = 0;
  for (const Outline& o : pieces) sum += signedArea(o);
  return sum;
}

TEST(Knife, AStrokeAcrossADiscGivesTwoHalves) {
  const Operand disc{ellipseOutline(100, 100)};
  const auto halves = knifed(disc, path("M-80 0L80 0"), 0);
  ASSERT_TRUE(halves);
  ASSERT_EQ(halves->size(), 2U);
  EXPECT_NEAR(signedArea((*halves)[0]), signedArea(disc.outline) / 2, 1e-9);
  EXPECT_NEAR(total(*halves), signedArea(disc.outline), 1e-9);
  EXPECT_EQ(counts((*halves)[0]).nodes, 3) << "two quarters and the cut";
}

TEST(Knife, AGapKeepsThePiecesApart) {
  const auto halves = knifed({rectangleOutline(100, 60)}, path("M0 -50L0 50"), 4);
  ASSERT_EQ(halves->size(), 2U);
  EXPECT_NEAR(total(*halves), 96 * 60, 1e-9);
}

TEST(Knife, AStrokeThatEndsInsidePartsNothingWithoutAGap) {
  EXPECT_EQ(knifed({rectangleOutline(100, 60)}, path("M0 -50L0 10"), 0)->size(), 1U);
  const auto notched = knifed({rectangleOutline(100, 60)}, path("M0 -50L0 10"), 4);
  EXPECT_EQ(notched->size(), 1U);
  EXPECT_NEAR(total(*notched), 6000 - 160, 1e-9);
}

TEST(Knife, AWavyStrokeCutsAStarIntoAllItsPieces) {
  const Operand star{starOutline(100, 100, 6, 0.6)};
  const auto pieces = knifed(star, path("M-60 10C-20 -60 20 60 60 -10"), 0);
  ASSERT_TRUE(pieces);
  EXPECT_GE(pieces->size(), 2U);
  EXPECT_NEAR(total(*pieces), signedArea(star.outline), 1e-9);
}

TEST(Knife, AClosedStrokeCutsOutADisc) {
  const auto pieces = knifed({rectangleOutline(100, 60)}, ellipseOutline(30, 30), 0);
  ASSERT_EQ(pieces->size(), 2U);
  EXPECT_NEAR(total(*pieces), 6000, 1e-6);
  EXPECT_EQ((*pieces)[0].contours.size() + (*pieces)[1].contours.size(), 3U) << "a disc, and a plate with a hole";
}

TEST(Knife, CrossedStrokesGiveFourQuarters) {
  EXPECT_EQ(knifed({rectangleOutline(100, 60)}, path("M-70 0L70 0M0 -50L0 50"), 0)->size(), 4U);
}

TEST(Knife, AbsurdGapsAreRefused) {
  EXPECT_FALSE(knifed({rectangleOutline(1, 1)}, path("M0 0L1 1"), -1));
  EXPECT_FALSE(knifed({rectangleOutline(1, 1)}, path("M0 0L1 1"), std::nan("")));
}

TEST(Regions, EachKeepsItsHoles) {
  const auto regions = regionsOf({path("M0 0H40V40H0ZM10 10V30H30V10ZM60 0H80V20H60Z"), FillRule::EvenOdd});
  ASSERT_EQ(regions->size(), 2U);
  EXPECT_EQ((*regions)[0].contours.size(), 2U);
  EXPECT_NEAR(signedArea((*regions)[0]), 1600 - 400, 1e-9);
}

TEST(Regions, AnIslandInAHoleIsARegionOfItsOwn) {
  const auto regions =
      regionsOf({path("M0 0H100V100H0ZM10 10H90V90H10ZM20 20H80V80H20ZM30 30H70V70H30Z"), FillRule::EvenOdd});
  ASSERT_EQ(regions->size(), 2U);
  EXPECT_NEAR(signedArea((*regions)[0]), 10000 - 6400, 1e-9);
  EXPECT_NEAR(signedArea((*regions)[1]), 3600 - 1600, 1e-9);
}

TEST(Simplified, ABowTieBecomesTwoTriangles) {
  const auto clean = simplified({path("M0 0L100 100L100 0L0 100Z")});
  EXPECT_EQ(clean->contours.size(), 2U);
  EXPECT_NEAR(signedArea(*clean), 5000, 1e-9);
}

TEST(Trimmed, WhatOverhangsTheSheetGoes) {
  const Box sheet{{0, 0}, {100, 100}};
  const auto part = trimmed({ellipseOutline(100, 100)}, sheet);
  EXPECT_NEAR(signedArea(*part), signedArea(ellipseOutline(100, 100)) / 4, 1e-9);
  EXPECT_EQ(counts(*part).nodes, 3);
  EXPECT_TRUE(trimmed({rectangleOutline(10, 10)}, {{50, 50}, {60, 60}})->isEmpty());
}

TEST(Level, ByHeightIsAShareOfTheBox) {
  const auto level = levelAt({rectangleOutline(40, 80)}, 0.25, LevelBy::Height);
  EXPECT_NEAR(level->y, 20, 1e-12);
  EXPECT_NEAR(signedArea(level->filled), 800, 1e-9);
}

TEST(Level, ByAreaFillsTheTrueShare) {
  const std::vector<Operand> shapes{{ellipseOutline(60, 110)},
                                    {starOutline(100, 100, 5, 0.5)},
                                    {path("M0 0H100V100H0ZM30 20H70V90H30Z"), FillRule::EvenOdd},
                                    {path("M0 0C120 90 -20 90 100 0Z")}};
  for (const Operand& shape : shapes) {
    const double whole = signedArea(*simplified(shape));
    for (const double share : {0.1, 0.25, 0.5, 0.65, 0.9}) {
      const auto level = levelAt(shape, share, LevelBy::Area);
      ASSERT_TRUE(level);
      EXPECT_NEAR(signedArea(level->filled) / whole, share, 1e-9);
    }
  }
}

TEST(Level, ATriangleIsHalfFullAtTheRootOfAHalf) {
  // Standing on its tip: the area below grows with the square of the height.
  const auto level = levelAt({path("M0 0L100 0L50 100Z")}, 0.5, LevelBy::Area);
  EXPECT_NEAR(level->y, 100 * (1 - std::sqrt(0.5)), 1e-9);
}

TEST(Level, EmptyAndFullAreExact) {
  const Operand disc{ellipseOutline(50, 50)};
  EXPECT_TRUE(levelAt(disc, 0, LevelBy::Area)->filled.isEmpty());
  EXPECT_EQ(levelAt(disc, 1, LevelBy::Area)->filled, *simplified(disc));
  EXPECT_FALSE(levelAt(disc, 1.2, LevelBy::Area));
  EXPECT_FALSE(levelAt({path("M0 0L10 0Z")}, 0.5, LevelBy::Area));
}

}  // namespace
}  // namespace widecut
