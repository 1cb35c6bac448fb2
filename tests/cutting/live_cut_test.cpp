#include "cutting/live_cut.h"

#include <gtest/gtest.h>

#include <chrono>
#include <cmath>
#include <thread>

#include "cutting/planar_map.h"
#include "geometry/measure.h"
#include "geometry/stop_point.h"
#include "judge/exact_oracle.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

std::vector<Operand> parts(judge::Random& random, int count) {
  std::vector<Operand> out;
  for (int i = 0; i < count; ++i)
    out.push_back({judge::placed(i % 2 == 1 ? judge::blob(random, 8, 40, 0.4) : ellipseOutline(70, 50),
                                 judge::uniform(random, 0, 120), judge::uniform(random, 0, 120))});
  return out;
}

Formula mixed(int count) {
  Formula f = Formula::part(0);
  for (int i = 1; i < count; ++i) f = Formula::joined(f, static_cast<Role>(i % 4), Formula::part(i));
  return f;
}

/// How far a result is off what its formula says, as a share.
double offBy(const std::vector<Operand>& operands, const Formula& formula, const Outline& result,
             judge::Random& random) {
  const auto holds = [&](const std::vector<bool>& c) {
    return formula.holds([&](int i) { return c[static_cast<std::size_t>(i)]; });
  };
  return judge::difference(operands, holds, result, random);
}

TEST(LiveCut, FollowsAMovedPartAndIsRightEveryTime) {
  judge::Random random(8);
  for (int round = 0; round < 20; ++round) {
    std::vector<Operand> operands = parts(random, 3 + round % 6);
    const Formula formula = mixed(static_cast<int>(operands.size()));
    LiveCut live;
    (void)live.cut(operands, formula);
    for (int step = 0; step < 25; ++step) {
      auto& part = operands[static_cast<std::size_t>(step / 5) % operands.size()];
      part.outline = judge::placed(part.outline, judge::uniform(random, -6, 6), judge::uniform(random, -6, 6));
      const auto result = live.cut(operands, formula);
      ASSERT_TRUE(result);
      ASSERT_LT(offBy(operands, formula, *result, random), 1e-6) << round << ' ' << step;
    }
    EXPECT_GE(live.moves(), 20) << "moves were followed, not made anew";
  }
}

/// Moves the end of a segment, and sometimes its handles, by hand.
void dragNode(Contour& contour, std::size_t node, Point by) {
  const std::size_t next = (node + 1) % contour.segments.size();
  Segment &before = contour.segments[node], &after = contour.segments[next];
  if (before.kind == SegmentKind::Cubic) before.handle2 = before.handle2 + by;
  if (after.kind != SegmentKind::Line) after.handle1 = after.handle1 + by;
  before.end = before.end + by;
  if (next == 0) contour.start = before.end;
}

TEST(LiveCut, FollowsADraggedNodeAndIsRightEveryTime) {
  judge::Random random(11);
  int followed = 0;
  for (int round = 0; round < 12; ++round) {
    std::vector<Operand> operands = parts(random, 4 + round % 5);
    operands.push_back({judge::placed(judge::blob(random, 60, 50, round % 2 == 0 ? 0.1 : 0.6), 60, 60)});
    const Formula formula = mixed(static_cast<int>(operands.size()));
    LiveCut live;
    (void)live.cut(operands, formula);
    for (int step = 0; step < 40; ++step) {
      Contour& contour = operands.back().outline.contours.front();
      const auto node = static_cast<std::size_t>(judge::uniform(random, 0, 0.999) * double(contour.segments.size()));
      const double reach = step % 10 == 0 ? 60 : 4;
      dragNode(contour, node, {judge::uniform(random, -reach, reach), judge::uniform(random, -reach, reach)});
      const auto result = live.cut(operands, formula);
      ASSERT_TRUE(result);
      ASSERT_LT(offBy(operands, formula, *result, random), 1e-6) << round << ' ' << step;
    }
    followed += live.moves();
  }
  EXPECT_GE(followed, 300) << "of 480: the others changed their number of turns";
}

TEST(LiveCut, AlignedPartsThatMeetAndPartStayRight) {
  const Outline box = rectangleOutline(40, 40);
  std::vector<Operand> operands{
      {box}, {judge::placed(box, 60, 0)}, {judge::placed(box, 20, 20)}, {ellipseOutline(40, 40)}};
  const Formula formula = Formula::chain(4, Role::Exclude);
  judge::Random random(2);
  LiveCut live;
  for (int i = 0; i <= 24; ++i) {
    // From side by side over identical to apart again, in steps that hit edges and corners.
    operands[1].outline = judge::placed(box, 60 - 5.0 * i, i % 3 == 0 ? 0 : 20);
    const auto result = live.cut(operands, formula);
    const double off = judge::difference(
        operands,
        [&](const std::vector<bool>& c) {
          return formula.holds([&](int k) { return c[static_cast<std::size_t>(k)]; });
        },
        *result, random, true);
    ASSERT_LT(off, 1e-6) << i;
  }
  EXPECT_GE(live.moves(), 20);
}

TEST(LiveCut, OtherNodesOrFarAwayMeansAnew) {
  std::vector<Operand> operands{{rectangleOutline(40, 40)}, {ellipseOutline(50, 50)}};
  const Formula formula = Formula::chain(2, Role::Add);
  LiveCut live;
  (void)live.cut(operands, formula);
  operands[1].outline = starOutline(50, 50, 5, 0.5);
  EXPECT_EQ(*live.cut(operands, formula), *cut(operands, formula));
  operands[1].outline = judge::placed(starOutline(50, 50, 5, 0.5), 4000, 0);
  EXPECT_EQ(*live.cut(operands, formula), *cut(operands, formula));
  EXPECT_EQ(live.moves(), 0);
  operands[0].outline.contours[0].start.x = std::numeric_limits<double>::infinity();
  EXPECT_FALSE(live.cut(operands, formula));
}

TEST(LiveCut, WhatIsStoppedAnywhereIsRightTheNextTime) {
  judge::Random random(31);
  LiveCut live;
  std::vector<Operand> operands = parts(random, 40);
  const Formula formula = mixed(40);
  int stopped = 0;
  for (int round = 0; round < 60; ++round) {
    operands[static_cast<std::size_t>(round) % operands.size()].outline =
        judge::placed(judge::blob(random, 8, 40, 0.4), judge::uniform(random, 0, 120), judge::uniform(random, 0, 120));
    const Progress progress;
    if (round == 0) progress.cancel();
    std::thread other([&, wait = std::chrono::microseconds(round * 50)] {
      std::this_thread::sleep_for(wait);
      progress.cancel();
    });
    for (const bool isLive : {true, false}) {
      try {
        const StopScope scope(progress);
        const auto result = isLive ? live.cut(operands, formula) : cut(operands, formula);
        EXPECT_TRUE(result);
      } catch (const Stopped&) {
        ++stopped;
      }
    }
    other.join();
    const auto now = live.cut(operands, formula), anew = cut(operands, formula);
    ASSERT_TRUE(now && anew);
    EXPECT_NEAR(signedArea(*now), signedArea(*anew), 1e-4 * (1 + std::abs(signedArea(*anew)))) << round;
    EXPECT_LT(offBy(operands, formula, *anew, random), 1e-3) << round;
  }
  EXPECT_GE(stopped, 2);
}

}  // namespace
}  // namespace widecut
