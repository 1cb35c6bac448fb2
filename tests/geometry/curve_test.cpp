#include "geometry/curve.h"

#include <gtest/gtest.h>

#include <random>

#include "geometry/affine.h"

namespace widecut {
namespace {

class Curves : public testing::Test {
 protected:
  double between(double low, double high) { return std::uniform_real_distribution<double>(low, high)(random_); }
  Point somewhere() { return {between(-100, 100), between(-100, 100)}; }
  Bezier any() { return {somewhere(), somewhere(), somewhere(), somewhere()}; }
  /// Now and then with a handle on its node, all on a line, or a loop.
  Bezier oddOne(int i) {
    Bezier c = any();
    if (i % 7 == 1) c[1] = c[0];
    if (i % 7 == 2) c[2] = c[3];
    if (i % 7 == 3) c = {c[0], mix(c[0], c[3], 1.7), mix(c[0], c[3], -0.4), c[3]};
    if (i % 7 == 4) c[3] = c[0];
    if (i % 7 == 5) c = {c[0], c[0], c[3], c[3]};
    return c;
  }
  std::mt19937 random_{11};
};

TEST_F(Curves, TheNearestPlaceIsAsNearAsAnySample) {
  for (int i = 0; i < 10'000; ++i) {
    const Bezier c = oddOne(i);
    const Point p = i % 3 == 0 ? pointOn(c, between(0, 1)) : somewhere() * 1.5;
    const Nearest found = nearestOn(c, p);
    ASSERT_GE(found.t, 0);
    ASSERT_LE(found.t, 1);
    ASSERT_NEAR(distance(pointOn(c, found.t), p), found.distance, 1e-12);
    double sampled = 1e300;
    constexpr int samples = 400;
    for (int k = 0; k <= samples; ++k) sampled = std::min(sampled, distance(pointOn(c, double(k) / samples), p));
    ASSERT_LE(found.distance, sampled + 1e-10) << i;
    if (i % 3 == 0) {
      ASSERT_LE(found.distance, 1e-9) << i;
    }
  }
}

TEST_F(Curves, PiecesLieOnTheCurve) {
  for (int i = 0; i < 2'000; ++i) {
    const Bezier c = oddOne(i);
    const double t = between(0, 1), u = between(0, 1), share = between(0, 1);
    const auto [before, after] = splitAt(c, t);
    EXPECT_EQ(before[3], after[0]);
    EXPECT_LE(distance(pointOn(before, share), pointOn(c, t * share)), 1e-12 * 400);
    EXPECT_LE(distance(pointOn(after, share), pointOn(c, t + (1 - t) * share)), 1e-12 * 400);
    EXPECT_LE(distance(pointOn(pieceOf(c, t, u), share), pointOn(c, mix({t, 0}, {u, 0}, share).x)), 1e-12 * 400);
  }
}

TEST_F(Curves, LengthsAddUpAndTurnBackIntoParameters) {
  for (int i = 0; i < 500; ++i) {
    const Bezier c = oddOne(i);
    const double t = between(0, 1), whole = arcLength(c);
    EXPECT_NEAR(arcLength(c, 0, t) + arcLength(c, t, 1), whole, 1e-12 * whole) << i << " " << t;
    double chords = 0;
    for (int k = 0; k < 4'000; ++k) chords += distance(pointOn(c, k / 4'000.0), pointOn(c, (k + 1) / 4'000.0));
    EXPECT_NEAR(whole, chords, 1e-5 * whole);
    const double along = between(0, 1) * whole;
    EXPECT_NEAR(arcLength(c, 0, parameterAtLength(c, along)), along, 1e-9 * whole);
  }
}

TEST_F(Curves, KnownLengthsAndBends) {
  // A parabola, y = x² from 0 to 1, as a cubic: its length has a formula.
  const Bezier parabola{Point{0, 0}, {1 / 3.0, 0}, {2 / 3.0, 1 / 3.0}, {1, 1}};
  EXPECT_NEAR(arcLength(parabola), std::sqrt(5.0) / 2 + std::asinh(2.0) / 4, 1e-13);
  EXPECT_NEAR(curvature(parabola, 0), 2, 1e-13);
  EXPECT_NEAR(curvature(parabola, 1), 2 / std::pow(5.0, 1.5), 1e-13);
  EXPECT_NEAR(curvature(parabola, 0.5), 2 / std::pow(2.0, 1.5), 1e-13);
  EXPECT_NEAR(curvature(reversed(parabola), 0.5), -2 / std::pow(2.0, 1.5), 1e-13);
  const Bezier line{Point{0, 0}, {1, 0}, {2, 0}, {3, 0}};
  EXPECT_NEAR(arcLength(line), 3, 1e-15 * 8);
  EXPECT_EQ(curvature(line, 0.3), 0);
  EXPECT_EQ(direction(line, 0.3), (Point{1, 0}));
  const Bezier point{Point{4, 5}, {4, 5}, {4, 5}, {4, 5}};
  EXPECT_EQ(arcLength(point), 0);
  EXPECT_EQ(direction(point, 0.5), Point{});
  EXPECT_EQ(nearestOn(point, {4, 7}).distance, 2);
}

TEST_F(Curves, DirectionsAreThoseOfTheCurveCloseBy) {
  for (int i = 0; i < 1'000; ++i) {
    const Bezier c = oddOne(i);
    const Point start = unit(pointOn(c, 1e-5) - c[0]), end = unit(c[3] - pointOn(c, 1 - 1e-5));
    EXPECT_NEAR(cross(start, startDirection(c)), 0, 0.02) << i;
    EXPECT_GT(dot(start, startDirection(c)), 0) << i;
    EXPECT_NEAR(cross(end, endDirection(c)), 0, 0.02) << i;
    EXPECT_GT(dot(end, endDirection(c)), 0) << i;
  }
}

TEST_F(Curves, AnOffsetPieceOfAQuarterCircleIsAQuarterCircle) {
  const double k = 4.0 / 3 * std::tan(pi / 8);
  const Bezier quarter{Point{10, 0}, {10, 10 * k}, {10 * k, 10}, {0, 10}};  // clockwise about the origin
  for (const double by : {-15.0, -4.0, 3.0, 9.0}) {
    const Bezier beside = offsetPiece(quarter, 0, 1, by);
    for (double t = 0; t <= 1; t += 0.05) EXPECT_NEAR(length(pointOn(beside, t)), 10 - by, 3e-4 * (10 - by));
    EXPECT_NEAR(distance(offsetAt(quarter, 0.5, by).at, pointOn(beside, 0.5)), 0, 1e-9);
  }
}

}  // namespace
}  // namespace widecut
