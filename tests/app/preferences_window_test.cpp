// Preferences, what is kept from start to start, and the menu of the stack.
#include <QAbstractButton>
#include <QCheckBox>
#include <QComboBox>
#include <QDialog>
#include <QMenu>
#include <QTemporaryDir>

#include "app/desk/preferences.h"
#include "everyday.h"
#include "storage/project_file.h"

namespace widecut {
namespace {

struct PreferencesWindow : Everyday {
  QWidget* page() {
    w.key(Qt::Key_Comma, Qt::ControlModifier);
    return w.window.findChild<QDialog*>("preferences");
  }
  void choose(QWidget* page, const char* name, int index) {
    ++w.actions;
    page->findChild<QComboBox*>(name)->setCurrentIndex(index);
    w.settle();
  }
  QString fieldText(const char* name) { return w.window.findChild<QLineEdit*>(name)->text(); }
};

TEST_F(PreferencesWindow, ACommaForDecimalsIsWrittenAndReadAtOnce) {
  const Id id = box();
  QWidget* preferences = page();
  ASSERT_TRUE(preferences);
  w.type("width", "12.5mm");
  EXPECT_EQ(fieldText("width"), "12.5 mm");
  choose(preferences, "decimalSign", 1);
  EXPECT_EQ(fieldText("width"), "12,5 mm") << "without another click";
  w.type("width", "7,25 + 1,5");
  EXPECT_NEAR(boxInParent(*item(id)).width(), 8.75 * pointsPerMillimetre, 1e-6);
  EXPECT_EQ(fieldText("width"), "8,75 mm");
  choose(preferences, "decimalSign", 0);
  EXPECT_EQ(fieldText("width"), "8.75 mm");
}

TEST_F(PreferencesWindow, TheDarkLookComesAtOnceAndLeavesSheetsAsTheyAre) {
  box();
  w.desk().select({});
  w.settle();
  const auto seen = [&](const char* name, QPoint at) {
    return w.window.findChild<QWidget*>(name)->grab().toImage().pixelColor(at);
  };
  const QColor paper = w.seen(w.mm(10, 10)), shape = w.seen(w.mm(60, 60));
  EXPECT_GT(seen("bench", {7, 60}).lightness(), 200);
  QWidget* preferences = page();
  choose(preferences, "looks", 1);
  EXPECT_LT(seen("bench", {7, 60}).lightness(), 90);
  EXPECT_LT(seen("toolRow", {600, 20}).lightness(), 90);
  EXPECT_LT(w.mat().grab().toImage().pixelColor(400, 4).lightness(), 90) << "the rulers too";
  EXPECT_EQ(w.seen(w.mm(10, 10)), paper);
  EXPECT_EQ(w.seen(w.mm(60, 60)), shape);
  choose(preferences, "looks", 0);
  EXPECT_GT(seen("bench", {7, 60}).lightness(), 200);
}

TEST_F(PreferencesWindow, ThePreferredUnitIsThatOfNewPiecesInPrint) {
  choose(page(), "preferredUnit", 2);
  w.key(Qt::Key_N, Qt::ControlModifier);
  w.press("A4 poster");
  EXPECT_EQ(w.desk().unit(), Unit::Inch);
  w.key(Qt::Key_N, Qt::ControlModifier);
  w.press("Ad 300 × 250");
  EXPECT_EQ(w.desk().unit(), Unit::Pixel);
}

TEST_F(PreferencesWindow, PreferencesAreKeptFromStartToStart) {
  QWidget* preferences = page();
  choose(preferences, "preferredUnit", 1);
  w.type("recovery", "300");
  EXPECT_EQ(widecut::preferences().recoverySeconds, mostRecoverySeconds) << "within its limits";
  preferences->findChild<QCheckBox*>("reopens")->click();
  const Preferences wanted = widecut::preferences();
  EXPECT_TRUE(wanted.reopens);
  PreferencesNow::instance().load();
  EXPECT_EQ(widecut::preferences(), wanted);
}

TEST_F(PreferencesWindow, WhatWasOpenIsOpenedAgainAtItsSheet) {
  const QTemporaryDir folder;
  const QString path = folder.filePath("mine.widecut");
  box();
  w.key(Qt::Key_N, Qt::ControlModifier | Qt::ShiftModifier);
  const Id second = w.desk().sheet()->id;
  ASSERT_TRUE(w.desk().save(path));
  w.window.close();
  MainWindow next;
  next.show();
  next.reopenLast();
  for (int i = 0; i < 500 && (next.errands().background().isBusy() || next.desk().isOpening()); ++i) QTest::qWait(5);
  QTest::qWait(20);
  EXPECT_EQ(next.desk().path(), path);
  EXPECT_EQ(next.desk().sheet()->id, second);
}

TEST_F(PreferencesWindow, EveryControlThatKeysReachHasAName) {
  const auto expectNames = [&](const char* when) {
    for (const QWidget* widget : w.window.findChildren<QWidget*>()) {
      const bool isInside = qobject_cast<QComboBox*>(widget->parentWidget()) || widget->inherits("QScrollBar");
      if (!widget->isVisible() || !(widget->focusPolicy() & Qt::TabFocus) || isInside) continue;
      const auto* button = qobject_cast<const QAbstractButton*>(widget);
      EXPECT_TRUE(!widget->accessibleName().isEmpty() || (button && !button->text().isEmpty()))
          << when << ": " << widget->metaObject()->className() << " " << widget->objectName().toStdString();
    }
  };
  expectNames("nothing selected");
  w.key(Qt::Key_N, Qt::ControlModifier);
  expectNames("the start");
  w.press("A4 poster");
  const Id a = box(), b = disc(60);
  expectNames("one item");
  w.desk().select({a, b});
  w.settle();
  expectNames("two items");
  w.key(Qt::Key_S);
  expectNames("a cutout");
  w.key(Qt::Key_0);
  expectNames("the knife");
  w.key(Qt::Key_6);
  expectNames("the polygon tool");
  w.key(Qt::Key_8);
  expectNames("the words tool");
  w.key(Qt::Key_Escape);
  page();
  expectNames("preferences");
}

TEST_F(PreferencesWindow, TheStackHasTheMenuOfWhatIsUnderThePointer) {
  const Id a = box();
  disc();
  const QPoint at = stack->visualRect(row(a)).center();
  QContextMenuEvent event(QContextMenuEvent::Mouse, at, stack->viewport()->mapToGlobal(at));
  QApplication::sendEvent(stack->viewport(), &event);
  auto* menu = w.window.findChild<QMenu*>("pointerMenu");
  ASSERT_TRUE(menu);
  EXPECT_EQ(w.desk().selection(), Ids{a}) << "it is about what is under the pointer";
  EXPECT_FALSE(menu->actions().isEmpty());
  menu->close();
}

}  // namespace
}  // namespace widecut
