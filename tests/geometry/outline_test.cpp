#include "geometry/outline.h"

#include <gtest/gtest.h>

#include "geometry/path_data.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

TEST(Outline, AreaOfAnEllipseIsThatOfItsCubics) {
  EXPECT_NEAR(signedArea(ellipseOutline(20, 10)), pi * 10 * 5, 0.05);
  EXPECT_GT(signedArea(ellipseOutline(20, 10)), 0) << "primitives run clockwise on the sheet";
}

TEST(Outline, BoundsAreTightRoundCurves) {
  const auto arch = parsePathData("M0 0C0 40 30 40 30 0Z");
  const Box box = bounds(*arch);
  EXPECT_DOUBLE_EQ(box.high.y, 30);  // ¾ of the handles' height
  EXPECT_DOUBLE_EQ(box.width(), 30);
}

TEST(Outline, FlatteningStaysWithinItsTolerance) {
  const Outline circle = ellipseOutline(200, 200);
  for (const double tolerance : {1.0, 0.1, 0.01}) {
    const auto runs = flattened(circle, tolerance);
    ASSERT_EQ(runs.size(), 1U);
    for (std::size_t i = 0; i < runs[0].size(); ++i) {
      const Point middle = mix(runs[0][i], runs[0][(i + 1) % runs[0].size()], 0.5);
      EXPECT_NEAR(length(middle), 100, tolerance + 0.03);
    }
  }
}

TEST(Outline, InsideFollowsTheRule) {
  const auto twice = parsePathData("M0 0H10V10H0ZM2 2H8V8H2Z");
  EXPECT_TRUE(isInside(*twice, FillRule::Nonzero, {5, 5}));
  EXPECT_FALSE(isInside(*twice, FillRule::EvenOdd, {5, 5}));
  EXPECT_TRUE(isInside(*twice, FillRule::EvenOdd, {1, 1}));
  EXPECT_FALSE(isInside(*twice, FillRule::Nonzero, {11, 5}));
}

TEST(Outline, EdgeDistanceCountsTheClosingEdge) {
  const auto open = parsePathData("M0 0H10V10");
  EXPECT_NEAR(edgeDistance(*open, {0, 5}, 0.01), 5, 1e-9);
  const auto closed = parsePathData("M0 0H10V10H0Z");
  EXPECT_NEAR(edgeDistance(*closed, {-2, 5}, 0.01), 2, 1e-9);
}

TEST(Affine, InverseUndoesTheMap) {
  const Affine m = Affine::move({3, -4}) * Affine::turn(0.7) * Affine::scale(2, 5);
  const auto back = m.inverse();
  ASSERT_TRUE(back);
  const Point p = (*back)(m(Point{12, 34}));
  EXPECT_NEAR(p.x, 12, 1e-9);
  EXPECT_NEAR(p.y, 34, 1e-9);
  EXPECT_FALSE(Affine::scale(0, 1).inverse());
  EXPECT_NEAR((Affine::turn(0.3) * Affine::scale(2, 2)).turnAngle(), 0.3, 1e-12);
}

}  // namespace
}  // namespace widecut
