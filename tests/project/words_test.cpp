#include "project/edits/words.h"

#include <gtest/gtest.h>

#include "project/edits/cutouts.h"
#include "project/edits/pieces.h"
#include "project/edits/places.h"
#include "project/edits/tree.h"
#include "project/limits.h"
#include "project/resolve.h"
#include "scene/hit.h"
#include "scene/scene.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

constexpr Id sheetId = 2;

Style inked() {
  Style style;
  setColour(style, Colour{20, 30, 30});
  return style;
}

struct WithWords : testing::Test {
  Project project;
  WithWords() {
    Sheet sheet;
    sheet.id = sheetId;
    project.pieces = {
        std::make_shared<const Piece>(Piece{1, "piece", {std::make_shared<const Sheet>(std::move(sheet))}})};
    project.nextId = 3;
  }
  Id add(const std::string& text, std::optional<TextFrame> frame = {}, Align align = Align::Left) {
    Item item = plainItem(project.nextId, nameOfWords(text), {}, inked());
    item.position = {100, 100};
    item.form = wordsForm({text, {{"League Spartan", 700}, 60, 66, align}, frame, {}, {}});
    project = withItemsOnTop(project, sheetId, {std::move(item)});
    return project.nextId - 1;
  }
  Id addBox(const Box& box) {
    project = withItemsOnTop(project, sheetId,
                             {plainItem(project.nextId, "panel", fitted(rectangleOutline(1, 1), box), inked())});
    return project.nextId - 1;
  }
  const Words& words(Id id) const { return *wordsOf(*findItem(project, id)); }
  Box box(Id id) const { return boxInParent(*findItem(project, id)); }
};

TEST_F(WithWords, TypingOnInsideARecipeChangesTheCutout) {
  const Id panel = addBox({{80, 40}, {400, 140}}), word = add("peak");
  Id made = 0;
  project = combined(project, std::vector<Id>{panel, word}, Outcome::SubtractFront, {panel, 0}, made);
  const double before = signedArea(resolved(*findItem(project, made))->outline);
  const Project longer = withText(project, word, "peaks of snow");
  const double after = signedArea(resolved(*findItem(longer, made))->outline);
  EXPECT_LT(std::abs(after), std::abs(before) - 500);
  EXPECT_EQ(findItem(longer, word)->name, "peaks of snow");
}

TEST_F(WithWords, ANameOfOnesOwnStays) {
  const Id word = add("peak");
  project = withItem(project, word, [](const Item& before) {
    Item after = before;
    after.name = "title";
    return after;
  });
  EXPECT_EQ(findItem(withText(project, word, "ridge"), word)->name, "title");
  EXPECT_EQ(nameOfWords("Every hour from seven to midnight"), "Every hour from seven to");
  EXPECT_EQ(nameOfWords(" \n"), "words");
}

TEST_F(WithWords, ScalingGoesIntoTheSizeAndStretchingIntoTheLetters) {
  const Id word = add("peak");
  const Box before = box(word);
  const std::vector<Id> ids{word};
  const Project twice = withMapped(project, ids, Affine::scale(2, 2));
  EXPECT_NEAR(wordsOf(*findItem(twice, word))->content().style.size, 120, 1e-9);
  EXPECT_EQ(wordsOf(*findItem(twice, word))->content().stretch, Affine{});
  const Project wide = withMapped(project, ids, Affine::scale(3, 1));
  const Box after = boxInParent(*findItem(wide, word));
  EXPECT_NEAR(after.width(), 3 * before.width(), 1e-6);
  EXPECT_NEAR(after.height(), before.height(), 1e-6);
  EXPECT_NEAR(std::abs(wordsOf(*findItem(wide, word))->content().stretch.determinant()), 1, 1e-9);
  // Typed on, the letters stay stretched.
  EXPECT_GT(boxInParent(*findItem(withText(wide, word, "peaks"), word)).width(), after.width());
  const Project flipped = withMapped(project, ids, Affine::scale(-1, 1).about(before.centre()));
  const Box mirrored = boxInParent(*findItem(flipped, word));
  EXPECT_NEAR(mirrored.low.x, before.low.x, 1e-6);
  EXPECT_NEAR(mirrored.width(), before.width(), 1e-6);
}

TEST_F(WithWords, AFrameTakesTheSizeAndItsLettersKeepTheirs) {
  const Id word = add("the slow line above the clouds", TextFrame{400, 300});
  const std::size_t lines = words(word).set().lines.size();
  project = withResized(project, std::vector<Id>{word}, Affine::scale(0.5, 1.5).about({100, 100}));
  EXPECT_NEAR(words(word).content().frame->width, 200, 1e-9);
  EXPECT_NEAR(words(word).content().frame->height, 450, 1e-9);
  EXPECT_EQ(words(word).content().style.size, 60);
  EXPECT_GT(words(word).set().lines.size(), lines);
  EXPECT_NEAR(box(word).low.x, 100, 1e-9);
  EXPECT_NEAR(box(word).width(), 200, 1e-9);
}

TEST_F(WithWords, AFrameIsFittedToItsLinesAndLettersToTheFrame) {
  const Id word = add("the slow line above the clouds", TextFrame{260, 100});
  EXPECT_FALSE(words(word).set().fits());
  const Project higher = withFrameFitted(project, word);
  EXPECT_TRUE(wordsOf(*findItem(higher, word))->set().fits());
  EXPECT_EQ(wordsOf(*findItem(higher, word))->content().frame->width, 260);
  const Project smaller = withLettersFitted(project, word);
  EXPECT_TRUE(wordsOf(*findItem(smaller, word))->set().fits());
  EXPECT_LT(wordsOf(*findItem(smaller, word))->content().style.size, 60);
  EXPECT_GT(wordsOf(*findItem(smaller, word))->content().style.size, 20);
}

TEST_F(WithWords, LettersGrowUntilTheFrameJustHoldsThem) {
  const Id word = add("slow line above the snow", TextFrame{300, 200});
  const double before = words(word).content().style.size;
  project = withTextStyle(project, std::vector<Id>{word}, [](TextStyle& style) {
    style.size /= 8;
    style.leading /= 8;
  });
  project = withLettersFitted(project, word);
  EXPECT_TRUE(words(word).set().fits());
  EXPECT_GT(words(word).content().style.size, before / 4);
  const double size = words(word).content().style.size;
  const Project larger = withTextStyle(project, std::vector<Id>{word}, [&](TextStyle& style) {
    style.size = size * 1.02;
    style.leading *= 1.02;
  });
  EXPECT_FALSE(wordsOf(*findItem(larger, word))->set().fits());
}

TEST_F(WithWords, ALineBecomesAFrameWithoutMoving) {
  for (const Align align : {Align::Left, Align::Centre, Align::Right}) {
    const Id word = add("slow line\nand snow", {}, align);
    const Box before = bounds(transformed(*words(word).outline(), findItem(project, word)->toParent()));
    project = withFrameFitted(project, word);
    ASSERT_TRUE(words(word).content().frame);
    const Box after = bounds(transformed(*words(word).outline(), findItem(project, word)->toParent()));
    EXPECT_NEAR(before.low.x, after.low.x, 0.01);
    EXPECT_NEAR(before.low.y, after.low.y, 0.01);
    EXPECT_NEAR(before.high.x, after.high.x, 0.01);
    EXPECT_TRUE(words(word).set().fits());
  }
}

TEST_F(WithWords, AligningOtherwiseLeavesTheLongestLineWhereItIs) {
  const Id word = add("one\nlonger line");
  const Box before = box(word);
  project = withTextStyle(project, std::vector<Id>{word}, [](TextStyle& style) { style.align = Align::Right; });
  EXPECT_NEAR(box(word).high.x, before.high.x, 0.5);
  EXPECT_NEAR(box(word).low.x, before.low.x, 2);  // where its own first letter begins
}

TEST_F(WithWords, TheKnifeCutsWordsLive) {
  const Id word = add("peak");
  const Box before = box(word);
  std::vector<Id> made;
  const double y = before.centre().y;
  const auto cut = withKnife(project, std::vector<Id>{word}, {{{{0, y}, {Segment::line({800, y})}, false}}}, 3, made);
  ASSERT_TRUE(cut) << cut.error().message;
  ASSERT_EQ(made.size(), 1U);
  EXPECT_NE(findItem(*cut, made.front())->recipe(), nullptr);
  const Project typed = withText(*cut, word, "peaks");
  EXPECT_GT(boxInParent(*findItem(typed, made.front())).width(), before.width());
  EXPECT_FALSE(isInside(resolved(*findItem(typed, made.front()))->outline, FillRule::Nonzero,
                        (*findItem(typed, made.front())->toParent().inverse())(Point{before.low.x + 8, y})));
  std::vector<Id> none;
  EXPECT_FALSE(withKnife(project, std::vector<Id>{word}, {{{{0, 500}, {Segment::line({800, 500})}, false}}}, 3, none));
}

TEST_F(WithWords, DividingWithAPanelGivesEveryCounterAndTheRest) {
  const Id panel = addBox({{80, 40}, {400, 140}}), word = add("oo");
  std::vector<Id> made;
  project = withDivided(project, std::vector<Id>{panel, word}, {word, 0}, made);
  EXPECT_EQ(made.size(), 5U);  // two letters, two counters, the rest
}

TEST_F(WithWords, BakingMakesAnOutlineOfTheLetters) {
  const Id word = add("peak");
  const Outline before = transformed(*words(word).outline(), findItem(project, word)->toParent());
  project = withBaked(project, word);
  EXPECT_EQ(wordsOf(*findItem(project, word)), nullptr);
  const Box box = boxInParent(*findItem(project, word));
  EXPECT_NEAR(box.width(), bounds(before).width(), 1e-9);
}

TEST_F(WithWords, WordsAreHitBetweenTheirLetters) {
  const Id word = add("l l");
  const Item& item = *findItem(project, word);
  const Box line = item.toParent()(boxOf(words(word).set().lines[0]));
  EXPECT_TRUE(isHit(item, line.centre(), 0));
  EXPECT_FALSE(isHit(item, line.high + Point{20, 20}, 1));
}

TEST_F(WithWords, WordsInACutoutAreReadInTheScene) {
  const Id panel = addBox({{80, 40}, {400, 140}}), word = add("peak\nroad");
  Id made = 0;
  project = combined(project, std::vector<Id>{panel, word}, Outcome::SubtractFront, {panel, 0}, made);
  const Layer layer = layerOf(findItem(project, made));
  ASSERT_EQ(layer.content->read.size(), 2U);
  EXPECT_EQ(layer.content->read[1].text, "road");
  const Point at = (layer.place * layer.content->read[1].place)(Point{});
  EXPECT_NEAR(at.x, 100, 1e-9);
  EXPECT_NEAR(at.y, 166, 1e-9);
}

TEST_F(WithWords, WordsBeyondTheLimitsAreRefused) {
  const auto beyond = [&](Words::Content content) {
    Item item = plainItem(project.nextId, "words", {}, inked());
    item.form = wordsForm(std::move(content));
    const auto problem = beyondLimits(withItemsOnTop(project, sheetId, {std::move(item)}), &project);
    return problem ? problem->message : "";
  };
  EXPECT_EQ(beyond({"peak", {}, {}, {}, {}}), "");
  EXPECT_NE(beyond({"peak", {{}, 20'000, 24}, {}, {}, {}}), "");
  EXPECT_NE(beyond({"peak", {{}, std::nan(""), 24}, {}, {}, {}}), "");
  EXPECT_NE(beyond({"peak", {{}, 20, -1}, {}, {}, {}}), "");
  EXPECT_NE(beyond({"peak", {}, TextFrame{-3, 4}, {}, {}}), "");
  EXPECT_NE(beyond({std::string(200'000, 'a'), {}, {}, {}, {}}), "");
  EXPECT_NE(beyond({std::string(90'000, 'M'), {{}, 9'000, 9'000}, {}, {}, {}}), "");
}

}  // namespace
}  // namespace widecut
