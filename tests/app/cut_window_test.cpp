// Dividing, recipes, the knife, offsets and trimming, by mouse and keys in the real window.
#include <gtest/gtest.h>

#include <QAbstractItemView>
#include <QCompleter>
#include <QLabel>

#include "app/widgets/formula_field.h"
#include "geometry/measure.h"
#include "project/resolve.h"
#include "window_driver.h"

namespace widecut {
namespace {

double squared(double v) { return v * v; }

struct CutWindow : testing::Test {
  WindowDriver w;

  void boxAndDisc() {
    w.key(Qt::Key_4);
    w.drag(w.mm(50, 50), w.mm(110, 110));
    w.key(Qt::Key_5);
    w.drag(w.mm(80, 80), w.mm(140, 140));
    w.key(Qt::Key_A, Qt::ControlModifier);
  }
  double squareMm(const Item& item) {
    return signedArea(resolved(item)->outline) / (pointsPerMillimetre * pointsPerMillimetre);
  }
  double total() {
    double sum = 0;
    for (const ItemPtr& item : w.sheet().items) sum += squareMm(*item);
    return sum;
  }
  QLineEdit& formula() { return *w.window.findChild<FormulaField*>("formula"); }
  void typeFormula(const char* text) {
    QTest::mouseClick(&formula(), Qt::LeftButton);
    formula().selectAll();
    QTest::keyClicks(&formula(), text);
    if (auto* popup = formula().findChild<QCompleter*>()) popup->popup()->hide();
    QTest::keyClick(&formula(), Qt::Key_Return);
    w.settle();
  }
  QString result() { return w.window.findChild<QLabel*>("result")->text(); }
};

TEST_F(CutWindow, DividingMakesPiecesThatCanBeMovedApart) {
  boxAndDisc();
  w.key(Qt::Key_D);
  ASSERT_EQ(w.sheet().items.size(), 3U);
  EXPECT_EQ(w.desk().selection().size(), 3U);
  EXPECT_NEAR(total(), 3600 + pi * 900 - pi * 900 / 4, 40);
  // Another letter right after replaces the pieces.
  w.key(Qt::Key_U);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_TRUE(w.sheet().items[0]->recipe());
  w.key(Qt::Key_D);
  EXPECT_EQ(w.sheet().items.size(), 3U);
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(w.sheet().items.size(), 2U) << "one step back to box and disc";
}

TEST_F(CutWindow, TheDivisionCardShowsItsPiecesOnTheSheet) {
  boxAndDisc();
  auto* card = w.window.findChild<QWidget*>("divide");
  ASSERT_TRUE(card);
  QEnterEvent enter({5, 5}, {5, 5}, {5, 5});
  QApplication::sendEvent(card, &enter);
  EXPECT_EQ(w.desk().project().pieces[0]->sheets[0]->items.size(), 3U);
  QEvent leave(QEvent::Leave);
  QApplication::sendEvent(card, &leave);
  EXPECT_EQ(w.sheet().items.size(), 2U);
  const Colour front = *colourOf(*w.sheet().items.back()->style), back = *colourOf(*w.sheet().items.front()->style);
  ASSERT_NE(front, back);
  w.press("divide");
  EXPECT_EQ(w.sheet().items.size(), 3U);
  // Each piece as it was seen.
  EXPECT_EQ(colourOf(*w.sheet().items[0]->style), back);
  EXPECT_EQ(colourOf(*w.sheet().items[1]->style), front);
  EXPECT_EQ(colourOf(*w.sheet().items[2]->style), front);
}

TEST_F(CutWindow, TheResultKeepsCurvesAndSaysSo) {
  boxAndDisc();
  w.key(Qt::Key_U);
  EXPECT_TRUE(result().startsWith("7 nodes, 3 curves, 1 contour")) << result().toStdString();
}

TEST_F(CutWindow, BakingEndsTheRecipeAndUndoBringsItBack) {
  boxAndDisc();
  w.key(Qt::Key_S);
  const double area = squareMm(*w.sheet().items[0]);
  w.key(Qt::Key_B);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_FALSE(w.sheet().items[0]->recipe());
  EXPECT_NEAR(squareMm(*w.sheet().items[0]), area, 1e-6);
  EXPECT_EQ(w.desk().history().undoName(), "Bake");
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_TRUE(w.sheet().items[0]->recipe());
}

TEST_F(CutWindow, OffcutsBecomeItemsBehindTheCutout) {
  boxAndDisc();
  w.key(Qt::Key_S);
  w.press("keepOffcuts");
  ASSERT_EQ(w.sheet().items.size(), 2U);
  EXPECT_FALSE(w.sheet().items[0]->recipe());
  EXPECT_TRUE(w.sheet().items[1]->recipe());
  EXPECT_NEAR(total(), 3600, 30) << "what was cut out and the rest are the box again";
  EXPECT_EQ(w.desk().selection(), std::vector<Id>{w.sheet().items[0]->id});
}

TEST_F(CutWindow, ATypedFormulaChangesTheRecipe) {
  boxAndDisc();
  w.key(Qt::Key_S);
  EXPECT_EQ(formula().text(), "box - disc");
  typeFormula("disc - box");
  EXPECT_NEAR(squareMm(*w.sheet().items[0]), pi * 900 * 3 / 4, 30);
  EXPECT_EQ(w.desk().history().undoName(), "Change formula");
  typeFormula("disc");
  EXPECT_NEAR(squareMm(*w.sheet().items[0]), pi * 900, 30);
  ASSERT_EQ(w.sheet().items[0]->recipe()->parts.size(), 2U) << "the box is left out, not lost";
  EXPECT_EQ(formula().text(), "disc");
  typeFormula("disc & box");
  EXPECT_NEAR(squareMm(*w.sheet().items[0]), pi * 900 / 4, 30);
}

TEST_F(CutWindow, AWrongFormulaSaysWhereAndChangesNothing) {
  boxAndDisc();
  w.key(Qt::Key_S);
  const auto before = w.desk().settled().pieces;
  typeFormula("box - (disk");
  auto* note = w.window.findChild<QLabel*>("formulaProblem");
  ASSERT_TRUE(note);
  EXPECT_TRUE(note->isVisible());
  EXPECT_TRUE(note->text().contains("disk")) << note->text().toStdString();
  EXPECT_TRUE(note->text().contains("character 8")) << note->text().toStdString();
  EXPECT_EQ(w.desk().settled().pieces, before);
  QTest::keyClick(&formula(), Qt::Key_Escape);
  EXPECT_FALSE(note->isVisible());
  EXPECT_EQ(formula().text(), "box - disc");
  typeFormula("box - box");
  EXPECT_TRUE(note->text().contains("twice"));
}

TEST_F(CutWindow, NamesAreCompletedInTheFormula) {
  boxAndDisc();
  w.key(Qt::Key_S);
  QTest::mouseClick(&formula(), Qt::LeftButton);
  formula().selectAll();
  QTest::keyClicks(&formula(), "di");
  auto* completer = formula().findChild<QCompleter*>();
  ASSERT_TRUE(completer && completer->popup()->isVisible());
  QTest::keyClick(completer->popup(), Qt::Key_Return);
  EXPECT_EQ(formula().text(), "disc");
}

TEST_F(CutWindow, TheKnifePartsWhatIsSelectedAndEscapePutsItBack) {
  w.key(Qt::Key_4);
  w.drag(w.mm(50, 50), w.mm(110, 110));
  w.key(Qt::Key_0);
  w.press(w.mm(40, 80));
  w.dragTo(w.mm(120, 80));
  EXPECT_EQ(w.desk().project().pieces[0]->sheets[0]->items.size(), 2U) << "shown before it is let go";
  QTest::keyClick(&w.mat(), Qt::Key_Escape);
  w.release(w.mm(120, 80));
  EXPECT_EQ(w.sheet().items.size(), 1U);
  w.press("gap3");
  w.drag(w.mm(40, 80), w.mm(120, 80));
  ASSERT_EQ(w.sheet().items.size(), 2U);
  EXPECT_NEAR(total(), 60 * 55, 30);
  EXPECT_EQ(w.desk().tool(), ToolKind::Select);
  EXPECT_EQ(w.seen(w.mm(80, 80)), QColor(Qt::white)) << "the gap shows the paper";
}

TEST_F(CutWindow, APieceOfWhatTheStrokeCrossesShowsAtEveryMove) {
  w.key(Qt::Key_4);
  w.drag(w.mm(50, 50), w.mm(110, 110));
  w.desk().select({});
  const std::size_t before = w.sheet().items.size();
  w.key(Qt::Key_0);
  w.press(w.mm(20, 90));
  for (int i = 0; i < 4; ++i) {
    w.dragTo(w.mm(270 + i, 90));
    EXPECT_GT(w.sheet().items.size(), before) << "move " << i;
  }
  w.release(w.mm(274, 90));
  EXPECT_GT(w.sheet().items.size(), before);
}

TEST_F(CutWindow, AStrokeThatPartsNothingSaysSo) {
  w.key(Qt::Key_4);
  w.drag(w.mm(50, 50), w.mm(110, 110));
  w.key(Qt::Key_0);
  w.press("gap0");
  w.drag(w.mm(40, 80), w.mm(80, 80));
  EXPECT_EQ(w.sheet().items.size(), 1U);
  EXPECT_TRUE(w.window.findChild<QLabel*>("hint")->text().contains("parts nothing"));
}

TEST_F(CutWindow, AnOffsetShowsWhileItIsTypedAndEscapeLeavesThings) {
  w.key(Qt::Key_4);
  w.drag(w.mm(50, 50), w.mm(110, 110));
  const double before = squareMm(*w.sheet().items[0]);
  w.key(Qt::Key_O);
  auto* field = w.window.findChild<QLineEdit*>("distance");
  ASSERT_TRUE(field && field->hasFocus());
  field->selectAll();
  QTest::keyClicks(field, "5mm");
  EXPECT_NEAR(squareMm(*w.desk().sheet()->items[0]), squared(std::sqrt(before) + 10), 1) << "it shows at once";
  QTest::keyClick(field, Qt::Key_Escape);
  w.settle();
  EXPECT_NEAR(squareMm(*w.sheet().items[0]), before, 1e-9);
  EXPECT_EQ(w.desk().tool(), ToolKind::Select);
  w.key(Qt::Key_O);
  field->selectAll();
  QTest::keyClicks(field, "5mm");
  QTest::keyClick(field, Qt::Key_Return);
  w.settle();
  EXPECT_NEAR(squareMm(*w.sheet().items[0]), squared(std::sqrt(before) + 10), 1);
  EXPECT_EQ(w.desk().history().undoName(), "Offset");
  w.key(Qt::Key_O);
  field->selectAll();
  QTest::keyClicks(field, "-90mm");
  EXPECT_TRUE(w.window.findChild<QLabel*>("offsetSaid")->text().contains("nothing would be left"));
  QTest::keyClick(field, Qt::Key_Escape);
}

TEST_F(CutWindow, TheOutlineOfALineIsAShapeOfItsOwn) {
  w.key(Qt::Key_5);
  w.drag(w.mm(50, 50), w.mm(110, 110));
  w.type("outline width", "8");
  w.key(Qt::Key_L);
  w.press("offsetDone");
  ASSERT_EQ(w.sheet().items.size(), 1U);
  const Item& ring = *w.sheet().items[0];
  EXPECT_EQ(resolved(ring)->outline.contours.size(), 2U);
  EXPECT_FALSE(lineOf(*ring.style));
  EXPECT_NEAR(squareMm(ring), pi * 60 * 8 / pointsPerMillimetre, 6);
}

TEST_F(CutWindow, WhatOverhangsTheSheetIsTrimmedAndNotLost) {
  w.key(Qt::Key_4);
  w.drag(w.mm(250, 50), w.mm(304, 110));
  w.key(Qt::Key_T);
  const Item& item = *w.sheet().items[0];
  ASSERT_TRUE(item.recipe());
  EXPECT_NEAR(boxInParent(item).high.x / pointsPerMillimetre, 297, 1e-6);
  EXPECT_EQ(item.recipe()->parts.size(), 2U);
  w.key(Qt::Key_T);
  EXPECT_TRUE(w.window.findChild<QLabel*>("hint")->text().contains("overhangs"))
      << "a second time there is nothing to do";
}

TEST_F(CutWindow, UpAndDownChangeThePolygonsCorners) {
  w.key(Qt::Key_6);
  w.key(Qt::Key_Up);
  w.key(Qt::Key_Up);
  w.drag(w.mm(50, 50), w.mm(110, 110));
  EXPECT_EQ(counts(resolved(*w.sheet().items[0])->outline).nodes, 8) << "it begins with six";
}

}  // namespace
}  // namespace widecut
