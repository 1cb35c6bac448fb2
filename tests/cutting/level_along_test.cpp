// Levels that rise along a line.
#include "cutting/level_along.h"

#include <gtest/gtest.h>

#include "cutting/knife.h"
#include "cutting/level_line.h"
#include "cutting/offset.h"
#include "cutting/planar_map.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

double areaOf(const Outline& outline) { return signedArea(*simplified({outline})); }

/// A tube of that width along a line, with flat ends.
Outline tube(const Contour& line, double width, Cap cap = Cap::Butt) {
  LineShape shape;
  shape.width = width;
  shape.cap = cap;
  shape.join = Join::Round;
  return *lineOutline({Outline{{line}}}, shape);
}

/// Half a circle of radius 100 about the origin, from the left over the top to the right.
Contour arch() {
  constexpr double k = 55.228474983079356;
  return {{-100, 0},
          {Segment::cubic({-100, -k}, {-k, -100}, {0, -100}), Segment::cubic({k, -100}, {100, -k}, {100, 0})},
          false};
}

TEST(LevelAlong, StraightUpwardsItIsTheHeight) {
  const Outline box = rectangleOutline(80, 40);
  for (const double share : {0.1, 0.35, 0.9}) {
    const auto along = filledTo({box}, share, LevelBy::Along), height = filledTo({box}, share, LevelBy::Height);
    ASSERT_TRUE(along && height);
    EXPECT_NEAR(areaOf(*along), areaOf(*height), 1e-6);
    EXPECT_NEAR(bounds(*along).low.y, bounds(*height).low.y, 1e-9);
  }
}

TEST(LevelAlong, ATubeFillsByTheLengthOfItsLine) {
  const Contour line = arch();
  const Outline shape = tube(line, 24);
  const double whole = areaOf(shape);
  for (const double share : {0.1, 0.25, 0.5, 0.75, 0.9}) {
    const auto filled = filledTo({shape}, share, LevelBy::Along, &line);
    ASSERT_TRUE(filled);
    EXPECT_NEAR(areaOf(*filled) / whole, share, 1e-3) << share;
  }
  EXPECT_TRUE(filledTo({shape}, 0, LevelBy::Along, &line)->isEmpty());
  EXPECT_NEAR(areaOf(*filledTo({shape}, 1, LevelBy::Along, &line)), whole, 1e-9);
  // A quarter is the lower left eighth of the circle, square to the line at its end.
  const auto quarter = filledTo({shape}, 0.25, LevelBy::Along, &line);
  const double side = std::sqrt(0.5);
  EXPECT_TRUE(isInside(*quarter, FillRule::Nonzero, Point{-100 * side - 1, -100 * side + 1}));
  EXPECT_FALSE(isInside(*quarter, FillRule::Nonzero, Point{-100 * side + 1, -100 * side - 1}));
}

TEST(LevelAlong, ArmsThatLieSideBySideFillInTheirTurn) {
  // There, a step across, and back: arms 20 apart, 12 wide.
  const Contour line{{0, 0}, {Segment::line({100, 0}), Segment::line({100, 20}), Segment::line({0, 20})}, false};
  const Outline shape = tube(line, 12);
  const auto filled = filledTo({shape}, 0.4, LevelBy::Along, &line);
  ASSERT_TRUE(filled);
  EXPECT_TRUE(isInside(*filled, FillRule::Nonzero, Point{50, 3}));
  EXPECT_FALSE(isInside(*filled, FillRule::Nonzero, Point{50, 17})) << "the arm beside it waits";
  const auto more = filledTo({shape}, 0.75, LevelBy::Along, &line);
  EXPECT_TRUE(isInside(*more, FillRule::Nonzero, Point{80, 17}));
  EXPECT_FALSE(isInside(*more, FillRule::Nonzero, Point{20, 17}));
}

TEST(LevelAlong, WhatLiesBehindItsStartBelongsToIt) {
  const Contour line{{0, 0}, {Segment::line({100, 0})}, false};
  const Outline shape = tube(line, 40, Cap::Round);
  const auto filled = filledTo({shape}, 0.1, LevelBy::Along, &line);
  ASSERT_TRUE(filled);
  EXPECT_TRUE(isInside(*filled, FillRule::Nonzero, Point{-15, 5}));
  EXPECT_TRUE(isInside(*filled, FillRule::Nonzero, Point{8, -15}));
  EXPECT_FALSE(isInside(*filled, FillRule::Nonzero, Point{12, 0}));
}

TEST(LevelAlong, TheShareThroughAPlaceAndBack) {
  const Contour line = arch();
  const Outline shape = tube(line, 24);
  for (const double share : {0.2, 0.5, 0.81}) {
    const auto surface = levelLine({shape}, share, LevelBy::Along, &line);
    ASSERT_TRUE(surface);
    EXPECT_NEAR(distance(surface->from, surface->to), 24, 0.5) << "as wide as the tube";
    EXPECT_NEAR(*shareThrough({shape}, surface->grip(LevelBy::Along), LevelBy::Along, &line), share, 1e-6);
    EXPECT_NEAR(*shareThrough({shape}, mix(surface->from, surface->to, 0.8), LevelBy::Along, &line), share, 1e-3);
  }
  EXPECT_NEAR(*shareThrough({shape}, Point{-100, 90}, LevelBy::Along, &line), 0, 1e-9);
}

TEST(LevelAlong, LinesWithoutLengthCountAsNone) {
  const Contour point{{5, 5}, {Segment::line({5, 5})}, false}, none{{5, 5}, {}, false};
  const Outline box = rectangleOutline(80, 40);
  for (const Contour& line : {point, none}) {
    const auto filled = filledTo({box}, 0.5, LevelBy::Along, &line);
    ASSERT_TRUE(filled);
    EXPECT_NEAR(areaOf(*filled), 1600, 1e-6);
  }
}

}  // namespace
}  // namespace widecut
