// The last change made once more, by mouse and keys in the real window.
#include <gtest/gtest.h>

#include "job_photos.h"
#include "place_hands.h"
#include "project/edits/fills.h"

namespace widecut {
namespace {

std::vector<Id> all(PlaceHands& w) {
  std::vector<Id> ids;
  for (const ItemPtr& item : w.items()) ids.push_back(item->id);
  return ids;
}

TEST(Again, CopiesGoOnAtTheFirstOnesSpacing) {
  PlaceHands w;
  const Id first = w.box(30, 30, 20, 20);
  w.actions = 0;
  // A copy is dragged a little further, straight to the side; four more follow it.
  w.drag(w.mm(40, 40), w.mm(68.3, 41), Qt::AltModifier | Qt::ShiftModifier);
  for (int i = 0; i < 4; ++i) w.key(Qt::Key_A);
  w.report("five copies");
  EXPECT_LE(w.actions, 5);
  const auto ids = all(w);
  ASSERT_EQ(ids.size(), 6U);
  EXPECT_EQ(ids.front(), first);
  const double step = w.boxOf(ids[1]).low.x - w.boxOf(ids[0]).low.x;
  EXPECT_NEAR(step, w.mm(28.3, 0).x, 1.5);
  for (std::size_t i = 1; i < ids.size(); ++i) {
    EXPECT_NEAR(w.boxOf(ids[i]).low.x - w.boxOf(ids[i - 1]).low.x, step, 1e-10);
    EXPECT_EQ(w.boxOf(ids[i]).low.y, w.boxOf(ids[0]).low.y);
  }
  w.desk().undo();
  EXPECT_EQ(all(w).size(), 5U) << "each is one step";
}

TEST(Again, TurnsAboutAFreePivotMakeARing) {
  PlaceHands w;
  const Id first = w.box(130, 40, 20, 30);
  w.desk().setPivot({PivotPlace{0, 0}, w.mm(140, 105)});
  w.type("turn", "60");
  // Copies from there on.
  for (int i = 0; i < 4; ++i) w.key(Qt::Key_A, Qt::ShiftModifier);
  const auto ids = all(w);
  ASSERT_EQ(ids.size(), 5U);
  for (std::size_t i = 0; i < ids.size(); ++i) {
    const ItemPtr item = findItem(w.desk().project(), ids[i]);
    EXPECT_NEAR(std::remainder(item->turn - radians(60.0 * double(i + 1)), 2 * pi), 0, 1e-9) << i;
    EXPECT_NEAR(distance(item->position, w.mm(140, 105)), w.mm(50, 0).x, 1.5) << i;
  }
  EXPECT_EQ(w.only()->id, ids.back()) << "the newest is selected";
  EXPECT_EQ(ids.front(), first);
}

TEST(Again, MovesSizesColoursAndCornersOfOthers) {
  PlaceHands w;
  const Id a = w.box(30, 30, 20, 20), b = w.box(90, 90, 40, 30);
  const Box before = w.boxOf(b), first = w.boxOf(a);
  w.desk().select({a});
  w.type("x", "35");
  const double by = w.boxOf(a).low.x;
  w.desk().select({b});
  w.key(Qt::Key_A);
  EXPECT_NEAR(w.boxOf(b).low.x - before.low.x, by - first.low.x, 1e-9) << "as far again";
  EXPECT_NEAR(by, w.mm(35, 0).x, 1e-9);
  w.desk().select({a});
  w.type("width", "33");
  w.desk().select({b});
  w.key(Qt::Key_A);
  EXPECT_NEAR(w.boxOf(b).width(), w.mm(33, 0).x, 1e-9);
  // A handle: by the same share.
  w.desk().select({a});
  const Box old = w.boxOf(a);
  w.drag({old.high.x, old.centre().y}, {old.high.x + old.width(), old.centre().y}, Qt::ControlModifier);
  const double share = w.boxOf(a).width() / old.width();
  w.desk().select({b});
  w.key(Qt::Key_A);
  EXPECT_NEAR(w.boxOf(b).width(), w.mm(33, 0).x * share, 1e-6);
  // Corners.
  w.desk().select({a});
  w.key(Qt::Key_2);
  w.pressShown("corner round");
  w.desk().select({b});
  w.key(Qt::Key_A);
  ASSERT_TRUE(treatedOf(*findItem(w.desk().project(), b)));
  EXPECT_EQ(treatmentOf(*findItem(w.desk().project(), b)).all, treatmentOf(*findItem(w.desk().project(), a)).all);
  EXPECT_EQ(w.desk().history().undoName(), "Again: Treat corner");
}

TEST(Again, PaintAndReframingOfOthers) {
  PlaceHands w;
  const Id a = w.box(30, 30, 40, 30), b = w.box(110, 90, 60, 45);
  const auto style = [&](Id id) { return findItem(w.desk().project(), id)->style; };
  const auto again = [&] {
    w.desk().select({b});
    w.key(Qt::Key_A);
  };
  w.desk().select({a});
  w.press("fillColour");
  w.press("tone #000000");
  w.window.findChild<QWidget*>("colourPopover")->close();
  w.settle();
  again();
  EXPECT_EQ(colourOf(*style(b)), (Colour{0, 0, 0}));
  w.desk().select({a});
  w.type("outline width", "3");
  again();
  ASSERT_TRUE(lineOf(*style(b)));
  EXPECT_NEAR(lineOf(*style(b))->shape.width, 3, 1e-9);
  w.desk().select({a});
  w.type("opacity", "40");
  again();
  EXPECT_NEAR(style(b)->opacity, 0.4, 1e-9);
  // The photos of both, moved alike.
  const QTemporaryDir folder;
  const QString photo = redPhoto(folder);
  for (const Id id : {a, b}) {
    w.desk().select({id});
    w.drop(photo, w.boxOf(id).centre());
    w.desk().commit("larger", withReframing(w.desk().settled(), id, Affine::scale(2, 2).about(w.boxOf(id).centre())));
  }
  const auto centre = [&](Id id) { return pictureOf(*style(id))->framing.centre; };
  const Point before[] = {centre(a), centre(b)};
  w.desk().select({a});
  w.key(Qt::Key_R);
  w.drag(w.boxOf(a).centre(), w.boxOf(a).centre() + w.mm(4, 2));
  w.key(Qt::Key_Escape);
  ASSERT_GT(distance(centre(a), before[0]), 1);
  again();
  EXPECT_LE(distance(centre(b) - before[1], centre(a) - before[0]), 1e-6);
}

}  // namespace
}  // namespace widecut
