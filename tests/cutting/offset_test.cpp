#include "cutting/offset.h"

#include <gtest/gtest.h>

#include "cutting/dashes.h"
#include "cutting/planar_map.h"
#include "geometry/path_data.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

Outline path(const char* text) { return *parsePathData(text); }
double area(const Result<Outline>& outline) { return signedArea(*outline); }

TEST(Offset, ASquareGrowsByItsJoins) {
  const Operand square{rectangleOutline(100, 100)};
  EXPECT_NEAR(area(offset(square, 10, Join::Mitre)), 120 * 120, 1e-6);
  EXPECT_NEAR(area(offset(square, 10, Join::Bevel)), 120 * 120 - 4 * 50, 1e-6);
  EXPECT_NEAR(area(offset(square, 10, Join::Round)), 10000 + 4 * 1000 + pi * 100, 0.1);
  EXPECT_NEAR(area(offset(square, -10)), 80 * 80, 1e-6);
  EXPECT_TRUE(offset(square, -50.001)->isEmpty());
}

TEST(Offset, AMitredSquareIsDrawnWithFourNodes) {
  const auto grown = offset({rectangleOutline(100, 100)}, 10);
  EXPECT_EQ(counts(*grown).nodes, 4);
  EXPECT_EQ(counts(*offset({rectangleOutline(100, 100)}, -10)).nodes, 4);
}

TEST(Offset, ALimitedMitreIsBevelled) {
  const Operand needle{path("M0 0L100 0L0 5Z")};
  const Box sharp = bounds(*offset(needle, 2, Join::Mitre, 100)), blunt = bounds(*offset(needle, 2, Join::Mitre, 2));
  EXPECT_GT(sharp.high.x, 170);
  EXPECT_LT(blunt.high.x, 103);
}

TEST(Offset, ADiscStaysADisc) {
  const Operand disc{ellipseOutline(100, 100)};
  for (const double by : {20.0, 5.0, -5.0, -30.0}) {
    const double r = 50 + by;
    const auto moved = offset(disc, by);
    EXPECT_NEAR(area(moved) / (pi * r * r), 1, 2e-3) << by;
    EXPECT_EQ(counts(*moved).nodes, 4) << by;
  }
  EXPECT_TRUE(offset(disc, -51)->isEmpty());
}

TEST(Offset, HolesShrinkAsTheirShapeGrows) {
  const Operand ring{path("M0 0H100V100H0ZM30 30H70V70H30Z"), FillRule::EvenOdd};
  EXPECT_NEAR(area(offset(ring, 10, Join::Mitre)), 120 * 120 - 20 * 20, 1e-6);
  EXPECT_NEAR(area(offset(ring, 25, Join::Mitre)), 150 * 150, 1e-6) << "the hole closes";
  EXPECT_NEAR(area(offset(ring, -10, Join::Mitre)), 80 * 80 - 60 * 60, 1e-6);
}

TEST(Offset, TightBendsLeaveNoHoles) {
  // A narrow bay, wider than deep in curvature: its offset turns back on itself and must be cut off there.
  const Operand bay{path("M0 0L40 0C45 60 55 60 60 0L100 0L100 100L0 100Z")};
  const auto grown = offset(bay, 12, Join::Round);
  ASSERT_TRUE(grown);
  EXPECT_EQ(grown->contours.size(), 1U);
  const auto within = cut(std::vector<Operand>{{*grown}, bay}, Formula::chain(2, Role::Intersect));
  EXPECT_NEAR(signedArea(*within), signedArea(*offset(bay, 0)), 1e-6) << "growing takes nothing away";
  for (const double x : {45.0, 50.0, 55.0}) EXPECT_TRUE(isInside(*grown, FillRule::Nonzero, {x, 20}));
}

TEST(Offset, GrowingByRoundsNearlyIsTheSetOfPlacesThatClose) {
  const Operand star{starOutline(100, 100, 5, 0.5)};
  const auto grown = offset(star, 8, Join::Round);
  for (int i = 0; i < 40; ++i)
    for (int k = 0; k < 40; ++k) {
      const Point p{-70 + 3.5 * i, -70 + 3.5 * k};
      const double away = isInside(star.outline, FillRule::Nonzero, p) ? 0 : edgeDistance(star.outline, p, 1e-3);
      if (std::abs(away - 8) > 0.05) {
        EXPECT_EQ(isInside(*grown, FillRule::Nonzero, p), away < 8) << p.x << ' ' << p.y;
      }
    }
}

TEST(Offset, AbsurdDistancesAreRefused) {
  EXPECT_FALSE(offset({rectangleOutline(1, 1)}, 1e9));
  EXPECT_FALSE(offset({rectangleOutline(1, 1)}, std::nan("")));
  EXPECT_FALSE(lineOutline({rectangleOutline(1, 1)}, {.width = 0, .dashes = {}}));
}

LineShape line(double width, Cap cap = Cap::Butt, Join join = Join::Mitre) {
  LineShape shape;
  shape.width = width;
  shape.cap = cap;
  shape.join = join;
  return shape;
}

TEST(LineOutline, CapsAddTheirArea) {
  const Operand stroke{path("M0 0L100 0")};
  EXPECT_NEAR(area(lineOutline(stroke, line(10))), 1000, 1e-6);
  EXPECT_NEAR(area(lineOutline(stroke, line(10, Cap::Square))), 1100, 1e-6);
  EXPECT_NEAR(area(lineOutline(stroke, line(10, Cap::Round))), 1000 + pi * 25, 0.05);
}

TEST(LineOutline, AlignmentSaysOnWhichSideItLies) {
  const Operand square{rectangleOutline(100, 100)};
  LineShape shape = line(10);
  EXPECT_NEAR(area(lineOutline(square, shape)), 110 * 110 - 90 * 90, 1e-6);
  shape.alignment = Alignment::Inside;
  EXPECT_NEAR(area(lineOutline(square, shape)), 100 * 100 - 80 * 80, 1e-6);
  shape.alignment = Alignment::Outside;
  EXPECT_NEAR(area(lineOutline(square, shape)), 120 * 120 - 100 * 100, 1e-6);
}

TEST(LineOutline, ALineThatCrossesItselfIsOneArea) {
  const Operand bow{path("M0 0L100 100L100 0L0 100Z")};
  const auto outline = lineOutline(bow, line(6, Cap::Butt, Join::Round));
  ASSERT_TRUE(outline);
  EXPECT_TRUE(isInside(*outline, FillRule::Nonzero, {50, 50}));
  EXPECT_TRUE(isInside(*outline, FillRule::EvenOdd, {50, 50}));
  EXPECT_FALSE(isInside(*outline, FillRule::Nonzero, {80, 50}));
}

TEST(LineOutline, DashesAreAsLongAsTheySay) {
  const Operand stroke{path("M0 0L100 0")};
  LineShape shape = line(4);
  shape.dashes = {10, 5};
  EXPECT_NEAR(area(lineOutline(stroke, shape)), 4 * 70, 1e-6);
  EXPECT_EQ(lineOutline(stroke, shape)->contours.size(), 7U);
  shape.dashStart = 5;
  EXPECT_NEAR(bounds(Outline{{lineOutline(stroke, shape)->contours[0]}}).width(), 5, 1e-9);
  shape.dashes = {0, 0};
  EXPECT_FALSE(lineOutline(stroke, shape));
}

TEST(Dashes, LengthsAlongCurvesAreTrue) {
  const Outline disc = ellipseOutline(200, 200);
  const auto dashes = dashed(disc.contours[0], std::vector<double>{30, 20}, 0);
  for (std::size_t i = 0; i + 1 < dashes.size(); ++i) {
    double sum = 0;
    Point at = dashes[i].start;
    for (const Segment& s : dashes[i].segments) {
      sum += lengthOf(at, s);
      at = s.end;
    }
    EXPECT_NEAR(sum, 30, 1e-5);
  }
  EXPECT_EQ(dashes.size(), 13U);
}

}  // namespace
}  // namespace widecut
