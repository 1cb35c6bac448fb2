// Photos in their frames and levels, by mouse and keys in the real window.
#include <gtest/gtest.h>

#include <QCheckBox>
#include <QClipboard>
#include <QComboBox>
#include <QPainter>

#include "job_photos.h"
#include "node_hands.h"
#include "project/edits/levels.h"
#include "project/edits/subjects.h"
#include "project/forms/starter_form.h"
#include "project/forms/words.h"
#include "project/resolve.h"

namespace widecut {
namespace {

struct PhotoJobs : testing::Test {
  NodeHands w;
  QTemporaryDir folder;

  void framed() { layTwoTones(w, folder); }
  /// Two above two, 50 mm from one to the next.
  void layFourFrames(double side) {
    for (const double x : {30.0, 80.0})
      for (const double y : {40.0, 90.0}) {
        w.key(Qt::Key_4);
        w.drag(w.mm(x, y), w.mm(x + side, y + side));
      }
    w.key(Qt::Key_1);
  }
  ShownPhoto shown() { return *shownPhoto(*w.only()); }
  void choose(const char* name, int place) {
    auto& words = w.shown<QComboBox>(name);
    ++w.actions;
    words.setCurrentIndex(place);
    emit words.activated(place);
    w.settle();
  }
};

TEST_F(PhotoJobs, J11ARingPictureTurnedGreyWithMoreContrast) {
  framed();
  w.actions = 0;
  w.key(Qt::Key_R, Qt::ShiftModifier);
  w.typeShown("grey", "100");
  w.typeShown("contrast", "40");
  w.report("J11 grey");
  EXPECT_LE(w.actions, 5);
  const QColor left = w.seen(w.mm(70, 70)), right = w.seen(w.mm(130, 70));
  EXPECT_EQ(left.red(), left.blue());
  EXPECT_EQ(right.red(), right.blue());
  EXPECT_NE(left.red(), right.red());
  EXPECT_EQ(w.desk().history().undoName(), "Change contrast");
  w.press("asItIs");
  EXPECT_TRUE(isRed(w.seen(w.mm(70, 70))));
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_FALSE(isRed(w.seen(w.mm(70, 70))));
}

TEST_F(PhotoJobs, TwoTonesHaveColoursOfTheirOwn) {
  framed();
  w.key(Qt::Key_R, Qt::ShiftModifier);
  EXPECT_FALSE(w.window.findChild<QWidget*>("darkTone")->isVisible());
  w.typeShown("two tones", "100");
  EXPECT_TRUE(w.window.findChild<QWidget*>("darkTone")->isVisible());
  w.press("lightTone");
  w.press("tone #bf3f26");
  if (QWidget* popover = QApplication::activePopupWidget()) popover->close();
  w.settle();
  EXPECT_EQ(shown().adjustments->light, (Colour{0xbf, 0x3f, 0x26}));
}

TEST_F(PhotoJobs, APhotoIsMirroredFittedAndLaidLevelWhileItsFrameStays) {
  framed();
  const Box before = boxInParent(*w.only());
  w.key(Qt::Key_R);
  w.press("mirrorPhoto");
  EXPECT_TRUE(isBlue(w.seen(w.mm(70, 70))));
  EXPECT_TRUE(isRed(w.seen(w.mm(130, 70))));
  w.press("mirrorPhoto");
  EXPECT_TRUE(isRed(w.seen(w.mm(70, 70))));
  w.press("fitHeight");
  EXPECT_NEAR(200 * shown().pointsPerPixel, before.height(), 1e-6);
  w.press("justCover");
  // A line along a horizon that slopes by 30°.
  const Point from = w.mm(80, 70), way = Point{std::cos(pi / 6), std::sin(pi / 6)} * 100;
  w.drag(from, from + way, Qt::AltModifier);
  EXPECT_NEAR(shown().pixelsToFrame.turnAngle(), -pi / 6, 0.02);
  EXPECT_EQ(w.desk().history().undoName(), "Level the horizon");
  w.key(Qt::Key_Escape);
  EXPECT_EQ(boxInParent(*w.only()).low, before.low);
}

TEST_F(PhotoJobs, AnUprightPhotoStaysSoWhenItsFrameIsTurned) {
  framed();
  w.key(Qt::Key_R);
  w.press("staysUpright");
  EXPECT_TRUE(shown().habits.staysUpright);
  w.key(Qt::Key_Escape);
  w.type("turn", "25");
  EXPECT_NEAR((w.only()->toParent() * shown().pixelsToFrame).turnAngle(), 0, 1e-6);
  w.key(Qt::Key_R);
  EXPECT_TRUE(w.window.findChild<QCheckBox*>("staysUpright")->isChecked());
  w.press("staysUpright");
  EXPECT_FALSE(shown().habits.staysUpright);
}

TEST_F(PhotoJobs, J23OnePhotoAcrossFourFrames) {
  layFourFrames(40);
  w.drop(twoTonePhoto(folder), w.mm(50, 60));
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.actions = 0;
  w.key(Qt::Key_R, Qt::ControlModifier | Qt::ShiftModifier);
  w.report("J23 shared");
  // Red on the left, blue on the right, over all four.
  for (const double y : {50.0, 120.0}) {
    EXPECT_TRUE(isRed(w.seen(w.mm(40, y))));
    EXPECT_TRUE(isBlue(w.seen(w.mm(110, y))));
  }
  // Moved afterwards, all frames still selected.
  w.actions = 0;
  w.key(Qt::Key_R);
  w.drag(w.mm(60, 60), w.mm(85, 60));
  w.report("J23 moved");
  EXPECT_LE(w.actions, 3);
  EXPECT_TRUE(isRed(w.seen(w.mm(84, 50))));
  EXPECT_TRUE(isRed(w.seen(w.mm(84, 120))));
  w.key(Qt::Key_Escape);
  // One frame alone looks at another part when it is moved.
  w.click(w.mm(5, 200));
  w.drag(w.mm(110, 120), w.mm(60, 122));
  EXPECT_TRUE(isRed(w.seen(w.mm(60, 121))));
  EXPECT_TRUE(isBlue(w.seen(w.mm(110, 50))));
}

/// A photo of 800 × 600 with four dark discs of 60 pixels on grey, as heads stand for a picture.
QString fourHeads(const QTemporaryDir& folder) {
  QImage image(800, 600, QImage::Format_RGB32);
  image.fill(QColor(150, 160, 150));
  QPainter painter(&image);
  painter.setPen(Qt::NoPen);
  painter.setBrush(QColor(200, 30, 30));
  for (const QPoint middle : {QPoint(250, 200), QPoint(420, 220), QPoint(250, 380), QPoint(430, 400)})
    painter.drawEllipse(middle, 30, 30);
  const QString path = folder.filePath("heads.png");
  painter.end();
  image.save(path);
  return path;
}

TEST_F(PhotoJobs, J23EveryHeadWholeInFourFrames) {
  layFourFrames(45);
  w.drop(fourHeads(folder), w.mm(50, 60));
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_R, Qt::ControlModifier | Qt::ShiftModifier);
  w.actions = 0;
  w.key(Qt::Key_R);
  const MediumPtr photo = shownPhoto(*findItem(w.desk().project(), w.desk().selection()[0]))->medium;
  const auto onSheet = [&](Point pixel) {
    const Id id = w.desk().selection()[0];
    return (frameToSheet(w.desk().project(), id) * shownPhoto(*findItem(w.desk().project(), id))->pixelsToFrame)(pixel);
  };
  for (const Point middle : {Point{250, 200}, Point{420, 220}, Point{250, 380}, Point{430, 400}})
    w.drag(onSheet(middle - Point{34, 34}), onSheet(middle + Point{34, 34}), Qt::ControlModifier);
  ASSERT_EQ(subjectsOf(w.desk().project(), *photo).size(), 4U);
  // The gap goes through two of them: their frames say so, on the mat and in the stack.
  ASSERT_FALSE(w.desk().subjects().cuts().empty());
  const Id cutting = w.desk().subjects().cuts().begin()->first;
  const Point corner = boxOnSheet(w.desk().project(), cutting).corner(1);
  const QColor amber = w.seen(corner + Point{-3, 3});
  EXPECT_GT(amber.red(), 200);
  EXPECT_LT(amber.blue(), 90);
  auto& stack = *w.window.findChild<QAbstractItemView*>("stack");
  QString told;
  for (int row = 0; row < stack.model()->rowCount(); ++row)
    told += stack.model()->index(row, 0).data(Qt::ToolTipRole).toString();
  EXPECT_TRUE(told.contains("cuts subject")) << told.toStdString();
  w.actions = 0;
  w.press("fitSubjects");
  w.report("J23 every head whole");
  EXPECT_TRUE(w.desk().subjects().cuts().empty());
  for (const Point middle : {Point{250, 200}, Point{420, 220}, Point{250, 380}, Point{430, 400}})
    for (const Point off : {Point{28, 0}, Point{-28, 0}, Point{0, 28}, Point{0, -28}})
      EXPECT_TRUE(isRed(w.seen(onSheet(middle + off))));
  EXPECT_EQ(w.desk().history().undoName(), "Fit subjects");
  // One is renamed, another taken away.
  w.press("subject2");
  w.typeShown("subjectName", "driver");
  EXPECT_EQ(subjectsOf(w.desk().project(), *photo)[1].name, "driver");
  w.press("subject1");
  w.press("takeSubjectAway");
  EXPECT_EQ(subjectsOf(w.desk().project(), *photo).size(), 3U);
}

TEST_F(PhotoJobs, ASubjectIsBroughtOutOfItsGround) {
  QImage image(400, 300, QImage::Format_RGB32);
  image.fill(QColor(210, 220, 230));
  QPainter painter(&image);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setPen(Qt::NoPen);
  painter.setBrush(QColor(200, 30, 30));
  painter.drawEllipse(QPoint(200, 150), 90, 90);
  painter.end();
  const QString path = folder.filePath("disc.png");
  image.save(path);
  w.drop(path, w.mm(148, 105));
  const auto onSheet = [&](Point pixel) {
    return (frameToSheet(w.desk().project(), w.only()->id) * shown().pixelsToFrame)(pixel);
  };
  const Point middle = onSheet({200, 150}), side = onSheet({258, 95}), beyond = onSheet({320, 60});
  w.actions = 0;
  w.key(Qt::Key_R);
  w.press("bringOut");
  for (int i = 0; i < 100 && !w.window.findChild<QWidget*>("bringItOut")->isEnabled(); ++i) QTest::qWait(20);
  w.settle();
  // Shown before it is made.
  EXPECT_FALSE(isRed(w.seen(beyond)));
  EXPECT_TRUE(w.desk().isTrying());
  w.press("bringItOut");
  w.report("Bring out of the ground");
  EXPECT_EQ(w.desk().history().undoName(), "Lift off its background");
  EXPECT_EQ(w.desk().tool(), ToolKind::Select);
  const Box frame = boxOnSheet(w.desk().project(), w.only()->id);
  EXPECT_NEAR(frame.width(), 180 * shown().pointsPerPixel, 2);
  EXPECT_NEAR(frame.height(), frame.width(), 2);
  EXPECT_LT(distance(onSheet({200, 150}), middle), 1e-6);
  EXPECT_TRUE(isRed(w.seen(side)));
  // Left by Escape or by its button, nothing is made.
  w.key(Qt::Key_Z, Qt::ControlModifier);
  w.key(Qt::Key_R);
  w.press("bringOut");
  w.press("letGroundBe");
  EXPECT_FALSE(w.desk().isTrying());
  EXPECT_GT(boxOnSheet(w.desk().project(), w.only()->id).width(), 390 * shown().pointsPerPixel);
}

TEST_F(PhotoJobs, AStockPhotoIsFoundByWordsAndBroughtInWithItsCredit) {
  w.key(Qt::Key_5);
  w.drag(w.mm(60, 50), w.mm(140, 90));
  w.key(Qt::Key_1);
  w.actions = 0;
  w.key(Qt::Key_T, Qt::ControlModifier | Qt::ShiftModifier);
  const auto has = [&](const char* name) { return w.window.findChild<QWidget*>(name) != nullptr; };
  for (int i = 0; i < 200 && !has("stock Fog in the valley"); ++i) QTest::qWait(20);
  ASSERT_TRUE(has("stock Fog in the valley"));
  w.typeShown("stockQuestion", "mist val");
  EXPECT_FALSE(has("stock Evening peaks"));
  w.press("stock Fog in the valley");
  w.report("A stock photo into a disc");
  EXPECT_EQ(shown().medium->name, "Fog in the valley.jpg");
  EXPECT_EQ(shown().medium->credit, "Skarrow Peak Railway, free for any use");
  EXPECT_EQ(w.sheet().items.size(), 1U);
  // Whoever comes back sees all of them again.
  w.press("stockDone");
  w.key(Qt::Key_T, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_EQ(w.shown<QLineEdit>("stockQuestion").text(), "");
  for (int i = 0; i < 200 && !has("stock Evening peaks"); ++i) QTest::qWait(20);
  EXPECT_TRUE(has("stock Evening peaks"));
}

TEST_F(PhotoJobs, APhotosFrameBecomesAnotherOutlineInOneStep) {
  w.drop(redPhoto(folder), w.mm(148, 105));
  const Box before = boxOnSheet(w.desk().project(), w.only()->id);
  const Affine pixels = shown().pixelsToFrame;
  auto& kinds = w.shown<QListView>("otherOutlines");
  int row = 0;
  while (row < kinds.model()->rowCount() && kinds.model()->index(row, 0).data().toString() != "ellipse") ++row;
  const QModelIndex disc = kinds.model()->index(row, 0);
  ASSERT_TRUE(disc.isValid());
  kinds.scrollTo(disc);
  w.settle();
  const QPoint at = kinds.visualRect(disc).center();
  QTest::mouseMove(kinds.viewport(), at);
  w.settle();
  w.actions = 1;
  QTest::mouseClick(kinds.viewport(), Qt::LeftButton, {}, at);
  w.settle();
  w.report("Another outline for a photo");
  EXPECT_EQ(w.desk().history().undoName(), "Another outline");
  EXPECT_NE(starterOf(*w.only()), nullptr);
  const Box after = boxOnSheet(w.desk().project(), w.only()->id);
  EXPECT_NEAR(after.width(), before.width(), 1e-6);
  EXPECT_LT(distance(shown().pixelsToFrame(Point{200, 150}), pixels(Point{200, 150})), 1e-6);
  EXPECT_TRUE(isRed(w.seen(after.centre())));
  EXPECT_FALSE(isRed(w.seen(after.low + Point{4, 4})));
}

TEST_F(PhotoJobs, APhotoIsReplacedEverywhere) {
  framed();
  w.key(Qt::Key_D, Qt::ControlModifier);
  const std::string before = shown().medium->hash;
  w.key(Qt::Key_M, Qt::ControlModifier | Qt::ShiftModifier);
  w.press("photo 0");
  w.actions = 0;
  chooseInDialog(w.window, fourHeads(folder));
  w.press("replacePhoto");
  w.report("Replace a photo everywhere");
  for (const ItemPtr& item : w.sheet().items) EXPECT_NE(shownPhoto(*item)->medium->hash, before);
  w.click(w.mm(5, 200));
  w.press("selectFrames");
  EXPECT_EQ(w.desk().selection().size(), 2U);
  w.key(Qt::Key_Z, Qt::ControlModifier);
  for (const ItemPtr& item : w.sheet().items) EXPECT_EQ(shownPhoto(*item)->medium->hash, before);
}

TEST_F(PhotoJobs, SubjectsAreSuggestedAndMarkedByCommand) {
  w.drop(fourHeads(folder), w.mm(100, 80));
  w.key(Qt::Key_R);
  w.press("suggestSubjects");
  const MediumPtr photo = shown().medium;
  EXPECT_EQ(subjectsOf(w.desk().project(), *photo).size(), 4U);
  EXPECT_EQ(w.desk().history().undoName(), "Suggested subjects");
  // Nothing is marked twice.
  w.press("suggestSubjects");
  EXPECT_EQ(subjectsOf(w.desk().project(), *photo).size(), 4U);
  w.press("markSubject");
  const Box box = boxOnSheet(w.desk().project(), w.only()->id);
  w.drag(box.centre(), box.centre() + w.mm(20, 10));
  EXPECT_EQ(subjectsOf(w.desk().project(), *photo).size(), 5U);
  // The next drag moves the photo again, and Escape lets marking be.
  w.press("markSubject");
  w.key(Qt::Key_Escape);
  EXPECT_EQ(w.desk().tool(), ToolKind::Reframe);
  w.drag(box.centre(), box.centre() + w.mm(20, 10));
  EXPECT_EQ(subjectsOf(w.desk().project(), *photo).size(), 5U);
}

TEST_F(PhotoJobs, J12OnePictureFillsPanelAndBackgroundInRegister) {
  framed();
  w.actions = 0;
  w.actions += 2;  // the menu, and its line
  w.window.findChild<QAction*>("photoBehindSheet")->trigger();
  w.settle();
  w.report("J12 in register");
  // Left of the picture's middle all is red, right of it blue, in the panel as on the sheet beside it.
  const Id panel = w.only()->id;
  const double middle = (frameToSheet(w.desk().project(), panel) * shown().pixelsToFrame)(Point{200, 100}).x;
  for (const double y : {20.0, 70.0, 180.0})
    for (const double off : {3.0, 25.0}) {
      const Point by = w.mm(off, 0);
      EXPECT_TRUE(isRed(w.seen({middle - by.x, w.mm(0, y).y})));
      EXPECT_TRUE(isBlue(w.seen({middle + by.x, w.mm(0, y).y})));
    }
}

TEST_F(PhotoJobs, J14ASilhouetteInARowOfLevels) {
  // A head, a neck and a body become one, punched out of a cover with a colour behind and a level behind it.
  w.key(Qt::Key_5);
  w.drag(w.mm(30, 40), w.mm(46, 56), Qt::ShiftModifier);
  w.key(Qt::Key_4);
  w.drag(w.mm(35, 54), w.mm(41, 62));
  w.key(Qt::Key_5);
  w.drag(w.mm(22, 60), w.mm(54, 100));
  w.key(Qt::Key_1);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_U);
  w.press("fillPaint");
  choose("number level", 2);
  QApplication::clipboard()->setText("25, 50, 65, 90");
  w.key(Qt::Key_V, Qt::ControlModifier);
  w.report("J14");
  EXPECT_LE(w.actions, 20);

  std::vector<double> shares;
  std::vector<std::string> labels;
  for (const ItemPtr& item : w.sheet().items) {
    if (const Fill* fill = levelFillOf(*item->style)) shares.push_back(fill->level->share);
    if (const Words* words = wordsOf(*item)) labels.push_back(words->content().text);
  }
  EXPECT_EQ(shares, (std::vector<double>{0.25, 0.5, 0.65, 0.9}));
  EXPECT_EQ(labels, (std::vector<std::string>{"25 %", "50 %", "65 %", "90 %"}));
  EXPECT_EQ(w.desk().history().undoName(), "Row of levels");
}

TEST_F(PhotoJobs, ALevelIsDraggedOnTheMatAndItsLabelFollows) {
  w.key(Qt::Key_4);
  w.drag(w.mm(60, 40), w.mm(100, 120));
  w.key(Qt::Key_1);
  w.press("fillPaint");
  choose("number level", 1);
  EXPECT_EQ(w.only()->style->fills.back().level->share, 0.5);
  const QColor full = w.seen(w.mm(80, 100)), empty = w.seen(w.mm(80, 60));
  EXPECT_NE(full, empty);
  const Id level = w.only()->id;
  QApplication::clipboard()->setText("50 %\n75 %");
  w.key(Qt::Key_V, Qt::ControlModifier);
  w.desk().select({level});
  w.settle();
  w.drag(w.mm(80, 80), w.mm(80, 56));
  EXPECT_NEAR(w.only()->style->fills.back().level->share, 0.8, 0.011);
  EXPECT_EQ(w.desk().history().undoName(), "Set the level");
  bool follows = false;
  for (const ItemPtr& item : w.sheet().items)
    if (const Words* words = wordsOf(*item); words && words->content().levelOf == level)
      follows = words->content().text == percentText(w.only()->style->fills.back().level->share);
  EXPECT_TRUE(follows);
}

}  // namespace
}  // namespace widecut
