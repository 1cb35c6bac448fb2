// One photo behind several frames.
#include "project/edits/sharing.h"

#include <gtest/gtest.h>

#include "project/edits/groups.h"
#include "project/edits/order.h"
#include "project/edits/sheets.h"
#include "project/resolve.h"
#include "sample.h"

namespace widecut {
namespace {

/// A box of 100 × 100 at the left and a disc that overlaps it, with one photo behind both.
struct Sharing : testing::Test, Sample {
  std::vector<Id> both;

  void SetUp() override {
    addPhoto(640, 480);
    project = withPhotoIn(project, box, photo);
    both = {box, disc};
    project = withSharedPhoto(project, both, box);
  }
  Affine onSheet(Id id) const { return frameToSheet(project, id) * shownPhoto(*findItem(project, id))->pixelsToFrame; }
  /// Every frame has the photo at the same place of the sheet.
  void expectInRegister(std::span<const Id> ids) const {
    for (const Id id : ids)
      for (const Point pixel : {Point{0, 0}, Point{640, 0}, Point{100, 480}})
        EXPECT_NEAR(distance(onSheet(id)(pixel), onSheet(ids[0])(pixel)), 0, 1e-9);
  }
  bool isCovered() const {
    const Affine back = *onSheet(box).inverse();
    const Box pixels = Box{{0, 0}, {640, 480}}.grown(1e-6), all = boxOfSharers(project, box);
    for (int i = 0; i < 4; ++i)
      if (!pixels.contains(back(all.corner(i)))) return false;
    return true;
  }
};

TEST_F(Sharing, OnePhotoCoversAllFramesTogether) {
  EXPECT_EQ(sharersOf(project, disc), both);
  EXPECT_NE(shareOf(*findItem(project, box)), 0U);
  expectInRegister(both);
  EXPECT_TRUE(isCovered());
  EXPECT_EQ(boxOfSharers(project, box).high.x, 130);
  const Box window = bounds(windowOnSheet(project, disc));
  EXPECT_EQ(window.low, boxOfSharers(project, box).low);
  EXPECT_EQ(window.high, boxOfSharers(project, box).high);
}

TEST_F(Sharing, ThePhotoOfAFrameLiesBehindTheSheetToo) {
  std::vector<Id> laid;
  // One of its own begins to be shared; it grows until it covers the sheet.
  project = withPhotosOfTheirOwn(project, both);
  const Affine before = onSheet(disc);
  project = withPhotoBehindSheets(project, disc, {}, laid);
  ASSERT_EQ(laid.size(), 1U);
  const Id made = laid[0];
  EXPECT_EQ(sheetOf(project).items[0]->id, made);
  EXPECT_EQ(boxOnSheet(project, made).high, (sheetOf(project).box().high));
  const std::vector<Id> now{made, disc};
  expectInRegister(now);
  EXPECT_EQ(shareOf(*findItem(project, box)), 0U);
  EXPECT_GE(onSheet(made).meanScale(), before.meanScale());
  const Affine back = *onSheet(made).inverse();
  for (int i = 0; i < 4; ++i)
    EXPECT_TRUE((Box{{0, 0}, {640, 480}}.grown(1e-6).contains(back(sheetOf(project).box().corner(i)))));
  // Where it is large enough it stays as it is, and those that shared it go on sharing.
  project = withReframing(project, disc, Affine::scale(2, 2).about(sheetOf(project).box().centre()));
  const Affine large = onSheet(disc);
  laid.clear();
  project = withPhotoBehindSheets(project, disc, {}, laid);
  expectInRegister(std::vector<Id>{made, disc, laid[0]});
  EXPECT_NEAR(distance(onSheet(disc)(Point{}), large(Point{})), 0, 1e-6);
}

/// The same with a second sheet in the piece, a copy of the first one.
struct SharingOverSheets : Sharing {
  Id second = 0;
  void SetUp() override {
    Sharing::SetUp();
    project = withPhotosOfTheirOwn(project, both);
    project = withSheetAfter(project, sheet, second);
  }
};

TEST_F(SharingOverSheets, ThePhotoLiesBehindAllChosenSheets) {
  std::vector<Id> laid;
  const Id sheets[] = {sheet, second};
  project = withPhotoBehindSheets(project, disc, sheets, laid);
  ASSERT_EQ(laid.size(), 2U);
  EXPECT_EQ(findSheet(project, second)->items[0]->id, laid[1]);
  EXPECT_EQ(sharersOf(project, laid[1]), (std::vector<Id>{laid[0], disc, laid[1]}));
  expectInRegister(sharersOf(project, disc));
  // Reframed on one it is on all; covered are all.
  project = withReframing(project, laid[1], Affine::scale(1.5, 1.5).about({20, 30}));
  expectInRegister(sharersOf(project, disc));
  project = withReframing(project, disc, Affine::move({900, 0}));
  expectInRegister(sharersOf(project, disc));
  const Affine back = *onSheet(laid[1]).inverse();
  for (int i = 0; i < 4; ++i)
    EXPECT_TRUE((Box{{0, 0}, {640, 480}}.grown(1e-6).contains(back(sheetOf(project).box().corner(i)))));
}

TEST_F(SharingOverSheets, ACopyInItsPlaceOnAnotherSheetGoesOnSharing) {
  project = withPhotosOverSheets(project, std::vector<Id>{box}, true);
  EXPECT_EQ(sharersOf(project, box), std::vector<Id>{box}) << "nobody else yet";
  std::vector<Id> copies;
  project = withCopiesOnSheet(project, std::vector<Id>{box}, second, {}, copies);
  ASSERT_EQ(copies.size(), 1U);
  EXPECT_EQ(sharersOf(project, copies[0]), (std::vector<Id>{box, copies[0]}));
  project = withReframing(project, copies[0], Affine::scale(2, 2).about({10, 10}));
  expectInRegister(std::vector<Id>{box, copies[0]});
  // One beside it, on its own sheet, shows the photo as its own.
  std::vector<Id> beside;
  project = withCopies(project, std::vector<Id>{box}, {30, 0}, beside);
  EXPECT_EQ(shareOf(*findItem(project, beside[0])), 0U);
  // Left again, each keeps what it shows.
  const Affine before = onSheet(copies[0]);
  project = withPhotosOverSheets(project, std::vector<Id>{box}, false);
  EXPECT_EQ(sharersOf(project, copies[0]), std::vector<Id>{copies[0]});
  EXPECT_EQ(onSheet(copies[0]), before);
  project = withReframing(project, box, Affine::scale(1.5, 1.5).about({10, 10}));
  EXPECT_EQ(onSheet(copies[0]), before);
}

TEST_F(SharingOverSheets, ACopiedSheetJoinsWhatIsOverSheetsAlone) {
  project = withSharedPhoto(project, both, box);
  Id third = 0;
  project = withSheetCopied(project, sheet, third);
  const Id copy = findSheet(project, third)->items[0]->id;
  EXPECT_EQ(sharersOf(project, copy).size(), 2U) << "shared on its own sheet alone";
  project = withPhotosOverSheets(project, std::vector<Id>{box}, true);
  EXPECT_EQ(sharersOf(project, box).size(), 2U) << "the copies stay as they are";
  project = withSheetCopied(project, sheet, third);
  EXPECT_EQ(sharersOf(project, box).size(), 4U);
  expectInRegister(sharersOf(project, box));
}

TEST_F(Sharing, ReframingReachesEveryFrame) {
  const Affine before = onSheet(disc), map = Affine::scale(1.4, 1.4).about({60, 40});
  project = withReframing(project, disc, map);
  expectInRegister(both);
  EXPECT_NEAR(distance(onSheet(box)(Point{320, 240}), (map * before)(Point{320, 240})), 0, 1e-9);
  // Further than it covers them it does not go.
  project = withReframing(project, box, Affine::move({500, 0}));
  expectInRegister(both);
  EXPECT_TRUE(isCovered());
  project = withPicturesMirrored(project, std::vector<Id>{disc});
  expectInRegister(both);
  EXPECT_LT(onSheet(box).determinant(), 0);
  project = withPictureTurned(project, box, 0.2);
  expectInRegister(both);
  EXPECT_TRUE(isCovered());
  project = withAdjustments(project, std::vector<Id>{box}, [](Adjustments& a) { a.set(Adjusting::Grey, 1); });
  EXPECT_TRUE(shownPhoto(*findItem(project, disc))->adjustments);
}

TEST_F(Sharing, AFrameThatIsMovedTurnedOrResizedLooksAtAnotherPart) {
  const Affine before = onSheet(box);
  project = withMapped(project, std::vector<Id>{disc}, Affine::move({-20, 15}));
  project = withMapped(project, std::vector<Id>{disc}, Affine::turn(0.7).about({80, 60}));
  project = withResized(project, std::vector<Id>{box}, Affine::scale(0.5, 0.8).about({0, 0}));
  project = withSize(project, disc, 30, 44);
  EXPECT_NEAR(distance(onSheet(box)(Point{9, 9}), before(Point{9, 9})), 0, 1e-9);
  expectInRegister(both);
}

TEST_F(Sharing, AFrameThatMovesInAGroupLooksAtAnotherPart) {
  // The disc in a group with a plain item; the box stays outside.
  const Id plain = add("plain", fitted(rectangleOutline(1, 1), {{150, 100}, {170, 120}}), {9, 9, 9});
  Id group = 0;
  project = grouped(project, std::vector<Id>{disc, plain}, group);
  const Affine before = onSheet(box);
  project = withMapped(project, std::vector<Id>{group}, Affine::move({-25, 12}));
  expectInRegister(both);
  EXPECT_NEAR(distance(onSheet(box)(Point{9, 9}), before(Point{9, 9})), 0, 1e-9) << "it stays where it is";
  project = withMapped(project, std::vector<Id>{group}, Affine::turn(0.5).about({80, 70}));
  expectInRegister(both);
  // Together with the box all frames went, and the photo with them.
  const Affine map = Affine::move({7, -4});
  project = withMapped(project, std::vector<Id>{group, box}, map);
  expectInRegister(both);
  EXPECT_NEAR(distance(onSheet(box)(Point{9, 9}), (map * before)(Point{9, 9})), 0, 1e-9);
}

TEST_F(Sharing, AllFramesTogetherTakeItAlong) {
  const Affine before = onSheet(box), map = Affine::turn(0.3).about({50, 50});
  project = withMapped(project, both, map);
  expectInRegister(both);
  EXPECT_NEAR(distance(onSheet(disc)(Point{10, 20}), (map * before)(Point{10, 20})), 0, 1e-9);
}

TEST_F(Sharing, AGroupOfThemStaysInRegister) {
  Id group = 0;
  const Affine before = onSheet(box);
  project = grouped(project, both, group);
  expectInRegister(both);
  EXPECT_EQ(sharersOf(project, disc), both);
  project = withMapped(project, std::vector<Id>{group}, Affine::move({10, 5}));
  expectInRegister(both);
  EXPECT_NEAR(distance(onSheet(box)(Point{0, 0}), before(Point{0, 0}) + Point{10, 5}), 0, 1e-9);
}

TEST_F(Sharing, FramesJoinAndLeave) {
  const Id third = add("third", transformed(ellipseOutline(20, 20), Affine::move({180, 140})), {9, 9, 9});
  project = withSharedPhoto(project, std::vector<Id>{box, disc, third}, disc);
  EXPECT_EQ(sharersOf(project, third), (std::vector<Id>{box, disc, third}));
  EXPECT_TRUE(isCovered());
  project = withPhotosOfTheirOwn(project, std::vector<Id>{disc});
  EXPECT_EQ(sharersOf(project, third), (std::vector<Id>{box, third}));
  EXPECT_EQ(shareOf(*findItem(project, disc)), 0U);
  expectInRegister(std::vector<Id>{box, disc, third});
  // What left goes with its frame again.
  const Affine left = onSheet(disc);
  project = withMapped(project, std::vector<Id>{disc}, Affine::move({7, 0}));
  EXPECT_NEAR(distance(onSheet(disc)(Point{0, 0}), left(Point{0, 0}) + Point{7, 0}), 0, 1e-9);
}

TEST_F(Sharing, ACopyShowsItsPhotoAsItsOwn) {
  std::vector<Id> copies;
  const ItemPtr item = findItem(project, disc);
  project = withCopiesOnTop(project, sheet, {&item, 1}, {30, 30}, copies);
  EXPECT_EQ(shareOf(*findItem(project, copies.front())), 0U);
  EXPECT_EQ(sharersOf(project, box), both);
}

TEST_F(Sharing, NeedsAPhotoAndTwoFrames) {
  Sample plain;
  EXPECT_TRUE(isSame(withSharedPhoto(plain.project, std::vector<Id>{plain.box, plain.disc}, plain.box), plain.project));
  const Project before = project;
  EXPECT_TRUE(isSame(withSharedPhoto(project, std::vector<Id>{box}, box), before));
}

}  // namespace
}  // namespace widecut
