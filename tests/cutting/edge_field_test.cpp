#include "cutting/edge_field.h"

#include <gtest/gtest.h>

#include <random>

#include "cutting/planar_map.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

/// A disc with a hole that is not in its middle, and a needle beside it.
Outline discWithHole() {
  return *cut(std::vector<Operand>{{ellipseOutline(200, 160)},
                                   {transformed(ellipseOutline(60, 60), Affine::move({30, 10}))},
                                   {polygon({{130, -80}, {132, -80}, {131, 80}})}},
              *Formula::parse("a - b + c", std::vector<std::string>{"a", "b", "c"}));
}

struct Fields : testing::Test {
  Outline outline = discWithHole();
  EdgeField field{outline, 1e-4, 32};
  std::mt19937 random{2};
  /// In the box around it, and as far again beyond.
  Point anywhere() {
    const Box around = field.box().grown(100);
    std::uniform_real_distribution<double> share(0, 1);
    return around.low + Point{share(random) * around.width(), share(random) * around.height()};
  }
};

TEST_F(Fields, DistancesAreThoseFromTheEdgeWithTheSignOfTheSide) {
  for (int i = 0; i < 3000; ++i) {
    const Point p = anywhere();
    const double away = edgeDistance(outline, p, 1e-6);
    if (away < 1e-3) continue;  // there the straight runs may lie on another side
    EXPECT_NEAR(field.distanceAt(p), isInside(outline, FillRule::Nonzero, p) ? away : -away, 2e-4) << p.x << ' ' << p.y;
  }
}

TEST_F(Fields, BoundsAgreeWithDistances) {
  std::uniform_real_distribution<double> levels(0, 60);
  for (int i = 0; i < 3000; ++i) {
    const Point p = anywhere();
    const double level = levels(random), there = field.distanceAt(p);
    EXPECT_EQ(field.isOutsideBy(p, level), there < -level);
    EXPECT_EQ(field.isInsideBy(p, level), there >= level);
  }
}

TEST_F(Fields, ItsSizeIsTheOutlines) {
  EXPECT_NEAR(field.box().low.x, -100, 1e-3);
  EXPECT_NEAR(field.box().high.x, 132, 1e-3);
  EXPECT_GT(field.edges().size(), 20U);
  EXPECT_TRUE(EdgeField({}, 1, 8).edges().empty());
}

}  // namespace
}  // namespace widecut
