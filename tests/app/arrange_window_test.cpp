// Into line, to equal gaps and sizes, on the bench of the real window.
#include <gtest/gtest.h>

#include "place_hands.h"

namespace widecut {
namespace {

TEST(ArrangeWindow, CardsShowWhatTheyDoAndDoIt) {
  PlaceHands w;
  const Id a = w.box(30, 30, 20, 20), b = w.box(90, 52, 40, 30), c = w.box(64, 120, 15, 12);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_E);
  // Pointed at, it shows on the mat and is not made yet.
  auto& left = w.shown<Card>("arrange Left edges");
  QEnterEvent enter(QPointF(5, 5), QPointF(5, 5), left.mapToGlobal(QPointF(5, 5)));
  QApplication::sendEvent(&left, &enter);
  EXPECT_EQ(w.boxOf(b).low.x, w.boxOf(a).low.x);
  QEvent leave(QEvent::Leave);
  QApplication::sendEvent(&w.shown<Card>("arrange Left edges"), &leave);
  w.settle();
  EXPECT_GT(w.boxOf(b).low.x, w.boxOf(a).low.x);
  w.pressShown("arrange Left edges");
  EXPECT_EQ(w.boxOf(b).low.x, w.boxOf(a).low.x);
  EXPECT_EQ(w.boxOf(c).low.x, w.boxOf(a).low.x);
  EXPECT_FALSE(w.shown<Card>("arrange Left edges").isEnabled()) << "they are in line";
  w.pressShown("arrange Gaps down");
  const double gap = w.boxOf(b).low.y - w.boxOf(a).high.y;
  EXPECT_NEAR(w.boxOf(c).low.y - w.boxOf(b).high.y, gap, 1e-9);
  w.typeShown("gap down", "4");
  EXPECT_NEAR(w.boxOf(b).low.y - w.boxOf(a).high.y, w.mm(4, 0).x, 1e-9);
  EXPECT_NEAR(w.boxOf(c).low.y - w.boxOf(b).high.y, w.mm(4, 0).x, 1e-9);
  w.pressShown("alignTo the sheet");
  w.pressShown("arrange Right edges");
  for (const Id id : {a, b, c}) EXPECT_NEAR(w.boxOf(id).high.x, w.desk().sheet()->width, 1e-9);
  w.pressShown("alignTo one another");
  w.pressShown("arrange Same width");
  const double width = w.boxOf(w.desk().selection().front()).width();
  for (const Id id : {a, b, c}) EXPECT_NEAR(w.boxOf(id).width(), width, 1e-9);
  // One item is brought into line with the sheet.
  w.desk().select({c});
  EXPECT_FALSE(w.desk().showsArranging()) << "its own page";
  w.key(Qt::Key_E);
  w.pressShown("alignTo the sheet");
  w.pressShown("arrange Middles across");
  EXPECT_NEAR(w.boxOf(c).centre().x, w.desk().sheet()->width / 2, 1e-9);
  w.key(Qt::Key_E);
  EXPECT_EQ(w.desk().history().undoName(), "Middles across");
}

}  // namespace
}  // namespace widecut
