// Saving and delivering while the work goes on: by mouse and keys.
#include <gtest/gtest.h>

#include <QComboBox>
#include <QDialog>
#include <QImageReader>
#include <QLabel>
#include <QMenu>
#include <QMessageBox>
#include <QProgressBar>
#include <QPushButton>
#include <QTemporaryDir>
#include <atomic>

#include "app/desk/latest_task.h"
#include "app/tools/tool_table.h"
#include "project/resolve.h"
#include "storage/project_file.h"
#include "window_driver.h"

namespace widecut {
namespace {

struct BackgroundWork : testing::Test {
  WindowDriver w;
  QTemporaryDir folder;

  Id box() {
    w.key(Qt::Key_4);
    w.drag(w.mm(50, 50), w.mm(110, 110));
    return w.desk().selection().front();
  }
  QString hint() { return w.window.findChild<QLabel*>("hint")->text(); }
  QWidget& stop() { return *w.window.findChild<QWidget*>("stopWork"); }
  bool isBusy() { return w.window.errands().background().isBusy(); }
  double left(const Project& project, Id id) { return boxInParent(*findItem(project, id)).low.x / pointsPerMillimetre; }
  /// Asks for the sheet as a PNG of so many ppi, and comes back while it is being written.
  void deliver(const QString& path, const char* ppi) {
    w.onNextDialog([&, ppi, path](QWidget& dialog) {
      dialog.findChild<QComboBox*>("what")->setCurrentIndex(0);
      auto* field = dialog.findChild<QLineEdit*>("resolution");
      field->selectAll();
      QTest::keyClicks(field, ppi);
      w.onNextDialog([&, path](QWidget& files) { w.answerFile(files, path); }, &dialog);
      QTest::mouseClick(dialog.findChild<QPushButton*>(), Qt::LeftButton);
    });
    QTest::keyClick(&w.mat(), Qt::Key_E, Qt::ControlModifier);
  }
};

TEST_F(BackgroundWork, WhatIsDoneWhileItIsSavedIsNotInTheFileAndNotSaved) {
  const Id id = box();
  const QString path = folder.filePath("a.widecut");
  ASSERT_TRUE(w.desk().save(path));
  const double before = left(w.desk().settled(), id);
  w.key(Qt::Key_Right);
  QTest::keyClick(&w.mat(), Qt::Key_S, Qt::ControlModifier);
  QTest::keyClick(&w.mat(), Qt::Key_Right, Qt::ShiftModifier);
  w.settle();
  EXPECT_NEAR(left(*openProject(path.toStdString()), id), before + 1, 1e-6);
  EXPECT_NEAR(left(w.desk().settled(), id), before + 11, 1e-6);
  EXPECT_FALSE(w.desk().isSaved());
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_TRUE(w.desk().isSaved()) << "it is the state that was saved";
}

TEST_F(BackgroundWork, SavingTwiceAtOnceSavesTheNewestState) {
  const Id id = box();
  const QString path = folder.filePath("a.widecut");
  ASSERT_TRUE(w.desk().save(path));
  const double before = left(w.desk().settled(), id);
  for (int i = 0; i < 3; ++i) {
    QTest::keyClick(&w.mat(), Qt::Key_Right);
    QTest::keyClick(&w.mat(), Qt::Key_S, Qt::ControlModifier);
  }
  w.settle();
  EXPECT_NEAR(left(*openProject(path.toStdString()), id), before + 3, 1e-6);
  EXPECT_TRUE(w.desk().isSaved());
}

TEST_F(BackgroundWork, ADeliveryShowsHowFarItIsAndCanBeStopped) {
  box();
  const QString path = folder.filePath("large.png");
  deliver(path, "1000");
  ASSERT_TRUE(isBusy());
  ASSERT_TRUE(QTest::qWaitFor([&] { return stop().isVisible(); }, 20'000));
  auto* bar = w.window.findChild<QProgressBar*>();
  EXPECT_TRUE(QTest::qWaitFor([&] { return bar->value() > 0; }, 20'000));
  EXPECT_LT(bar->value(), bar->maximum());
  EXPECT_TRUE(w.window.findChild<QLabel*>("work")->text().contains("large.png"));
  // Meanwhile the work goes on.
  QTest::keyClick(&w.mat(), Qt::Key_Right);
  EXPECT_EQ(w.desk().history().undoName(), "Nudge");
  QTest::mouseClick(&stop(), Qt::LeftButton);
  w.settle();
  EXPECT_TRUE(hint().contains("stopped")) << hint().toStdString();
  EXPECT_FALSE(stop().isVisible());
  EXPECT_TRUE(QDir(folder.path()).isEmpty(QDir::AllEntries | QDir::Hidden | QDir::NoDotAndDotDot));
}

TEST_F(BackgroundWork, AWindowClosedDuringADeliveryStaysUntilThatIsThere) {
  box();
  ASSERT_TRUE(w.desk().save(folder.filePath("a.widecut")));
  const QString path = folder.filePath("sheet.png");
  deliver(path, "600");
  ASSERT_TRUE(isBusy());
  w.window.close();
  EXPECT_TRUE(w.window.isVisible());
  EXPECT_TRUE(QTest::qWaitFor([&] { return !w.window.isVisible(); }, 60'000));
  EXPECT_EQ(QImageReader(path).size().width(), std::ceil(297 / 25.4 * 600));
}

TEST_F(BackgroundWork, ClosingWithASaveSavesFirst) {
  const Id id = box();
  const QString path = folder.filePath("a.widecut");
  ASSERT_TRUE(w.desk().save(path));
  const double before = left(w.desk().settled(), id);
  w.key(Qt::Key_Right);
  w.onNextDialog([&](QWidget& dialog) {
    for (QAbstractButton* b : dynamic_cast<QMessageBox&>(dialog).buttons())
      if (b->text().remove('&') == "Save") QTest::mouseClick(b, Qt::LeftButton);
  });
  w.window.close();
  EXPECT_TRUE(QTest::qWaitFor([&] { return !w.window.isVisible(); }, 20'000));
  EXPECT_NEAR(left(*openProject(path.toStdString()), id), before + 1, 1e-6);
}

TEST_F(BackgroundWork, TheFirstSheetShowsWhileTheRestIsReadAndCannotBeChangedYet) {
  const Project demo = *openProject(DEMO_PROJECT);
  w.window.errands().openFile(DEMO_PROJECT);
  ASSERT_TRUE(w.desk().isOpening());
  EXPECT_TRUE(isSame(*w.desk().sheet(), *sheetsOf(demo).front()));
  EXPECT_EQ(sheetsOf(w.desk().project()).size(), 1U) << "nothing else is read yet";
  QTest::keyClick(&w.mat(), Qt::Key_A, Qt::ControlModifier);
  QTest::keyClick(&w.mat(), Qt::Key_Delete);
  QTest::keyClick(&w.mat(), Qt::Key_S, Qt::ControlModifier);
  EXPECT_TRUE(hint().contains("still being opened")) << hint().toStdString();
  w.settle();
  EXPECT_FALSE(w.desk().isOpening());
  EXPECT_TRUE(isSame(w.desk().settled(), demo));
  EXPECT_TRUE(w.desk().isSaved());
  EXPECT_FALSE(w.desk().history().canUndo());
}

TEST_F(BackgroundWork, AnOpeningThatIsStoppedLeavesWhatWasOpen) {
  const Id id = box();
  ASSERT_TRUE(w.desk().save(folder.filePath("a.widecut")));
  w.window.errands().openFile(DEMO_PROJECT);
  w.window.errands().background().stop();
  w.settle();
  EXPECT_FALSE(w.desk().isOpening());
  EXPECT_TRUE(findItem(w.desk().settled(), id));
  EXPECT_TRUE(w.desk().history().canUndo());
  EXPECT_TRUE(hint().contains("stopped")) << hint().toStdString();
}

TEST_F(BackgroundWork, TheMenuByThePointerHasWhatCanBeDoneThere) {
  const Id id = box();
  w.desk().select({});
  const auto open = [&](Point at) {
    const QPoint place = w.onMat(at);
    QContextMenuEvent event(QContextMenuEvent::Mouse, place, w.mat().mapToGlobal(place));
    QApplication::sendEvent(&w.mat(), &event);
    return qobject_cast<QMenu*>(QApplication::activePopupWidget());
  };
  const auto words = [](const QMenu& menu) {
    QStringList all;
    for (const QAction* action : menu.actions()) all << action->text();
    return all;
  };
  QMenu* menu = open(w.mm(80, 80));
  ASSERT_TRUE(menu);
  EXPECT_EQ(w.desk().selection(), std::vector<Id>{id}) << "what is under the pointer is what it is about";
  EXPECT_TRUE(words(*menu).contains("Delete"));
  EXPECT_FALSE(words(*menu).contains("Union")) << "one item cannot be combined";
  menu->close();
  menu = open(w.mm(200, 180));
  ASSERT_TRUE(menu);
  EXPECT_TRUE(w.desk().selection().empty());
  EXPECT_FALSE(words(*menu).contains("Delete"));
  menu->close();
}

TEST(CommandTable, EveryCommandIsThereOnceWithAKeyOfItsOwn) {
  QSet<QString> names, keys;
  const auto take = [](QSet<QString>& all, const QString& word) {
    EXPECT_FALSE(all.contains(word)) << word.toStdString();
    all.insert(word);
  };
  for (const Command& c : commandTable()) {
    EXPECT_EQ(&command(c.id), &c);
    take(names, c.name);
    EXPECT_FALSE(c.menuWords().isEmpty());
    for (const QKeySequence& key : c.keyList()) {
      EXPECT_FALSE(key.isEmpty()) << c.name;
      take(keys, key.toString());
    }
  }
  for (const ToolEntry& tool : toolTable())
    if (tool.isInRow()) take(keys, tool.keyText());
}

TEST_F(BackgroundWork, WorkThatNobodyWantsAnyMoreStops) {
  std::atomic<bool> begun = false, left = false, isEnough = false;
  const auto endless = [&]() -> std::function<void()> {
    struct Leaving {
      std::atomic<bool>& left;
      ~Leaving() { left = true; }
    } leaving{left};
    begun = true;
    while (!isEnough) stopPoint();
    return [] { ADD_FAILURE() << "it is not wanted any more"; };
  };
  LatestTask task;
  task.run(endless);
  ASSERT_TRUE(w.until([&] { return begun.load(); }));
  task.drop();
  EXPECT_TRUE(w.until([&] { return left.load(); }));
  // Newer work has it stop too, and comes at once.
  begun = left = false;
  task.run(endless);
  ASSERT_TRUE(w.until([&] { return begun.load(); }));
  int came = 0;
  task.run([&] { return [&] { ++came; }; });
  EXPECT_TRUE(w.until([&] { return came == 1; }));
  EXPECT_TRUE(left);
  // What has to be ended is.
  begun = left = false;
  LatestTask file(nullptr, LatestTask::Outdated::Ends);
  file.run(endless);
  ASSERT_TRUE(w.until([&] { return begun.load(); }));
  file.run([&] { return [&] { ++came; }; });
  EXPECT_FALSE(left);
  isEnough = true;
  EXPECT_TRUE(w.until([&] { return came == 2; }));
}

}  // namespace
}  // namespace widecut
