#include "geometry/path_data.h"

#include <gtest/gtest.h>

#include <limits>
#include <random>

namespace widecut {
namespace {

TEST(PathData, ReadsEveryCommandAbsoluteAndRelative) {
  const auto a = parsePathData("M10 10L20 10H30V20C30 30 20 30 20 20S10 10 5 15Q0 20 5 25T10 30Z");
  const auto r = parsePathData("m10 10 10 0h10v10c0 10-10 10-10 0s-10-10-15-5q-5 5 0 10t5 5z");
  ASSERT_TRUE(a) << a.error().message;
  ASSERT_TRUE(r) << r.error().message;
  EXPECT_EQ(*a, *r);
  EXPECT_EQ(counts(*a).curves, 4);
}

TEST(PathData, AnArcBecomesCubicsOnTheCircle) {
  const auto circle = parsePathData("M-10 0A10 10 0 0 1 10 0A10 10 0 0 1-10 0Z");
  ASSERT_TRUE(circle);
  EXPECT_NEAR(std::abs(signedArea(*circle)), pi * 100, 0.1);
  const Box box = bounds(*circle);
  EXPECT_NEAR(box.low.x, -10, 1e-2);
  EXPECT_NEAR(box.high.y, 10, 1e-2);
}

TEST(PathData, AnArcTooSmallForItsEndsGrows) {
  const auto arc = parsePathData("M0 0A1 1 0 0 1 10 0");
  ASSERT_TRUE(arc);
  EXPECT_NEAR(bounds(*arc).low.y, -5, 1e-2);
}

TEST(PathData, WritesNumbersThatReadBackToTheSameBits) {
  std::mt19937_64 random(4);
  std::uniform_real_distribution<double> value(-1e6, 1e6);
  for (int i = 0; i < 200; ++i) {
    Contour c{{value(random), value(random)}, {}, i % 2 == 0};
    c.segments = {Segment::line({value(random), 1e-7 * value(random)}),
                  Segment::quadratic({value(random), 0.1}, {1.0 / 3, value(random)}),
                  Segment::cubic({value(random), 2}, {3, value(random)}, {value(random), value(random)})};
    const Outline outline{{c}};
    const auto back = parsePathData(pathData(outline));
    ASSERT_TRUE(back);
    EXPECT_EQ(*back, outline);
  }
}

struct Malformed {
  const char* text;
  const char* says;
};

class MalformedPathData : public testing::TestWithParam<Malformed> {};

TEST_P(MalformedPathData, IsRefusedWithItsPlace) {
  const auto read = parsePathData(GetParam().text);
  ASSERT_FALSE(read);
  EXPECT_NE(read.error().message.find(GetParam().says), std::string::npos) << read.error().message;
  EXPECT_NE(read.error().message.find("character"), std::string::npos);
}

INSTANTIATE_TEST_SUITE_P(
    Each, MalformedPathData,
    testing::Values(Malformed{"M0 0L10", "a number is missing"}, Malformed{"M0 0LNaN 5", "a number is missing"},
                    Malformed{"M0 0Linf 5", "a number is missing"}, Malformed{"M0 0L1e308 5", "beyond 1e12"},
                    Malformed{"M0 0L1e999 5", "beyond 1e12"}, Malformed{"L0 0", "must begin with M"},
                    Malformed{"M0 0W5 5", "expected a command"}, Malformed{"M0 0A5 5 0 2 0 1 1", "arc flag"},
                    Malformed{"M9e11 0l9e11 0", "leaves"}));

TEST(PathData, NothingIsAnEmptyOutline) {
  const auto read = parsePathData("  ");
  ASSERT_TRUE(read);
  EXPECT_TRUE(read->isEmpty());
}

TEST(PathData, MirroredHandlesThatLeaveTheRangeAreRefused) {
  // Each T mirrors the handle before it, and they swing ever further.
  std::string text = "M0 0Q0 9e11 1 1";
  for (int i = 0; i < 4; ++i) text += i % 2 == 0 ? "T0 -9e11" : "T0 9e11";
  const auto outline = parsePathData(text);
  ASSERT_FALSE(outline);
  EXPECT_NE(outline.error().message.find("1e12"), std::string::npos);
}

TEST(PathData, NumbersAreAsShortAsTheyCanBe) {
  const auto written = [](double v) { return pathData({{{{v, 0}, {Segment::line({0, v})}, false}}}); };
  EXPECT_EQ(written(0.1 + 0.2), "M0.30000000000000004 0L0 0.30000000000000004");
  EXPECT_EQ(written(-12.5), "M-12.5 0L0 -12.5");
  EXPECT_EQ(written(0.001), "M0.001 0L0 0.001");
  EXPECT_EQ(written(99999.999), "M99999.999 0L0 99999.999");
  EXPECT_EQ(written(1e7), "M1e+07 0L0 1e+07");
  EXPECT_EQ(written(-0.0), "M0 0L0 0");
  EXPECT_EQ(written(-1e-20), "M-1e-20 0L0 -1e-20");
}

}  // namespace
}  // namespace widecut
