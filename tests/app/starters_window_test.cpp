// Starters in the real window: found, drawn, typed, changed, dealt, kept.
#include <gtest/gtest.h>

#include <QComboBox>
#include <QListView>
#include <QSlider>
#include <QTemporaryDir>

#include "app/bench/starter_strip.h"
#include "app/desk/shelf.h"
#include "project/edits/lines.h"
#include "project/edits/starters.h"
#include "project/resolve.h"
#include "window_driver.h"

namespace widecut {
namespace {

struct StartersTest : testing::Test {
  QTemporaryDir shelf;
  StartersTest() { Shelf::instance().setFolder(shelf.path()); }
  ~StartersTest() override { Shelf::instance().setFolder({}); }
  WindowDriver w;

  QString undoName() { return QString::fromStdString(w.desk().history().undoName()); }
  ItemPtr only() { return w.desk().onlyItem(); }
  const Starter::Content& content() { return starterOf(*only())->content(); }
  /// The field of the page that shows.
  QLineEdit& field(const char* name) {
    for (auto* found : w.window.findChildren<QLineEdit*>(name))
      if (found->isVisible()) return *found;
    qFatal("no field %s shows", name);
  }
  QSlider& slider(const char* name) {
    for (auto* found : w.window.findChildren<QSlider*>(QString("slider ") + name))
      if (found->isVisible()) return *found;
    qFatal("no slider %s shows", name);
  }
  StarterRow& row() { return *w.window.findChild<StarterRow*>("starters"); }
  void find(const char* text) {
    w.key(Qt::Key_F, Qt::ControlModifier);
    QTest::keyClicks(&field("findShape"), text);
    QTest::keyClick(&field("findShape"), Qt::Key_Return);
    w.settle();
  }
  /// The middle of a card, in the row's viewport.
  QPoint cardOf(const char* name) {
    for (int i = 0; i < row().model()->rowCount(); ++i) {
      const QModelIndex index = row().model()->index(i, 0);
      if (index.data().toString() != name) continue;
      row().scrollTo(index);
      return row().visualRect(index).center();
    }
    qFatal("no card %s", name);
  }
  /// Drags from a place of a widget to one of the sheet.
  void dragOut(QWidget& from, QPoint at, Point to) {
    const auto move = [&](QPointF local) {
      QMouseEvent event(QEvent::MouseMove, local, from.mapToGlobal(local), Qt::NoButton, Qt::LeftButton, {});
      QApplication::sendEvent(&from, &event);
    };
    QTest::mousePress(&from, Qt::LeftButton, {}, at);
    move(at + QPoint(0, -20));
    const QPoint end = from.mapFromGlobal(w.mat().mapToGlobal(w.onMat(to)));
    move(end - QPoint(5, 5));
    move(end);
    QTest::mouseRelease(&from, Qt::LeftButton, {}, end);
    w.settle();
  }
  Point onSheet(std::size_t handle) {
    const Starter& s = *starterOf(*only());
    const Point at = s.kind().handles[handle].at(s.outline(), s.content().numbers);
    return frameToSheet(w.desk().project(), only()->id)(at);
  }
};

TEST_F(StartersTest, AreFoundByTypingAndDrawn) {
  w.key(Qt::Key_F, Qt::ControlModifier);
  QTest::keyClicks(&field("findShape"), "sta");
  EXPECT_EQ(row().model()->index(0, 0).data().toString(), "star");
  EXPECT_EQ(row().model()->index(1, 0).data().toString(), "stadium") << "another word, for a capsule";
  QTest::keyClick(&field("findShape"), Qt::Key_Return);
  w.drag(w.mm(50, 50), w.mm(110, 100));
  ASSERT_TRUE(only() && starterOf(*only()));
  EXPECT_EQ(content().kind->name, "star");
  EXPECT_NEAR(content().size.width, 60 * pointsPerMillimetre, 2);
  EXPECT_EQ(undoName(), "Draw star");
  EXPECT_NE(w.seen(w.mm(80, 78)), QColor(Qt::white));
  // What is nearly a name is offered; the one that was used last stands first next time.
  w.key(Qt::Key_F, Qt::ControlModifier);
  EXPECT_EQ(row().model()->index(0, 0).data().toString(), "star");
  QTest::keyClicks(&field("findShape"), "hart");
  EXPECT_EQ(row().model()->index(0, 0).data().toString(), "heart");
  QTest::keyClick(&field("findShape"), Qt::Key_Escape);
  EXPECT_EQ(w.desk().tool(), ToolKind::Select);
}

TEST_F(StartersTest, AreChosenByArrowsAndEnter) {
  w.key(Qt::Key_F, Qt::ControlModifier);
  QTest::keyClick(&field("findShape"), Qt::Key_Down);
  EXPECT_TRUE(row().hasFocus());
  for (int i = 0; i < 3; ++i) QTest::keyClick(&row(), Qt::Key_Right);
  QTest::keyClick(&row(), Qt::Key_Return);
  w.settle();
  EXPECT_EQ(w.desk().nextKind()->name, "arch");
  w.key(Qt::Key_Return);
  EXPECT_EQ(content().kind->name, "arch");
  EXPECT_LT(distance(only()->position, w.sheet().box().centre()), 1) << "Enter lays it in the middle of the sheet";
}

TEST_F(StartersTest, AreDraggedOutOfTheBench) {
  dragOut(*row().viewport(), cardOf("arch"), w.mm(100, 80));
  ASSERT_TRUE(only());
  EXPECT_EQ(content().kind->name, "arch");
  EXPECT_LT(distance(only()->position, w.mm(100, 80)), 2);
  EXPECT_EQ(undoName(), "Lay arch");
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_TRUE(w.sheet().items.empty());
  // Let go beside the mat nothing is laid, and nothing stays behind.
  const QPoint card = cardOf("box");
  QTest::mousePress(row().viewport(), Qt::LeftButton, {}, card);
  QMouseEvent move(QEvent::MouseMove, QPointF(card + QPoint(40, 0)),
                   row().viewport()->mapToGlobal(QPointF(card + QPoint(40, 0))), Qt::NoButton, Qt::LeftButton, {});
  QApplication::sendEvent(row().viewport(), &move);
  QTest::mouseRelease(row().viewport(), Qt::LeftButton, {}, card + QPoint(40, 0));
  w.settle();
  EXPECT_TRUE(w.sheet().items.empty());
  EXPECT_FALSE(w.desk().isTrying());
}

TEST_F(StartersTest, AClickedCardIsDrawnOrClickedOntoTheMat) {
  QTest::mouseClick(row().viewport(), Qt::LeftButton, {}, cardOf("capsule"));
  w.settle();
  EXPECT_EQ(w.desk().tool(), ToolKind::Starter);
  w.click(w.mm(90, 90));
  EXPECT_EQ(content().kind->name, "capsule");
  EXPECT_NEAR(content().size.width, 48 * pointsPerMillimetre, 1e-9) << "its usual size";
}

TEST_F(StartersTest, NumbersChangeLiveAndAreOneStep) {
  find("burst");
  w.drag(w.mm(50, 50), w.mm(130, 130));
  const double before = signedArea(resolved(*only())->outline);
  QSlider& depth = slider("depth");
  QTest::mousePress(&depth, Qt::LeftButton, {}, QPoint(depth.width() * 3 / 10, depth.height() / 2));
  QMouseEvent move(QEvent::MouseMove, QPointF(depth.width() * 0.8, depth.height() / 2.0),
                   depth.mapToGlobal(QPointF(depth.width() * 0.8, depth.height() / 2.0)), Qt::NoButton, Qt::LeftButton,
                   {});
  QApplication::sendEvent(&depth, &move);
  EXPECT_TRUE(w.desk().isTrying()) << "it shows while it is moved";
  EXPECT_LT(signedArea(resolved(*only())->outline), before - 100);
  QTest::mouseRelease(&depth, Qt::LeftButton, {}, QPoint(depth.width() * 8 / 10, depth.height() / 2));
  w.settle();
  EXPECT_EQ(undoName(), "Change depth");
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(undoName(), "Draw burst");
  // Fields take sums, and Escape takes back what they tried.
  w.type("spikes", "*2");
  EXPECT_EQ(content().numbers[0], 36);
  field("ragged").setFocus();
  field("ragged").selectAll();
  QTest::keyClicks(&field("ragged"), "0");
  EXPECT_EQ(content().numbers[2], 0);
  QTest::keyClick(&field("ragged"), Qt::Key_Escape);
  EXPECT_NEAR(content().numbers[2], 0.35, 1e-9);
  EXPECT_EQ(undoName(), "Change spikes");
  // Out of range is brought within it.
  w.type("depth", "500");
  EXPECT_NEAR(content().numbers[1], 0.9, 1e-9);
}

TEST_F(StartersTest, HandlesOnTheMatChangeNumbers) {
  find("star");
  w.drag(w.mm(50, 50), w.mm(130, 126));
  const Point valley = onSheet(0);
  w.drag(valley, mix(valley, only()->position, 0.5));
  EXPECT_GT(content().numbers[1], 0.7) << "the valley went halfway to the middle";
  EXPECT_EQ(undoName(), "Change depth");
  w.wheel(onSheet(0), 2);
  EXPECT_EQ(content().numbers[0], 6) << "one notch is one corner";
  EXPECT_EQ(undoName(), "Change corners");
  // Escape puts back what is being dragged.
  const auto before = content().numbers;
  w.press(onSheet(0));
  w.dragTo(w.mm(60, 60));
  EXPECT_NE(content().numbers, before);
  QTest::keyClick(&w.mat(), Qt::Key_Escape);
  w.release(w.mm(60, 60));
  EXPECT_EQ(content().numbers, before);
  EXPECT_EQ(undoName(), "Change corners");
}

TEST_F(StartersTest, ABalloonsTailIsDraggedByItsTip) {
  find("speech balloon");
  w.drag(w.mm(60, 40), w.mm(140, 90));
  const Box before = boxInParent(*only());
  w.drag(onSheet(0), w.mm(165, 60));
  EXPECT_EQ(content().numbers[2], 3) << "it is on the right now";
  EXPECT_LT(distance(onSheet(0), w.mm(165, 60)), 2);
  EXPECT_NEAR(boxInParent(*only()).low.x, before.low.x, 1e-6) << "the body stays";
  EXPECT_NEAR(boxInParent(*only()).low.y, before.low.y, 1e-6);
  EXPECT_NE(w.seen(w.mm(144, 57)), QColor(Qt::white));
}

TEST_F(StartersTest, DealingLaysEightVariantsOnTheBench) {
  find("blob");
  w.drag(w.mm(50, 50), w.mm(130, 130));
  const auto before = content().numbers;
  w.press("deal");
  auto* fifth = w.window.findChild<QWidget*>("variant5");
  ASSERT_TRUE(fifth && fifth->isVisible());
  EXPECT_TRUE(w.window.findChild<QWidget*>("variant8")->isVisible());
  QEnterEvent enter({5, 5}, {5, 5}, fifth->mapToGlobal(QPointF(5, 5)));
  QApplication::sendEvent(fifth, &enter);
  EXPECT_TRUE(w.desk().isTrying());
  EXPECT_NE(content().numbers, before) << "it shows on the sheet";
  const auto shown = content().numbers;
  w.press("variant5");
  EXPECT_EQ(content().numbers, shown);
  EXPECT_FALSE(w.desk().isTrying());
  EXPECT_EQ(undoName(), "Deal");
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(content().numbers, before);
  // Once more, and back without any.
  w.press("deal");
  w.press("dealAgain");
  w.press("backToNumbers");
  EXPECT_EQ(content().numbers, before);
  EXPECT_TRUE(field("lobes").isVisible());
}

TEST_F(StartersTest, AnotherKindTakesItsPlace) {
  w.key(Qt::Key_4);
  w.drag(w.mm(50, 50), w.mm(130, 110));
  const Box before = boxInParent(*only());
  w.press("anotherKind");
  auto* kinds = w.window.findChild<StarterRow*>("otherKinds");
  ASSERT_TRUE(kinds->isVisible());
  for (int i = 0; i < kinds->model()->rowCount(); ++i) {
    const QModelIndex index = kinds->model()->index(i, 0);
    if (index.data().toString() != "cross") continue;
    kinds->scrollTo(index);
    QTest::mouseClick(kinds->viewport(), Qt::LeftButton, {}, kinds->visualRect(index).center());
    break;
  }
  w.settle();
  EXPECT_EQ(content().kind->name, "cross");
  EXPECT_EQ(boxInParent(*only()), before);
  EXPECT_EQ(only()->name, "cross");
  EXPECT_EQ(undoName(), "Another kind");
}

TEST_F(StartersTest, AClickOpensAnEntryForTheExactSize) {
  w.key(Qt::Key_4);
  w.click(w.mm(100, 100));
  auto* entry = w.window.findChild<QWidget*>("sizeEntry");
  ASSERT_TRUE(entry->isVisible());
  EXPECT_NEAR(content().size.width, 40 * pointsPerMillimetre, 1e-9);
  QTest::keyClicks(&w.mat(), "5");
  QTest::keyClicks(QApplication::focusWidget(), "0 mm");
  QTest::keyClick(QApplication::focusWidget(), Qt::Key_Tab);
  QTest::keyClicks(QApplication::focusWidget(), "75");
  EXPECT_NEAR(content().size.height, 75 * pointsPerMillimetre, 1e-9) << "it shows while it is typed";
  QTest::keyClick(QApplication::focusWidget(), Qt::Key_Return);
  w.settle();
  EXPECT_FALSE(entry->isVisible());
  EXPECT_NEAR(content().size.width, 50 * pointsPerMillimetre, 1e-9);
  EXPECT_LT(distance(only()->position, w.mm(100, 100)), 1) << "about where it was clicked";
  EXPECT_EQ(undoName(), "Set size");
  EXPECT_TRUE(w.mat().hasFocus());
  // Letters are commands all the same; a click elsewhere closes it.
  w.key(Qt::Key_5);
  w.click(w.mm(200, 50));
  EXPECT_TRUE(entry->isVisible());
  w.key(Qt::Key_D, Qt::ControlModifier);
  EXPECT_EQ(w.sheet().items.size(), 3U);
  w.click(w.mm(250, 190));
  EXPECT_FALSE(entry->isVisible());
  // Escape takes back what was typed.
  w.key(Qt::Key_6);
  w.click(w.mm(60, 160));
  const double usual = content().size.width;
  QTest::keyClicks(&w.mat(), "9");
  EXPECT_NEAR(content().size.width, 9 * pointsPerMillimetre, 1e-9);
  QTest::keyClick(QApplication::focusWidget(), Qt::Key_Escape);
  EXPECT_NEAR(content().size.width, usual, 1e-9);
}

TEST_F(StartersTest, DigitsDuringADragSetTheSize) {
  w.key(Qt::Key_4);
  w.press(w.mm(60, 60));
  w.dragTo(w.mm(90, 80));
  QTest::keyClicks(&w.mat(), "5");
  ASSERT_TRUE(w.window.findChild<QWidget*>("sizeEntry")->isVisible());
  QTest::keyClicks(QApplication::focusWidget(), "0 mm");
  QTest::keyClick(QApplication::focusWidget(), Qt::Key_Tab);
  QTest::keyClicks(QApplication::focusWidget(), "3 in");
  EXPECT_TRUE(w.sheet().items.empty()) << "it is still being drawn";
  QTest::keyClick(QApplication::focusWidget(), Qt::Key_Return);
  w.release(w.mm(90, 80));
  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_NEAR(content().size.width, 50 * pointsPerMillimetre, 1e-9);
  EXPECT_NEAR(content().size.height, 3 * 72, 1e-9);
  EXPECT_LT(distance(boxInParent(*only()).low, w.mm(60, 60)), 1) << "from where the drag began";
  EXPECT_EQ(undoName(), "Draw rectangle");
}

TEST_F(StartersTest, ShiftKeepsTheProportionsOfTheKind) {
  find("arch");
  w.drag(w.mm(50, 50), w.mm(90, 130), Qt::ShiftModifier);
  EXPECT_NEAR(content().size.height / content().size.width, 4.0 / 3, 1e-9);
  EXPECT_NEAR(content().size.height, 80 * pointsPerMillimetre, 2);
}

TEST_F(StartersTest, LinesAreDrawnAtEighthsAndDraggedByTheirEnds) {
  w.key(Qt::Key_7);
  w.drag(w.mm(50, 100), w.mm(90, 62), Qt::ShiftModifier);
  ASSERT_TRUE(only());
  auto ends = *endsOf(*only());
  EXPECT_NEAR(ends.second.x - ends.first.x, ends.first.y - ends.second.y, 1e-6) << "45° exactly";
  EXPECT_EQ(undoName(), "Draw line");
  EXPECT_NE(w.seen(mix(ends.first, ends.second, 0.5)), QColor(Qt::white)) << "it has a line to be seen by";
  // One end, then both about the middle.
  w.drag(ends.second, w.mm(120, 100), Qt::ShiftModifier);
  ends = *endsOf(*only());
  EXPECT_NEAR(ends.first.y, ends.second.y, 1e-6);
  EXPECT_NEAR(ends.first.x, w.mm(50, 0).x, 1);
  EXPECT_EQ(undoName(), "Move the end");
  const Point middle = mix(ends.first, ends.second, 0.5);
  w.drag(ends.second, w.mm(140, 120), Qt::AltModifier);
  ends = *endsOf(*only());
  EXPECT_LT(distance(mix(ends.first, ends.second, 0.5), middle), 1e-6);
  EXPECT_LT(distance(ends.second, w.mm(140, 120)), 2);
  // By number: a click, its length and angle.
  w.key(Qt::Key_7);
  w.click(w.mm(200, 60));
  QTest::keyClicks(&w.mat(), "3");
  QTest::keyClicks(QApplication::focusWidget(), "0");
  QTest::keyClick(QApplication::focusWidget(), Qt::Key_Tab);
  QTest::keyClicks(QApplication::focusWidget(), "45");
  QTest::keyClick(QApplication::focusWidget(), Qt::Key_Return);
  w.settle();
  ends = *endsOf(*only());
  EXPECT_NEAR(distance(ends.first, ends.second), 30 * pointsPerMillimetre, 1e-6);
  EXPECT_NEAR(ends.second.x - ends.first.x, ends.first.y - ends.second.y, 1e-6);
}

TEST_F(StartersTest, TypedWithItsNumbersItIsLaidAtOnce) {
  find("polygon 20");
  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_EQ(starterOf(*w.sheet().items[0])->content().numbers[0], 20);
  // The next one can be typed at once; what is wrong is said, and nothing is laid.
  QTest::keyClicks(&field("findShape"), "box 50 x 75");
  QTest::keyClick(&field("findShape"), Qt::Key_Return);
  ASSERT_EQ(w.sheet().items.size(), 2U);
  EXPECT_NEAR(boxInParent(*w.sheet().items[1]).height(), 75 * pointsPerMillimetre, 1e-9);
  QString told;
  QObject::connect(&w.desk(), &Desk::told, [&](const QString& text) { told = text; });
  QTest::keyClicks(&field("findShape"), "polygon 2");
  QTest::keyClick(&field("findShape"), Qt::Key_Return);
  EXPECT_EQ(w.sheet().items.size(), 2U);
  EXPECT_TRUE(told.contains("from 3 to 400")) << told.toStdString();
  // A click on the mat selects there.
  w.click(w.mm(250, 190));
  EXPECT_EQ(w.desk().tool(), ToolKind::Select);
  EXPECT_TRUE(w.desk().selection().empty());
}

TEST_F(StartersTest, APartOfARecipeShowsItsNumbersWhenAsked) {
  w.key(Qt::Key_4);
  w.drag(w.mm(50, 50), w.mm(150, 130));
  find("star");
  w.dragHolding(Qt::Key_S, w.mm(70, 60), w.mm(130, 120));
  const ItemPtr cutout = only();
  ASSERT_TRUE(cutout && cutout->recipe());
  const double before = signedArea(resolved(*cutout)->outline);
  w.desk().select({cutout->recipe()->parts[1]->id});
  w.settle();
  EXPECT_TRUE(w.window.findChild<QWidget*>("formula")->isVisible()) << "a part shows the recipe";
  w.key(Qt::Key_N);
  w.type("depth", "90");
  EXPECT_GT(signedArea(resolved(*findItem(w.desk().settled(), cutout->id))->outline), before);
  w.press("backToRecipe");
  EXPECT_TRUE(w.window.findChild<QWidget*>("formula")->isVisible());
}

TEST_F(StartersTest, TheShelfKeepsShapesOverAllProjects) {
  find("star");
  w.drag(w.mm(50, 50), w.mm(110, 110));
  w.type("corners", "9");
  w.key(Qt::Key_K, Qt::ControlModifier);
  EXPECT_TRUE(QFile::exists(shelf.filePath("star.widecut"))) << "a file that anybody can open";
  w.desk().startNew();
  w.settle();
  ASSERT_TRUE(w.sheet().items.empty());
  w.press("family cutters");
  EXPECT_TRUE(row().viewport()->rect().intersects(
      row().visualRect(row().starters().index(row().starters().rowOf("cutters"), 0))));
  w.press("family shelf");
  EXPECT_TRUE(row().viewport()->rect().contains(
      row().visualRect(row().starters().index(row().starters().rowOf("shelf"), 0)).center()));
  dragOut(
      *row().viewport(),
      [&] {
        for (int i = row().model()->rowCount() - 1; i >= 0; --i)
          if (const QModelIndex index = row().model()->index(i, 0); index.data(StartersModel::FamilyOf) == "shelf") {
            row().scrollTo(index);
            return row().visualRect(index).center();
          }
        qFatal("nothing on the shelf");
      }(),
      w.mm(120, 90));
  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_EQ(content().numbers[0], 9) << "with its numbers";
  EXPECT_LT(distance(boxInParent(*only()).centre(), w.mm(120, 90)), 2);
  // Found by typing, renamed where it stands, taken off.
  const auto kept = Shelf::instance().all();
  ASSERT_EQ(kept.size(), 1U);
  EXPECT_TRUE(Shelf::instance().rename(kept[0], "nine/tips"));
  EXPECT_EQ(Shelf::instance().all()[0].name, "nine-tips");
  find("nine");
  EXPECT_EQ(w.sheet().items.size(), 2U);
  EXPECT_TRUE(Shelf::instance().remove(Shelf::instance().all()[0]));
  EXPECT_TRUE(Shelf::instance().all().empty());
}

TEST_F(StartersTest, ADamagedFileOnTheShelfIsNamed) {
  QFile broken(shelf.filePath("broken.widecut"));
  ASSERT_TRUE(broken.open(QIODevice::WriteOnly));
  broken.write("no zip");
  broken.close();
  emit Shelf::instance().changed();
  QString told;
  QObject::connect(&w.desk(), &Desk::told, [&](const QString& text) { told = text; });
  find("broken");
  EXPECT_TRUE(w.sheet().items.empty());
  EXPECT_TRUE(told.contains("broken.widecut")) << told.toStdString();
}

TEST_F(StartersTest, BakingIsFinalAndSaid) {
  find("heart");
  w.drag(w.mm(50, 50), w.mm(110, 110));
  w.key(Qt::Key_B);
  EXPECT_FALSE(starterOf(*only()));
  EXPECT_EQ(undoName(), "Bake");
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_TRUE(starterOf(*only()));
}

TEST_F(StartersTest, ResizingByAHandleKeepsWhatTheKindKeeps) {
  find("frame");
  w.drag(w.mm(50, 50), w.mm(110, 100));
  const double border = content().numbers[0];
  const Box box = boxInParent(*only());
  w.drag(box.high, box.high + w.mm(60, 40));
  EXPECT_EQ(content().numbers[0], border);
  EXPECT_NEAR(content().size.width, 120 * pointsPerMillimetre, 3);
  // Copies keep their numbers, through the clipboard too.
  w.key(Qt::Key_C, Qt::ControlModifier);
  w.key(Qt::Key_V, Qt::ControlModifier);
  EXPECT_EQ(content().numbers[0], border);
  EXPECT_EQ(content().kind->name, "frame");
}

}  // namespace
}  // namespace widecut
