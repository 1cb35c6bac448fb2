#include "shapes/corners.h"

#include <gtest/gtest.h>

#include <random>

#include "geometry/path_data.h"
#include "shapes/node_edits.h"

namespace widecut {
namespace {

NodePaths withAll(NodePaths paths, Corner corner) {
  for (NodePath& path : paths)
    for (Node& n : path.nodes) n.corner = corner;
  return paths;
}
NodePaths square() { return nodesOf(*parsePathData("M0 0L100 0L100 100L0 100Z")); }

/// The greatest turn between one segment and the next, in radians, but for those of `sharp` and more.
double greatestKink(const Contour& c, double sharp) {
  double most = 0;
  std::vector<Bezier> curves;
  Point at = c.start;
  for (const Segment& s : c.segments) {
    curves.push_back(asCubic(at, s));
    at = s.end;
  }
  for (std::size_t i = 0; i < curves.size(); ++i) {
    const Point a = endDirection(curves[i]), b = startDirection(curves[(i + 1) % curves.size()]);
    const double turn = std::abs(std::atan2(cross(a, b), dot(a, b)));
    if (turn < sharp) most = std::max(most, turn);
  }
  return most;
}

TEST(Corners, OfASquareHaveKnownAreas) {
  const double r = 10, whole = 100 * 100;
  const auto area = [&](CornerKind kind) { return signedArea(treatedOutline(withAll(square(), {kind, r})).outline); };
  EXPECT_NEAR(area(CornerKind::Sharp), whole, 1e-9);
  EXPECT_NEAR(area(CornerKind::Round), whole - (4 - pi) * r * r, 1e-3 * r * r);
  EXPECT_NEAR(area(CornerKind::Scoop), whole - pi * r * r, 1e-3 * r * r);
  EXPECT_NEAR(area(CornerKind::Bevel), whole - 2 * r * r, 1e-9);
  EXPECT_NEAR(area(CornerKind::Notch), whole - 4 * r * r, 1e-9);
  EXPECT_NEAR(area(CornerKind::Step), whole - 3 * r * r, 1e-9);
}

TEST(Corners, OneAloneIsTreatedAndTheRestStay) {
  NodePaths paths = square();
  paths[0].nodes[1].corner = {CornerKind::Round, 25};
  const TreatedOutline treated = treatedOutline(paths);
  ASSERT_EQ(treated.corners.size(), 4u);
  EXPECT_EQ(treated.corners[1].size, 25);
  EXPECT_FALSE(treated.corners[1].isLimited());
  EXPECT_NEAR(treated.corners[1].from.x, 75, 1e-12);
  EXPECT_NEAR(treated.corners[1].to.y, 25, 1e-12);
  EXPECT_EQ(storedNodes(treated.outline), 6u);
  EXPECT_NEAR(treated.corners[1].angle(), pi / 2, 1e-12);
  EXPECT_NEAR(treated.corners[1].inwards().x, -std::sqrt(0.5), 1e-12);
}

TEST(Corners, WhatDoesNotFitIsMadeSmallerAndComesBack) {
  NodePaths paths = withAll(square(), {CornerKind::Round, 80});
  const TreatedOutline tight = treatedOutline(paths);
  for (const CornerPlace& corner : tight.corners) {
    EXPECT_NEAR(corner.size, 50, 1e-9);
    EXPECT_EQ(corner.wanted.size, 80);
    EXPECT_TRUE(corner.isLimited());
  }
  EXPECT_NEAR(signedArea(tight.outline), pi * 2500, 10);
  const std::vector<std::size_t> right{1, 2}, bottom{2, 3};
  paths[0] = withNodesMapped(paths[0], right, Affine::move({100, 0}));
  paths[0] = withNodesMapped(paths[0], bottom, Affine::move({0, 100}));
  for (const CornerPlace& corner : treatedOutline(paths).corners) EXPECT_EQ(corner.size, 80);
  // Two on one side share it in proportion.
  NodePaths two = square();
  two[0].nodes[0].corner = {CornerKind::Bevel, 90};
  two[0].nodes[1].corner = {CornerKind::Bevel, 30};
  const TreatedOutline shared = treatedOutline(two);
  EXPECT_NEAR(shared.corners[0].size, 75, 1e-9);
  EXPECT_NEAR(shared.corners[1].size, 25, 1e-9);
}

class CurvedCorners : public testing::Test {
 protected:
  double between(double low, double high) { return std::uniform_real_distribution<double>(low, high)(random_); }
  /// Three or more corners with bowed sides between them; now and then a smooth node in the middle of a side.
  NodePath any() {
    NodePath path;
    const int corners = 3 + static_cast<int>(between(0, 3));
    for (int i = 0; i < corners; ++i) {
      const double a = 2 * pi * i / corners, b = 2 * pi * (i + 1) / corners;
      const Point at = Point{std::cos(a), std::sin(a)} * 100, next = Point{std::cos(b), std::sin(b)} * 100;
      path.nodes.push_back({at, at, at});
      const Point chord = next - at, aside{chord.y, -chord.x};
      const double bow = between(-0.15, 0.3);
      path.nodes.back().out = at + chord * 0.33 + aside * bow;
      ends_.push_back(at + chord * 0.67 + aside * between(-0.15, 0.3));
    }
    for (std::size_t i = 0; i < path.nodes.size(); ++i) path.nodes[path.next(i)].in = ends_[i];
    ends_.clear();
    if (between(0, 1) < 0.5) path = withNodeAdded(path, 0, between(0.1, 0.5));
    return path;
  }
  std::vector<Point> ends_;
  std::mt19937 random_{17};
};

TEST_F(CurvedCorners, ARoundOneIsAnArcThatTouchesBothSides) {
  int whole = 0, limited = 0;
  for (int i = 0; i < 600; ++i) {
    NodePath path = any();
    const double radius = between(1, 120);
    for (Node& n : path.nodes) n.corner = {CornerKind::Round, radius};
    const TreatedOutline treated = treatedOutline({path});
    ASSERT_TRUE(isFinite(treated.outline));
    // The whole outline is smooth: sides and arcs go on in line. (A node of its own may be a slight corner.)
    ASSERT_LE(greatestKink(treated.outline.contours[0], 4), 1e-9) << i;
    for (const CornerPlace& corner : treated.corners) {
      ASSERT_GT(corner.size, 0);
      ASSERT_LE(corner.size, radius);
      ++(corner.isLimited() ? limited : whole);
      // The arc's centre is as far from the side that it leaves as from that which it reaches.
      const auto onPath = [&](Point p) {
        double away = 1e300;
        for (std::size_t e = 0; e < path.edges(); ++e) away = std::min(away, nearestOn(edgeOf(path, e), p).distance);
        return away;
      };
      EXPECT_LE(onPath(corner.from), 1e-9);
      EXPECT_LE(onPath(corner.to), 1e-9);
    }
  }
  EXPECT_GT(whole, 500);
  EXPECT_GT(limited, 100);
}

TEST_F(CurvedCorners, TheRadiusIsTrue) {
  for (int i = 0; i < 300; ++i) {
    NodePath path = any();
    const double radius = between(1, 20);
    path.nodes[path.nodes.size() - 1].corner = {CornerKind::Round, radius};
    const TreatedOutline treated = treatedOutline({path});
    const auto corner = std::find_if(treated.corners.begin(), treated.corners.end(),
                                     [](const CornerPlace& c) { return !c.wanted.isSharp(); });
    ASSERT_NE(corner, treated.corners.end());
    if (corner->isLimited()) continue;
    // The segments between the two touching places lie on one circle.
    Point at = treated.outline.contours[0].start;
    bool inside = false;
    std::vector<Point> arc;
    for (const Segment& s : treated.outline.contours[0].segments) {
      if (at == corner->from) inside = true;
      if (inside)
        for (double t = 0; t <= 1; t += 0.1) arc.push_back(pointAt(at, s, t));
      if (s.end == corner->to) inside = false;
      at = s.end;
    }
    ASSERT_GE(arc.size(), 11u) << i;
    const Point a = arc.front(), b = arc[arc.size() / 2], c = arc.back();
    // The circle through three places of it.
    const double d = 2 * cross(b - a, c - a);
    const Point p = b - a, q = c - a;
    const Point centre = a + Point{q.y * dot(p, p) - p.y * dot(q, q), p.x * dot(q, q) - q.x * dot(p, p)} / d;
    for (const Point place : arc) EXPECT_NEAR(distance(place, centre), radius, 3e-4 * radius) << i;
  }
}

TEST_F(CurvedCorners, EveryTreatmentOfEverySizeIsSound) {
  for (int i = 0; i < 1'000; ++i) {
    NodePath path = any();
    for (Node& n : path.nodes)
      n.corner = {static_cast<CornerKind>(static_cast<int>(between(0, 5.99))), std::pow(10, between(-3, 4))};
    const TreatedOutline treated = treatedOutline({path});
    ASSERT_TRUE(isFinite(treated.outline)) << i;
    const Box box = bounds(treated.outline);
    EXPECT_GT(box.width(), 0);
    EXPECT_TRUE(Box({-200, -200}, {200, 200}).contains(box)) << i;
    EXPECT_EQ(treated.outline.contours[0].segments.back().end, treated.outline.contours[0].start);
  }
}

TEST(Corners, OfOpenPathsLeaveTheEndsAlone) {
  NodePaths paths = nodesOf(*parsePathData("M0 0L100 0L100 100"));
  paths = withAll(paths, {CornerKind::Round, 20});
  const TreatedOutline treated = treatedOutline(paths);
  ASSERT_EQ(treated.corners.size(), 1u);
  EXPECT_EQ(treated.outline.contours[0].start, (Point{0, 0}));
  EXPECT_EQ(treated.outline.contours[0].segments.back().end, (Point{100, 100}));
  EXPECT_EQ(treated.outline.contours[0].segments.size(), 3u);
}

TEST(Corners, ATeardropHasOne) {
  NodePaths paths = nodesOf(*parsePathData("M0 0C60 -60 60 60 0 0Z"));
  paths = withAll(paths, {CornerKind::Round, 4});
  const TreatedOutline treated = treatedOutline(paths);
  ASSERT_EQ(treated.corners.size(), 1u);
  EXPECT_EQ(treated.corners[0].size, 4);
  EXPECT_LE(greatestKink(treated.outline.contours[0], 4), 1e-9);
}

TEST(Corners, SizesAndDepthsTurnIntoOneAnother) {
  for (const CornerKind kind :
       {CornerKind::Round, CornerKind::Scoop, CornerKind::Bevel, CornerKind::Step, CornerKind::Notch})
    for (const double angle : {0.4, 1.0, pi / 2, 2.5})
      EXPECT_NEAR(depthOf({kind, sizeForDepth(kind, angle, 7)}, angle), 7, 1e-12);
  EXPECT_NEAR(depthOf({CornerKind::Round, 10}, pi / 2), 10 * (std::sqrt(2.0) - 1), 1e-12);
}

}  // namespace
}  // namespace widecut
