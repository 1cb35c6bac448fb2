// Jobs of paint and finish, from start to finish in the real window.
#include <gtest/gtest.h>

#include <QComboBox>

#include "job_photos.h"
#include "node_hands.h"

namespace widecut {
namespace {

void closePopover(WindowDriver& w) {
  if (QWidget* popover = QApplication::activePopupWidget()) popover->close();
  w.settle();
}

TEST(PaintJobs, J1ASoftenedFrameWithAGlowAndATintedTurnedCopy) {
  NodeHands w;
  const QTemporaryDir folder;
  w.key(Qt::Key_4);
  w.drag(w.mm(80, 50), w.mm(200, 140));
  w.key(Qt::Key_2);
  w.key(Qt::Key_Return);
  w.doubleClick(w.nodeAt(0));
  w.doubleClick(w.nodeAt(1));
  w.click(w.edgeAt(2));  // one more node
  w.drag(w.edgeAt(3), w.edgeAt(3) + w.mm(0, 12));
  w.key(Qt::Key_Return);
  w.drop(redPhoto(folder), w.mm(140, 90));
  w.press("lineColour");
  w.press("tone #ffffff");
  closePopover(w);
  w.type("outline width", "6");
  w.key(Qt::Key_E, Qt::ShiftModifier);
  w.pressShown("add glow");
  w.press("moreEffects");
  w.pressShown("add outline copy");
  w.report("J1");
  EXPECT_LE(w.actions, 23);

  const Style& style = *w.only()->style;
  ASSERT_EQ(style.effects.size(), 2U);
  EXPECT_NE(numberOf(style.effects[1], "turn"), 0);
  EXPECT_EQ(lineOf(style)->colour, (Colour{255, 255, 255}));
}

TEST(PaintJobs, J16APanelInALightenedColourOfThePhoto) {
  NodeHands w;
  const QTemporaryDir folder;
  w.key(Qt::Key_5);
  w.drag(w.mm(80, 60), w.mm(140, 110));
  w.key(Qt::Key_1);
  w.drop(redPhoto(folder), w.mm(110, 85));
  (void)w.seen(w.mm(110, 85));
  w.key(Qt::Key_E, Qt::ShiftModifier);
  w.pressShown("add panel behind");
  w.report("J16 panel");
  EXPECT_LE(w.actions, 6);
  const QColor seen = w.seen(w.mm(78, 70));
  EXPECT_GT(seen.red(), seen.green() + 10) << "beside the disc";
}

TEST(PaintJobs, J16PanelsOfSeveralTakeTheirOwnPhotosColours) {
  NodeHands w;
  const QTemporaryDir folder;
  QImage blue(300, 300, QImage::Format_RGB32);
  blue.fill(QColor(30, 30, 200));
  const QString other = folder.filePath("blue.png");
  blue.save(other);
  w.key(Qt::Key_5);
  w.drag(w.mm(40, 60), w.mm(90, 110));
  w.key(Qt::Key_5);
  w.drag(w.mm(140, 60), w.mm(190, 110));
  w.key(Qt::Key_1);
  w.drop(redPhoto(folder), w.mm(65, 85));
  w.drop(other, w.mm(165, 85));
  (void)w.seen(w.mm(110, 85));
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_E, Qt::ShiftModifier);
  w.pressShown("add panel behind");
  const QColor first = w.seen(w.mm(39, 62)), second = w.seen(w.mm(139, 62));
  EXPECT_GT(first.red(), first.blue() + 10);
  EXPECT_GT(second.blue(), second.red() + 10);
}

TEST(PaintJobs, J22ASeeThroughTriangleOnTop) {
  NodeHands w;
  w.key(Qt::Key_4);
  w.drag(w.mm(60, 50), w.mm(140, 110));
  w.key(Qt::Key_6);
  w.drag(w.mm(110, 60), w.mm(170, 120));
  w.press("fillColour");
  w.press("tone #bf3f26");
  closePopover(w);
  w.type("opacity", "40");
  w.report("J22 tint");
  EXPECT_LE(w.actions, 8);
  EXPECT_NEAR(w.only()->style->opacity, 0.4, 1e-9);
}

TEST(PaintJobs, J23SoftShadowsOfSeveralFramesAtOnce) {
  NodeHands w;
  w.key(Qt::Key_4);
  for (int i = 0; i < 3; ++i) w.drag(w.mm(50 + 60 * i, 60), w.mm(95 + 60 * i, 110));
  w.key(Qt::Key_1);
  const int drawn = w.actions;
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_E, Qt::ShiftModifier);
  w.pressShown("add shadow");
  w.report("J23 shadows");
  EXPECT_LE(w.actions - drawn, 3);
  for (const ItemPtr& item : w.sheet().items) EXPECT_EQ(item->style->effects.size(), 1U);
}

TEST(PaintJobs, J24OneOutlineRoundAnHourglass) {
  NodeHands w;
  w.key(Qt::Key_4);
  w.drag(w.mm(80, 50), w.mm(130, 90));
  w.drag(w.mm(80, 85), w.mm(130, 130));
  w.key(Qt::Key_1);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_U);
  w.type("outline width", "3");
  w.press("linePaint");
  auto& lies = w.shown<QComboBox>("number lies");
  w.actions += 2;
  lies.setCurrentIndex(2);
  emit lies.activated(2);
  w.settle();
  w.report("J24 outline");
  EXPECT_LE(w.actions, 11);
  EXPECT_EQ(lineOf(*w.only()->style)->shape.alignment, Alignment::Outside);
}

TEST(PaintJobs, J26AColouredLabelBehindABittenPanel) {
  NodeHands w;
  w.key(Qt::Key_4);
  w.drag(w.mm(60, 50), w.mm(140, 110));
  w.key(Qt::Key_5);
  w.dragHolding(Qt::Key_S, w.mm(125, 60), w.mm(155, 90));
  w.key(Qt::Key_1);
  w.key(Qt::Key_E, Qt::ShiftModifier);
  w.pressShown("add panel behind");
  w.pressShown("effectColour");
  w.press("tone #f2b233");
  closePopover(w);
  w.report("J26 panel with label");
  EXPECT_LE(w.actions, 10);
  ASSERT_TRUE(w.only()->recipe());
  w.desk().select({});
  EXPECT_EQ(w.seen(w.mm(138, 75)), QColor(0xF2, 0xB2, 0x33)) << "the label shows in the bite";
}

}  // namespace
}  // namespace widecut
