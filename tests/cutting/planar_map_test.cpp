#include "cutting/planar_map.h"

#include <gtest/gtest.h>

#include <random>

#include "geometry/path_data.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

Outline path(const char* text) { return *parsePathData(text); }
Outline at(const Outline& outline, double x, double y) { return transformed(outline, Affine::move({x, y})); }

PlanarMap mapOf(std::vector<Operand> operands) {
  auto map = PlanarMap::of(operands);
  EXPECT_TRUE(map);
  return *map;
}

double area(const Outline& outline) { return signedArea(outline); }

TEST(Cutting, TwoOverlappingSquaresHaveKnownAreas) {
  const auto map = mapOf({{path("M0 0H10V10H0Z")}, {path("M5 5H15V15H5Z")}});
  EXPECT_NEAR(area(map.unite()), 175, 1e-5);
  EXPECT_NEAR(area(map.subtract()), 75, 1e-5);
  EXPECT_NEAR(area(map.intersect()), 25, 1e-5);
  EXPECT_NEAR(area(map.exclude()), 150, 1e-5);
}

TEST(Cutting, AnInnerDiscLeavesARealHole) {
  const auto map = mapOf({{rectangleOutline(40, 40)}, {ellipseOutline(20, 20)}});
  const Outline ring = map.subtract();
  ASSERT_EQ(ring.contours.size(), 2U);
  EXPECT_NEAR(area(ring), 1600 - pi * 100, 0.3);
  // Holes run the other way, so both rules agree.
  for (const FillRule rule : {FillRule::Nonzero, FillRule::EvenOdd}) {
    EXPECT_FALSE(isInside(ring, rule, {0, 0}));
    EXPECT_TRUE(isInside(ring, rule, {15, 15}));
  }
}

TEST(Cutting, SubtractingATouchingDiscLeavesOneFace) {
  const auto map = mapOf({{rectangleOutline(20, 20)}, {at(ellipseOutline(10, 10), 15, 0)}});
  EXPECT_EQ(map.subtract().contours.size(), 1U);
  EXPECT_NEAR(area(map.subtract()), 400, 0.01);
}

TEST(Cutting, SharedEdgesJoinWithoutASeam) {
  const auto map = mapOf({{path("M0 0H10V10H0Z")}, {path("M10 0H20V10H10Z")}, {path("M3 10H17V20H3Z")}});
  const Outline joined = map.unite();
  ASSERT_EQ(joined.contours.size(), 1U);
  EXPECT_NEAR(area(joined), 340, 1e-5);
  EXPECT_TRUE(map.intersect().isEmpty());
}

TEST(Cutting, AShapeAgainstItselfIsAllOrNothing) {
  const Outline star = starOutline(80, 60, 7, 0.4);
  const auto map = mapOf({{star}, {star}});
  EXPECT_NEAR(area(map.unite()), area(star), 1e-4);
  EXPECT_NEAR(area(map.intersect()), area(star), 1e-4);
  EXPECT_TRUE(map.subtract().isEmpty());
  EXPECT_TRUE(map.exclude().isEmpty());
}

TEST(Cutting, SelfCrossingOutlinesFollowTheirRule) {
  const Outline pentagram = path("M0 -50L29 40L-47 -15L47 -15L-29 40Z");
  const double whole = area(mapOf({{pentagram, FillRule::Nonzero}}).unite());
  const double points = area(mapOf({{pentagram, FillRule::EvenOdd}}).unite());
  EXPECT_GT(whole, points * 1.3);
  EXPECT_GT(points, 100);
}

TEST(Cutting, OpenContoursCountAsClosed) { EXPECT_NEAR(area(mapOf({{path("M0 0H10V10H0")}}).unite()), 100, 1e-5); }

TEST(Cutting, DividingKnowsWhoCoversEachFace) {
  const auto map = mapOf({{path("M0 0H10V10H0Z")}, {path("M5 0H15V10H5Z")}, {path("M2 2H3V3H2Z")}});
  double total = 0;
  for (const Face& face : map.divide()) {
    total += area(face.outline);
    if (face.coveredBy == std::vector<int>{0, 1}) {
      EXPECT_NEAR(area(face.outline), 50, 1e-5);
    }
    if (face.coveredBy == std::vector<int>{0}) {
      EXPECT_EQ(face.outline.contours.size(), 2U) << "the hole stays a hole";
    }
  }
  EXPECT_EQ(map.divide().size(), 4U);
  EXPECT_NEAR(total, area(map.unite()), 1e-4);
}

TEST(Cutting, AFormulaIsAChoiceOfFaces) {
  const std::vector<std::string> names{"a", "b", "c"};
  const auto map = mapOf({{path("M0 0H10V10H0Z")}, {path("M5 0H15V10H5Z")}, {path("M0 5H15V10H0Z")}});
  EXPECT_NEAR(area(map.where(*Formula::parse("a - b + c", names))), 50 - 25 + 75, 1e-4);
  EXPECT_NEAR(area(map.where(*Formula::parse("a - (b + c)", names))), 25, 1e-4);
  EXPECT_NEAR(area(map.where(*Formula::parse("(a ^ b) & c", names))), 50, 1e-4);
}

TEST(Cutting, NumbersThatAreNotFiniteAreRefusedByName) {
  Outline broken = rectangleOutline(10, 10);
  broken.contours[0].segments[1].end.x = std::numeric_limits<double>::quiet_NaN();
  const auto map = PlanarMap::of(std::vector<Operand>{{rectangleOutline(5, 5)}, {broken}});
  ASSERT_FALSE(map);
  EXPECT_NE(map.error().message.find("outline 2"), std::string::npos);
}

TEST(Cutting, CurvesThatDoubleBackOnAnUprightLineCoverOnlyTheirCorner) {
  // Found by fuzzing: rounding makes some of these upright arcs rise and some fall. All they enclose is the corner that
  // one cubic with both handles in (124, 124) cuts off: 4 by 16, a twentieth of which is 3.2.
  const Operand line{path("M124 124C124 124 124 124 124 124C124 12 124 124 124 124C124 108 124 8 124 120"
                          "C124 124 124 124 108 124C124 124 124 124 124 124C124 124 124 124 124 12Z"),
                     FillRule::EvenOdd};
  const Operand other{path("M124 12.0000000104Q24 84 48 0L44.00000000000127 48Q80 0 0 0L0 0L124 12.0000000104Z")};
  const auto map = mapOf({line, other});
  EXPECT_EQ(map.report().retries, 0);
  EXPECT_NEAR(area(map.subtract()), 3.2, 1e-9);
  EXPECT_NEAR(area(map.unite()), area(mapOf({other}).unite()) + 3.2, 1e-6);
}

TEST(Cutting, OutlinesTooSmallForNumbersGiveNothing) {
  const auto map =
      mapOf({{path("M0 1.0444198034e-314C0 0 0 0 0 1.0444198034e-314Z")}, {path("M0 0L2e-310 0L0 3e-311Z")}});
  EXPECT_TRUE(map.unite().isEmpty());
  EXPECT_TRUE(map.exclude().isEmpty());
}

TEST(Cutting, NothingAndDegenerateShapesGiveNothing) {
  EXPECT_TRUE(mapOf({{Outline{}}, {path("M5 5L5 5Z")}, {path("M0 0L10 0Z")}}).unite().isEmpty());
}

/// A smooth blob or a star, anywhere; seeded.
Outline someShape(std::mt19937& random) {
  std::uniform_real_distribution<double> unit(0, 1);
  const double w = 20 + 80 * unit(random), h = 20 + 80 * unit(random);
  Outline shape = unit(random) < 0.5 ? ellipseOutline(w, h)
                                     : starOutline(w, h, 3 + static_cast<int>(6 * unit(random)), 0.6 * unit(random));
  shape = transformed(shape, Affine::turn(6 * unit(random)));
  return at(shape, 60 * unit(random), 60 * unit(random));
}

TEST(Cutting, AlgebraHoldsForRandomShapes) {
  std::mt19937 random(11);
  for (int i = 0; i < 200; ++i) {
    const Outline a = someShape(random), b = someShape(random);
    const auto ab = mapOf({{a}, {b}}), ba = mapOf({{b}, {a}});
    const double both = area(ab.intersect()), all = area(ab.unite());
    const double tolerance = 1e-4 * std::max(1.0, all);
    EXPECT_NEAR(all, area(ba.unite()), tolerance);
    EXPECT_NEAR(all + both, area(mapOf({{a}}).unite()) + area(mapOf({{b}}).unite()), tolerance);
    EXPECT_NEAR(area(ab.subtract()) + both, area(mapOf({{a}}).unite()), tolerance);
    EXPECT_NEAR(area(ab.exclude()) + both, all, tolerance);
    EXPECT_NEAR(area(mapOf({{ab.subtract()}, {b}}).intersect()), 0, tolerance) << "A − B is disjoint from B";
  }
}

TEST(Cutting, SizesFromTinyToHugeKeepTheirShape) {
  for (const double size : {1e-3, 1.0, 1e4, 1e7}) {
    const Outline disc = ellipseOutline(size, size), box = at(rectangleOutline(size, size), size / 2 + 3 * size, 0);
    const auto map = mapOf({{at(disc, 3 * size, 0)}, {box}});
    EXPECT_NEAR(area(map.intersect()) / (pi * size * size / 8), 1, 4e-3) << size;
  }
}

}  // namespace
}  // namespace widecut
