#include "project/edits/words_following.h"

#include <gtest/gtest.h>

#include "project/edits/places.h"
#include "project/edits/reshaping.h"
#include "project/edits/words.h"
#include "project/resolve.h"
#include "sample.h"

namespace widecut {
namespace {

const std::string story =
    "The line climbs from the lake to the ridge in nineteen minutes, and the last carriage leaves the upper station "
    "when the lamps on the viaduct are lit. Nobody has ever counted the teeth of the rack.";

Words::Content saying(const std::string& text) {
  Words::Content content;
  content.text = text;
  content.style.size = 8;
  content.style.leading = 10;
  return content;
}

struct WordsFollowing : testing::Test, Sample {
  Id words = 0;
  const Words& the(Id id) const { return *wordsOf(*findItem(project, id)); }
  /// What an edit comes to on the desk.
  void take(const Project& changed) { project = withWordsFollowing(project, changed); }
  Id frame(const std::string& text, const Box& box) {
    Words::Content content = saying(text);
    content.frame = TextFrame{box.width(), box.height()};
    Item item = plainItem(project.nextId, "frame", {}, {});
    item.position = box.low;
    item.form = wordsForm(std::move(content));
    project = withItemsOnTop(project, sheet, {item});
    return project.nextId - 1;
  }
  std::string shown(Id id) const {
    const SetWords& set = the(id).set();
    return the(id).story().substr(set.lines.front().from,
                                  set.lines[set.shown == 0 ? 0 : set.shown - 1].to - set.lines.front().from);
  }
};

TEST_F(WordsFollowing, WordsInAnItemFillItsOutlineAndFollowIt) {
  take(withWordsIn(project, disc, saying(story), {}, words));
  ASSERT_NE(words, 0U);
  EXPECT_NEAR(the(words).content().frame->width, 60, 1e-9);
  const double first = the(words).set().lines.front().width, second = the(words).set().lines[1].width;
  EXPECT_LT(first, second);  // a disc is narrow at its top
  const Id ids[] = {disc};
  take(withResized(project, ids, Affine::scale(2, 1).about({100, 50})));
  EXPECT_NEAR(the(words).content().frame->width, 120, 1e-9);
  EXPECT_NEAR(boxInParent(*findItem(project, words)).centre().x, 100, 1e-6);
  EXPECT_EQ(the(words).content().style.size, 8);
}

TEST_F(WordsFollowing, MovingEitherMovesBoth) {
  take(withWordsIn(project, disc, saying("a few"), {}, words));
  const auto at = [&](Id id) { return findItem(project, id)->position; };
  const Point disc0 = at(disc), words0 = at(words);
  const Id under[] = {disc}, over[] = {words};
  take(withMapped(project, under, Affine::move({7, 3})));
  EXPECT_NEAR(distance(at(words), words0 + Point{7, 3}), 0, 1e-9);
  take(withMapped(project, over, Affine::move({-2, 5})));
  EXPECT_NEAR(distance(at(disc), disc0 + Point{5, 8}), 0, 1e-9);
  EXPECT_NEAR(distance(at(words), words0 + Point{5, 8}), 0, 1e-9);
  const Id both[] = {disc, words};
  take(withMapped(project, both, Affine::move({1, 1})));
  EXPECT_NEAR(distance(at(disc), disc0 + Point{6, 9}), 0, 1e-9);
}

TEST_F(WordsFollowing, AFrameOfWordsThatTakesAnotherSizeResizesWhatTheyAreIn) {
  take(withWordsIn(project, disc, saying(story), {}, words));
  const Id over[] = {words};
  take(withResized(project, over, Affine::scale(1.5, 1).about({70, 20})));
  EXPECT_NEAR(boxInParent(*findItem(project, disc)).width(), 90, 1e-6);
  EXPECT_NEAR(the(words).content().frame->width, 90, 1e-6);
  EXPECT_EQ(the(words).content().style.size, 8);
}

TEST_F(WordsFollowing, ACopyFollowsTheCopyOfWhatItIsOn) {
  take(withWordsIn(project, disc, saying("a few"), {}, words));
  std::vector<Id> copies;
  const std::vector<ItemPtr> both{findItem(project, disc), findItem(project, words)};
  take(withCopiesOnTop(project, sheet, both, {20, 30}, copies));
  ASSERT_EQ(copies.size(), 2U);
  EXPECT_EQ(the(copies[1]).content().on, copies[0]);
  EXPECT_NEAR(distance(findItem(project, copies[1])->position, findItem(project, words)->position + Point{20, 30}), 0,
              1e-9);
  copies.clear();
  take(withCopiesOnTop(project, sheet, std::vector<ItemPtr>{findItem(project, words)}, {20, 30}, copies));
  EXPECT_EQ(the(copies[0]).content().on, 0U) << "alone it follows nothing";
}

TEST_F(WordsFollowing, WordsStayWhereWhatTheyFollowGoes) {
  take(withWordsAlong(project, disc, saying("round and round"), {}, words));
  EXPECT_EQ(the(words).content().on, disc);
  const Outline before = *the(words).outline();
  take(withoutItems(project, std::vector<Id>{disc}));
  ASSERT_TRUE(findItem(project, words));
  EXPECT_EQ(the(words).content().on, 0U);
  EXPECT_EQ(*the(words).outline(), before);
}

TEST_F(WordsFollowing, WordsAlongAnItemStandOnItsEdge) {
  take(withWordsAlong(project, disc, saying("HHHHHHHH"), {}, words));
  const Outline onSheet = transformed(*the(words).outline(), frameToSheet(project, words));
  for (const auto& run : flattened(onSheet, 0.05))
    for (const Point p : run) EXPECT_GT(distance(p, {100, 50}), 29);
}

TEST_F(WordsFollowing, AStoryGoesOnInTheNextFrameAndBack) {
  const Id a = frame(story, {{0, 0}, {60, 30}}), b = frame("", {{0, 50}, {60, 80}}),
           c = frame("The end.", {{0, 90}, {60, 150}});
  project = withFlow(project, a, b);
  EXPECT_EQ(the(b).content().flowsFrom, a);
  EXPECT_EQ(shown(a) + shown(b), story.substr(0, shown(a).size() + shown(b).size()));
  EXPECT_GT(shown(b).size(), 10U);
  project = withFlow(project, b, c);
  EXPECT_EQ(framesOfStory(project, c), (std::vector<Id>{a, b, c}));
  EXPECT_EQ(the(a).content().text, story + "\nThe end.");
  // Typing in the first pushes the rest on.
  const std::string before = shown(b);
  take(withText(project, a, "Once more: " + the(a).content().text));
  EXPECT_NE(shown(b), before);
  EXPECT_EQ(shown(a) + shown(b) + shown(c),
            the(a).content().text.substr(0, shown(a).size() + shown(b).size() + shown(c).size()));
  // A frame taken out of the middle leaves its text to the next.
  project = withoutFlow(project, b);
  EXPECT_EQ(framesOfStory(project, a), (std::vector<Id>{a, c}));
  EXPECT_TRUE(the(b).content().text.empty());
  EXPECT_EQ(shown(c).substr(0, 10), the(a).content().text.substr(shown(a).size(), 10));
}

TEST_F(WordsFollowing, AFrameIsPutInBetween) {
  const Id a = frame(story, {{0, 0}, {60, 30}}), b = frame("", {{0, 50}, {60, 80}}),
           c = frame("", {{0, 90}, {60, 120}});
  project = withFlow(withFlow(project, a, c), a, b);
  EXPECT_EQ(framesOfStory(project, a), (std::vector<Id>{a, b, c}));
  // Nothing flows into itself.
  EXPECT_TRUE(isSame(withFlow(project, c, a), project));
}

TEST_F(WordsFollowing, WithoutItsFirstFrameAStoryIsKept) {
  const Id a = frame(story, {{0, 0}, {60, 30}}), b = frame("", {{0, 50}, {60, 80}});
  project = withFlow(project, a, b);
  take(withoutItems(project, std::vector<Id>{a}));
  EXPECT_EQ(the(b).content().text, story);
  EXPECT_EQ(the(b).content().flowsFrom, 0U);
  EXPECT_EQ(shown(b).substr(0, 8), story.substr(0, 8));
}

TEST_F(WordsFollowing, ANodeOfATextFrameIsMovedAndItsLinesFollow) {
  const Id a = frame(story, {{0, 0}, {60, 100}});
  const auto widths = [&] {
    std::vector<double> out;
    for (const SetLine& line : the(a).set().lines) out.push_back(line.start.x);
    return out;
  };
  EXPECT_EQ(widths().back(), 0);
  // The lower left corner to the right: the left edge slants.
  take(withNodesMapped(project, {{a, {{0, 3}}}}, Affine::move({30, 0}), {0, 100}));
  ASSERT_TRUE(the(a).content().frame->outline);
  for (std::size_t i = 1; i < the(a).set().shown; ++i) EXPECT_GT(widths()[i], widths()[i - 1]);
}

}  // namespace
}  // namespace widecut
