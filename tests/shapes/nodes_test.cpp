#include <gtest/gtest.h>

#include <random>

#include "geometry/path_data.h"
#include "shapes/node_edits.h"
#include "shapes/symmetry.h"

namespace widecut {
namespace {

class Nodes : public testing::Test {
 protected:
  double between(double low, double high) { return std::uniform_real_distribution<double>(low, high)(random_); }
  std::size_t below(std::size_t n) { return std::uniform_int_distribution<std::size_t>(0, n - 1)(random_); }
  Point near(Point p, double by) { return p + Point{between(-by, by), between(-by, by)}; }
  /// Corners, smooth nodes and straight edges in turn, round about the origin.
  NodePath any(bool closed = true) {
    NodePath path{{}, closed};
    const std::size_t n = 3 + below(7);
    for (std::size_t i = 0; i < n; ++i) {
      const double angle = 2 * pi * static_cast<double>(i) / static_cast<double>(n);
      const Point at = near(Point{std::cos(angle), std::sin(angle)} * 100, 20), way = near({}, 25);
      Node node{at, at, at};
      const std::size_t sort = below(4);
      if (sort == 1) node.in = at - way, node.out = at + way * between(0.5, 2);
      if (sort == 2) node.in = at - way, node.out = at + way;
      if (sort == 3) node.in = near(at, 30);
      path.nodes.push_back(node);
    }
    if (!closed) {
      path.nodes.front().in = path.nodes.front().at;
      path.nodes.back().out = path.nodes.back().at;
    }
    return path;
  }
  std::mt19937 random_{3};
};

double strayOf(const NodePath& a, const NodePath& b) {
  double most = 0;
  for (std::size_t e = 0; e < a.edges(); ++e)
    for (double t = 0; t <= 1; t += 0.125) {
      double away = 1e300;
      for (std::size_t k = 0; k < b.edges(); ++k)
        away = std::min(away, nearestOn(edgeOf(b, k), pointOn(edgeOf(a, e), t)).distance);
      most = std::max(most, away);
    }
  return most;
}

TEST_F(Nodes, ContoursGoThereAndBack) {
  for (const char* data : {"M0 0L10 0L10 10L0 10Z", "M0 0L10 0L10 10", "M0 0C5 5 10 5 15 0C20 -5 5 -20 0 0Z",
                           "M0 0C5 5 10 5 15 0L20 -5", "M3 4L3 4Z", "M1 1C2 2 4 2 5 1L1 1Z"}) {
    const Outline outline = *parsePathData(data);
    const NodePaths paths = nodesOf(outline);
    EXPECT_EQ(nodesOf(outlineOf(paths)), paths) << data;
    EXPECT_EQ(bounds(outlineOf(paths)).low, bounds(outline).low) << data;
    EXPECT_NEAR(signedArea(outlineOf(paths)), signedArea(outline), 1e-12) << data;
  }
  EXPECT_EQ(nodesOf(*parsePathData("M0 0Q5 5 10 0Z")).front().nodes.size(), 2u);
}

TEST_F(Nodes, AddingANodeMovesNothing) {
  for (int i = 0; i < 2'000; ++i) {
    const NodePath path = any(i % 2 == 0);
    const std::size_t edge = below(path.edges());
    const NodePath more = withNodeAdded(path, edge, between(0.01, 0.99));
    ASSERT_EQ(more.nodes.size(), path.nodes.size() + 1);
    for (std::size_t k = 0; k < 2; ++k)
      for (double t = 0; t <= 1; t += 0.1)
        ASSERT_LE(nearestOn(edgeOf(path, edge), pointOn(edgeOf(more, edge + k), t)).distance, 1e-12 * 300);
    if (isStraight(path, edge)) {
      EXPECT_TRUE(isStraight(more, edge) && isStraight(more, edge + 1));
    } else {
      EXPECT_NE(kindOf(more, edge + 1), NodeKind::Corner);
    }
  }
}

TEST_F(Nodes, ANodeThatWasAddedLeavesNoTrace) {
  for (int i = 0; i < 2'000; ++i) {
    const NodePath path = any(i % 2 == 0);
    const std::size_t edge = below(path.edges());
    const NodePath back = withoutNode(withNodeAdded(path, edge, between(0.02, 0.98)), edge + 1);
    ASSERT_EQ(back.nodes.size(), path.nodes.size());
    for (std::size_t k = 0; k < path.nodes.size(); ++k) {
      ASSERT_EQ(back.nodes[k].at, path.nodes[k].at);
      ASSERT_LE(distance(back.nodes[k].in, path.nodes[k].in), 1e-9) << i;
      ASSERT_LE(distance(back.nodes[k].out, path.nodes[k].out), 1e-9) << i;
    }
  }
}

TEST_F(Nodes, TheNeighboursTakeOverWhatAMovedNodeDid) {
  // Half of a circle about a node that is a little off: one curve stays close to both.
  const double k = 4.0 / 3 * std::tan(pi / 8) * 100;
  const NodePath path{
      {{{-100, 0}, {-100, 0}, {-100, -k}}, {{2, -103}, {2 - k, -103}, {2 + k, -103}}, {{100, 0}, {100, -k}, {100, 0}}},
      true};
  const NodePath without = withoutNode(path, 1);
  ASSERT_EQ(without.nodes.size(), 2u);
  EXPECT_LE(strayOf(without, path), 3);
  EXPECT_TRUE(isStraight(without, 1));
  EXPECT_NEAR(cross(without.nodes[0].out - without.nodes[0].at, Point{0, -1}), 0, 1e-9);
}

TEST_F(Nodes, AnEdgeFollowsThePointerWhereItWasTaken) {
  for (int i = 0; i < 2'000; ++i) {
    const NodePath path = any(i % 2 == 0);
    const std::size_t edge = below(path.edges());
    const double t = between(0.05, 0.95);
    const Point to = near(pointOn(edgeOf(path, edge), t), 40);
    const NodePath bent = withBend(path, edge, t, to);
    ASSERT_LE(distance(pointOn(edgeOf(bent, edge), t), to), 1e-9);
    EXPECT_EQ(bent.nodes[edge].at, path.nodes[edge].at);
    for (const std::size_t end : {edge, path.next(edge)})
      if (kindOf(path, end) != NodeKind::Corner && distance(bent.nodes[end].out, bent.nodes[end].at) > 1 &&
          distance(bent.nodes[end].in, bent.nodes[end].at) > 1) {
        EXPECT_NE(kindOf(bent, end), NodeKind::Corner) << i;
      }
  }
}

TEST_F(Nodes, HandlesKeepTheKindOfTheirNode) {
  for (int i = 0; i < 2'000; ++i) {
    const NodePath path = any();
    const std::size_t node = below(path.nodes.size());
    const Side side = i % 2 == 0 ? Side::In : Side::Out;
    const Point to = near(path.nodes[node].at, 60);
    const NodePath moved = withHandle(path, node, side, to, false);
    const NodeKind kind = kindOf(path, node);
    EXPECT_TRUE(kind == NodeKind::Corner || kindOf(moved, node) == kind) << i;
    const NodePath alone = withHandle(path, node, side, to, true);
    EXPECT_EQ(side == Side::In ? alone.nodes[node].out : alone.nodes[node].in,
              side == Side::In ? path.nodes[node].out : path.nodes[node].in);
    for (const NodeKind wanted : {NodeKind::Smooth, NodeKind::Even, NodeKind::Corner}) {
      const NodeKind got = kindOf(withKind(path, node, wanted), node);
      EXPECT_TRUE(got == wanted || (wanted == NodeKind::Smooth && got == NodeKind::Even));
    }
  }
}

TEST_F(Nodes, SmoothNodesBesideStraightEdgesStaySmooth) {
  const NodePath path = nodesOf(*parsePathData("M0 0L100 0C150 0 150 100 100 100L0 100Z")).front();
  ASSERT_EQ(kindOf(path, 1), NodeKind::Smooth);
  const std::vector<std::size_t> corner{0};
  const NodePath moved = withNodesMapped(path, corner, Affine::move({0, 30}));
  EXPECT_EQ(kindOf(moved, 1), NodeKind::Smooth);
  EXPECT_EQ(moved.nodes[1].at, (Point{100, 0}));
  EXPECT_NEAR(distance(moved.nodes[1].out, moved.nodes[1].at), 50, 1e-9);
}

TEST_F(Nodes, PathsArePartedAndJoined) {
  for (int i = 0; i < 500; ++i) {
    const NodePath path = any(i % 2 == 0);
    const std::size_t node = below(path.nodes.size());
    EXPECT_EQ(reversed(reversed(path)), path);
    EXPECT_NEAR(signedArea(outlineOf({reversed(path)})), -signedArea(outlineOf({path})), 1e-6);
    const NodePaths parts = partedAt(path, node);
    if (path.closed) {
      ASSERT_EQ(parts.size(), 1u);
      EXPECT_EQ(closed(parts[0]), withStart(path, node));
    } else if (parts.size() == 2) {
      EXPECT_EQ(joined(parts[0], parts[1]), path);
    }
  }
}

class Mirrored : public Nodes {
 protected:
  MirrorAxis anyAxis() {
    const double angle = below(3) == 0 ? 0 : between(0, pi);
    const Point along{std::sin(angle), std::cos(angle)};
    return {below(2) == 0 ? Point{} : near({}, 20), along, {along.y, -along.x}};
  }
  /// Every node of the side that was kept has the very mirror image of it.
  void expectTwins(const NodePaths& paths, const MirrorAxis& axis, HalfSide keep) {
    for (const NodePath& path : paths)
      for (const Node& n : path.nodes) {
        if (axis.sideOf(n.at) * keep < 1e-7) continue;
        const Node twin = axis.mirrored(n);
        bool found = false;
        for (const NodePath& other : paths)
          for (const Node& o : other.nodes) found = found || (o.at == twin.at && o.in == twin.in && o.out == twin.out);
        EXPECT_TRUE(found) << n.at.x << " " << n.at.y;
      }
  }
};

TEST_F(Mirrored, HalvesAreMirrorImagesBitForBit) {
  for (int i = 0; i < 2'000; ++i) {
    const MirrorAxis axis = anyAxis();
    const HalfSide keep = i % 2 == 0 ? 1 : -1;
    const NodePath path = any(i % 3 != 0);
    const NodePaths made = madeSymmetric({path}, axis, keep, Halving::Cut, 1e-9);
    expectTwins(made, axis, keep);
    EXPECT_TRUE(isSymmetric(made, axis, 1e-6));
    // What stood on the side that is kept still stands.
    for (std::size_t e = 0; e < path.edges(); ++e)
      for (double t = 0.05; t < 1; t += 0.1) {
        const Point p = pointOn(edgeOf(path, e), t);
        if (axis.sideOf(p) * keep < 0.01) continue;
        double away = 1e300;
        for (const NodePath& other : made)
          for (std::size_t k = 0; k < other.edges(); ++k)
            away = std::min(away, nearestOn(edgeOf(other, k), p).distance);
        ASSERT_LE(away, 1e-8) << i;
      }
    // A second time nothing changes but the last bits of the other half.
    const NodePaths again = madeSymmetric(made, axis, keep, Halving::AsItIs, 1e-9);
    ASSERT_EQ(again.size(), made.size()) << i;
    for (std::size_t p = 0; p < made.size(); ++p) ASSERT_EQ(again[p].nodes.size(), made[p].nodes.size()) << i;
    expectTwins(again, axis, keep);
  }
}

TEST_F(Mirrored, AnEditOfOneHalfIsOneOfBoth) {
  for (int i = 0; i < 2'000; ++i) {
    const MirrorAxis axis{};
    NodePaths paths = madeSymmetric({any()}, axis, 1, Halving::Cut, 1e-9);
    if (paths.empty() || paths[0].nodes.size() < 3) continue;
    const std::size_t node = below(paths[0].nodes.size());
    const double side = axis.sideOf(paths[0].nodes[node].at);
    const HalfSide keep = side < 0 ? -1 : 1;
    const std::vector<std::size_t> moved{node};
    const Point to{keep * between(5, 120), between(-100, 100)}, by = to - paths[0].nodes[node].at;
    if (std::abs(side) < 1e-9) continue;
    paths[0] = withNodesMapped(paths[0], moved, Affine::move(by));
    const NodePaths made = madeSymmetric(paths, axis, keep, Halving::AsItIs, 1e-9);
    ASSERT_EQ(made.size(), paths.size());
    ASSERT_EQ(made[0].nodes.size(), paths[0].nodes.size());
    // Numbers of nodes stay.
    ASSERT_EQ(made[0].nodes[node].at, paths[0].nodes[node].at);
    const auto twin = twinOf(made, axis, {0, node}, 1e-9);
    ASSERT_TRUE(twin);
    EXPECT_EQ(made[twin->path].nodes[twin->node].at, (Point{-made[0].nodes[node].at.x, made[0].nodes[node].at.y}));
  }
}

TEST_F(Mirrored, PathsOnOneSideGetTwins) {
  const NodePaths paths = nodesOf(*parsePathData("M10 0L20 0L20 10Z M-30 0L-20 0L-20 10Z M-2 -2L2 -2L2 2L-2 2Z"));
  const NodePaths made = madeSymmetric(paths, {}, 1, Halving::Cut, 1e-9);
  ASSERT_EQ(made.size(), 3u);
  EXPECT_EQ(bounds(outlineOf({made[1]})).low, (Point{-20, 0}));
  EXPECT_EQ(bounds(outlineOf({made[1]})).high, (Point{-10, 10}));
  EXPECT_EQ(made[0], paths[0]);
  EXPECT_NEAR(signedArea(outlineOf({made[2]})), 16, 1e-12);
}

TEST_F(Mirrored, ALeafWithItsTipsOnTheAxisIsWhole) {
  const NodePaths leaf = nodesOf(*parsePathData("M0 -50C40 -20 40 20 0 50C-10 20 -10 -20 0 -50Z"));
  const NodePaths made = madeSymmetric(leaf, {}, 1, Halving::Cut, 1e-9);
  ASSERT_EQ(made.size(), 1u);
  EXPECT_EQ(made[0].nodes.size(), 2u);
  EXPECT_EQ(bounds(outlineOf(made)).low.x, -bounds(outlineOf(made)).high.x);
}

}  // namespace
}  // namespace widecut
