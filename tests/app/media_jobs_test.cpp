// The project's media: files that are referred to, photos over sheets, levels along lines; by mouse and keys.
#include <gtest/gtest.h>

#include <QCheckBox>
#include <QFile>
#include <QListView>

#include "app/panels/stack_model.h"
#include "job_photos.h"
#include "node_hands.h"
#include "project/edits/levels.h"
#include "project/edits/media.h"
#include "project/edits/sharing.h"
#include "project/lookup.h"
#include "project/resolve.h"

namespace widecut {
namespace {

struct MediaJobs : testing::Test {
  NodeHands w;
  QTemporaryDir folder;

  void framed() { layTwoTones(w, folder); }
  const Medium& medium() { return *shownPhoto(*w.only())->medium; }
  void openAgain(const QString& path) {
    w.window.errands().openFile(path);
    w.settle();
    w.until([&] { return !w.desk().isOpening(); });
    w.settle();
  }
};

TEST_F(MediaJobs, AFileIsReferredToMissedFoundAndKeptAgain) {
  framed();
  const QString photo = folder.filePath("tones.png"), project = folder.filePath("work.widecut");
  w.key(Qt::Key_M, Qt::ControlModifier | Qt::ShiftModifier);
  w.press("photo 0");
  w.actions = 0;
  w.press("referToFile");  // it is known where it was brought in from
  ASSERT_TRUE(w.until([&] { return !medium().path.empty(); }));
  w.report("Refer to a file");
  EXPECT_EQ(medium().path, photo.toStdString());
  ASSERT_TRUE(w.desk().save(project));
  const qint64 referring = QFileInfo(project).size();

  // Moved meanwhile, its frame stands with a stand-in, and wears an amber corner that says why.
  ASSERT_TRUE(QFile::rename(photo, folder.filePath("moved.png")));
  openAgain(project);
  const Id item = w.sheet().items[0]->id;
  w.desk().select({item});
  EXPECT_EQ(missingMedia(w.desk().settled()).size(), 1U);
  ASSERT_TRUE(w.until([&] { return w.desk().subjects().troubles().contains(item); }));
  EXPECT_TRUE(w.desk().subjects().troubles().at(item).contains("tones.png"));
  EXPECT_FALSE(isRed(w.seen(w.mm(70, 75))));
  const Affine before = shownPhoto(*w.only())->pixelsToFrame;
  w.key(Qt::Key_M, Qt::ControlModifier | Qt::ShiftModifier);
  w.press("photo 0");
  w.actions = 0;
  chooseInDialog(w.window, folder.filePath("moved.png"));
  w.press("findFile");
  ASSERT_TRUE(w.until([&] { return missingMedia(w.desk().settled()).empty(); }));
  w.report("Find a file");
  EXPECT_TRUE(isRed(w.seen(w.mm(70, 75))));
  EXPECT_EQ(shownPhoto(*w.only())->pixelsToFrame, before);
  EXPECT_TRUE(w.until([&] { return w.desk().subjects().troubles().empty(); }));

  w.press("keepInProject");
  EXPECT_TRUE(medium().path.empty());
  ASSERT_TRUE(w.desk().save(project));
  EXPECT_GT(QFileInfo(project).size(), referring);
}

TEST_F(MediaJobs, AnotherFileIsNotTakenForIt) {
  framed();
  const QString other = redPhoto(folder);
  w.key(Qt::Key_M, Qt::ControlModifier | Qt::ShiftModifier);
  w.press("photo 0");
  w.desk().origins.clear();
  QString said;
  QObject::connect(&w.desk(), &Desk::told, &w.window, [&](const QString& message) { said = message; });
  chooseInDialog(w.window, other);
  w.press("referToFile");
  ASSERT_TRUE(w.until([&] { return said.contains("is not the file"); })) << said.toStdString();
  EXPECT_TRUE(medium().path.empty());
}

TEST_F(MediaJobs, APhotoLiesBehindSeveralSheetsInRegister) {
  framed();
  const Id panel = w.only()->id;
  w.window.findChild<QAction*>("newSheet")->trigger();
  w.settle();
  w.desk().stepSheet(-1);
  w.desk().select({panel});
  std::vector<Id> all;
  for (const SheetPtr& sheet : w.desk().settled().pieces[0]->sheets) all.push_back(sheet->id);
  ASSERT_EQ(all.size(), 2U);
  w.desk().chooseSheets(all);
  w.actions = 2;  // the menu, and its line
  w.window.findChild<QAction*>("photoBehindSheet")->trigger();
  w.settle();
  w.report("J12 over sheets");
  EXPECT_EQ(sharersOf(w.desk().settled(), panel).size(), 3U);
  const double middle =
      (frameToSheet(w.desk().project(), panel) * shownPhoto(*w.only())->pixelsToFrame)(Point{200, 100}).x;
  const auto expectTones = [&] {
    EXPECT_TRUE(isRed(w.seen({middle - 20, w.mm(0, 180).y})));
    EXPECT_TRUE(isBlue(w.seen({middle + 20, w.mm(0, 180).y})));
  };
  expectTones();
  w.desk().stepSheet(1);
  w.settle();
  expectTones();
  // Reframed there, it moves here too.
  w.desk().select({w.sheet().items[0]->id});
  w.key(Qt::Key_R);
  EXPECT_TRUE(w.window.findChild<QCheckBox*>("overSheets")->isChecked());
  w.wheel(w.mm(150, 100), 4);
  w.key(Qt::Key_Escape);
  const Affine there = frameToSheet(w.desk().project(), w.only()->id) * shownPhoto(*w.only())->pixelsToFrame;
  const Affine here =
      frameToSheet(w.desk().project(), panel) * shownPhoto(*findItem(w.desk().project(), panel))->pixelsToFrame;
  EXPECT_NEAR(distance(there(Point{10, 10}), here(Point{10, 10})), 0, 1e-6);
}

TEST_F(MediaJobs, ALevelRisesAlongADrawnLine) {
  // A panel, and a line across it from left to right.
  w.key(Qt::Key_4);
  w.drag(w.mm(60, 50), w.mm(160, 90));
  w.key(Qt::Key_7);
  w.drag(w.mm(60, 70), w.mm(160, 70));
  w.key(Qt::Key_1);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.actions = 2;  // the menu, and its line
  w.window.findChild<QAction*>("levelAlong")->trigger();
  w.settle();
  w.report("J14 a level along a line");
  ASSERT_TRUE(w.only());
  ASSERT_TRUE(levelFillOf(*w.only()->style));
  EXPECT_EQ(levelFillOf(*w.only()->style)->level->by, LevelBy::Along);
  EXPECT_EQ(w.sheet().items.size(), 1U) << "the line went into the level";
  const QColor full = w.seen(w.mm(80, 60));
  EXPECT_NE(full, w.seen(w.mm(140, 60)));
  EXPECT_EQ(full, w.seen(w.mm(107, 60)));
  // Dragged on, with its hand on the line.
  w.drag(w.mm(110, 70), w.mm(140, 74));
  EXPECT_NEAR(levelFillOf(*w.only()->style)->level->share, 0.8, 0.011);
  EXPECT_EQ(full, w.seen(w.mm(137, 60)));
  // Resized, the line goes along.
  w.type("width", "50mm");
  EXPECT_NEAR(levelFillOf(*w.only()->style)->level->share, 0.8, 0.011);
}

}  // namespace
}  // namespace widecut
