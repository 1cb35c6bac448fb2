// What a cut keeps of its outlines: segments, nodes, starts.
#include <gtest/gtest.h>

#include <set>

#include "cutting/arrangement.h"
#include "cutting/planar_map.h"
#include "cutting/tracing.h"
#include "geometry/path_data.h"
#include "judge/exact_oracle.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

Outline path(const char* text) { return *parsePathData(text); }
Outline at(const Outline& outline, double x, double y) { return transformed(outline, Affine::move({x, y})); }

Outline result(const Outline& a, const Outline& b, Role role) {
  const std::vector<Operand> operands{{a}, {b}};
  return *cut(operands, Formula::chain(2, role));
}

/// Every segment with its start, and again backwards.
std::set<std::string> segmentsOf(const Outline& outline, bool backwardsToo) {
  std::set<std::string> out;
  for (const Contour& c : outline.contours) {
    Point from = c.start;
    for (const Segment& s : c.segments) {
      out.insert(pathData({{{from, {s}, false}}}));
      Segment back = s;
      back.end = from;
      if (s.kind == SegmentKind::Cubic) std::swap(back.handle1, back.handle2);
      if (backwardsToo) out.insert(pathData({{{s.end, {back}, false}}}));
      from = s.end;
    }
  }
  return out;
}

TEST(CutCurves, ShapesThatDoNotMeetComeOutBitForBit) {
  const Outline disc = at(ellipseOutline(31.7, 20.3), 7.1, 3.3), box = rectangleOutline(101.3, 77.7);
  const auto known = segmentsOf(disc, true), knownBox = segmentsOf(box, true);
  for (const Outline& out : {result(box, disc, Role::Subtract), result(box, disc, Role::Exclude)})
    for (const std::string& s : segmentsOf(out, false)) EXPECT_TRUE(known.contains(s) || knownBox.contains(s)) << s;
  EXPECT_EQ(result(box, disc, Role::Add), box) << "the start stays too";
}

TEST(CutCurves, OnlyCutSegmentsChange) {
  const Outline a = ellipseOutline(100, 80), b = at(ellipseOutline(100, 80), 60, 0);
  const Outline both = result(a, b, Role::Add);
  const auto known = segmentsOf(a, true), knownB = segmentsOf(b, true);
  int kept = 0;
  for (const std::string& s : segmentsOf(both, false)) kept += known.contains(s) || knownB.contains(s);
  EXPECT_EQ(kept, 4) << "two whole quarters of each";
  EXPECT_EQ(counts(both).nodes, 8) << "six that were there, two crossings";
  EXPECT_EQ(counts(both).curves, 8);
}

TEST(CutCurves, PiecesThatMeetAgainAreOneSegment) {
  const Outline box = rectangleOutline(100, 100);
  // A tab inside the box crosses nothing of its border in the end.
  EXPECT_EQ(result(box, at(ellipseOutline(40, 40), 30, 30), Role::Add), box);
  // The tab's edge lies on the box's edge: it cuts it in three and all come together again.
  EXPECT_EQ(result(box, at(rectangleOutline(20, 20), 0, 40), Role::Add), box);
  EXPECT_EQ(counts(result(box, at(rectangleOutline(20, 20), 0, -60), Role::Subtract)).nodes, 4);
}

TEST(CutCurves, QuadraticsStayQuadratics) {
  const Outline leaf = path("M0 -40Q45 0 0 40Q-45 0 0 -40Z");
  const Outline half = result(leaf, path("M0 -50H60V50H0Z"), Role::Intersect);
  ASSERT_EQ(half.contours.size(), 1U);
  for (const Segment& s : half.contours[0].segments) EXPECT_NE(s.kind, SegmentKind::Cubic);
}

TEST(CutCurves, NodesOnTheResultStay) {
  const Outline box = path("M0 0H20H50H100V100H0Z");  // with nodes in its upper edge
  EXPECT_EQ(counts(result(box, at(ellipseOutline(30, 30), 50, 100), Role::Subtract)).nodes, 6 + 4 - 1);
}

TEST(CutCurves, TheSameCircleWithOtherNodesIsTheSameArea) {
  const Outline disc = ellipseOutline(90, 90), turned = transformed(disc, Affine::turn(pi / 2));
  EXPECT_EQ(counts(result(disc, turned, Role::Add)).nodes, 4);
  EXPECT_TRUE(result(disc, turned, Role::Subtract).isEmpty());
  EXPECT_TRUE(result(disc, turned, Role::Exclude).isEmpty());
}

TEST(CutCurves, StartsAreStableUnderSmallMoves) {
  const Outline box = rectangleOutline(100, 100);
  Point before{};
  for (int i = 0; i < 50; ++i) {
    const Outline out = result(box, at(ellipseOutline(40, 40), 50 + 0.1 * i, 7 + 0.05 * i), Role::Subtract);
    if (i > 0) {
      EXPECT_EQ(out.contours[0].start, before);
    }
    before = out.contours[0].start;
  }
  EXPECT_EQ(before, (Point{-50, -50}));
}

TEST(CutCurves, SliversThinnerThanTheToleranceVanish) {
  const Outline box = rectangleOutline(100, 100);
  for (const double thin : {1e-10, 1e-11, 1e-13}) {
    EXPECT_TRUE(result(box, at(box, thin, 0), Role::Subtract).isEmpty()) << thin;
    EXPECT_EQ(counts(result(box, at(box, thin, thin), Role::Add)).nodes, 4) << thin;
  }
  EXPECT_NEAR(signedArea(result(box, at(box, 1e-6, 0), Role::Subtract)), 1e-4, 1e-9) << "but thicker ones stay";
}

TEST(CutCurves, PiecesLieOnTheirSegments) {
  const Outline a = path("M0 0C120 90 -20 90 100 0Z"), b = at(ellipseOutline(80, 50), 50, 30);
  const Outline out = result(a, b, Role::Exclude);
  for (const Contour& c : out.contours) {
    Point from = c.start;
    for (const Segment& s : c.segments) {
      for (const double t : {0.0, 0.3, 0.5, 0.8}) {
        const Point p = pointAt(from, s, t);
        EXPECT_LT(std::min(edgeDistance(a, p, 1e-9), edgeDistance(b, p, 1e-9)), 2e-5);
      }
      from = s.end;
    }
  }
}

TEST(CutCurves, FarOffDrawingsKeepTheirShape) {
  const Outline disc = at(ellipseOutline(10, 10), 1e7, -1e7), box = at(rectangleOutline(10, 10), 1e7 + 5, -1e7);
  EXPECT_NEAR(signedArea(result(disc, box, Role::Intersect)), signedArea(ellipseOutline(10, 10)) / 2, 1e-6);
}

double differenceOf(const std::vector<Operand>& operands, Role role, const Outline& outcome) {
  judge::Random random(3);
  const Formula formula = Formula::chain(static_cast<int>(operands.size()), role);
  return judge::difference(
      operands,
      [&](const std::vector<bool>& c) { return formula.holds([&](int i) { return c[static_cast<std::size_t>(i)]; }); },
      outcome, random, role == Role::Exclude);
}

TEST(Judge, MeasuresKnownDifferences) {
  const std::vector<Operand> one{{rectangleOutline(100, 100)}};
  EXPECT_LT(differenceOf(one, Role::Add, one[0].outline), 1e-15);
  EXPECT_NEAR(differenceOf(one, Role::Add, at(one[0].outline, 3, 0)), 0.06, 0.03);
  EXPECT_NEAR(differenceOf(one, Role::Add, Outline{}), 1, 0.05);
  const std::vector<Operand> disc{{ellipseOutline(100, 100)}};
  EXPECT_NEAR(differenceOf(disc, Role::Add, rectangleOutline(100, 100)), 1 - pi / 4, 0.03);
  EXPECT_NEAR(differenceOf(disc, Role::Add, ellipseOutline(100, 99.9)), pi / 4 * 1e-3, 1e-4);
}

TEST(Judge, SeesAMissingSpeckAndASuperfluousOne) {
  std::vector<Operand> pair{{rectangleOutline(100, 100)}, {at(rectangleOutline(2, 2), 80, 0)}};
  EXPECT_GT(differenceOf(pair, Role::Subtract, *cut(pair, Formula::chain(2, Role::Add))), 1e-5);
}

TEST(LastResort, IsConsistentAndRightToItsGrid) {
  int made = 0;
  for (int family = 0; family < judge::adversarialFamilies; ++family)
    for (std::uint64_t seed = 1; seed < 8; ++seed) {
      const auto operands = judge::adversarial(family, seed);
      std::vector<const Operand*> pointers;
      for (const Operand& o : operands) pointers.push_back(&o);
      Arrangement map;
      map.buildByLastResort(pointers);
      ASSERT_TRUE(map.isConsistent()) << judge::adversarialName(family) << ' ' << seed;
      ++made;
      if (operands.size() != 2) continue;
      const Outline both = Tracer(map).border([&](Cover::Label label) {
        return covers(operands[0].rule, map.cover().winding(label, 0)) &&
               covers(operands[1].rule, map.cover().winding(label, 1));
      });
      EXPECT_LT(differenceOf(operands, Role::Intersect, both), 3e-6) << judge::adversarialName(family) << ' ' << seed;
    }
  EXPECT_EQ(made, 7 * judge::adversarialFamilies);
}

}  // namespace
}  // namespace widecut
