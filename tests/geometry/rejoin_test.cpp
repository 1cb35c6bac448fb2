#include "geometry/rejoin.h"

#include <gtest/gtest.h>

#include <random>

#include "geometry/curve.h"

namespace widecut {
namespace {

Segment cubicOf(const Bezier& c) { return Segment::cubic(c[1], c[2], c[3]); }

TEST(Rejoin, PiecesOfACurveAreThatCurve) {
  std::mt19937 random(5);
  const auto anywhere = [&] { return std::uniform_real_distribution<double>(0, 100)(random); };
  for (int i = 0; i < 200; ++i) {
    const Bezier whole{Point{anywhere(), anywhere()}, Point{anywhere(), anywhere()}, Point{anywhere(), anywhere()},
                       Point{anywhere(), anywhere()}};
    const double t = std::uniform_real_distribution<double>(0.01, 0.99)(random);
    const auto [a, b] = splitAt(whole, t);
    const auto [c, d] = splitAt(b, 0.5);
    const Outline one =
        rejoined({{{whole[0], {cubicOf(a), cubicOf(c), cubicOf(d), Segment::line({200, 200})}, false}}});
    ASSERT_EQ(one.contours[0].segments.size(), 2U) << i;
    EXPECT_LT(distance(one.contours[0].segments[0].handle1, whole[1]), 1e-6);
    EXPECT_LT(distance(one.contours[0].segments[0].handle2, whole[2]), 1e-6);
  }
}

TEST(Rejoin, CornersAndSmoothNodesStay) {
  const Outline square = polygon({{0, 0}, {10, 0}, {10, 10}, {0, 10}});
  EXPECT_EQ(rejoined(square).contours[0].segments.size(), 4U);
  // Begun in the middle of an edge, and with another node on one.
  const Outline more = polygon({{5, 0}, {10, 0}, {10, 4}, {10, 10}, {0, 10}, {0, 0}});
  EXPECT_EQ(rejoined(more).contours[0].segments.size(), 4U);
  EXPECT_NEAR(signedArea(rejoined(more)), 100, 1e-12);
  // Two arcs that go on smoothly are no pieces of one curve.
  const Outline arcs{
      {{{0, 0}, {Segment::cubic({3, 0}, {5, 2}, {5, 5}), Segment::cubic({5, 9}, {8, 12}, {12, 12})}, false}}};
  EXPECT_EQ(rejoined(arcs), arcs);
}

TEST(Rejoin, QuadraticsToo) {
  const Point p{0, 0}, q{10, 20}, r{30, 0};
  const double t = 0.3;
  const Point a = mix(p, q, t), b = mix(q, r, t), at = mix(a, b, t);
  const Outline one = rejoined({{{p, {Segment::quadratic(a, at), Segment::quadratic(b, r)}, false}}});
  ASSERT_EQ(one.contours[0].segments.size(), 1U);
  EXPECT_LT(distance(one.contours[0].segments[0].handle1, q), 1e-9);
}

}  // namespace
}  // namespace widecut
