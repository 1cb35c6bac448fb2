#include "shapes/node_actions.h"

#include <gtest/gtest.h>

#include "geometry/path_data.h"
#include "shapes/curve_chain.h"

namespace widecut {
namespace {

NodePaths paths(const char* data) { return nodesOf(*parsePathData(data)); }

TEST(NodeActions, SmoothingLeavesNoCornerButOpenEnds) {
  const NodePaths closed = smoothed(paths("M0 0L100 0L100 100L0 100Z"));
  for (std::size_t i = 0; i < 4; ++i) EXPECT_NE(kindOf(closed[0], i), NodeKind::Corner);
  const NodePaths open = smoothed(paths("M0 0L50 40L100 0L150 40"));
  EXPECT_FALSE(open[0].nodes.front().hasOut());
  EXPECT_NE(kindOf(open[0], 1), NodeKind::Corner);
  // Only what the stretch names.
  const NodePaths one = smoothed(paths("M0 0L100 0L100 100L0 100Z"), {{0, 2}});
  EXPECT_EQ(kindOf(one[0], 1), NodeKind::Corner);
  EXPECT_NE(kindOf(one[0], 2), NodeKind::Corner);
}

TEST(NodeActions, KinksOfCurvesGoAndSharpCornersStay) {
  // A slip of 20° on an arc, a right corner, and a corner of straight edges.
  const NodePaths before = paths("M0 0C0 -40 40 -60 60 -60C85 -50 100 -30 100 0L100 60L80 100L0 100Z");
  const NodePaths after = withoutKinks(before);
  ASSERT_EQ(kindOf(before[0], 1), NodeKind::Corner);
  EXPECT_NE(kindOf(after[0], 1), NodeKind::Corner);
  EXPECT_EQ(after[0].nodes[1].at, before[0].nodes[1].at);
  for (const std::size_t stays : {3U, 4U, 5U}) EXPECT_EQ(after[0].nodes[stays], before[0].nodes[stays]);
}

TEST(NodeActions, EvenHandlesAreAThirdOfTheirEdge) {
  const NodePaths before = paths("M0 0C2 -60 90 -90 100 0C110 70 20 30 0 0Z");
  const NodePaths after = withEvenHandles(before);
  for (std::size_t edge = 0; edge < 2; ++edge) {
    const Node &from = after[0].nodes[edge], &was = before[0].nodes[edge];
    EXPECT_NEAR(cross(unit(from.out - from.at), unit(was.out - was.at)), 0, 1e-12);
    EXPECT_GT(distance(from.out, from.at), 20);
  }
}

TEST(NodeActions, StraighteningTakesTheHandlesOfAllOrOfAStretch) {
  const char* wavy = "M0 0C10 -20 40 -20 50 0C60 20 90 20 100 0C90 60 40 90 0 0Z";
  const NodePaths all = straightened(paths(wavy)), some = straightened(paths(wavy), {{0, 0}, {0, 1}});
  for (std::size_t edge = 0; edge < 3; ++edge) {
    EXPECT_TRUE(isStraight(all[0], edge));
    EXPECT_EQ(isStraight(some[0], edge), edge == 0);
  }
}

TEST(NodeActions, RefittingHalvesTheNodesAsCloseAsItCan) {
  NodePath ring;
  for (int i = 0; i < 24; ++i) {
    const double a = 2 * pi * i / 24, reach = 60 * 4.0 / 3 * std::tan(pi / 48);
    const Point at = Point{std::cos(a), std::sin(a)} * 60, way = Point{-std::sin(a), std::cos(a)} * reach;
    ring.nodes.push_back({at, at - way, at + way});
  }
  double error = -1;
  const NodePaths few = refitted({ring}, error);
  EXPECT_LE(countOfNodes(few), 12U);
  EXPECT_GE(error, 0);
  EXPECT_LT(error, 0.2);
  EXPECT_NEAR(std::abs(signedArea(outlineOf(few))), pi * 3600, 20);
  // Corners that stay keep what is done to them.
  NodePaths box = paths("M0 0L50 0L100 0L100 100L0 100Z");
  box[0].nodes[2].corner = {CornerKind::Round, 9};
  const NodePaths simple = simplified(box, 1, error);
  ASSERT_EQ(simple[0].nodes.size(), 4U) << "the one in line goes";
  EXPECT_EQ(simple[0].nodes[1].corner, (Corner{CornerKind::Round, 9}));
  // What needs all its nodes stays as it is.
  const NodePaths triangle = paths("M0 0L100 0L50 80Z");
  EXPECT_EQ(refitted(triangle, error), triangle);
}

TEST(CurveChains, PlacesAndLengthsTurnIntoOneAnother) {
  const NodePath path = paths("M0 0C30 -40 60 -40 90 0L150 80C160 90 180 90 190 60")[0];
  std::vector<Bezier> curves;
  for (std::size_t i = 0; i < path.edges(); ++i) curves.push_back(edgeOf(path, i));
  const CurveChain chain(curves), back = chain.reversed();
  EXPECT_EQ(chain.end(), 3);
  EXPECT_NEAR(chain.length(), back.length(), 1e-9);
  for (double along = 0; along < chain.length(); along += chain.length() / 37) {
    EXPECT_NEAR(chain.lengthTo(chain.placeAt(along)), along, 1e-9);
    EXPECT_LE(distance(chain.at(chain.placeAt(along)), back.at(back.placeAt(chain.length() - along))), 1e-6);
  }
  const double near = chain.firstAtDistance(70);
  EXPECT_NEAR(distance(chain.at(0), chain.at(near)), 70, 1e-9);
  EXPECT_EQ(chain.firstAtDistance(1e6), chain.end());
}

}  // namespace
}  // namespace widecut
