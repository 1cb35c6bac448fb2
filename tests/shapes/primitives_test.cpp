#include "shapes/primitives.h"

#include <gtest/gtest.h>

namespace widecut {
namespace {

TEST(Primitives, HaveTheSizeThatWasAskedFor) {
  for (const Outline& shape : {rectangleOutline(50, 75), ellipseOutline(50, 75), polygonOutline(50, 75, 4)}) {
    const Box box = bounds(shape);
    EXPECT_NEAR(box.width(), 50, 1e-9);
    EXPECT_NEAR(box.height(), 75, 1e-9);
    EXPECT_NEAR(distance(box.centre(), {0, 0}), 0, 1e-9);
  }
}

TEST(Primitives, RunClockwiseOnTheSheet) {
  EXPECT_GT(signedArea(rectangleOutline(3, 4)), 0);
  EXPECT_GT(signedArea(polygonOutline(30, 30, 7)), 0);
  EXPECT_GT(signedArea(starOutline(30, 30, 5, 0.5)), 0);
}

TEST(Primitives, AnEllipseIsRoundToThreeInTenThousand) {
  const Outline circle = ellipseOutline(200, 200);
  const Contour& c = circle.contours[0];
  Point at = c.start;
  for (const Segment& s : c.segments) {
    for (int i = 0; i <= 16; ++i) {
      EXPECT_NEAR(length(pointAt(at, s, i / 16.0)), 100, 0.03);
    }
    at = s.end;
  }
}

TEST(Primitives, PolygonsHaveKnownAreas) {
  // ½·n·r²·sin(2π/n)
  for (const int n : {3, 5, 6, 20})
    EXPECT_NEAR(signedArea(polygonOutline(20, 20, n)), 0.5 * n * 100 * std::sin(2 * pi / n), 1e-9);
  EXPECT_EQ(counts(polygonOutline(20, 20, 1)).nodes, 3) << "fewer than three sides make no polygon";
}

TEST(Primitives, AStarsDepthMovesItsInnerCorners) {
  const Outline star = starOutline(100, 100, 5, 0.25);
  EXPECT_EQ(counts(star).nodes, 10);
  EXPECT_NEAR(length(star.contours[0].segments[0].end), 37.5, 1e-9);
  EXPECT_NEAR(signedArea(starOutline(100, 100, 6, 0)), signedArea(polygonOutline(100, 100, 12)), 1e-9);
}

TEST(Primitives, FittingFillsTheBox) {
  const Box box{{10, 20}, {110, 50}};
  EXPECT_NEAR(bounds(fitted(ellipseOutline(1, 1), box)).width(), 100, 1e-9);
  EXPECT_EQ(bounds(fitted(rectangleOutline(3, 9), box)), box);
  const Outline line = polygon({{0, 0}, {10, 0}});
  EXPECT_NEAR(bounds(fitted(line, box)).centre().y, 35, 1e-9) << "what has no height is only moved along y";
}

}  // namespace
}  // namespace widecut
