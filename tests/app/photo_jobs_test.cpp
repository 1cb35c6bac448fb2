// Photos in their frames and levels, by mouse and keys in the real window.
#include <gtest/gtest.h>

#include <QCheckBox>
#include <QClipboard>
#include <QComboBox>

#include "job_photos.h"
#include "node_hands.h"
#include "project/edits/levels.h"
#include "project/forms/words.h"
#include "project/resolve.h"

namespace widecut {
namespace {

struct PhotoJobs : testing::Test {
  NodeHands w;
  QTemporaryDir folder;

  /// A box with a photo that is red on its left and blue on its right.
  void framed() {
    w.key(Qt::Key_4);
    w.drag(w.mm(60, 50), w.mm(140, 90));
    w.key(Qt::Key_1);
    w.drop(twoTonePhoto(folder), w.mm(100, 70));
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
  EXPECT_EQ(w.desk().history().undoName(), "Lay the horizon level");
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
  w.key(Qt::Key_4);
  for (const double x : {30.0, 80.0})
    for (const double y : {40.0, 90.0}) {
      w.key(Qt::Key_4);
      w.drag(w.mm(x, y), w.mm(x + 40, y + 40));
    }
  w.key(Qt::Key_1);
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
