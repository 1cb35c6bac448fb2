// Edits of cutouts that lie within cutouts, and of what is hidden.
#include <gtest/gtest.h>

#include "project/edits/pieces.h"
#include "project/resolve.h"
#include "sample.h"

namespace widecut {
namespace {

/// tab ∪ (box − disc): the inner cutout is a part of the outer one.
struct NestedTest : testing::Test, Sample {
  Id tab = add("tab", fitted(rectangleOutline(1, 1), {{150, 20}, {180, 40}}), {9, 9, 9});
  Id inner = 0, outer = 0;

  void SetUp() override {
    project = combined(project, std::vector<Id>{box, disc}, Outcome::SubtractFront, {box, 0}, inner);
    project = combined(project, std::vector<Id>{tab, inner}, Outcome::Union, {tab, 0}, outer);
  }
  double area(const Project& p, Id id) { return std::abs(signedArea(resolved(*findItem(p, id))->outline)); }
};

TEST_F(NestedTest, PartsOfAnInnerCutoutAreLiftedIntoTheOuterOne) {
  std::vector<Id> parts;
  const double before = area(project, outer);
  const Project p = withPartsLifted(project, inner, parts);
  EXPECT_EQ(parts, (std::vector<Id>{box, disc}));
  EXPECT_EQ(findItem(p, inner), nullptr);
  const Recipe& recipe = *findItem(p, outer)->recipe();
  ASSERT_EQ(recipe.parts.size(), 3U);
  EXPECT_EQ(recipe.formula.leaves(), (std::vector<int>{0, 1, 2}));
  EXPECT_NEAR(area(p, outer), before, 1e-9) << "the formula of the inner one stays, in brackets";
  EXPECT_EQ(sheetOf(p).items.size(), 1U);
}

TEST_F(NestedTest, AnInnerCutoutSplitsIntoPartsOfTheOuterOne) {
  // A bar through the inner cutout parts it in two.
  project = withItem(project, disc, [&](const Item& before) {
    Item after = before;
    after.form = std::make_shared<const Outline>(fitted(rectangleOutline(1, 1), {{-200, -5}, {200, 5}}));
    return after;
  });
  const double before = area(project, outer);
  std::vector<Id> made;
  const Project p = withSplitLoose(project, inner, made);
  ASSERT_EQ(made.size(), 2U);
  EXPECT_EQ(findItem(p, outer)->recipe()->parts.size(), 3U);
  EXPECT_NEAR(area(p, outer), before, 1e-9);
}

TEST_F(NestedTest, OffcutsOfAnInnerCutoutLieBehindTheOuterOne) {
  project = withMapped(project, std::vector<Id>{outer}, Affine::turn(0.7).about({50, 50}));
  std::vector<Id> made;
  const double before = area(project, outer);
  const Project p = withOffcuts(project, inner, made);
  ASSERT_EQ(made.size(), 1U);
  ASSERT_EQ(sheetOf(p).items.size(), 2U);
  EXPECT_EQ(sheetOf(p).items[0]->id, made[0]);
  EXPECT_NEAR(area(p, outer), before, 1e-9) << "the cutout is as it was";
  // Where the disc bit the box, on the sheet.
  const Point bitten = Affine::turn(0.7).about({50, 50})(Point{90, 50});
  EXPECT_TRUE(isInside(transformed(resolved(*findItem(p, made[0]))->outline, frameToSheet(p, made[0])),
                       FillRule::Nonzero, bitten));
}

TEST_F(NestedTest, AHiddenCutoutLiftsHiddenParts) {
  project = withItem(project, inner, [](const Item& before) {
    Item after = before;
    after.hidden = true;
    return after;
  });
  const double before = area(project, outer);
  std::vector<Id> parts;
  const Project p = withPartsLifted(project, inner, parts);
  EXPECT_NEAR(area(p, outer), before, 1e-9);
}

TEST_F(NestedTest, ACutoutAndItsPartMovedTogetherMoveOnce) {
  const auto placeOf = [](const Project& p, Id id) { return frameToSheet(p, id)(Point{0, 0}); };
  const Project p = withMapped(project, std::vector<Id>{disc, outer}, Affine::move({30, 0}));
  for (const Id id : {outer, inner, disc, tab}) EXPECT_NEAR(placeOf(p, id).x, placeOf(project, id).x + 30, 1e-9) << id;
  EXPECT_EQ(outermost(p, std::vector<Id>{disc, outer}), std::vector<Id>{outer});
}

TEST_F(NestedTest, TrimmingAHiddenItemKeepsItsShape) {
  const Id wide = add("wide", fitted(ellipseOutline(1, 1), {{150, 100}, {260, 140}}), {1, 2, 3});
  project = withItem(project, wide, [](const Item& before) {
    Item after = before;
    after.hidden = true;
    return after;
  });
  std::vector<Id> made;
  Project p = withTrimmed(project, std::vector<Id>{wide}, sheetOf(project).box(), "edge", made);
  EXPECT_TRUE(findItem(p, wide)->hidden);
  EXPECT_LT(area(p, wide), pi * 55 * 20) << "an ellipse cut off, not the sheet";
  EXPECT_NEAR(boxInParent(*findItem(p, wide)).high.x, 200, 1e-6);
}

TEST_F(NestedTest, AColourChosenForACutoutReplacesAPartsPhoto) {
  addPhoto(40, 30);
  project = withPhotoIn(project, box, photo);
  project = withItem(project, inner, [&](const Item& before) {
    Item after = before;
    setPicture(changeable(after), PartPicture{box});
    return after;
  });
  ASSERT_TRUE(shownPhoto(*findItem(project, inner)));
  const Project p = withFill(project, std::vector<Id>{inner}, Colour{1, 2, 3});
  EXPECT_FALSE(shownPhoto(*findItem(p, inner)));
  EXPECT_EQ(colourOf(*findItem(p, inner)->style), (Colour{1, 2, 3}));
  EXPECT_TRUE(pictureOf(*findItem(p, box)->style)) << "the part keeps it";
}

}  // namespace
}  // namespace widecut
