// Fills, lines, gradients, effects, colours and swatches by mouse and keys in the real window.
#include <gtest/gtest.h>

#include <QComboBox>
#include <QPushButton>

#include "app/desk/shelf.h"
#include "app/panels/paint_page.h"
#include "app/widgets/paint_strip.h"
#include "job_photos.h"
#include "node_hands.h"
#include "project/edits/colours.h"

namespace widecut {
namespace {

struct PaintWindow : testing::Test {
  NodeHands w;

  Id box() {
    w.key(Qt::Key_4);
    w.drag(w.mm(60, 50), w.mm(140, 110));
    w.key(Qt::Key_1);
    return w.desk().selection().front();
  }
  const Style& style() { return *w.only()->style; }
  const Gradient& gradient() { return std::get<Gradient>(style().fills.back().paint); }
  void chooseShown(const char* name, int place) {
    auto& words = w.shown<QComboBox>(name);
    words.setCurrentIndex(place);
    emit words.activated(place);
    w.settle();
  }
  void makeGradient() {
    w.press("fillPaint");
    chooseShown("number paint", 1);
  }
  void closePopover() {
    if (QWidget* popover = QApplication::activePopupWidget()) popover->close();
    w.settle();
  }
  QString bench() {
    for (auto* label : w.window.findChild<QWidget*>("bench")->findChildren<QLabel*>())
      if (label->isVisible() && !label->text().isEmpty()) return label->text();
    return {};
  }
};

TEST_F(PaintWindow, AnOfferStaysUnderThePointerWhileItIsTried) {
  box();
  w.key(Qt::Key_E, Qt::ShiftModifier);
  auto& card = w.shown<QWidget>("add outline copy");
  const QPoint before = card.mapToGlobal(QPoint());
  QEnterEvent enter(QPointF(5, 5), QPointF(5, 5), card.mapToGlobal(QPointF(5, 5)));
  QApplication::sendEvent(&card, &enter);
  w.settle();
  EXPECT_EQ(w.only()->style->effects.size(), 1U) << "it is tried";
  EXPECT_EQ(w.shown<QWidget>("add outline copy").mapToGlobal(QPoint()), before);
  EXPECT_TRUE(w.window.findChild<QWidget*>("bench")->rect().contains(
      card.mapTo(w.window.findChild<QWidget*>("bench"), card.rect().center())));
  QTest::mouseClick(&card, Qt::LeftButton);
  w.settle();
  EXPECT_EQ(findItem(w.desk().settled(), w.only()->id)->style->effects.size(), 1U);
  EXPECT_TRUE(w.shown<QWidget>("effect outline copy").isVisible());
}

TEST_F(PaintWindow, AFillBecomesAGradientWhoseLineLiesOnTheMat) {
  box();
  makeGradient();
  ASSERT_TRUE(stopsOf(style(), {false, 0}));
  // Its end is dragged down to the lower right corner.
  w.drag(w.mm(140, 80), w.mm(140, 110));
  EXPECT_NEAR(gradient().to.x, 1, 0.01);
  EXPECT_NEAR(gradient().to.y, 1, 0.01);
  EXPECT_EQ(w.desk().history().undoName(), "Lay a gradient");
  const QColor start = w.seen(w.mm(62, 80)), end = w.seen(w.mm(139, 109));
  EXPECT_GT(end.lightness(), start.lightness() + 30);
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(gradient().to.y, 0.5);
  // The box is 80 by 60: what is typed is the angle that is seen.
  w.typeShown("angle", "45");
  const Point way = gradient().to - gradient().from;
  EXPECT_NEAR(way.y * 60, way.x * 80, 1e-6);
}

TEST_F(PaintWindow, StopsAreAddedMovedAndDroppedOnTheBench) {
  box();
  makeGradient();
  auto& stops = w.shown<StopsBar>("stops");
  const QPoint middle(stops.width() / 2, 10);
  QTest::mouseClick(&stops, Qt::LeftButton, {}, middle);
  w.settle();
  ASSERT_EQ(gradient().stops.size(), 3U);
  EXPECT_NEAR(gradient().stops[1].at, 0.5, 0.02);
  w.typeShown("stop at", "25");
  EXPECT_NEAR(gradient().stops[1].at, 0.25, 1e-9);
  stops.setFocus();
  QTest::keyClick(&stops, Qt::Key_Right);
  w.settle();
  EXPECT_NEAR(gradient().stops[1].at, 0.26, 1e-9);
  QTest::keyClick(&stops, Qt::Key_Delete);
  w.settle();
  EXPECT_EQ(gradient().stops.size(), 2U);
  EXPECT_EQ(w.sheet().items.size(), 1U) << "Delete was the stop's";
}

TEST_F(PaintWindow, AStopGetsItsColour) {
  box();
  makeGradient();
  w.pressShown("stopColour");
  w.press("tone #bf3f26");
  closePopover();
  EXPECT_EQ(gradient().stops[0].colour, (Colour{0xBF, 0x3F, 0x26}));
}

TEST_F(PaintWindow, FillsAndLinesAreListsThatAreReordered) {
  box();
  w.press("addFill");
  ASSERT_EQ(style().fills.size(), 2U);
  w.press("fillColour");
  w.press("tone #bf3f26");
  closePopover();
  EXPECT_EQ(colourOf(style().fills[1].paint), (Colour{0xBF, 0x3F, 0x26}));
  // The front one is dragged below the other.
  auto& front = w.shown<QPushButton>("fillPaint");
  const QPoint from(10, 8);
  QTest::mousePress(&front, Qt::LeftButton, {}, from);
  const QPoint to(10, 8 + 30);
  QMouseEvent move(QEvent::MouseMove, to, front.mapToGlobal(QPointF(to)), Qt::NoButton, Qt::LeftButton, {});
  QApplication::sendEvent(&front, &move);
  QTest::mouseRelease(&front, Qt::LeftButton, {}, to);
  w.settle();
  EXPECT_EQ(colourOf(style().fills[0].paint), (Colour{0xBF, 0x3F, 0x26}));
  w.press("fillEye");
  EXPECT_FALSE(style().fills[1].shown);
  w.press("fillAway");
  EXPECT_EQ(style().fills.size(), 1U);
  w.press("addLine");
  w.press("addLine");
  EXPECT_EQ(style().lines.size(), 2U);
  w.type("outline width 1", "9");
  EXPECT_EQ(style().lines[0].shape.width, 9);
}

TEST_F(PaintWindow, ALinesNumbersAreOnTheBench) {
  box();
  w.type("outline width", "4");
  w.press("linePaint");
  chooseShown("number lies", 2);
  chooseShown("number corners", 1);
  EXPECT_EQ(style().lines[0].shape.alignment, Alignment::Outside);
  EXPECT_EQ(style().lines[0].shape.join, Join::Round);
  w.typeShown("dashes", "8, 4");
  EXPECT_EQ(style().lines[0].shape.dashes, (std::vector<double>{8, 4}));
  w.typeShown("dashes", "8, none");
  EXPECT_EQ(style().lines[0].shape.dashes, (std::vector<double>{8, 4})) << "what is no length changes nothing";
  w.typeShown("start width", "0");
  EXPECT_EQ(style().lines[0].startShare, 0);
  chooseShown("number colours", 1);
  EXPECT_TRUE(style().lines[0].colours);
  w.press("paintDone");
  EXPECT_FALSE(w.desk().chosenPaint());
}

TEST_F(PaintWindow, AnEffectShowsAtOnceAndItsShadowIsDraggedOnTheMat) {
  box();
  w.key(Qt::Key_E, Qt::ShiftModifier);
  w.pressShown("add shadow");
  ASSERT_EQ(style().effects.size(), 1U);
  EXPECT_EQ(w.desk().history().undoName(), "Add: shadow");
  // Its end lies off the middle by its distance, towards its direction.
  const Effect before = style().effects[0];
  const Point middle = w.mm(100, 80);
  const double angle = radians(before.numbers[1]);
  const Point end = middle + Point{std::cos(angle), std::sin(angle)} * before.numbers[0];
  w.drag(end, middle + Point{30, 0});
  EXPECT_NEAR(style().effects[0].numbers[0], 30, 0.2);
  EXPECT_NEAR(style().effects[0].numbers[1], 0, 1);
  EXPECT_LT(w.seen(w.mm(144, 80)).lightness(), 230);
  w.typeShown("softness", "0");
  EXPECT_EQ(style().effects[0].numbers[2], 0);
  w.press("effectAway");
  EXPECT_TRUE(style().effects.empty());
}

TEST_F(PaintWindow, PointingAtAnEffectTriesItAndLeavingDropsIt) {
  box();
  w.key(Qt::Key_E, Qt::ShiftModifier);
  auto& card = w.shown<Card>("add glow");
  QEnterEvent enter(QPointF(5, 5), QPointF(5, 5), card.mapToGlobal(QPointF(5, 5)));
  QApplication::sendEvent(&card, &enter);
  EXPECT_EQ(style().effects.size(), 1U);
  EXPECT_TRUE(w.desk().isTrying());
  QEvent leave(QEvent::Leave);
  QApplication::sendEvent(&card, &leave);
  EXPECT_TRUE(style().effects.empty());
}

TEST_F(PaintWindow, APanelBehindTakesAColourOfThePhotoAndIsReleased) {
  const QTemporaryDir folder;
  box();
  w.drop(redPhoto(folder), w.mm(100, 80));
  (void)w.seen(w.mm(100, 80));
  w.key(Qt::Key_E, Qt::ShiftModifier);
  w.pressShown("add panel behind");
  ASSERT_EQ(style().effects.size(), 1U);
  const Colour panel = style().effects[0].colour;
  EXPECT_GT(panel.red, panel.green + 10) << "lightened from a red photo";
  EXPECT_GT(oklabOf(panel).light, 0.8);
  w.press("releaseEffect");
  EXPECT_EQ(w.sheet().items.size(), 2U);
  EXPECT_EQ(w.sheet().items[0]->id, w.only()->id) << "the panel is selected, behind the photo";
}

TEST_F(PaintWindow, ASwatchIsMadeNamedAndRepaintsWhatHasIt) {
  box();
  const Colour colour = *colourOf(style());
  w.key(Qt::Key_F, Qt::ControlModifier | Qt::ShiftModifier);
  const QString hex = QString::fromStdString(colourText(colour));
  w.pressShown(("colour " + hex).toUtf8());
  w.press("keepSwatch");
  w.typeShown("swatchName", "Mist");
  ASSERT_EQ(w.desk().settled().swatches.size(), 1U);
  EXPECT_EQ(w.desk().settled().swatches[0].name, "Mist");
  EXPECT_NE(colourOf(style())->swatch, 0);
  w.press("replaceColour");
  w.press("tone #2f7d4f");
  closePopover();
  EXPECT_EQ(w.desk().settled().swatches[0].colour.green, 0x7D);
  EXPECT_EQ(colourOf(style())->green, 0x7D);
  EXPECT_EQ(w.desk().history().undoName(), "Replace a colour");
  w.press("dropSwatch");
  EXPECT_TRUE(w.desk().settled().swatches.empty());
  EXPECT_EQ(*colourOf(style()), (Colour{0x2F, 0x7D, 0x4F}));
}

TEST_F(PaintWindow, AColourIsFoundAndReplacedOnEverySheet) {
  box();
  const Colour colour = *colourOf(style());
  w.key(Qt::Key_D, Qt::ControlModifier);
  w.key(Qt::Key_F, Qt::ControlModifier | Qt::ShiftModifier);
  w.pressShown(("colour " + QString::fromStdString(colourText(colour))).toUtf8());
  EXPECT_TRUE(bench().contains("2 uses")) << bench().toStdString();
  w.press("replaceColour");
  w.press("tone #bf3f26");
  closePopover();
  for (const ItemPtr& item : w.sheet().items) EXPECT_EQ(*colourOf(*item->style), (Colour{0xBF, 0x3F, 0x26}));
}

TEST_F(PaintWindow, AFinishIsTakenUpAndLaidOn) {
  box();
  w.type("outline width", "6");
  w.key(Qt::Key_E, Qt::ShiftModifier);
  w.pressShown("add glow");
  w.key(Qt::Key_E, Qt::ControlModifier | Qt::AltModifier);
  w.key(Qt::Key_Escape);
  w.key(Qt::Key_5);
  w.drag(w.mm(180, 50), w.mm(230, 100));
  w.key(Qt::Key_1);
  w.key(Qt::Key_E, Qt::ShiftModifier | Qt::AltModifier);
  ASSERT_EQ(style().effects.size(), 1U);
  EXPECT_EQ(lineOf(style())->shape.width, 6);
  EXPECT_EQ(w.desk().history().undoName(), "Apply the finish");
}

TEST_F(PaintWindow, AColourIsPickedOffTheMat) {
  box();
  w.key(Qt::Key_5);
  w.drag(w.mm(180, 50), w.mm(230, 100));
  w.key(Qt::Key_1);
  w.press("fillColour");
  w.press("tone #bf3f26");
  closePopover();
  w.click(w.mm(100, 80));
  w.press("fillColour");
  w.press("pickColour");
  auto* dropper = w.window.findChild<QWidget*>("dropper");
  ASSERT_TRUE(dropper);
  QTest::mouseClick(dropper, Qt::LeftButton, {}, w.onMat(w.mm(205, 75)));
  w.settle();
  EXPECT_EQ(*colourOf(style()), (Colour{0xBF, 0x3F, 0x26}));
}

TEST_F(PaintWindow, ColoursAreChosenByHueStrengthLightAndLadder) {
  box();
  w.press("fillColour");
  w.press("tone #2b5c9e");
  w.press("ladder 5");
  const Colour lighter = *colourOf(style());
  EXPECT_GT(oklabOf(lighter).light, oklabOf(Colour{0x2B, 0x5C, 0x9E}).light + 0.1);
  QWidget* light = QApplication::activePopupWidget()->findChild<QWidget*>("tone slider light");
  ASSERT_TRUE(light);
  QTest::keyClick(light, Qt::Key_Left, Qt::ShiftModifier);
  EXPECT_LT(oklabOf(*colourOf(style())).light, oklabOf(lighter).light - 0.05);
  closePopover();
}

TEST_F(PaintWindow, AFinishIsKeptOnTheShelfAndTakenUpFromIt) {
  const QTemporaryDir folder;
  Shelf::instance().setFolder(folder.path());
  box();
  w.type("outline width", "6");
  w.key(Qt::Key_F, Qt::ControlModifier | Qt::ShiftModifier);
  w.pressShown("finish 0");
  w.press("shelveFinish");
  ASSERT_EQ(Shelf::instance().all().size(), 1U);
  w.key(Qt::Key_Delete);
  w.pressShown("finish 0");  // of the shelf
  w.press("takeFinish");
  w.press("coloursDone");
  w.key(Qt::Key_5);
  w.drag(w.mm(180, 50), w.mm(230, 100));
  w.key(Qt::Key_1);
  w.key(Qt::Key_E, Qt::ShiftModifier | Qt::AltModifier);
  EXPECT_EQ(lineOf(style())->shape.width, 6);
}

TEST_F(PaintWindow, ColoursAreTypedAsNumbers) {
  box();
  w.press("fillColour");
  auto* light = QApplication::activePopupWidget()->findChild<QLineEdit*>("light as a number");
  ASSERT_TRUE(light);
  light->setFocus();
  light->selectAll();
  QTest::keyClicks(light, "40");
  QTest::keyClick(light, Qt::Key_Return);
  EXPECT_NEAR(oklabOf(*colourOf(style())).light, 0.4, 0.02);
  closePopover();
}

TEST_F(PaintWindow, TheWholeMixesWithWhatIsBehind) {
  box();
  const Colour below = *colourOf(style());
  w.key(Qt::Key_5);
  w.drag(w.mm(120, 60), w.mm(180, 120));
  w.key(Qt::Key_1);
  const Colour fill = *colourOf(style());
  EXPECT_NE(fill, below) << "each new shape has a tone of its own";
  chooseShown("mixing", 1);
  EXPECT_EQ(style().blend, Blend::Multiply);
  const QColor seen = w.seen(w.mm(135, 90));
  EXPECT_NEAR(seen.red(), fill.red * below.red / 255, 2);
}

TEST_F(PaintWindow, TheNextShapeIsPaintedAsWasChosenWithTheToolInHand) {
  w.key(Qt::Key_4);
  w.press("nextFill");
  QWidget* popover = QApplication::activePopupWidget();
  ASSERT_TRUE(popover);
  auto* hex = popover->findChild<QLineEdit*>("hex");
  ASSERT_TRUE(hex);
  QTest::mouseClick(hex, Qt::LeftButton);
  hex->selectAll();
  QTest::keyClicks(hex, "bf3f26");
  QTest::keyClick(hex, Qt::Key_Return);
  w.settle();
  EXPECT_EQ(QApplication::focusWidget(), &w.mat());
  w.type("nextWidth", "3 pt");
  w.drag(w.mm(40, 40), w.mm(80, 70));
  const Style& style = *w.only()->style;
  EXPECT_EQ(colourOf(style), (Colour{0xBF, 0x3F, 0x26}));
  ASSERT_TRUE(lineOf(style));
  EXPECT_EQ(lineOf(style)->shape.width, 3);
  // What is no colour stays to be mended.
  w.key(Qt::Key_Escape);
  w.key(Qt::Key_4);
  w.press("nextFill");
  hex = QApplication::activePopupWidget()->findChild<QLineEdit*>("hex");
  QTest::mouseClick(hex, Qt::LeftButton);
  hex->selectAll();
  QTest::keyClicks(hex, "rust");
  QTest::keyClick(hex, Qt::Key_Return);
  ASSERT_TRUE(QApplication::activePopupWidget());
  EXPECT_TRUE(hex->property("wrong").toBool());
  QTest::keyClick(hex, Qt::Key_Escape);
  w.settle();
  // In turn again, and without an outline.
  w.key(Qt::Key_Escape);
  w.key(Qt::Key_5);
  w.press("nextTones");
  w.type("nextWidth", "0");
  w.drag(w.mm(100, 40), w.mm(130, 70));
  EXPECT_NE(colourOf(*w.only()->style), (Colour{0xBF, 0x3F, 0x26}));
  EXPECT_FALSE(lineOf(*w.only()->style));
}

}  // namespace
}  // namespace widecut
