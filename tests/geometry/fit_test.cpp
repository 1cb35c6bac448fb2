#include "geometry/fit.h"

#include <gtest/gtest.h>

#include <random>

#include "geometry/path_data.h"

namespace widecut {
namespace {

double edgeDistanceOf(const Contour& contour, Point p) {
  double best = 1e300;
  Point at = contour.start;
  for (const Segment& s : contour.segments) {
    best = std::min(best, nearestOn(asCubic(at, s), p).distance);
    at = s.end;
  }
  return best;
}

/// How far places along one contour lie from the other.
double strayOf(const Contour& contour, const Contour& from) {
  double most = 0;
  Point at = contour.start;
  for (const Segment& s : contour.segments) {
    for (double t = 0; t <= 1; t += 0.05) most = std::max(most, edgeDistanceOf(from, pointAt(at, s, t)));
    at = s.end;
  }
  return most;
}

class Fitting : public testing::Test {
 protected:
  double between(double low, double high) { return std::uniform_real_distribution<double>(low, high)(random_); }
  std::mt19937 random_{5};

  /// A smooth chain of cubics that bends this way and that.
  std::vector<Bezier> chain(int pieces) {
    std::vector<Bezier> out;
    Point at{between(0, 10), between(0, 10)};
    double angle = between(0, 6);
    double side = 1;
    for (int i = 0; i < pieces; ++i) {
      const double turn = side * between(0.7, 1.6), size = between(40, 90);
      const Point way{std::cos(angle), std::sin(angle)}, chord{std::cos(angle + turn / 2), std::sin(angle + turn / 2)};
      const Point end = at + chord * size, wayOn{std::cos(angle + turn), std::sin(angle + turn)};
      out.push_back({at, at + way * (size * between(0.25, 0.45)), end - wayOn * (size * between(0.25, 0.45)), end});
      at = end;
      angle += turn;
      side = -side;
    }
    return out;
  }
};

TEST_F(Fitting, FindsTheNodesOfKnownCurvesGiveOrTakeOne) {
  for (int i = 0; i < 1'000; ++i) {
    const int pieces = 1 + i % 6;
    std::vector<Sample> samples;
    const std::vector<Bezier> known = chain(pieces);
    constexpr int steps = 40;
    samples.push_back({known.front()[0], startDirection(known.front())});
    for (const Bezier& c : known)
      for (int k = 1; k <= steps; ++k)
        samples.push_back({pointOn(c, double(k) / steps), direction(c, double(k) / steps)});
    constexpr double tolerance = 0.02;
    const std::vector<Bezier> found = fittedCurves(samples, tolerance);
    ASSERT_NEAR(double(found.size()), pieces, 1) << i;
    EXPECT_EQ(found.front()[0], samples.front().at);
    EXPECT_EQ(found.back()[3], samples.back().at);
    for (const Sample& sample : samples) {
      double away = 1e300;
      for (const Bezier& c : found) away = std::min(away, nearestOn(c, sample.at).distance);
      ASSERT_LE(away, tolerance) << i;
    }
    for (std::size_t k = 0; k + 1 < found.size(); ++k)
      EXPECT_NEAR(cross(endDirection(found[k]), startDirection(found[k + 1])), 0, 1e-9);
  }
}

TEST_F(Fitting, OneCubicIsFoundAgainExactly) {
  for (int i = 0; i < 200; ++i) {
    const Bezier known = chain(1).front();
    std::vector<Sample> samples;
    for (int k = 0; k <= 30; ++k) samples.push_back({pointOn(known, k / 30.0), direction(known, k / 30.0)});
    const CubicFit fit = fittedCubic(samples);
    EXPECT_LE(fit.error, 1e-9) << i;
  }
}

TEST_F(Fitting, ACircleOfManyNodesBecomesOneOfFew) {
  Contour ring{{100, 0}, {}, true};
  constexpr int nodes = 60;
  const double reach = 100 * 4.0 / 3 * std::tan(pi / 2 / nodes);
  for (int i = 1; i <= nodes; ++i) {
    const double a = 2 * pi * (i - 1) / nodes, b = 2 * pi * i / nodes;
    const Point from{100 * std::cos(a), 100 * std::sin(a)}, to{100 * std::cos(b), 100 * std::sin(b)};
    ring.segments.push_back(Segment::cubic(from + Point{-std::sin(a), std::cos(a)} * reach,
                                           to - Point{-std::sin(b), std::cos(b)} * reach,
                                           i == nodes ? ring.start : to));
  }
  const Simplified few = simplified(ring, 0.05);
  EXPECT_TRUE(few.contour.closed);
  EXPECT_EQ(few.contour.segments.back().end, few.contour.start);
  EXPECT_LE(few.contour.segments.size(), 6u);
  EXPECT_LE(few.error, 0.05);
  EXPECT_LE(strayOf(few.contour, ring), 0.06);
  EXPECT_LE(strayOf(ring, few.contour), 0.06);
}

TEST_F(Fitting, CornersAndStraightEdgesStay) {
  const Contour house = parsePathData("M0 0L50 -40L100 0L100 40L100 80C80 100 20 100 0 80Z")->contours.front();
  const Simplified same = simplified(house, 0.5);
  EXPECT_EQ(same.contour.segments.size(), 5u);  // the node in line goes
  EXPECT_LE(strayOf(house, same.contour), 1e-6);
  EXPECT_LE(same.error, 1e-6);
}

TEST_F(Fitting, AWobblingHandDrawsASmoothCurve) {
  for (int i = 0; i < 40; ++i) {
    const std::vector<Bezier> meant = chain(3);
    std::vector<Point> stroke;
    for (const Bezier& c : meant)
      for (int k = 0; k < 25; ++k)
        stroke.push_back(pointOn(c, k / 25.0) + Point{between(-0.4, 0.4), between(-0.4, 0.4)});
    constexpr double tolerance = 1.5;
    const auto drawn = fittedStroke(stroke, false, tolerance);
    ASSERT_TRUE(drawn);
    EXPECT_FALSE(drawn->closed);
    EXPECT_EQ(drawn->start, stroke.front());
    EXPECT_EQ(drawn->segments.back().end, stroke.back());
    EXPECT_LE(drawn->segments.size(), 6u) << i;
    for (const Point p : stroke) EXPECT_LE(edgeDistanceOf(*drawn, p), tolerance);
    for (std::size_t k = 0; k + 1 < drawn->segments.size(); ++k) {
      const Point node = drawn->segments[k].end;
      EXPECT_NEAR(cross(unit(node - drawn->segments[k].handle2), unit(drawn->segments[k + 1].handle1 - node)), 0, 1e-9);
    }
  }
}

TEST_F(Fitting, ASharpTurnOfAStrokeStaysOne) {
  std::vector<Point> stroke;
  for (int i = 0; i <= 40; ++i) stroke.push_back({i * 2.0, 20 * std::sin(i / 13.0)});
  const Point tip = stroke.back();
  for (int i = 1; i <= 40; ++i) stroke.push_back(tip + Point{i * -1.2, i * 1.9});
  const auto drawn = fittedStroke(stroke, false, 1);
  ASSERT_TRUE(drawn);
  EXPECT_LE(edgeDistanceOf(*drawn, tip), 1e-9);
  EXPECT_LE(drawn->segments.size(), 4u);
}

TEST_F(Fitting, WhatIsNoStrokeIsNone) {
  EXPECT_FALSE(fittedStroke({}, false, 1));
  const std::vector<Point> dot(5, Point{3, 3});
  EXPECT_FALSE(fittedStroke(dot, true, 1));
}

}  // namespace
}  // namespace widecut
