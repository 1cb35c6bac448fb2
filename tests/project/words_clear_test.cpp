#include "project/edits/words_clear.h"

#include <gtest/gtest.h>

#include "project/edits/cutouts.h"
#include "project/edits/groups.h"
#include "project/edits/places.h"
#include "project/edits/sheets.h"
#include "project/edits/words.h"
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

TEST_F(WordsClear, WhatIsMadeOfAnItemKeepsThemClearToo) {
  keep(disc, KeepClear{ClearSide::Left, 4});
  Id made = 0;
  take(combined(project, std::vector<Id>{box, disc}, Outcome::SubtractFront, {box, 0}, made));
  ASSERT_NE(made, 0U);
  ASSERT_TRUE(findItem(project, made)->clear);
  EXPECT_EQ(*findItem(project, made)->clear, (KeepClear{ClearSide::Left, 4}));
  Id group = 0;
  take(grouped(project, std::vector<Id>{made}, group));
  EXPECT_FALSE(the(words).content().frame->clear.empty()) << "inside a group it goes on";
}

TEST_F(WordsClear, AnOpenLineIsKeptClearOfByItsMargin) {
  const Contour line{{20, 60}, {Segment::line({280, 60})}, false};
  project = withItemsOnTop(project, sheet, {plainItem(project.nextId, "line", Outline{{line}}, {})});
  const Id id = project.nextId - 1;
  keep(id, KeepClear{ClearSide::Both, 6});
  EXPECT_FALSE(touches({{100, 56}, {200, 64}}));
  EXPECT_TRUE(touches({{100, 30}, {200, 45}}));
}

TEST_F(WordsClear, MoreRoomIsFoundOnTheWiderSide) {
  keep(disc, KeepClear{ClearSide::Wider, 0});
  const Box item = boxOf(disc);
  EXPECT_TRUE(touches({{item.high.x + 20, item.low.y + 20}, {290, item.high.y - 20}}));
  EXPECT_FALSE(touches({{0, item.low.y + 20}, {item.low.x, item.high.y - 20}}));
  take(withMapped(project, {&disc, 1}, Affine::move({130, 0})));
  const Box now = boxOf(disc);
  EXPECT_FALSE(touches({{now.high.x, now.low.y + 20}, {300, now.high.y - 20}}));
  EXPECT_TRUE(touches({{20, now.low.y + 20}, {now.low.x - 20, now.high.y - 20}}));
}

TEST_F(WordsClear, AFrameThatTheTextFlowsOnInKeepsClearToo) {
  Words::Content content;
  content.frame = TextFrame{150, 80};
  Item item = plainItem(project.nextId, "second", {}, {});
  item.position = {0, 140};
  item.form = wordsForm(std::move(content));
  project = withItemsOnTop(project, sheet, {item});
  const Id second = project.nextId - 1;
  project = withTextFrames(project, std::vector<Id>{words}, [](TextFrame& frame) { frame.height = 20; });
  take(withFlow(project, words, second));
  const auto linesOf = [&] { return the(second).set().shown; };
  const std::size_t before = linesOf();
  ASSERT_GT(before, 3U);
  take(withMapped(project, {&disc, 1}, Affine::move({-25, 130})));
  keep(disc, KeepClear{ClearSide::AboveAndBelow, 0});
  EXPECT_LT(linesOf(), before);
  EXPECT_EQ(the(second).content().frame->clear.size(), 1U);
}

TEST_F(WordsClear, CopiesOnAnotherSheetAreInTheWayThere) {
  keep(disc, KeepClear{ClearSide::Both, 3});
  Id other = 0;
  take(withSheetAfter(project, sheet, other));
  std::vector<Id> copies;
  const ItemPtr items[] = {findItem(project, words), findItem(project, disc)};
  take(withCopiesOnTop(project, other, items, {}, copies));
  ASSERT_EQ(copies.size(), 2U);
  EXPECT_EQ(the(copies[0]).content().frame->clear.size(), 1U);
  // The words alone find nothing in their way.
  Id third = 0;
  take(withSheetAfter(project, other, third));
  copies.clear();
  take(withCopiesOnTop(project, third, {items, 1}, {}, copies));
  EXPECT_TRUE(the(copies[0]).content().frame->clear.empty());
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
