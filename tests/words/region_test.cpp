#include "words/region.h"

#include <gtest/gtest.h>

#include <cmath>

#include "geometry/path_data.h"

namespace widecut {
namespace {

Outline path(const char* data) { return *parsePathData(data); }

TEST(Region, ARectangleHasRoomFromEdgeToEdge) {
  const auto free = Region(path("M0 0H100V50H0Z")).free(10, 20);
  ASSERT_EQ(free.size(), 1U);
  EXPECT_DOUBLE_EQ(free[0].first, 0);
  EXPECT_DOUBLE_EQ(free[0].second, 100);
}

TEST(Region, ASlantTakesAsMuchAsItsNearestPlace) {
  // From (0, 0) to (50, 100): at heights from 20 to 40 its nearest place is x = 20.
  const auto free = Region(path("M0 0H100V100H50Z")).free(20, 40);
  ASSERT_EQ(free.size(), 1U);
  EXPECT_NEAR(free[0].first, 20, 1e-9);
  EXPECT_NEAR(free[0].second, 100, 1e-9);
}

TEST(Region, AHolePartsALine) {
  const auto free = Region(path("M0 0H100V100H0Z M40 40V60H60V40Z")).free(45, 55);
  ASSERT_EQ(free.size(), 2U);
  EXPECT_NEAR(free[0].second, 40, 1e-9);
  EXPECT_NEAR(free[1].first, 60, 1e-9);
  EXPECT_EQ(Region(path("M0 0H100V100H0Z M40 40V60H60V40Z")).free(61, 70).size(), 1U);
}

TEST(Region, ADiscHasItsTrueWidth) {
  const Outline disc = path(
      "M100 50C100 77.614 77.614 100 50 100C22.386 100 0 77.614 0 50C0 22.386 22.386 0 50 0C77.614 0 100 22.386 100 "
      "50Z");
  const auto free = Region(disc).free(20, 30);
  ASSERT_EQ(free.size(), 1U);
  const double half = std::sqrt(50 * 50 - 30 * 30);  // at y = 20, the narrower end
  EXPECT_NEAR(free[0].second - free[0].first, 2 * half, 0.05);
  EXPECT_TRUE(Region(disc).free(-5, 5).empty());
}

TEST(Region, NothingStandsOutThatIsCutByARandomOutline) {
  // Rays at many heights through a star: each place of a stretch is inside at all of them.
  const Outline star = path("M50 0L62 35L98 35L69 57L79 91L50 70L21 91L31 57L2 35L38 35Z");
  const Region region(star);
  for (double top = -5; top < 95; top += 3.7)
    for (const auto& [left, right] : region.free(top, top + 6))
      for (double x = left + 1e-6; x < right; x += (right - left) / 7)
        for (double y = top + 1e-6; y < top + 6; y += 1.1)
          EXPECT_TRUE(isInside(star, FillRule::Nonzero, {x, y})) << x << " " << y;
}

TEST(Region, KeepsClearOfTheTruePlaceOfSomethingElse) {
  const auto kept = [](ClearSide side, double top, double bottom) {
    Region region(path("M0 0H100V100H0Z"));
    region.keepClearOf(path("M60 20L80 40L60 60L40 40Z"), side);
    return region.free(top, bottom);
  };
  using Row = std::vector<Region::Stretch>;
  const auto isNear = [](const Row& is, const Row& wanted) {
    ASSERT_EQ(is.size(), wanted.size());
    for (std::size_t i = 0; i < is.size(); ++i) {
      EXPECT_NEAR(is[i].first, wanted[i].first, 1e-9);
      EXPECT_NEAR(is[i].second, wanted[i].second, 1e-9);
    }
  };
  isNear(kept(ClearSide::Both, 0, 10), {{0, 100}});
  isNear(kept(ClearSide::Both, 20, 30), {{0, 50}, {70, 100}});
  isNear(kept(ClearSide::Both, 35, 45), {{0, 40}, {80, 100}});
  isNear(kept(ClearSide::Left, 20, 30), {{0, 50}});
  isNear(kept(ClearSide::Right, 20, 30), {{70, 100}});
  isNear(kept(ClearSide::Wider, 20, 30), {{0, 50}});
  EXPECT_TRUE(kept(ClearSide::AboveAndBelow, 20, 30).empty());
  isNear(kept(ClearSide::AboveAndBelow, 60, 70), {{0, 100}});
}

TEST(Region, RoomInsideWhatItKeepsClearOfIsKept) {
  Region region(path("M0 0H100V100H0Z"));
  // A ring whose hole has room, and an arch that is open below.
  region.keepClearOf(path("M10 10H90V90H10Z M30 30V70H70V30Z"), ClearSide::Both);
  const auto row = region.free(40, 50);
  ASSERT_EQ(row.size(), 3U);
  EXPECT_NEAR(row[1].first, 30, 1e-9);
  EXPECT_NEAR(row[1].second, 70, 1e-9);
  EXPECT_EQ(region.free(25, 35).size(), 2U) << "its upper edge is in the way";
}

}  // namespace
}  // namespace widecut
