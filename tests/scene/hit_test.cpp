// What is under the pointer, and what a marquee takes.
#include "scene/hit.h"

#include <gtest/gtest.h>

#include "project/edits/cutouts.h"
#include "project/edits/groups.h"
#include "sample.h"

namespace widecut {
namespace {

struct HitTest : testing::Test, Sample {
  Project with(Id id, bool Item::*flag) {
    return withItem(project, id, [&](const Item& before) {
      Item after = before;
      after.*flag = true;
      return after;
    });
  }
  using Ids = std::vector<Id>;
};

TEST_F(HitTest, AllItemsAtAPointFrontFirst) {
  EXPECT_EQ(itemsAt(sheetOf(project), {90, 50}, 1), (Ids{disc, box}));
  EXPECT_EQ(itemsAt(sheetOf(project), {20, 50}, 1), Ids{box});
  EXPECT_TRUE(itemsAt(sheetOf(project), {180, 140}, 1).empty());
}

TEST_F(HitTest, WhatIsHiddenOrLockedIsNotAtHand) {
  for (bool Item::*flag : {&Item::hidden, &Item::locked}) {
    const Project p = with(disc, flag);
    EXPECT_EQ(itemAt(sheetOf(p), {90, 50}, 1), box);
    EXPECT_EQ(itemsWithin(sheetOf(p), {{-10, -10}, {190, 140}}), Ids{box});
  }
  const Project pale = withItem(project, disc, [](const Item& before) {
    Item after = before;
    after.paleBy = 0.5;
    return after;
  });
  EXPECT_EQ(itemAt(sheetOf(pale), {90, 50}, 1), disc) << "a template is moved like any other item";
}

TEST_F(HitTest, AMarqueeTakesWhatIsInsideOrAllThatItTouches) {
  const Box corner{{-10, -10}, {20, 20}};
  EXPECT_TRUE(itemsWithin(sheetOf(project), corner).empty());
  EXPECT_EQ(itemsWithin(sheetOf(project), corner, Taken::Touched), Ids{box});
  // In the corner of the disc's box there is no disc.
  const Box outside{{126, 76}, {140, 90}};
  EXPECT_TRUE(itemsWithin(sheetOf(project), outside, Taken::Touched).empty());
  const Box within{{95, 45}, {105, 55}};
  EXPECT_EQ(itemsWithin(sheetOf(project), within, Taken::Touched), (Ids{box, disc}));
}

TEST_F(HitTest, InAGroupTheFrontmostMemberIsHit) {
  Id group = 0;
  const Project p = grouped(project, Ids{box, disc}, group);
  EXPECT_EQ(childAt(p, group, {90, 50}, 1), disc);
  EXPECT_EQ(childAt(p, group, {20, 50}, 1), box);
  EXPECT_EQ(childAt(p, group, {180, 140}, 1), 0U);
  Id around = 0;
  const Project nested = grouped(p, Ids{group}, around);
  EXPECT_EQ(childAt(nested, around, {20, 50}, 1), group) << "one level at a time";
}

TEST_F(HitTest, InACutoutTheSmallestPartIsHit) {
  Id cutout = 0;
  const Project p = combined(project, Ids{box, disc}, Outcome::Union, {}, cutout);
  EXPECT_EQ(childAt(p, cutout, {90, 50}, 1), disc);
  EXPECT_EQ(childAt(p, cutout, {20, 50}, 1), box);
}

TEST_F(HitTest, WhatHasNothingInsideHasNoChild) {
  EXPECT_EQ(childAt(project, box, {20, 50}, 1), 0U);
  EXPECT_EQ(childAt(project, 999, {20, 50}, 1), 0U);
}

}  // namespace
}  // namespace widecut
