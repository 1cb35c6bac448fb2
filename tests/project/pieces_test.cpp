#include "project/edits/pieces.h"

#include <gtest/gtest.h>

#include "geometry/path_data.h"
#include "project/resolve.h"
#include "sample.h"

namespace widecut {
namespace {

struct PiecesTest : testing::Test, Sample {
  std::vector<Id> both() const { return {box, disc}; }
  double areaOf(const Project& p, Id item) const { return signedArea(resolved(*findItem(p, item))->outline); }
  Project cutout(Outcome outcome) {
    return combined(project, both(), outcome, usualLook(project, both(), outcome), made);
  }
  Id made = 0;
  const double half = signedArea(ellipseOutline(60, 60)) / 2;
};

/// Where a photo's pixel lies on the sheet.
Point pixelOnSheet(const Project& p, Id item, Point pixel) {
  return frameToSheet(p, item)(shownPhoto(*findItem(p, item))->pixelsToFrame(pixel));
}

TEST_F(PiecesTest, BakingKeepsTheResultItsLookAndItsPhotoInPlace) {
  addPhoto(400, 300);
  project = withPhotoIn(project, box, photo);
  const Project live = withMapped(cutout(Outcome::SubtractFront), std::vector<Id>{made}, Affine::turn(0.4));
  const Project baked = withBaked(live, made);
  const ItemPtr item = findItem(baked, made);
  EXPECT_EQ(item->recipe(), nullptr);
  EXPECT_NEAR(areaOf(baked, made), areaOf(live, made), 1e-9);
  EXPECT_EQ(counts(resolved(*item)->outline).curves, 2) << "half a disc bitten out: two quarters of it";
  for (const Point pixel : {Point{0, 0}, Point{400, 120}})
    EXPECT_LT(distance(pixelOnSheet(live, made, pixel), pixelOnSheet(baked, made, pixel)), 1e-9);
}

TEST_F(PiecesTest, DividingGivesEveryFaceAndLosesNothing) {
  std::vector<Id> pieces;
  const Project p = withDivided(project, both(), usualLook(project, both(), Outcome::Union), pieces);
  ASSERT_EQ(pieces.size(), 3U);
  double sum = 0;
  for (const Id id : pieces) sum += areaOf(p, id);
  EXPECT_NEAR(sum, 10000 + half, 1e-9);
  EXPECT_EQ(sheetOf(p).items.size(), 3U);
}

TEST_F(PiecesTest, APhotoDividedByARingShowsInAllItCoversInRegister) {
  addPhoto(400, 300);
  Id frame = 0;
  project = withPhotoItem(project, sheet, photo, {{0, 0}, {200, 150}}, frame);
  const Id ring = add("ring", *parsePathData("M60 40h80v60h-80zM80 55v30h40v-30z"), {10, 10, 10});
  const std::vector<Id> items{frame, ring};
  std::vector<Id> pieces;
  const Project p = withDivided(project, items, usualLook(project, items, Outcome::Union), pieces);
  ASSERT_EQ(pieces.size(), 3U) << "the ring, its counter, the rest";
  for (const Id id : pieces) {
    ASSERT_TRUE(pictureOf(*findItem(p, id)->style));
    EXPECT_LT(distance(pixelOnSheet(p, id, {100, 100}), pixelOnSheet(project, frame, {100, 100})), 1e-9);
  }
}

TEST_F(PiecesTest, SplittingLooseMakesAnItemOfEachRegion) {
  const Id bar = add("bar", fitted(rectangleOutline(1, 1), {{-10, 45}, {110, 55}}), {0, 0, 0});
  const std::vector<Id> items{box, bar};
  const Project p =
      combined(project, items, Outcome::SubtractFront, usualLook(project, items, Outcome::SubtractFront), made);
  std::vector<Id> pieces;
  const Project split = withSplitLoose(p, made, pieces);
  ASSERT_EQ(pieces.size(), 2U);
  EXPECT_NEAR(areaOf(split, pieces[0]), 4500, 1e-9);
  EXPECT_EQ(colourOf(*findItem(split, pieces[0])->style), colourOf(*findItem(project, box)->style));
  EXPECT_FALSE(findItem(split, made));
  std::vector<Id> none;
  EXPECT_EQ(sheetOf(withSplitLoose(project, box, none)).items, sheetOf(project).items) << "one region stays";
}

TEST_F(PiecesTest, OffcutsAreWhatTheRecipeRemoves) {
  std::vector<Id> offcuts;
  const Project live = cutout(Outcome::SubtractFront);
  const Project p = withOffcuts(live, made, offcuts);
  ASSERT_EQ(offcuts.size(), 1U);
  EXPECT_NEAR(areaOf(p, offcuts[0]), half, 1e-9) << "the half of the disc within the box";
  EXPECT_EQ(colourOf(*findItem(p, offcuts[0])->style), colourOf(*findItem(project, box)->style));
  EXPECT_TRUE(findItem(p, made)->recipe()) << "the cutout stays live";
  // What a union removes is nothing; what an exclusion removes is the overlap.
  const Project united = cutout(Outcome::Union);
  EXPECT_TRUE(offcutsOf(*findItem(united, made)).isEmpty());
  const Project excluded = cutout(Outcome::Exclude);
  EXPECT_NEAR(signedArea(offcutsOf(*findItem(excluded, made))), half, 1e-9);
}

TEST_F(PiecesTest, TheKnifePartsWhatItCrossesAndLeavesTheRest) {
  std::vector<Id> pieces;
  const Outline stroke = *parsePathData("M-10 50L70 50");
  const auto p = withKnife(project, both(), stroke, 0, pieces);
  ASSERT_FALSE(p) << "the stroke ends inside the box: " << pieces.size();
  pieces.clear();
  const auto parted = withKnife(project, std::vector<Id>{box}, *parsePathData("M-10 50L120 50"), 6, pieces);
  ASSERT_TRUE(parted);
  ASSERT_EQ(pieces.size(), 2U);
  EXPECT_NEAR(areaOf(*parted, pieces[0]), 4700, 1e-9);
  EXPECT_TRUE(findItem(*parted, disc));
}

TEST_F(PiecesTest, OffsettingGrowsAndRefusesToLeaveNothing) {
  const auto grown = withOffset(project, std::vector<Id>{box}, 10, Join::Mitre);
  ASSERT_TRUE(grown);
  EXPECT_NEAR(areaOf(*grown, box), 120 * 120, 1e-6);
  EXPECT_EQ(boxInParent(*findItem(*grown, box)), (Box{{-10, -10}, {110, 110}}));
  const auto gone = withOffset(project, std::vector<Id>{box}, -60, Join::Mitre);
  ASSERT_FALSE(gone);
  EXPECT_NE(gone.error().message.find("box"), std::string::npos);
}

TEST_F(PiecesTest, AnOutlinedLineIsFilledWithItsColour) {
  project = withItem(project, box, [](const Item& before) {
    Item after = before;
    setLine(changeable(after), plainLine(Colour{1, 2, 3}, 10));
    return after;
  });
  LineShape shape;
  shape.width = 10;
  const auto p = withLineOutlined(project, std::vector<Id>{box}, shape);
  ASSERT_TRUE(p);
  EXPECT_NEAR(areaOf(*p, box), 110 * 110 - 90 * 90, 1e-6);
  EXPECT_EQ(colourOf(*findItem(*p, box)->style), (Colour{1, 2, 3}));
  EXPECT_FALSE(lineOf(*findItem(*p, box)->style));
}

TEST_F(PiecesTest, TrimmingIsALiveCutoutThatKeepsThePhotoInRegister) {
  addPhoto(400, 300);
  const Id over = add("over", fitted(rectangleOutline(1, 1), {{150, 100}, {260, 200}}), {9, 9, 9});
  project = withPhotoIn(project, over, photo);
  std::vector<Id> after;
  const Project p = withTrimmed(project, std::vector<Id>{box, over}, sheetOf(project).box(), "sheet edge", after);
  EXPECT_EQ(after, (std::vector<Id>{box, over}));
  EXPECT_FALSE(findItem(p, box)->recipe()) << "it does not overhang";
  ASSERT_TRUE(findItem(p, over)->recipe());
  EXPECT_NEAR(areaOf(p, over), 50 * 50, 1e-9);
  EXPECT_LT(distance(pixelOnSheet(p, over, {7, 7}), pixelOnSheet(project, over, {7, 7})), 1e-9);
}

}  // namespace
}  // namespace widecut
