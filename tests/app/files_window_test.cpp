// Files in the window: placing photos, saving, opening, closing with unsaved changes.
#include <gtest/gtest.h>

#include <QFile>
#include <QMessageBox>
#include <QPushButton>

#include "media/files.h"
#include "project/resolve.h"
#include "test_photos.h"
#include "window_driver.h"

namespace widecut {
namespace {

struct FilesInWindow : testing::Test {
  WindowDriver w;
  QTemporaryDir folder;

  QString file(const char* name, const std::string& bytes) {
    const QString path = folder.filePath(name);
    EXPECT_TRUE(writeFile(path.toStdString(), bytes));
    return path;
  }
  void drawBox() {
    w.key(Qt::Key_4);
    w.drag(w.mm(50, 50), w.mm(110, 90));
  }
  /// Presses the button with this text in a message, and returns what the message said.
  QString answer(QWidget& dialog, const char* button) {
    auto& box = dynamic_cast<QMessageBox&>(dialog);
    for (QAbstractButton* b : box.buttons())
      if (b->text().remove('&') == button) QTest::mouseClick(b, Qt::LeftButton);
    return box.text();
  }
};

TEST_F(FilesInWindow, APhotoPlacedFromTheDialogGoesIntoTheSelectedOutline) {
  drawBox();
  const QString path = file("tones.jpg", encoded(tones(300, 200), "JPEG"));
  w.inDialog([&] { w.key(Qt::Key_P, Qt::ControlModifier | Qt::ShiftModifier); },
             [&](QWidget& dialog) { w.answerFile(dialog, path); });
  ASSERT_EQ(w.sheet().items.size(), 1U);
  const auto shown = shownPhoto(*w.sheet().items[0]);
  ASSERT_TRUE(shown);
  EXPECT_NEAR(length(shown->pixelsToFrame.vector({1, 0})), length(shown->pixelsToFrame.vector({0, 1})), 1e-9);
}

TEST_F(FilesInWindow, APhotoDroppedOnTheSheetBecomesAnItemThere) {
  w.drop(file("tones.png", encoded(tones(300, 200), "PNG")), w.mm(200, 60));
  ASSERT_EQ(w.sheet().items.size(), 1U);
  const Box box = boxInParent(*w.sheet().items[0]);
  EXPECT_NEAR(box.centre().x, w.mm(200, 60).x, 1);
  EXPECT_NEAR(box.width() / box.height(), 1.5, 1e-9);
  EXPECT_EQ(w.sheet().items[0]->name, "tones");
}

TEST_F(FilesInWindow, ATextRenamedToPictureGetsOneMessageAndChangesNothing) {
  const QString path = file("letter.png", "Dear railway,");
  QString said;
  w.inDialog([&] { w.drop(path, w.mm(100, 100)); }, [&](QWidget& dialog) { said = answer(dialog, "OK"); });
  EXPECT_TRUE(said.contains("letter.png is not a picture")) << said.toStdString();
  EXPECT_TRUE(w.sheet().items.empty());
  EXPECT_FALSE(w.desk().history().canUndo());
}

TEST_F(FilesInWindow, SaveAsThenOpenGivesTheSameProject) {
  drawBox();
  const QString path = folder.filePath("mine.widecut");
  w.inDialog([&] { w.key(Qt::Key_S, Qt::ControlModifier); }, [&](QWidget& dialog) { w.answerFile(dialog, path); });
  EXPECT_TRUE(w.desk().isSaved());
  EXPECT_TRUE(w.window.windowTitle().startsWith("mine"));
  const Box before = boxInParent(*w.sheet().items[0]);
  w.key(Qt::Key_Right);
  EXPECT_FALSE(w.desk().isSaved());
  w.key(Qt::Key_S, Qt::ControlModifier);
  EXPECT_TRUE(w.desk().isSaved()) << "no question the second time";
  w.desk().startNew();
  w.window.errands().openFile(path);
  w.settle();
  EXPECT_NEAR(boxInParent(*w.sheet().items[0]).low.x, before.low.x + w.mm(1, 0).x, 1e-9);
}

TEST_F(FilesInWindow, ADamagedFileLeavesTheOpenProjectAlone) {
  drawBox();
  const QString path = file("broken.widecut", "PK\x03\x04 and then nothing");
  QString said;
  w.inDialog([&] { w.window.errands().openFile(path); }, [&](QWidget& dialog) { said = answer(dialog, "OK"); });
  EXPECT_TRUE(said.contains("broken.widecut") && said.contains("damaged")) << said.toStdString();
  EXPECT_EQ(w.sheet().items.size(), 1U);
  EXPECT_TRUE(w.desk().history().canUndo());
}

TEST_F(FilesInWindow, ClosingAsksAboutUnsavedChanges) {
  drawBox();
  QString said;
  w.inDialog([&] { w.window.close(); }, [&](QWidget& dialog) { said = answer(dialog, "Go on working"); });
  EXPECT_TRUE(said.contains("unsaved changes"));
  EXPECT_TRUE(w.window.isVisible());
  w.inDialog([&] { w.window.close(); }, [&](QWidget& dialog) { answer(dialog, "Close without saving"); });
  w.settle();
  EXPECT_FALSE(w.window.isVisible());
}

TEST_F(FilesInWindow, AnUnwritableTargetIsSaidAndTheProjectStaysUnsaved) {
  drawBox();
  const auto saved = w.desk().save(folder.filePath("no/such/folder/mine.widecut"));
  ASSERT_FALSE(saved);
  EXPECT_NE(saved.error().message.find("cannot write"), std::string::npos);
  EXPECT_FALSE(w.desk().isSaved());
  EXPECT_EQ(w.desk().path(), "");
}

TEST_F(FilesInWindow, ACopyLeavesItsFileAlone) {
  w.window.errands().openFile(DEMO_PROJECT, Errands::As::Copy);
  w.settle();
  EXPECT_TRUE(w.window.windowTitle().startsWith("Skarrow Peak Railway"));
  EXPECT_TRUE(w.desk().isSaved());
  EXPECT_EQ(w.desk().path(), "");
  const QString path = folder.filePath("mine.widecut");
  w.inDialog([&] { w.key(Qt::Key_S, Qt::ControlModifier); }, [&](QWidget& dialog) { w.answerFile(dialog, path); });
  EXPECT_TRUE(QFile::exists(path)) << "saving asked for a name";
}

TEST_F(FilesInWindow, TheSheetsPanelGoesToTheClickedSheet) {
  w.window.errands().openFile(DEMO_PROJECT);
  w.settle();
  w.settle();
  EXPECT_EQ(w.sheet().name, "Outside");
  w.clickSheet(2);
  EXPECT_EQ(w.sheet().name, "Four bridges");
  w.key(Qt::Key_PageUp);
  EXPECT_EQ(w.sheet().name, "Outside");
}

}  // namespace
}  // namespace widecut
