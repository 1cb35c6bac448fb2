// Pointing shows and never changes; clicking makes; Escape ends and keeps.
#include <gtest/gtest.h>

#include <QAbstractItemView>
#include <QLabel>

#include "app/bench/starter_strip.h"
#include "app/widgets/cards.h"
#include "walked.h"

namespace widecut {
namespace {

struct PointingTest : testing::Test {
  Walker walk;
  WindowDriver& w = walk.w;

  /// All that panels and bench say: which page shows, labels, numbers, and how wide things are.
  std::string said() {
    std::string all = std::to_string(walk.bench().currentIndex()) + "\n";
    for (const Walker::Said& one : walk.said())
      all += one.text.toStdString() + " at " + std::to_string(one.at.x()) + ", " + std::to_string(one.at.y()) + "\n";
    return all;
  }
  QImage sheetNow() {
    w.settle();
    (void)w.seen(w.mm(100, 80));  // photos that are still being decoded
    return w.mat().grab().toImage();
  }
  void pointAt(QWidget* widget, QPoint at) {
    QEnterEvent enter(at, at, widget->mapToGlobal(QPointF(at)));
    QApplication::sendEvent(widget, &enter);
    QTest::mouseMove(widget, at);
    QTest::qWait(20);
    w.settle();
  }
  void leave(QWidget* widget) {
    // To where nothing is pointed at. A list and what shows of it are left together.
    QTest::mouseMove(w.window.findChild<QWidget*>("hintLine"), QPoint(300, 10));
    for (QWidget* left :
         {widget, qobject_cast<StarterRow*>(widget->parentWidget()) ? widget->parentWidget() : widget}) {
      QEvent leave(QEvent::Leave);
      QApplication::sendEvent(left, &leave);
    }
    w.settle();
  }
  /// Points at a place and looks at everything before, meanwhile and afterwards.
  void expectNothingChanges(QWidget* widget, QPoint at, const std::string& where) {
    const std::string before = said();
    const ProjectPtr settled = w.desk().history().current();
    const bool wasTrying = w.desk().isTrying();  // some tools always show what they would do
    const std::vector<Id> selected = w.desk().selection();
    const QImage sheet = sheetNow();
    const QPointer<QWidget> kept(widget);
    pointAt(widget, at);
    ASSERT_TRUE(kept && kept->isVisible()) << where << ": it went away under the pointer";
    EXPECT_EQ(said(), before) << where;
    EXPECT_EQ(w.desk().history().current(), settled) << where;
    EXPECT_EQ(w.desk().selection(), selected) << where;
    w.desk().settleAll();  // as every command does first
    EXPECT_EQ(w.desk().history().current(), settled) << where << ": it was made by the command that came next";
    leave(widget);
    EXPECT_EQ(w.desk().isTrying(), wasTrying) << where;
    EXPECT_EQ(said(), before) << where << ", left";
    EXPECT_EQ(sheetNow(), sheet) << where << ", left: the sheet is as it was";
  }
};

constexpr int shares = 3;
struct PointedAt : PointingTest, testing::WithParamInterface<int> {};
INSTANTIATE_TEST_SUITE_P(Shares, PointedAt, testing::Range(0, shares));

TEST_P(PointedAt, EveryCardAndChipOnlyShows) {
  int walked = 0;
  for (const Walker::Page& page : walk.pages(GetParam(), shares)) {
    walk.bringUp(page);
    std::vector<QPointer<QWidget>> cards;
    for (auto* card : walk.bench().currentWidget()->findChildren<QAbstractButton*>())
      if (card->isVisible()) cards.push_back(card);
    for (const QPointer<QWidget>& card : cards) {
      if (!card) continue;  // made anew, when a photo had been decoded
      expectNothingChanges(card, card->rect().center(), page.name + ", " + card->objectName().toStdString());
      if (HasFatalFailure()) return;
      ++walked;
    }
    for (auto* row : walk.bench().currentWidget()->findChildren<StarterRow*>()) {
      if (!row->isVisible()) continue;
      for (int i = 0; i < row->model()->rowCount(); i += 3) {
        const QRect cell = row->visualRect(row->model()->index(i, 0));
        if (!row->viewport()->rect().contains(cell.center())) break;
        expectNothingChanges(row->viewport(), cell.center(), page.name + ", picture " + std::to_string(i));
        if (HasFatalFailure()) return;
        ++walked;
      }
    }
  }
  EXPECT_GT(walked, 60);
}

TEST_F(PointingTest, AnotherKindIsPointedAtAndThenTaken) {
  for (const char* name : {"box", "star", "wave panel", "ellipse"}) {
    walk.bringUp({name, [&] {
                    w.desk().setTool(ToolKind::Starter);
                    w.desk().setNext(*starterKind(name), usualValues(*starterKind(name)));
                    w.drag(w.mm(60, 50), w.mm(140, 110), Qt::ControlModifier);
                  }});
    walk.click("anotherKind");
    auto* kinds = walk.bench().findChild<StarterRow*>("otherKinds");
    int triangle = 0;
    while (kinds->model()->index(triangle, 0).data().toString() != "triangle") ++triangle;
    const QModelIndex index = kinds->model()->index(triangle, 0);
    kinds->scrollTo(index);
    const QPoint at = kinds->visualRect(index).center();
    pointAt(kinds->viewport(), at);
    EXPECT_TRUE(kinds->isVisible()) << name << ": the strip stays under the pointer";
    EXPECT_EQ(starterOf(*findItem(w.desk().project(), w.desk().selection().front()))->kind().name, "triangle");
    QTest::mouseClick(kinds->viewport(), Qt::LeftButton, {}, at);
    w.settle();
    EXPECT_EQ(starterOf(*w.desk().onlyItem())->kind().name, "triangle") << name;
    EXPECT_FALSE(w.desk().isTrying());
  }
}

TEST_F(PointingTest, AColourThatWasClickedStaysAfterEscape) {
  walk.box();
  walk.click("fillColour");
  QWidget* popover = QApplication::activePopupWidget();
  ASSERT_TRUE(popover);
  auto* tone = popover->findChild<QPushButton*>("tone #bf3f26");
  ASSERT_TRUE(tone);
  QTest::mouseClick(tone, Qt::LeftButton);
  QTest::keyClick(QApplication::focusWidget() ? QApplication::focusWidget() : popover, Qt::Key_Escape);
  w.settle();
  EXPECT_EQ(colourText(*colourOf(*w.desk().onlyItem()->style)), "#bf3f26");
  EXPECT_EQ(QApplication::focusWidget(), &w.mat());
  w.desk().undo();
  EXPECT_NE(colourText(*colourOf(*w.desk().onlyItem()->style)), "#bf3f26") << "Ctrl+Z takes it back";
}

TEST_F(PointingTest, WhatIsLitOnOneSheetIsNotOnTheNext) {
  walk.box();
  w.key(Qt::Key_Escape);
  QTest::mouseMove(&w.mat(), w.onMat(w.mm(100, 80)));
  w.settle();
  const QImage lit = w.mat().grab().toImage();
  walk.command("duplicateSheet");
  w.key(Qt::Key_Escape);
  const QImage next = sheetNow();
  QEvent leave(QEvent::Leave);
  QApplication::sendEvent(&w.mat(), &leave);
  EXPECT_EQ(sheetNow(), next) << "nothing was lit";
  EXPECT_NE(lit, next);
}

TEST_F(PointingTest, AClickBesideAPopUpClosesItAndIsNotLost) {
  walk.box();
  const Id second = walk.disc();
  w.click(w.mm(65, 55));
  walk.click("fillColour");
  ASSERT_TRUE(QApplication::activePopupWidget());
  // The toolkit hands a press beside a pop-up on to what lies there, once the pop-up is shut.
  QWindow* shown = w.window.windowHandle();
  const QPoint inWindow = w.mat().mapTo(&w.window, w.onMat(w.mm(170, 90)));
  QTest::mousePress(shown, Qt::LeftButton, {}, inWindow);
  QTest::qWait(20);
  QTest::mouseRelease(shown, Qt::LeftButton, {}, inWindow);
  w.settle();
  EXPECT_FALSE(QApplication::activePopupWidget());
  EXPECT_EQ(w.desk().selection(), std::vector<Id>{second});
  EXPECT_EQ(QApplication::focusWidget(), &w.mat());
}

TEST_F(PointingTest, APageThatWasAskedForEndsWithItsSelection) {
  walk.photo();
  w.key(Qt::Key_R, Qt::ShiftModifier);
  const int adjusting = walk.bench().currentIndex();
  w.key(Qt::Key_Escape);
  walk.box(150);
  EXPECT_NE(walk.bench().currentIndex(), adjusting);
  w.click(w.mm(80, 60));
  EXPECT_NE(walk.bench().currentIndex(), adjusting);
}

}  // namespace
}  // namespace widecut
