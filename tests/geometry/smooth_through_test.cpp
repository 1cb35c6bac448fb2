#include "geometry/smooth_through.h"

#include <gtest/gtest.h>

#include <random>

#include "geometry/curve.h"

namespace widecut {
namespace {

std::vector<Bezier> edgesOf(const Contour& contour) {
  std::vector<Bezier> edges;
  Point at = contour.start;
  for (const Segment& s : contour.segments) {
    edges.push_back(asCubic(at, s));
    at = s.end;
  }
  return edges;
}

TEST(SmoothThrough, PlacesOnACircleGiveThatCircle) {
  for (const int places : {4, 6, 9}) {
    std::vector<Point> on;
    for (int i = 0; i < places; ++i)
      on.push_back(Point{std::cos(2 * pi * i / places), std::sin(2 * pi * i / places)} * 50);
    const Contour ring = smoothThrough(on, true);
    ASSERT_EQ(ring.segments.size(), on.size());
    EXPECT_EQ(ring.segments.back().end, ring.start);
    for (const Bezier& edge : edgesOf(ring))
      for (double t = 0; t <= 1; t += 0.1) EXPECT_NEAR(length(pointOn(edge, t)), 50, 0.02) << places;
  }
}

TEST(SmoothThrough, EveryPlaceIsANodeThatGoesOnInLine) {
  std::mt19937 random(8);
  const auto number = [&] { return std::uniform_real_distribution<double>(-100, 100)(random); };
  for (int i = 0; i < 500; ++i) {
    const bool closed = i % 2 == 0;
    std::vector<Point> places;
    for (int k = 0; k < 3 + i % 7; ++k) places.push_back({number(), number()});
    const Contour through = smoothThrough(places, closed);
    ASSERT_TRUE(isFinite({{through}}));
    const auto edges = edgesOf(through);
    ASSERT_EQ(edges.size(), closed ? places.size() : places.size() - 1);
    for (std::size_t k = 0; k < edges.size(); ++k) {
      EXPECT_EQ(edges[k][0], places[k]);
      if (!closed && k + 1 == edges.size()) break;
      const Bezier& next = edges[(k + 1) % edges.size()];
      EXPECT_NEAR(cross(endDirection(edges[k]), startDirection(next)), 0, 1e-9) << i;
      EXPECT_GT(dot(endDirection(edges[k]), startDirection(next)), 0) << i;
    }
  }
}

TEST(SmoothThrough, WhereItIsSymmetricSoIsTheCurve) {
  const std::vector<Point> arch{{-60, 0}, {-30, -50}, {30, -50}, {60, 0}};
  const auto edges = edgesOf(smoothThrough(arch, false));
  ASSERT_EQ(edges.size(), 3U);
  for (double t = 0; t <= 1; t += 0.25) {
    const Point left = pointOn(edges[0], t), right = pointOn(edges[2], 1 - t);
    EXPECT_NEAR(left.x, -right.x, 1e-9);
    EXPECT_NEAR(left.y, right.y, 1e-9);
  }
}

TEST(SmoothThrough, FewPlacesGiveWhatThereIs) {
  EXPECT_TRUE(smoothThrough({}, true).segments.empty());
  const std::vector<Point> one(3, Point{4, 5});
  EXPECT_TRUE(smoothThrough(one, true).segments.empty());
  const std::vector<Point> two{{0, 0}, {0, 0}, {9, 3}};
  const Contour line = smoothThrough(two, true);
  EXPECT_FALSE(line.closed);
  ASSERT_EQ(line.segments.size(), 1U);
  EXPECT_EQ(line.segments[0], Segment::line({9, 3}));
}

}  // namespace
}  // namespace widecut
