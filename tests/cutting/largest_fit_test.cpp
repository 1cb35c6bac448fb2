#include "cutting/largest_fit.h"

#include <gtest/gtest.h>

#include <random>

#include "cutting/planar_map.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

Outline rectangleAt(Point low, double width, double height) {
  return transformed(rectangleOutline(width, height), Affine::move(low + Point{width / 2, height / 2}));
}
Outline ellipseAt(Point middle, double width, double height) {
  return transformed(ellipseOutline(width, height), Affine::move(middle));
}
Affine mapOf(const LargestFit& fit, const Affine& turned) {
  return Affine::move(fit.shift) * Affine::scale(fit.scale, fit.scale) * turned;
}

TEST(LargestFit, ADiscInARectangleIsAsHighAsItAndInItsMiddle) {
  FitTask task{{{rectangleAt({100, 50}, 300, 100)}}, {ellipseAt({500, 400}, 80, 80)}, {}, {}, {}};
  const auto fit = largestFit(task);
  ASSERT_TRUE(fit);
  EXPECT_NEAR(fit->scale, 100.0 / 80, 2e-3);
  const Point middle = mapOf(*fit, Affine())(Point{500, 400});
  EXPECT_NEAR(middle.x, 250, 0.5);
  EXPECT_NEAR(middle.y, 100, 0.1);
}

TEST(LargestFit, ThePictureGoesOnCovering) {
  // At the scale at which the head is as high as the frame, the picture's left edge would show.
  FitTask task{{{rectangleAt({0, 0}, 300, 100)}},
               {ellipseAt({20, 200}, 30, 30)},
               {},
               Box{{0, 0}, {600, 400}},
               {{0, 0}, {300, 100}}};
  const auto fit = largestFit(task);
  ASSERT_TRUE(fit);
  EXPECT_NEAR(fit->scale, 100.0 / 30, 5e-3);
  EXPECT_LE(fit->shift.x, 1e-9);
  EXPECT_GE(fit->shift.x + fit->scale * 600, 300 - 1e-9);
  // Heads so far apart that they are whole only at a scale at which it covers no more.
  task.zones.push_back(ellipseAt({20, 30}, 30, 30));
  task.zones.push_back(ellipseAt({20, 380}, 30, 30));
  EXPECT_FALSE(largestFit(task));
  task.picture.reset();
  EXPECT_TRUE(largestFit(task));
}

TEST(LargestFit, EachZoneMayLieInAnotherFrameButNoneInAGap) {
  FitTask task;
  for (const double x : {0.0, 110.0}) task.windows.push_back({rectangleAt({x, 0}, 100, 100)});
  task.zones = {ellipseAt({0, 0}, 40, 40), ellipseAt({80, 0}, 40, 40)};
  const auto two = largestFit(task);
  ASSERT_TRUE(two);
  // One in each: their outer edges are 120 apart and the frames' 210.
  EXPECT_NEAR(two->scale, 210.0 / 120, 4e-3);
  task.zones = {ellipseAt({0, 0}, 40, 40), ellipseAt({30, 0}, 40, 40), ellipseAt({60, 0}, 40, 40)};
  const auto three = largestFit(task);
  ASSERT_TRUE(three);
  for (const Outline& zone : task.zones)
    EXPECT_NEAR(shareSeen(transformed(zone, mapOf(*three, Affine())), task.windows), 1, 1e-9);
}

TEST(LargestFit, AHoleIsGoneRound) {
  const Outline ring = *cut(std::vector<Operand>{{ellipseAt({0, 0}, 200, 200)}, {ellipseAt({0, 0}, 100, 100)}},
                            Formula::chain(2, Role::Subtract));
  FitTask task{{{ring}}, {ellipseAt({0, 0}, 10, 10)}, {}, {}, {}};
  const auto fit = largestFit(task);
  ASSERT_TRUE(fit);
  EXPECT_NEAR(fit->scale, 5, 0.02);
}

TEST(LargestFit, FramesThatTouchAreOne) {
  FitTask task{
      {{rectangleAt({0, 0}, 50, 100)}, {rectangleAt({50, 0}, 50, 100)}}, {ellipseAt({0, 0}, 10, 10)}, {}, {}, {}};
  EXPECT_NEAR(largestFit(task)->scale, 10, 0.05);
}

TEST(LargestFit, SharesSeen) {
  const Outline disc = ellipseAt({0, 0}, 10, 10);
  EXPECT_NEAR(shareSeen(disc, std::vector<Operand>{{rectangleAt({0, -50}, 100, 100)}}), 0.5, 1e-9);
  EXPECT_EQ(shareSeen(disc, std::vector<Operand>{{rectangleAt({20, -50}, 100, 100)}}), 0);
  EXPECT_NEAR(shareSeen(disc, std::vector<Operand>{{rectangleAt({0, -50}, 100, 100)}, {rectangleAt({-9, -9}, 9, 18)}}),
              1, 1e-9);
  EXPECT_EQ(shareSeen({}, std::vector<Operand>{{disc}}), 0);
}

/// Tries scales and places on a grid, and asks the places of the true curves.
class BruteForce {
 public:
  BruteForce(const FitTask& task) : task_(task) {
    for (const Outline& zone : task.zones) {
      zones_.push_back(flattened(zone, 0.05).front());
      all_.add(bounds(zone));
    }
    for (const Operand& window : task.windows) {
      box_.add(bounds(window.outline));
      frames_.push_back(flattened(window.outline, 0.01));
      for (const auto& run : frames_.back()) rims_.insert(rims_.end(), run.begin(), run.end());
    }
  }
  double best(int steps) const {
    const double most = 2 * std::min(box_.width(), box_.height()) / std::min(all_.width(), all_.height());
    for (int i = steps; i > 0; --i)
      for (int y = 0; y <= steps; ++y)
        for (int x = 0; x <= steps; ++x) {
          const double scale = most * i / steps;
          const Point hub{box_.low.x + box_.width() * x / steps, box_.low.y + box_.height() * y / steps};
          if (areWhole(Affine::move(hub) * Affine::scale(scale, scale) * task_.turned * Affine::move(-all_.centre())))
            return scale;
        }
    return 0;
  }

 private:
  bool areWhole(const Affine& map) const {
    if (task_.picture) {
      const Affine back = *map.inverse();
      for (const Point rim : rims_)
        if (!task_.picture->contains(back(rim))) return false;
    }
    for (std::size_t i = 0; i < zones_.size(); ++i) {
      for (const Point p : zones_[i]) {
        const Point there = map(p);
        if (std::none_of(frames_.begin(), frames_.end(), [&](const auto& frame) { return isIn(frame, there); }))
          return false;
      }
      if (shareSeen(transformed(task_.zones[i], map), task_.windows) < 1 - 1e-9) return false;
    }
    return true;
  }
  static bool isIn(const std::vector<std::vector<Point>>& runs, Point p) {
    bool inside = false;
    for (const auto& run : runs)
      for (std::size_t i = 0, last = run.size() - 1; i < run.size(); last = i++) {
        const Point a = run[last], b = run[i];
        if ((a.y > p.y) != (b.y > p.y) && p.x < a.x + (b.x - a.x) * (p.y - a.y) / (b.y - a.y)) inside = !inside;
      }
    return inside;
  }
  FitTask task_;
  std::vector<std::vector<std::vector<Point>>> frames_;
  std::vector<std::vector<Point>> zones_;
  std::vector<Point> rims_;
  Box all_, box_;
};

Outline randomWindow(std::mt19937& random) {
  std::uniform_real_distribution<double> part(0, 1);
  std::vector<Point> corners;
  const int count = 3 + static_cast<int>(part(random) * 9);
  for (int i = 0; i < count; ++i) {
    const double angle = 2 * pi * i / count, far = 30 + 90 * part(random);
    corners.push_back({far * std::cos(angle), far * std::sin(angle)});
  }
  Outline out =
      part(random) < 0.4 ? ellipseAt({0, 0}, 60 + 100 * part(random), 60 + 100 * part(random)) : polygon(corners);
  if (part(random) < 0.4)
    out = *cut(std::vector<Operand>{{out}, {ellipseAt({20 * part(random), 20 * part(random)}, 30, 20)}},
               Formula::chain(2, Role::Subtract));
  return out;
}

#ifdef __SANITIZE_ADDRESS__
constexpr int casesOfAPart = 15;
#else
constexpr int casesOfAPart = 125;
#endif

/// A part of them.
class FitOfRandomFrames : public testing::TestWithParam<int> {};
INSTANTIATE_TEST_SUITE_P(Parts, FitOfRandomFrames, testing::Range(0, 4));

TEST_P(FitOfRandomFrames, IsNeverWorseThanTryingAll) {
  std::mt19937 random(static_cast<unsigned>(5 + GetParam()));
  std::uniform_real_distribution<double> part(0, 1);
  int fitted = 0;
  for (int i = 0; i < casesOfAPart; ++i) {
    SCOPED_TRACE(i);
    FitTask task;
    const int frames = 1 + i % 3;
    for (int k = 0; k < frames; ++k)
      task.windows.push_back({transformed(randomWindow(random), Affine::move({170.0 * k * part(random), 0}))});
    const int zones = 1 + i % 4;
    for (int k = 0; k < zones; ++k)
      task.zones.push_back(ellipseAt({100 + 800 * part(random), 100 + 400 * part(random)}, 40 + 60 * part(random),
                                     40 + 90 * part(random)));
    task.turned = Affine::turn(part(random) < 0.5 ? 0 : part(random) * 6);
    if (i % 5 == 0) task.turned = task.turned * Affine::scale(-1, 1);
    if (i % 2 == 0) task.picture = Box{{0, 0}, {1000, 600}};
    for (const Operand& window : task.windows)
      for (const auto& run : flattened(window.outline, 1e-4))
        task.covered.insert(task.covered.end(), run.begin(), run.end());
    const double brute = BruteForce(task).best(20);
    const auto fit = largestFit(task);
    if (!fit) {
      EXPECT_EQ(brute, 0);
      continue;
    }
    ++fitted;
    // A hundred-thousandth of sizes is left as room at edges.
    EXPECT_GE(fit->scale, brute * (1 - 1e-4));
    const Affine map = mapOf(*fit, task.turned);
    for (const Outline& zone : task.zones) EXPECT_NEAR(shareSeen(transformed(zone, map), task.windows), 1, 1e-9);
    for (const Operand& window : task.windows)
      if (task.picture) {
        EXPECT_TRUE(task.picture->grown(1e-3).contains(bounds(transformed(window.outline, *map.inverse()))));
      }
  }
  EXPECT_GT(fitted, casesOfAPart / 2);
}

}  // namespace
}  // namespace widecut
