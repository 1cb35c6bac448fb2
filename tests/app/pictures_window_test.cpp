// Pictures where they are wanted: pasted into shapes, behind several frames, over the whole sheet; templates.
#include <gtest/gtest.h>

#include <QClipboard>
#include <QLabel>

#include "project/edits/sharing.h"
#include "walked.h"

namespace widecut {
namespace {

struct PicturesWindow : testing::Test {
  Walker walk;
  WindowDriver& w = walk.w;

  ItemPtr item(Id id) { return findItem(w.desk().project(), id); }
  void copyPicture() {
    QImage image(60, 40, QImage::Format_RGB32);
    image.fill(Qt::red);
    QApplication::clipboard()->setImage(image);
  }
};

TEST_F(PicturesWindow, APastedPictureFillsTheSelectedShape) {
  const Id box = walk.box();
  copyPicture();
  w.key(Qt::Key_V, Qt::ControlModifier);
  EXPECT_EQ(w.sheet().items.size(), 1U);
  EXPECT_TRUE(shownPhoto(*item(box)));
  w.key(Qt::Key_V, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_EQ(w.sheet().items.size(), 2U) << "with Shift it is an item of its own";
}

TEST_F(PicturesWindow, ACopiedFileIsBroughtInAndNotItsAddress) {
  auto* data = new QMimeData;
  const QString path = redPhoto(walk.folder);
  data->setUrls({QUrl::fromLocalFile(path)});
  data->setText("file://" + path);
  QApplication::clipboard()->setMimeData(data);
  w.key(Qt::Key_V, Qt::ControlModifier);
  ASSERT_TRUE(w.until([&] { return w.sheet().items.size() == 1; }));
  EXPECT_TRUE(shownPhoto(*w.sheet().items[0]));
  EXPECT_FALSE(wordsOf(*w.sheet().items[0]));
}

TEST_F(PicturesWindow, WhatIsDraggedFromOtherWindowsIsTakenAsWhenPasted) {
  const auto drop = [&](QMimeData& data) {
    const QPointF local = w.onMat(w.mm(100, 80));
    QDragEnterEvent enter(local.toPoint(), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
    enter.ignore();
    QApplication::sendEvent(&w.mat(), &enter);
    EXPECT_TRUE(enter.isAccepted());
    QDropEvent event(local, Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(&w.mat(), &event);
    w.settle();
    w.key(Qt::Key_Escape);
  };
  QMimeData text;
  text.setText("from the lake to the ridge");
  drop(text);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_TRUE(wordsOf(*w.sheet().items[0]));
  QMimeData html;
  html.setHtml("<p>from the <b>lake</b></p>");
  drop(html);
  QMimeData svg;
  svg.setData("image/svg+xml", "<svg xmlns='http://www.w3.org/2000/svg'><rect width='40' height='30'/></svg>");
  drop(svg);
  QMimeData picture;
  QImage image(60, 40, QImage::Format_RGB32);
  image.fill(Qt::red);
  picture.setImageData(image);
  drop(picture);
  EXPECT_EQ(w.sheet().items.size(), 4U);
  EXPECT_TRUE(shownPhoto(*w.sheet().items.back()));
}

TEST_F(PicturesWindow, SharingOnePhotoAsksForItWhereThereIsNone) {
  const Id a = walk.box(20), b = walk.box(120);
  w.key(Qt::Key_A, Qt::ControlModifier);
  chooseInDialog(w.window, twoTonePhoto(walk.folder));
  walk.command("sharePhoto");
  ASSERT_TRUE(w.until([&] { return shownPhoto(*item(a)).has_value(); }));
  EXPECT_NE(shareOf(*item(a)), 0U);
  EXPECT_EQ(shareOf(*item(a)), shareOf(*item(b)));
  EXPECT_EQ(w.sheet().items.size(), 2U);
  w.desk().undo();
  EXPECT_FALSE(shownPhoto(*item(a))) << "one step";
}

TEST_F(PicturesWindow, SeveralFramesHaveBringInOnTheirBench) {
  walk.box(20);
  walk.box(120);
  w.key(Qt::Key_A, Qt::ControlModifier);
  chooseInDialog(w.window, twoTonePhoto(walk.folder));
  walk.click("bringInPhoto");
  ASSERT_TRUE(w.until([&] { return shownPhoto(*w.sheet().items[0]).has_value(); }));
  EXPECT_TRUE(shownPhoto(*w.sheet().items[1]));
}

TEST_F(PicturesWindow, AnItemFillsTheSheetInOneStep) {
  const Id id = walk.photo();
  walk.command("fillSheet");
  const Box sheet = w.sheet().box().grown(w.sheet().bleed), box = boxOnSheet(w.desk().project(), id);
  EXPECT_NEAR(box.low.x, sheet.low.x, 1e-6);
  EXPECT_NEAR(box.high.y, sheet.high.y, 1e-6);
  w.desk().undo();
  EXPECT_NEAR(boxOnSheet(w.desk().project(), id).width(), 80 * pointsPerMillimetre, 1);
}

TEST_F(PicturesWindow, OneItemIsAlignedWithTheSheet) {
  walk.box();
  w.key(Qt::Key_E);
  EXPECT_TRUE(w.window.findChild<QPushButton*>("alignTo the sheet")->isChecked());
  EXPECT_FALSE(w.window.findChild<QPushButton*>("alignTo one another")->isVisible());
  int dead = 0;
  for (auto* card : walk.bench().currentWidget()->findChildren<Card*>())
    dead += card->isVisible() && !card->isEnabled();
  EXPECT_EQ(dead, 0);
  walk.click("arrange Left edges");
  EXPECT_NEAR(boxOnSheet(w.desk().project(), w.desk().selection().front()).low.x, 0, 1e-6);
}

TEST_F(PicturesWindow, ATypedWidthOfAPhotoKeepsItsProportions) {
  w.drop(twoTonePhoto(walk.folder), w.mm(100, 80));
  ASSERT_EQ(w.sheet().items.size(), 1U);
  w.desk().select({w.sheet().items[0]->id});
  w.settle();
  const Box before = boxInFrame(*w.sheet().items[0]);
  w.type("width", "60");
  const Box after = boxInFrame(*w.sheet().items[0]);
  EXPECT_NEAR(after.width(), 60 * pointsPerMillimetre, 1e-6);
  EXPECT_NEAR(after.height() / after.width(), before.height() / before.width(), 1e-9);
  w.press("keepProportions");  // asked otherwise
  w.type("width", "90");
  EXPECT_NEAR(boxInFrame(*w.sheet().items[0]).height(), after.height(), 1e-6);
}

TEST_F(PicturesWindow, DuplicatedLevelLabelsFollowTheirOwnCopy) {
  walk.box();
  walk.command("addLevel");
  w.desk().leavePaint();
  QApplication::clipboard()->setText("25, 50");
  w.key(Qt::Key_V, Qt::ControlModifier);
  const std::size_t made = w.sheet().items.size();
  w.key(Qt::Key_A, Qt::ControlModifier);
  walk.command("duplicate");
  ASSERT_EQ(w.sheet().items.size(), 2 * made);
  for (std::size_t i = made; i < 2 * made; ++i)
    if (const Words* words = wordsOf(*w.sheet().items[i])) {
      bool isOwn = false;
      for (std::size_t k = made; k < 2 * made; ++k) isOwn = isOwn || w.sheet().items[k]->id == words->content().levelOf;
      EXPECT_TRUE(isOwn) << "it follows the original";
    }
}

TEST_F(PicturesWindow, NewWordsBesideTheSheetAreLight) {
  w.key(Qt::Key_8);
  w.click({-40, 100});
  w.typeOnMat("note");
  w.key(Qt::Key_Escape);
  EXPECT_EQ(colourText(*colourOf(*w.desk().onlyItem()->style)), "#ffffff");
}

TEST_F(PicturesWindow, SelectedLettersHaveAColourOfTheirOwn) {
  const Id id = walk.words(false);
  w.key(Qt::Key_Return);
  w.key(Qt::Key_Home);
  for (int i = 0; i < 3; ++i) w.key(Qt::Key_Right, Qt::ShiftModifier);
  walk.click("letterColour");
  QWidget* popover = QApplication::activePopupWidget();
  ASSERT_TRUE(popover);
  QTest::mouseClick(popover->findChild<QPushButton*>("tone #bf3f26"), Qt::LeftButton);
  QTest::keyClick(QApplication::focusWidget() ? QApplication::focusWidget() : popover, Qt::Key_Escape);
  w.settle();
  const Words& words = *wordsOf(*item(id));
  EXPECT_EQ(styleAt(words.story(), words.content().looks, words.content().style, 0).colour, "#bf3f26");
  EXPECT_EQ(styleAt(words.story(), words.content().looks, words.content().style, 5).colour, "");
  // The caret is where it was: what is typed next are letters, and no commands.
  EXPECT_EQ(QApplication::focusWidget(), &w.mat());
  EXPECT_EQ(w.desk().typedOn(), id);
}

TEST_F(PicturesWindow, ANewProjectIsLeftByEscapeAndActsOnNothingMeanwhile) {
  const Id id = walk.box();
  ASSERT_TRUE(w.desk().save(walk.folder.filePath("a.widecut")));
  w.key(Qt::Key_N, Qt::ControlModifier);
  EXPECT_FALSE(w.mat().isVisible());
  EXPECT_FALSE(w.window.findChild<QAction*>("save")->isEnabled());
  EXPECT_FALSE(w.window.findChild<QAction*>("selectAll")->isEnabled());
  QTest::keyClick(QApplication::focusWidget(), Qt::Key_Escape);
  w.settle();
  EXPECT_TRUE(w.mat().isVisible());
  EXPECT_TRUE(item(id));
  EXPECT_TRUE(w.window.findChild<QAction*>("selectAll")->isEnabled());
}

}  // namespace
}  // namespace widecut
