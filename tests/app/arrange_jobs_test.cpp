// The jobs of exact arranging, by mouse and keys in the real window; how many actions they take is printed.
#include <gtest/gtest.h>

#include "place_hands.h"
#include "project/forms/recipe.h"

namespace widecut {
namespace {

TEST(ArrangeJobs, J15ALeafFromTwoCirclesBecomesATileCutOutOfASquare) {
  PlaceHands w;
  const double pixel = 1 / w.mat().zoom();
  w.key(Qt::Key_5);
  w.drag(w.mm(60, 40), w.mm(100, 80), Qt::ShiftModifier);
  // A copy, corner to corner: its upper end on the right end of the first, which brings its left end to the lower one.
  const Box first = w.boxOf(w.only()->id);
  const Point by{first.width() / 2, first.height() / 2};
  w.drag(first.centre(), first.centre() + by + Point{2 * pixel, -2 * pixel}, Qt::AltModifier);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_I);
  const Id leaf = w.only()->id;
  EXPECT_NEAR(w.boxOf(leaf).width(), by.x, 1e-6) << "from tip to tip";
  EXPECT_NEAR(w.boxOf(leaf).height(), by.y, 1e-6);
  // Its tip becomes the pivot; it turns about it, and three copies go on.
  auto* pivot = w.window.findChild<QWidget*>("pivotGrid");
  ++w.actions;
  QTest::mouseClick(pivot, Qt::LeftButton, {}, pivot->rect().center());
  w.settle();
  const Point tip{w.boxOf(leaf).high.x, w.boxOf(leaf).low.y};
  w.drag(w.boxOf(leaf).centre(), tip + Point{2 * pixel, pixel});
  ASSERT_TRUE(w.desk().pivot().free);
  EXPECT_LE(distance(*w.desk().pivot().free, tip), 1e-9);
  w.type("turn", "90");
  for (int i = 0; i < 3; ++i) w.key(Qt::Key_A, Qt::ShiftModifier);
  ASSERT_EQ(w.items().size(), 4U);
  // A black square behind them, and all of them out of it.
  w.key(Qt::Key_4);
  w.drag(w.mm(75, 35), w.mm(125, 85), Qt::ShiftModifier);
  w.press("fillColour");
  w.press("tone #000000");
  w.window.findChild<QWidget*>("colourPopover")->close();
  w.settle();
  w.key(Qt::Key_BracketLeft, Qt::ControlModifier);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_S);
  w.report("J15");
  EXPECT_LE(w.actions, 20);

  ASSERT_EQ(w.items().size(), 1U);
  ASSERT_TRUE(w.only()->recipe());
  EXPECT_EQ(w.only()->recipe()->parts.size(), 5U);
  w.desk().select({});
  // In the middle of each leaf there is a hole; between them it is black.
  const double r = by.x;
  for (const Point way : {Point{-1, 1}, Point{1, 1}, Point{1, -1}, Point{-1, -1}})
    EXPECT_EQ(w.seen(tip + way * (r / 2)), QColor(Qt::white));
  for (const Point way : {Point{-1, 0}, Point{0, 1}, Point{1, 0}, Point{0, -1}})
    EXPECT_EQ(w.seen(tip + way * (r * 0.6)), QColor(Qt::black));
}

TEST(ArrangeJobs, J26ATileRepeatedAtTheFirstCopysSpacing) {
  PlaceHands w;
  w.key(Qt::Key_4);
  w.drag(w.mm(30, 60), w.mm(55, 85), Qt::ShiftModifier);
  w.key(Qt::Key_5);
  w.dragHolding(Qt::Key_S, w.mm(42.5, 72.5), w.mm(50, 80), Qt::ShiftModifier | Qt::AltModifier);
  ASSERT_TRUE(w.only() && w.only()->recipe());
  const Box tile = w.boxOf(w.items()[0]->id);
  w.drag(w.mm(36, 78), w.mm(36, 78) + Point{tile.width() + w.mm(6, 0).x, 0}, Qt::AltModifier | Qt::ShiftModifier);
  for (int i = 0; i < 4; ++i) w.key(Qt::Key_A);
  w.report("J26 tile");
  EXPECT_LE(w.actions, 9);
  ASSERT_EQ(w.items().size(), 6U);
  const double step = w.boxOf(w.items()[1]->id).low.x - tile.low.x;
  EXPECT_GT(step, tile.width());
  w.desk().select({});
  for (std::size_t i = 1; i < 6; ++i) {
    ASSERT_TRUE(w.items()[i]->recipe()) << "pierced, and live";
    EXPECT_NEAR(w.boxOf(w.items()[i]->id).low.x - w.boxOf(w.items()[i - 1]->id).low.x, step, 1e-9);
    EXPECT_EQ(w.seen(w.boxOf(w.items()[i]->id).centre()), QColor(Qt::white));
  }
}

}  // namespace
}  // namespace widecut
