// The pen by mouse and keys.
#include <gtest/gtest.h>

#include "node_hands.h"

namespace widecut {
namespace {

constexpr double pixel = 1.2;

TEST(PenWindow, ClicksMakeCornersDragsMakeCurvesAndTheFirstNodeCloses) {
  NodeHands w;
  w.key(Qt::Key_3);
  w.click(w.mm(60, 100));
  w.drag(w.mm(110, 40), w.mm(140, 40));
  w.click(w.mm(160, 100));
  // The next edge shows before it is made.
  w.moveTo(w.mm(60, 140));
  EXPECT_NE(w.seen(mix(w.mm(160, 100), w.mm(60, 140), 0.5)), QColor(Qt::white));
  w.click(w.mm(60, 100));
  ASSERT_TRUE(w.only());
  const NodePath path = w.paths()[0];
  ASSERT_TRUE(path.closed);
  ASSERT_EQ(path.nodes.size(), 3U);
  EXPECT_EQ(kindOf(path, 0), NodeKind::Corner);
  EXPECT_EQ(kindOf(path, 1), NodeKind::Even);
  EXPECT_TRUE(isStraight(path, 2));
  EXPECT_EQ(w.desk().tool(), ToolKind::Select);
  w.desk().undo();
  EXPECT_TRUE(w.sheet().items.empty()) << "one step";
}

TEST(PenWindow, ShiftAltBackspaceEnterAndEscape) {
  NodeHands w;
  w.key(Qt::Key_3);
  w.click(w.mm(60, 100));
  w.click(w.mm(100, 103), Qt::ShiftModifier);
  w.click(w.mm(130, 60));
  w.key(Qt::Key_Backspace);
  w.drag(w.mm(140, 60), w.mm(150, 60));
  // Broken while it is pulled.
  w.press(w.mm(180, 100));
  w.dragTo(w.mm(190, 120));
  w.dragTo(w.mm(200, 90), Qt::AltModifier);
  w.release(w.mm(200, 90), Qt::AltModifier);
  w.click(w.mm(220, 60));
  w.key(Qt::Key_Return);
  ASSERT_TRUE(w.only());
  NodePath path = w.paths()[0];
  EXPECT_FALSE(path.closed);
  ASSERT_EQ(path.nodes.size(), 5U);
  EXPECT_NEAR(w.nodeAt(1).y, w.mm(0, 100).y, 0.51 / w.mat().zoom()) << "level";
  EXPECT_EQ(kindOf(path, 3), NodeKind::Corner);
  EXPECT_TRUE(path.nodes[3].hasIn() && path.nodes[3].hasOut());
  EXPECT_TRUE(lineOf(*w.only()->style)) << "an open one is a line";

  // Escape leaves what was drawn, and Backspace takes it up again.
  const std::size_t items = w.sheet().items.size();
  w.key(Qt::Key_3);
  w.click(w.mm(40, 150));
  w.click(w.mm(80, 160));
  w.key(Qt::Key_Escape);
  w.key(Qt::Key_Return);
  EXPECT_EQ(w.sheet().items.size(), items);
  w.key(Qt::Key_Backspace);
  w.doubleClick(w.mm(120, 150));
  EXPECT_EQ(w.sheet().items.size(), items + 1);
  EXPECT_EQ(w.paths()[0].nodes.size(), 3U);
  // An open end is drawn on.
  w.key(Qt::Key_3);
  w.click(w.mm(40, 150));
  w.click(w.mm(40, 180));
  w.click(w.mm(120, 150));
  EXPECT_EQ(w.sheet().items.size(), items + 1);
  ASSERT_EQ(w.paths()[0].nodes.size(), 4U) << "as the same item";
  EXPECT_TRUE(w.paths()[0].closed) << "closed at its other end";
}

TEST(PenWindow, ThroughPlacesTheCurveLooksRightByItself) {
  NodeHands w;
  w.key(Qt::Key_3);
  w.pressShown("penThrough");
  for (int i = 0; i < 6; ++i) w.click(w.mm(120 + 50 * std::cos(i * pi / 3), 100 + 50 * std::sin(i * pi / 3)));
  w.click(w.mm(170, 100));
  ASSERT_TRUE(w.only());
  const NodePath path = w.paths()[0];
  ASSERT_EQ(path.nodes.size(), 6U);
  EXPECT_TRUE(path.closed);
  for (std::size_t i = 0; i < 6; ++i) {
    EXPECT_NE(kindOf(path, i), NodeKind::Corner);
    EXPECT_NEAR(distance(w.edgeAt(i), w.mm(120, 100)), w.mm(50, 0).x, 1.5) << "a circle, but for the pixels";
  }
}

TEST(PenWindow, AStrokeByHandBecomesFewNodes) {
  NodeHands w;
  w.key(Qt::Key_3);
  w.pressShown("penFreehand");
  std::vector<Point> circle;
  for (int i = 0; i <= 80; ++i)
    circle.push_back(w.mm(120 + 50 * std::cos(i * pi / 40), 100 + 40 * std::sin(i * pi / 40)));
  w.stroke(circle);
  ASSERT_TRUE(w.only());
  EXPECT_TRUE(w.paths()[0].closed);
  EXPECT_LE(w.paths()[0].nodes.size(), 8U);
  for (const Point p : circle) {
    double away = 1e300;
    for (std::size_t e = 0; e < w.paths()[0].edges(); ++e)
      away = std::min(away, nearestOn(edgeOf(w.paths()[0], e), w.only()->toParent().inverse()->operator()(p)).distance);
    EXPECT_LT(away, w.desk().pen.tolerance + pixel);
  }
}

TEST(PenWindow, AReshapedLineIsTheKnifesStroke) {
  NodeHands w;
  w.key(Qt::Key_4);
  w.drag(w.mm(60, 40), w.mm(160, 120));
  w.key(Qt::Key_3);
  w.click(w.mm(50, 80));
  w.click(w.mm(170, 80));
  w.key(Qt::Key_Return);
  w.key(Qt::Key_2);
  w.drag(w.mm(110, 80), w.mm(110, 60));
  w.key(Qt::Key_Return);
  w.press("cutAlong");
  ASSERT_EQ(w.sheet().items.size(), 2U) << "two pieces, and no line";
  w.desk().select({});
  EXPECT_EQ(w.seen(w.mm(110, 60)), QColor(Qt::white)) << "the gap goes where it was bent to";
  EXPECT_NE(w.seen(w.mm(110, 80)), QColor(Qt::white));
}

TEST(PenWindow, WhatIsDrawnIsJoinedToTheSelectedItem) {
  NodeHands w;
  w.key(Qt::Key_4);
  w.drag(w.mm(60, 40), w.mm(160, 120));
  w.key(Qt::Key_3);
  w.pressShown("join subtract");
  for (const Point p : {w.mm(90, 60), w.mm(130, 60), w.mm(110, 100), w.mm(90, 60)}) w.click(p);
  ASSERT_TRUE(w.only()->recipe());
  w.desk().select({});
  EXPECT_EQ(w.seen(w.mm(110, 70)), QColor(Qt::white));
  EXPECT_NE(w.seen(w.mm(70, 50)), QColor(Qt::white));
}

}  // namespace
}  // namespace widecut
