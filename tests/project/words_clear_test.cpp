#include "project/edits/words_clear.h"

#include <gtest/gtest.h>

#include "project/edits/places.h"
#include "project/edits/words_following.h"
#include "project/resolve.h"
#include "sample.h"

namespace widecut {
namespace {

/// Words in a frame of 200 × 100 from the sheet's corner, over which the sample's disc and box lie.
struct WordsClear : testing::Test, Sample {
  Id words = 0;
  WordsClear() {
    Words::Content content;
    for (int i = 0; i < 30; ++i) content.text += "the slow line climbs ";
    content.style.size = 6;
    content.style.leading = 8;
    content.frame = TextFrame{300, 120};
    Item item = plainItem(project.nextId, "frame", {}, {});
    item.form = wordsForm(std::move(content));
    project = withItemsOnTop(project, sheet, {item});
    words = project.nextId - 1;
  }
  void take(const Project& changed) { project = withWordsFollowing(project, changed); }
  void keep(Id item, const std::optional<KeepClear>& clear) { take(withKeptClear(project, {&item, 1}, clear)); }
  const Words& the(Id id) const { return *wordsOf(*findItem(project, id)); }
  /// Whether any line comes into the box.
  bool touches(const Box& box) const {
    const SetWords& set = the(words).set();
    for (std::size_t i = 0; i < set.shown; ++i) {
      const SetLine& line = set.lines[i];
      const Box own{{line.start.x, line.start.y - 4}, {line.start.x + line.width, line.start.y}};
      if (own.touches(box)) return true;
    }
    return false;
  }
  Box boxOf(Id item) const { return boxOnSheet(project, item); }
};

TEST_F(WordsClear, LinesLeaveRoomForAnItemAndItsMargin) {
  const Box inner = boxOf(disc).grown(-14);
  ASSERT_TRUE(touches(inner));
  const SetWords before = the(words).set();
  keep(disc, KeepClear{ClearSide::Both, 5});
  EXPECT_FALSE(touches(inner));
  EXPECT_TRUE(touches({{0, inner.low.y}, {boxOf(disc).low.x - 20, inner.high.y}})) << "on its left they go on";
  keep(disc, std::nullopt);
  EXPECT_TRUE(touches(inner));
  EXPECT_EQ(the(words).set().lines.size(), before.lines.size());
}

TEST_F(WordsClear, TheyFollowAnItemThatIsMovedAndLeaveItsOldPlace) {
  keep(disc, KeepClear{ClearSide::Both, 2});
  const Box was = boxOf(disc).grown(-14);
  take(withMapped(project, {&disc, 1}, Affine::move({80, 20})));
  EXPECT_TRUE(touches(was));
  EXPECT_FALSE(touches(boxOf(disc).grown(-14)));
  // Out of the frame's reach nothing is left of it.
  take(withMapped(project, {&disc, 1}, Affine::move({2000, 0})));
  EXPECT_TRUE(the(words).content().frame->clear.empty());
}

TEST_F(WordsClear, TheSideIsTheOneThatIsChosen) {
  const Box item = boxOf(disc);
  const Box left{{0, item.low.y + 20}, {item.low.x, item.high.y - 20}};
  const Box right{{item.high.x, item.low.y + 20}, {300, item.high.y - 20}};
  keep(disc, KeepClear{ClearSide::Left, 0});
  EXPECT_TRUE(touches(left));
  EXPECT_FALSE(touches(right));
  keep(disc, KeepClear{ClearSide::Right, 0});
  EXPECT_FALSE(touches(left));
  EXPECT_TRUE(touches(right));
  keep(disc, KeepClear{ClearSide::AboveAndBelow, 0});
  EXPECT_FALSE(touches(left));
  EXPECT_FALSE(touches(right));
}

TEST_F(WordsClear, WhatIsHiddenOrDeletedIsInNobodysWay) {
  const Box inner = boxOf(disc).grown(-14);
  keep(disc, KeepClear{ClearSide::Both, 5});
  const Project kept = project;
  take(withItem(project, disc, [](const Item& item) {
    Item out = item;
    out.hidden = true;
    return out;
  }));
  EXPECT_TRUE(touches(inner));
  project = kept;
  take(withoutItems(project, {&disc, 1}));
  EXPECT_TRUE(touches(inner));
}

TEST_F(WordsClear, WordsThatAreTurnedKeepClearToo) {
  take(withMapped(project, {&words, 1}, Affine::turn(0.4).about({150, 60})));
  keep(disc, KeepClear{ClearSide::Both, 3});
  const auto& clear = the(words).content().frame->clear;
  ASSERT_EQ(clear.size(), 1U);
  const Affine there = frameToSheet(project, words) * clear.front().place;
  EXPECT_NEAR(distance(there(bounds(*clear.front().outline).centre()), boxOf(disc).centre()), 0, 1e-6);
}

TEST_F(WordsClear, NothingKeepsClearOfWhatItIsIn) {
  Id inside = 0;
  Words::Content content;
  content.text = "a few words";
  content.style.size = 6;
  take(withWordsIn(project, disc, content, {}, inside));
  keep(disc, KeepClear{ClearSide::Both, 3});
  EXPECT_TRUE(the(inside).content().frame->clear.empty());
  EXPECT_FALSE(the(words).content().frame->clear.empty());
}

}  // namespace
}  // namespace widecut
