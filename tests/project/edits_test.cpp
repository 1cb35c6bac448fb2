#include "project/edits/tree.h"

#include <gtest/gtest.h>

#include "project/edits/order.h"
#include "project/framing.h"
#include "project/history.h"
#include "project/resolve.h"
#include "sample.h"

namespace widecut {
namespace {

TEST(Edits, ChangeOneItemAndShareTheRest) {
  const Sample s;
  const Project next = withItem(s.project, s.box, [](const Item& before) {
    Item after = before;
    after.name = "panel";
    return after;
  });
  EXPECT_EQ(findItem(next, s.box)->name, "panel");
  EXPECT_EQ(findItem(s.project, s.box)->name, "box") << "the old project is as it was";
  EXPECT_EQ(findItem(next, s.disc), findItem(s.project, s.disc)) << "untouched nodes are the same objects";
}

TEST(Edits, StackingAndDeleting) {
  const Sample s;
  const std::vector<Id> box{s.box};
  EXPECT_EQ(s.sheetOf(broughtToFront(s.project, box)).items.back()->id, s.box);
  EXPECT_EQ(s.sheetOf(sentToBack(s.project, std::vector<Id>{s.disc})).items.front()->id, s.disc);
  EXPECT_EQ(s.sheetOf(withoutItems(s.project, box)).items.size(), 1U);
}

TEST(Edits, CopiesHaveIdsOfTheirOwn) {
  const Sample s;
  std::vector<Id> copies;
  const Project next = withCopies(s.project, std::vector<Id>{s.box, s.disc}, {10, 0}, copies);
  ASSERT_EQ(copies.size(), 2U);
  EXPECT_EQ(s.sheetOf(next).items.size(), 4U);
  EXPECT_NE(copies[0], s.box);
  EXPECT_NEAR(boxInParent(*findItem(next, copies[0])).low.x, boxInParent(*findItem(s.project, s.box)).low.x + 10, 1e-9);
}

TEST(Edits, TurningMovesTheFrameAndLeavesTheOutlineAlone) {
  const Sample s;
  const Project next = withMapped(s.project, std::vector<Id>{s.box}, Affine::turn(0.5).about({50, 50}));
  const ItemPtr before = findItem(s.project, s.box), after = findItem(next, s.box);
  EXPECT_EQ(before->form, after->form) << "the same node, not a turned copy";
  EXPECT_NEAR(after->turn, 0.5, 1e-12);
}

TEST(Edits, StretchingATurnedItemAlongItsOwnAxesKeepsItsTurn) {
  const Sample s;
  Project p = withMapped(s.project, std::vector<Id>{s.box}, Affine::turn(0.5).about({50, 50}));
  p = withSize(p, s.box, 200, 50);
  const ItemPtr item = findItem(p, s.box);
  EXPECT_NEAR(item->turn, 0.5, 1e-9);
  EXPECT_NEAR(resolved(*item)->box.width(), 200, 1e-6);
  EXPECT_NEAR(resolved(*item)->box.height(), 50, 1e-6);
}

TEST(Framing, CoversAndNeverStretches) {
  const Box wide{{0, 0}, {200, 50}};
  const Framing f = coveringFraming(wide, 400, 300);
  EXPECT_NEAR(f.pointsPerPixel, 0.5, 1e-12);
  const Framing shifted = keptCovering({{100, 90}, 0.5, 0}, wide, 400, 300);
  EXPECT_NEAR(shifted.centre.y, 75, 1e-9) << "the picture's edge stops at the frame's";
  EXPECT_NEAR(shifted.centre.x, 100, 1e-9);
}

TEST(Framing, RefittingThereAndBackIsTheSame) {
  const Box small{{0, 0}, {100, 60}}, large{{-20, 0}, {300, 90}};
  const Framing f = keptCovering({{42, 35}, 0.4, 0}, small, 400, 300);
  const Framing back = refitted(refitted(f, small, large, 400, 300), large, small, 400, 300);
  EXPECT_NEAR(back.centre.x, f.centre.x, 1e-9);
  EXPECT_NEAR(back.pointsPerPixel, f.pointsPerPixel, 1e-12);
}

TEST(Edits, APhotoKeepsItsProportionsWhenItsFrameIsStretched) {
  Sample s;
  s.addPhoto(400, 300);
  Project p = withPhotoIn(s.project, s.box, s.photo);
  p = withSize(p, s.box, 300, 100);
  const auto shown = shownPhoto(*findItem(p, s.box));
  ASSERT_TRUE(shown);
  EXPECT_NEAR(length(shown->pixelsToFrame.vector({1, 0})), length(shown->pixelsToFrame.vector({0, 1})), 1e-12);
  EXPECT_NEAR(shown->pointsPerPixel, 300.0 / 400, 1e-9) << "it just covers the wider frame";
}

TEST(Edits, ReframingNeverUncoversTheFrame) {
  Sample s;
  s.addPhoto(400, 300);
  Project p = withPhotoIn(s.project, s.box, s.photo);
  for (const Affine& map : {Affine::move({5000, -300}), Affine::scale(0.1, 0.1), Affine::scale(3, 3).about({10, 90})}) {
    p = withReframing(p, s.box, map);
    const ItemPtr item = findItem(p, s.box);
    const auto shown = shownPhoto(*item);
    const Box picture = shown->pixelsToFrame(Box{{0, 0}, {400, 300}});
    EXPECT_TRUE(picture.grown(1e-9).contains(resolved(*item)->box));
  }
}

TEST(History, UndoesAndRedoesByName) {
  History history(std::make_shared<const Project>());
  EXPECT_TRUE(history.isSaved() && !history.canUndo());
  history.commit("Move", std::make_shared<const Project>());
  history.commit("Turn", std::make_shared<const Project>());
  EXPECT_EQ(history.undoName(), "Turn");
  history.undo();
  EXPECT_EQ(history.undoName(), "Move");
  EXPECT_EQ(history.redoName(), "Turn");
  history.markSaved();
  history.undo();
  EXPECT_FALSE(history.isSaved());
  history.commit("Scale", std::make_shared<const Project>());
  EXPECT_FALSE(history.canRedo());
  history.undo();
  EXPECT_FALSE(history.isSaved()) << "the saved state was dropped, so nothing is it any more";
}

}  // namespace
}  // namespace widecut
