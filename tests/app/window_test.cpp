// The window, by mouse and keys: tools, selection, handles, bench, details.
#include <gtest/gtest.h>

#include <QLineEdit>
#include <QTreeView>

#include "app/widgets/cards.h"
#include "geometry/measure.h"
#include "project/lookup.h"
#include "project/resolve.h"
#include "window_driver.h"

namespace widecut {
namespace {

struct WindowTest : testing::Test {
  WindowDriver w;

  Id box() {
    w.key(Qt::Key_4);
    w.drag(w.mm(50, 50), w.mm(110, 110));
    return w.desk().selection().front();
  }
  Id disc() {
    w.key(Qt::Key_5);
    w.drag(w.mm(80, 80), w.mm(140, 140));
    return w.desk().selection().front();
  }
  Box boxOf(Id id) {
    const Box b = boxInParent(*findItem(w.desk().project(), id));
    return {b.low / pointsPerMillimetre, b.high / pointsPerMillimetre};
  }
  void selectBoth() {
    box();
    disc();
    w.key(Qt::Key_A, Qt::ControlModifier);
  }
};

TEST_F(WindowTest, ShiftDrawsRegularAndAltFromTheMiddle) {
  w.key(Qt::Key_4);
  w.drag(w.mm(50, 50), w.mm(90, 70), Qt::ShiftModifier);
  EXPECT_NEAR(boxOf(w.desk().selection()[0]).height(), 40, 1);
  w.key(Qt::Key_5);
  w.drag(w.mm(200, 100), w.mm(220, 110), Qt::AltModifier);
  const Box disc = boxOf(w.desk().selection()[0]);
  EXPECT_NEAR(disc.low.x, 180, 1);
  EXPECT_NEAR(disc.height(), 20, 1);
}

TEST_F(WindowTest, DraggingMovesAndUndoPutsBack) {
  const Id id = box();
  w.drag(w.mm(70, 70), w.mm(90, 75));
  EXPECT_NEAR(boxOf(id).low.x, 70, 0.6);
  EXPECT_EQ(w.desk().history().undoName(), "Move");
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_NEAR(boxOf(id).low.x, 50, 0.6);
  w.key(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_NEAR(boxOf(id).low.x, 70, 0.6);
}

TEST_F(WindowTest, EscapeDuringADragPutsBack) {
  const Id id = box();
  w.press(w.mm(70, 70));
  w.dragTo(w.mm(120, 120));
  EXPECT_GT(boxOf(id).low.x, 90);
  QTest::keyClick(&w.mat(), Qt::Key_Escape);
  EXPECT_NEAR(boxOf(id).low.x, 50, 0.6);
  w.release(w.mm(120, 120));
  EXPECT_NEAR(boxOf(id).low.x, 50, 0.6);
  EXPECT_EQ(w.desk().history().undoName(), "Draw rectangle");
}

TEST_F(WindowTest, HandlesResizeAndKeepTheOppositeCorner) {
  const Id id = box();
  w.drag(w.mm(110, 110), w.mm(140, 130));
  EXPECT_NEAR(boxOf(id).low.x, 50, 0.6);
  EXPECT_NEAR(boxOf(id).high.x, 140, 1);
  EXPECT_NEAR(boxOf(id).high.y, 130, 1);
  w.drag(w.mm(140, 130), w.mm(156, 130), Qt::AltModifier);
  EXPECT_NEAR(boxOf(id).low.x, 34, 1) << "Alt keeps the middle";
}

TEST_F(WindowTest, TheTurningGripTurnsInSteps) {
  const Id id = box();
  const double up = 26 / w.mat().zoom() / pointsPerMillimetre;
  w.drag(w.mm(80, 50 - up), w.mm(80 + 42, 80 - 42), Qt::ShiftModifier);
  EXPECT_NEAR(degrees(findItem(w.desk().project(), id)->turn), 45, 1e-6);
}

TEST_F(WindowTest, MarqueeAndShiftSelect) {
  const Id a = box(), b = disc();
  w.drag(w.mm(20, 20), w.mm(200, 200));
  EXPECT_EQ(w.desk().selection(), (std::vector<Id>{a, b}));
  w.click(w.mm(60, 60), Qt::ShiftModifier);
  EXPECT_EQ(w.desk().selection(), std::vector<Id>{b});
  w.click(w.mm(250, 20));
  EXPECT_TRUE(w.desk().selection().empty());
}

TEST_F(WindowTest, StackingDuplicatingAndDeleting) {
  const Id a = box(), b = disc();
  w.key(Qt::Key_BracketLeft, Qt::ControlModifier);
  EXPECT_EQ(w.sheet().items.front()->id, b);
  w.key(Qt::Key_D, Qt::ControlModifier);
  EXPECT_EQ(w.sheet().items.size(), 3U);
  w.key(Qt::Key_Delete);
  EXPECT_EQ(w.sheet().items.size(), 2U);
  EXPECT_EQ(w.sheet().items.back()->id, a);
}

TEST_F(WindowTest, ArrowsNudge) {
  const Id id = box();
  const double before = boxOf(id).low.x;
  w.key(Qt::Key_Right);
  w.key(Qt::Key_Right, Qt::ShiftModifier);
  w.key(Qt::Key_Right, Qt::ControlModifier);
  EXPECT_NEAR(boxOf(id).low.x, before + 11.1, 1e-6);
}

TEST_F(WindowTest, WheelAndKeysZoomAndPan) {
  const double zoom = w.mat().zoom();
  const Point under = w.mm(100, 100);
  const QPoint place = w.onMat(under);
  w.wheel(under, 2, Qt::ControlModifier);
  EXPECT_NEAR(w.mat().zoom(), zoom * 1.44, 1e-6);
  EXPECT_LE((w.onMat(under) - place).manhattanLength(), 2) << "the place under the pointer stays";
  w.wheel(under, 1);
  EXPECT_NEAR(w.onMat(under).y() - place.y(), 60, 2);
  w.key(Qt::Key_0, Qt::ControlModifier);
  EXPECT_NEAR(w.mat().zoom(), zoom, 1e-9);
}

TEST_F(WindowTest, PointingAtAnOutcomeTriesItAndLeavingTakesItBack) {
  selectBoth();
  auto* card = w.window.findChild<Card*>("outcome1");
  ASSERT_TRUE(card);
  const QColor before = w.seen(w.mm(120, 120));
  QEnterEvent enter({5, 5}, {5, 5}, {5, 5});
  QApplication::sendEvent(card, &enter);
  EXPECT_TRUE(w.desk().isTrying());
  EXPECT_EQ(w.seen(w.mm(120, 120)).rgb(), QColor(Qt::white).rgb()) << "the disc is gone from the page";
  EXPECT_EQ(w.sheet().items.size(), 1U);
  QEvent leave(QEvent::Leave);
  QApplication::sendEvent(card, &leave);
  EXPECT_FALSE(w.desk().isTrying());
  EXPECT_EQ(w.seen(w.mm(120, 120)), before);
}

TEST_F(WindowTest, LettersFlickThroughOutcomes) {
  selectBoth();
  const auto area = [&] {
    return signedArea(resolved(*w.sheet().items[0])->outline) / pointsPerMillimetre / pointsPerMillimetre;
  };
  w.key(Qt::Key_U);
  EXPECT_NEAR(area(), 3600 + pi * 900 * 3 / 4, 40);
  const double whole = area();
  w.key(Qt::Key_I);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  const double both = area();
  w.key(Qt::Key_X);
  EXPECT_NEAR(area() + both, whole, 0.1);
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(w.sheet().items.size(), 2U) << "one undo takes the outcome back, however many were flicked through";
}

TEST_F(WindowTest, WhoseLookStaysCanBeChosen) {
  const Id a = box();
  w.press("fillColour");
  auto* hex = w.window.findChild<QLineEdit*>("hex");
  ASSERT_TRUE(hex);
  hex->setFocus();
  hex->selectAll();
  QTest::keyClicks(hex, "#aa1122");
  QTest::keyClick(hex, Qt::Key_Return);
  w.settle();
  EXPECT_EQ(colourOf(*findItem(w.desk().settled(), a)->style), (Colour{0xAA, 0x11, 0x22}));
  disc();
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.press("lookOf disc");
  w.key(Qt::Key_S);
  EXPECT_NE(colourOf(*w.sheet().items[0]->style), (Colour{0xAA, 0x11, 0x22}));
  EXPECT_EQ(w.desk().history().undoName(), "Subtract front from back");
}

TEST_F(WindowTest, ASignChangesTheRoleAndTheEyeLeavesAPartOut) {
  selectBoth();
  w.key(Qt::Key_U);
  const auto area = [&] {
    return signedArea(resolved(*w.sheet().items[0])->outline) / pointsPerMillimetre / pointsPerMillimetre;
  };
  const double united = area();
  w.press("sign1");
  EXPECT_EQ(w.desk().history().undoName(), "Change role");
  EXPECT_LT(area(), 3600);
  w.press("sign1");
  w.press("sign1");
  w.press("sign1");
  EXPECT_NEAR(area(), united, 0.1) << "four clicks go round";
  auto* chip = w.window.findChild<Card*>("part1");
  QTest::mouseClick(chip, Qt::LeftButton, {}, QPoint(chip->width() - 14, chip->height() - 14));
  EXPECT_NEAR(area(), 3600, 30);
  w.press("liftParts");
  EXPECT_EQ(w.sheet().items.size(), 2U);
}

TEST_F(WindowTest, AGhostPartIsDraggedAndTheResultFollowsDuringTheDrag) {
  selectBoth();
  w.key(Qt::Key_S);
  const Id cutout = w.desk().selection()[0];
  w.press(w.mm(125, 125));
  w.dragTo(w.mm(135, 135));
  w.dragTo(w.mm(145, 145));
  EXPECT_TRUE(w.desk().isTrying());
  const auto area = [&] { return signedArea(resolved(*findItem(w.desk().project(), cutout))->outline); };
  EXPECT_GT(area() / pointsPerMillimetre / pointsPerMillimetre, 3400) << "before the button is let go";
  w.release(w.mm(145, 145));
  EXPECT_EQ(w.desk().history().undoName(), "Move");
  EXPECT_EQ(w.desk().selection()[0], findItem(w.desk().settled(), cutout)->recipe()->parts[1]->id);
  w.key(Qt::Key_Escape);
  EXPECT_EQ(w.desk().selection(), std::vector<Id>{cutout}) << "Escape comes out of the cutout";
}

TEST_F(WindowTest, FieldsTakeSumsAndAreOneUndoStep) {
  const Id id = box();
  w.type("width", "50mm + 1cm");
  EXPECT_NEAR(boxOf(id).width(), 60, 1e-6);
  w.type("x", "+=5");
  EXPECT_NEAR(boxOf(id).low.x, 55, 0.6);
  w.type("turn", "30");
  EXPECT_NEAR(degrees(findItem(w.desk().project(), id)->turn), 30, 1e-9);
  w.type("outline width", "3");
  EXPECT_EQ(lineOf(*findItem(w.desk().project(), id)->style)->shape.width, 3);
  w.type("opacity", "40");
  EXPECT_NEAR(findItem(w.desk().project(), id)->style->opacity, 0.4, 1e-9);
  w.type("height", "nonsense");
  EXPECT_EQ(w.desk().history().undoName(), "Opacity") << "what is no number changes nothing";
  for (int i = 0; i < 5; ++i) w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(w.desk().history().undoName(), "Draw rectangle");
}

TEST_F(WindowTest, TypingLettersInAFieldDoesNotCombine) {
  selectBoth();
  w.type("x", "us");
  EXPECT_EQ(w.sheet().items.size(), 2U);
}

TEST_F(WindowTest, MovingOneItemDoesNotRepaintTheOthers) {
  for (int i = 0; i < 12; ++i) {
    w.key(Qt::Key_4);
    w.drag(w.mm(10 + 20 * i, 20), w.mm(25 + 20 * i, 60));
  }
  w.mat().grab();
  const int before = w.mat().cache().paintCount();
  w.press(w.mm(235, 40));
  for (int i = 1; i <= 10; ++i) {
    w.dragTo(w.mm(235, 40 + 3 * i));
    w.mat().grab();
  }
  const int painted = w.mat().cache().paintCount() - before;
  w.release(w.mm(235, 70));
  EXPECT_EQ(painted, 0) << "not even that one: its raster lies elsewhere";
  w.mat().grab();
  EXPECT_LE(w.mat().cache().paintCount() - before, 1) << "once more where it came to lie between two pixels";
}

TEST_F(WindowTest, EverythingFitsASmallWindow) {
  selectBoth();
  w.window.resize(1024, 700);
  w.settle();
  EXPECT_EQ(w.window.size(), QSize(1024, 700));
  EXPECT_GT(w.mat().width(), 500);
  w.key(Qt::Key_U);
  EXPECT_EQ(w.window.size(), QSize(1024, 700));
  w.key(Qt::Key_1);
  EXPECT_TRUE(w.window.rect().contains(w.window.findChild<QWidget*>("hint")->mapTo(&w.window, QPoint(0, 0))));
}

TEST_F(WindowTest, TheStackSelectsAndHides) {
  const Id a = box();
  disc();
  auto* stack = w.window.findChild<QTreeView*>("stack");
  ASSERT_EQ(stack->model()->rowCount(), 2);
  const QRect row = stack->visualRect(stack->model()->index(1, 0));
  QTest::mouseClick(stack->viewport(), Qt::LeftButton, {}, row.center());
  EXPECT_EQ(w.desk().selection(), std::vector<Id>{a});
  QTest::mouseClick(stack->viewport(), Qt::LeftButton, {}, QPoint(stack->viewport()->width() - 12, row.center().y()));
  EXPECT_TRUE(findItem(w.desk().settled(), a)->hidden);
  EXPECT_EQ(w.seen(w.mm(60, 60)), QColor(Qt::white));
}

}  // namespace
}  // namespace widecut
