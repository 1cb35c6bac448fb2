// The jobs of the people who use Wide Cut, done from start to finish in the real window.
#include <gtest/gtest.h>

#include <QImage>
#include <algorithm>
#include <array>

#include "geometry/measure.h"
#include "job_photos.h"
#include "project/forms/words.h"
#include "project/resolve.h"

namespace widecut {
namespace {

double squareMm(const Item& item) {
  return signedArea(resolved(item)->outline) / (pointsPerMillimetre * pointsPerMillimetre);
}

/// From the start view on: the A4 poster, by a click.
void beginPoster(WindowDriver& w) {
  w.key(Qt::Key_N, Qt::ControlModifier);
  w.press("A4 poster");
  w.actions = 1;  // a new window shows the formats at once
}

/// The same with a piece that is wider than high: the slide.
void beginFlyer(WindowDriver& w) {
  w.key(Qt::Key_N, Qt::ControlModifier);
  w.press("Slides 16:9");
  w.actions = 1;
}

TEST(Jobs, J10AnArchIsARectangleMinusACentredDisc) {
  WindowDriver w;
  w.key(Qt::Key_4);
  w.drag(w.mm(100, 60), w.mm(180, 160));
  w.key(Qt::Key_5);
  w.dragHolding(Qt::Key_S, w.mm(140, 160), w.mm(165, 160), Qt::ShiftModifier | Qt::AltModifier);
  w.report("J10");

  ASSERT_EQ(w.sheet().items.size(), 1U);
  const ItemPtr arch = w.sheet().items[0];
  ASSERT_TRUE(arch->recipe());
  EXPECT_NEAR(squareMm(*arch), 80 * 100 - pi * 25 * 25 / 2, 60) << "to a pixel of the mat";
  EXPECT_EQ(w.seen(w.mm(140, 150)), QColor(Qt::white)) << "the opening is a real hole: the paper shows";
  EXPECT_NE(w.seen(w.mm(110, 100)), QColor(Qt::white));
  EXPECT_LE(w.actions, 8 / 2);
  // A later change: the disc is moved by its ghost, and the arch follows.
  const int before = w.actions;
  w.drag(w.mm(140, 152), w.mm(140, 142));
  EXPECT_EQ(w.actions - before, 1);
  EXPECT_GT(8000 - squareMm(*w.sheet().items[0]), pi * 25 * 25 / 2 + 100);
}

TEST(Jobs, J13APhotoInAnEllipseIsSavedAsATransparentPicture) {
  WindowDriver w;
  const QTemporaryDir folder;
  w.key(Qt::Key_5);
  w.drag(w.mm(80, 50), w.mm(180, 130));
  w.drop(twoTonePhoto(folder), w.mm(130, 90));
  const QString out = folder.filePath("ellipse.png");
  w.deliverTo(out);
  w.report("J13 ellipse");

  EXPECT_TRUE(isRed(w.seen(w.mm(100, 90))));
  EXPECT_TRUE(isBlue(w.seen(w.mm(160, 90))));
  const QImage picture(out);
  ASSERT_FALSE(picture.isNull());
  EXPECT_NEAR(picture.width(), 100 * pointsPerMillimetre * 2, 4) << "144 ppi unless another is asked for";
  EXPECT_EQ(picture.pixelColor(1, 1).alpha(), 0) << "corners outside the ellipse are clear";
  EXPECT_TRUE(isRed(picture.pixelColor(picture.width() / 4, picture.height() / 2)));
  EXPECT_LE(w.actions, 13 / 2);
}

TEST(Jobs, J13APhotoInDiscAndBox) {
  WindowDriver w;
  const QTemporaryDir folder;
  w.key(Qt::Key_4);
  w.drag(w.mm(80, 80), w.mm(180, 160));
  w.key(Qt::Key_5);
  w.dragHolding(Qt::Key_U, w.mm(130, 80), w.mm(165, 115), Qt::AltModifier);
  w.drop(twoTonePhoto(folder), w.mm(130, 100));
  const ItemPtr item = w.sheet().items.front();
  // Another mask was delivered before: this one goes where that went.
  const int drawn = w.actions;
  w.deliverTo(folder.filePath("before.png"));
  w.actions = drawn;
  w.key(Qt::Key_E, Qt::ControlModifier | Qt::ShiftModifier);
  const QString out = folder.filePath("box cutout.png");
  w.report("J13 disc and box");
  EXPECT_LE(w.actions, 6);

  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_NEAR(squareMm(*item), 100 * 80 + pi * 35 * 35 / 2, 30);
  const QImage picture(out);
  EXPECT_EQ(picture.pixelColor(2, 2).alpha(), 0);
  EXPECT_TRUE(isRed(picture.pixelColor(20, picture.height() - 20)));
  EXPECT_TRUE(isBlue(picture.pixelColor(picture.width() - 20, picture.height() - 20)));
  // Reframing: the wheel scales the picture in its frame, and Escape ends it.
  w.key(Qt::Key_R);
  const double before = shownPhoto(*w.sheet().items[0])->pointsPerPixel;
  w.wheel(w.mm(130, 120), 3);
  w.drag(w.mm(130, 120), w.mm(150, 120));
  w.key(Qt::Key_Escape);
  EXPECT_GT(shownPhoto(*w.sheet().items[0])->pointsPerPixel, before * 1.1);
  EXPECT_EQ(w.desk().tool(), ToolKind::Select);
  EXPECT_TRUE(isRed(w.seen(w.mm(132, 120)))) << "the red half was dragged to the right";
}

TEST(Jobs, J13APhotoInASquareAndInAStar) {
  const QTemporaryDir folder;
  for (const bool star : {false, true}) {
    WindowDriver w;
    w.key(star ? Qt::Key_6 : Qt::Key_4);
    if (star) w.press("star");
    w.drag(w.mm(80, 50), w.mm(160, 130), Qt::ShiftModifier);
    w.drop(twoTonePhoto(folder), w.mm(120, 90));
    const QString out = folder.filePath(star ? "star.png" : "square.png");
    w.deliverTo(out);
    w.report(star ? "J13 star" : "J13 square");
    EXPECT_LE(w.actions, star ? 7 : 6);
    const QImage picture(out);
    ASSERT_FALSE(picture.isNull());
    EXPECT_NEAR(picture.width(), 80 * pointsPerMillimetre * 2, 8);
    EXPECT_EQ(picture.pixelColor(2, 2).alpha(), star ? 0 : 255);
    EXPECT_TRUE(isRed(picture.pixelColor(picture.width() / 2 - 30, picture.height() / 2)));
    EXPECT_TRUE(isBlue(picture.pixelColor(picture.width() / 2 + 30, picture.height() / 2)));
  }
}

TEST(Jobs, J3AHeavyWordHoldsAPhotoAndIsTypedOn) {
  WindowDriver w;
  const QTemporaryDir folder;
  beginPoster(w);
  w.key(Qt::Key_8);
  w.type("letter size", "150");
  w.click(w.mm(30, 120));
  w.typeOnMat("HILL");
  w.drop(twoTonePhoto(folder), w.mm(60, 100));
  w.press("reframePhoto");
  w.drag(w.mm(60, 100), w.mm(75, 100));
  w.key(Qt::Key_Escape);
  const QString out = folder.filePath("word.png");
  w.deliverTo(out);
  w.report("J3");
  EXPECT_LE(w.actions, 14);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  const Id id = w.sheet().items[0]->id;
  ASSERT_TRUE(wordsOf(*w.sheet().items[0]));
  QImage picture(out);
  const auto tones = [&picture] {
    bool red = false, blue = false, clear = false;
    for (int x = 0; x < picture.width(); ++x) {
      const QColor c = picture.pixelColor(x, picture.height() / 2);
      clear = clear || c.alpha() == 0;
      red = red || (c.alpha() == 255 && isRed(c));
      blue = blue || (c.alpha() == 255 && isBlue(c));
    }
    return std::array{red, blue, clear};
  };
  EXPECT_EQ(tones(), (std::array{true, true, true})) << "the photo in the letters, nothing between them";
  // Still typed on: the photo goes on covering it.
  const int before = w.actions;
  w.key(Qt::Key_Return);
  w.typeOnMat("S");
  w.key(Qt::Key_Escape);
  EXPECT_EQ(w.actions - before, 3);
  EXPECT_EQ(wordsOf(*findItem(w.desk().project(), id))->content().text, "HILLS");
  ASSERT_TRUE(shownPhoto(*findItem(w.desk().project(), id)));
  w.key(Qt::Key_E, Qt::ControlModifier | Qt::ShiftModifier);
  const int narrow = picture.width();
  picture = QImage(folder.filePath("HILLS.png"));
  EXPECT_GT(picture.width(), narrow);
  const QColor last = picture.pixelColor(picture.width() - 60, picture.height() / 2);
  EXPECT_TRUE(last.alpha() == 0 || isBlue(last)) << last.name().toStdString();
}

TEST(Jobs, J5PhotoAndWordAreDividedIntoPiecesThatComeLoose) {
  WindowDriver w;
  const QTemporaryDir folder;
  beginFlyer(w);
  w.drop(twoTonePhoto(folder), w.mm(169, 95));
  w.key(Qt::Key_8);
  w.type("letter size", "150");
  w.click(w.mm(110, 120));
  w.typeOnMat("oil");
  w.key(Qt::Key_Escape);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_D);
  w.report("J5");
  EXPECT_LE(w.actions, 10);
  // The o, its counter, the i and its dot, the l, and the rest of the photo.
  ASSERT_EQ(w.sheet().items.size(), 6U);
  int withPhoto = 0;
  for (const ItemPtr& item : w.sheet().items) withPhoto += shownPhoto(*item).has_value();
  EXPECT_GE(withPhoto, 2) << "the counter and the rest at least";
  // One of them is moved away, the others stay.
  w.key(Qt::Key_Escape);
  const Id smallest =
      (*std::min_element(w.sheet().items.begin(), w.sheet().items.end(), [](const auto& a, const auto& b) {
        return squareMm(*a) < squareMm(*b);
      }))->id;
  const Point at = boxInParent(*findItem(w.desk().project(), smallest)).centre();
  w.drag(at, at + w.mm(0, 60));
  EXPECT_NEAR(boxInParent(*findItem(w.desk().project(), smallest)).centre().y - at.y, w.mm(0, 60).y, 1.5);
}

/// A word that is cut out of the selected item while it is typed.
void typeCutOut(WindowDriver& w) {
  w.key(Qt::Key_8);
  w.type("letter size", "120");
  w.key(Qt::Key_S);
  w.click(w.mm(100, 110));
  w.typeOnMat("lil");
  w.key(Qt::Key_Escape);
}

TEST(Jobs, J4AWordIsPunchedOutOfAPhotoAndOutOfAPanel) {
  const QTemporaryDir folder;
  {
    WindowDriver w;
    beginFlyer(w);
    w.drop(twoTonePhoto(folder), w.mm(169, 95));
    typeCutOut(w);
    w.report("J4 photo");
    EXPECT_LE(w.actions, 28 / 2);
    ASSERT_EQ(w.sheet().items.size(), 1U);
    ASSERT_TRUE(w.sheet().items[0]->recipe());
    ASSERT_TRUE(shownPhoto(*w.sheet().items[0])) << "the photo stays the cutout's";
    const Id word = w.sheet().items[0]->recipe()->parts[1]->id;
    const SetWords& set = wordsOf(*findItem(w.desk().project(), word))->set();
    const Point inLetter = frameToSheet(w.desk().project(), word)(Point{caretAt(set, 1).x / 2, -30});
    w.desk().select({});
    EXPECT_EQ(w.seen(inLetter), QColor(Qt::white));
    EXPECT_TRUE(isRed(w.seen(w.mm(100, 120))));
  }
  WindowDriver w;
  beginFlyer(w);
  w.drop(twoTonePhoto(folder), w.mm(169, 95));
  w.key(Qt::Key_4);
  w.drag({0, 0}, {w.sheet().width, w.sheet().height});
  typeCutOut(w);
  w.report("J4 panel");
  EXPECT_LE(w.actions, 28 / 2);
  ASSERT_EQ(w.sheet().items.size(), 2U);
  const Id word = w.sheet().items[1]->recipe()->parts[1]->id;
  const SetWords& set = wordsOf(*findItem(w.desk().project(), word))->set();
  w.desk().select({});
  EXPECT_TRUE(isRed(w.seen(frameToSheet(w.desk().project(), word)(Point{caretAt(set, 1).x / 2, -30}))))
      << "the photo behind the panel shows through the letter";
  EXPECT_FALSE(isRed(w.seen(w.mm(20, 20))));
}

TEST(Jobs, J17AStarIsSplitByAThinBarIntoTwoLooseHalves) {
  WindowDriver w;
  beginFlyer(w);
  w.key(Qt::Key_6);
  w.press("star");
  w.drag(w.mm(100, 50), w.mm(180, 130));
  w.key(Qt::Key_4);
  w.drag(w.mm(90, 92), w.mm(190, 95));
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_S);
  w.press("splitLoose");
  w.report("J17 bar");
  ASSERT_EQ(w.sheet().items.size(), 2U);
  EXPECT_LE(w.actions, 18 / 2);
  // They are loose: one is dragged away, the other stays.
  EXPECT_EQ(QApplication::focusWidget(), &w.mat()) << "after a button the keys belong to the page again";
  const Id upper = w.sheet().items[0]->id;
  const Point other = w.sheet().items[1]->position;
  w.key(Qt::Key_Escape);
  w.drag(w.mm(140, 75), w.mm(160, 60));
  EXPECT_EQ(w.desk().selection(), std::vector<Id>{upper});
  EXPECT_EQ(w.sheet().items[1]->position, other);
}

TEST(Jobs, J17AKnifeStrokeWithATypedGapDoesTheSame) {
  WindowDriver w;
  beginFlyer(w);
  w.key(Qt::Key_6);
  w.press("star");
  w.drag(w.mm(100, 50), w.mm(180, 130));
  const double whole = squareMm(*w.sheet().items[0]);
  w.key(Qt::Key_0);
  w.type("gap", "3mm");
  w.drag(w.mm(90, 93), w.mm(190, 93), Qt::ShiftModifier);
  w.report("J17 knife");
  ASSERT_EQ(w.sheet().items.size(), 2U);
  EXPECT_LE(w.actions, 18 / 2);
  const double rest = squareMm(*w.sheet().items[0]) + squareMm(*w.sheet().items[1]);
  EXPECT_LT(rest, whole - 80);
  EXPECT_EQ(w.seen(w.mm(140, 93)), QColor(Qt::white));
  const Box upper = boxInParent(*w.sheet().items[0]), lower = boxInParent(*w.sheet().items[1]);
  EXPECT_NEAR(std::max(upper.low.y, lower.low.y) - std::min(upper.high.y, lower.high.y), 3 * pointsPerMillimetre, 1e-6);
}

TEST(Jobs, J22AFlyerPictureOfTrianglesIsTrimmedAtTheSheetsEdge) {
  WindowDriver w;
  beginFlyer(w);
  const QTemporaryDir folder;
  const auto triangle = [&](Point from, Point to) {
    w.key(Qt::Key_6);
    w.drag(from, to);
  };
  triangle(w.mm(40, 40), w.mm(140, 150));
  triangle(w.mm(100, 40), w.mm(200, 150));
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_U);
  w.drop(twoTonePhoto(folder), w.mm(90, 120));
  // Two more are joined later, and the photo grows into them.
  triangle(w.mm(160, 60), w.mm(280, 180));
  triangle(w.mm(230, 90), w.mm(320, 190));
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_U);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  const Item grown = *w.sheet().items[0];
  ASSERT_TRUE(shownPhoto(grown));
  EXPECT_TRUE(isBlue(w.seen(w.mm(270, 170)))) << "the photo covers the new triangles too";
  EXPECT_TRUE(isRed(w.seen(w.mm(70, 130))));
  // See-through tinted triangles on top.
  triangle(w.mm(60, 60), w.mm(180, 170));
  w.type("opacity", "40");
  w.key(Qt::Key_D, Qt::ControlModifier);
  w.drag(w.mm(120, 130), w.mm(235, 140));
  const QColor tinted = w.seen(w.mm(120, 140));
  EXPECT_FALSE(isRed(tinted)) << "the photo shines through a tint";
  EXPECT_GT(tinted.red(), tinted.green());
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_T);
  w.report("J22");
  ASSERT_EQ(w.sheet().items.size(), 3U);
  for (const ItemPtr& item : w.sheet().items) EXPECT_TRUE(w.sheet().box().grown(1e-6).contains(boxInParent(*item)));
  EXPECT_LE(w.actions, 45 / 2);
}

TEST(Jobs, J24ACrescentIsADiscWithoutAnother) {
  WindowDriver w;
  beginPoster(w);
  w.key(Qt::Key_5);
  w.drag(w.mm(60, 60), w.mm(120, 120), Qt::ShiftModifier);
  w.key(Qt::Key_5);
  w.dragHolding(Qt::Key_S, w.mm(80, 60), w.mm(140, 120), Qt::ShiftModifier);
  w.report("J24 crescent");
  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_EQ(w.seen(w.mm(110, 90)), QColor(Qt::white));
  EXPECT_NE(w.seen(w.mm(68, 90)), QColor(Qt::white));
  EXPECT_LE(w.actions, 5);
}

TEST(Jobs, J24AnEyeIsWhatTwoDiscsShareWithAPupilCutOut) {
  WindowDriver w;
  beginPoster(w);
  w.key(Qt::Key_5);
  w.drag(w.mm(60, 60), w.mm(140, 140), Qt::ShiftModifier);
  w.key(Qt::Key_5);
  w.dragHolding(Qt::Key_I, w.mm(60, 100), w.mm(140, 180), Qt::ShiftModifier);
  w.key(Qt::Key_5);
  w.dragHolding(Qt::Key_S, w.mm(100, 120), w.mm(110, 130), Qt::ShiftModifier | Qt::AltModifier);
  w.report("J24 eye");
  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_EQ(w.sheet().items[0]->recipe()->parts.size(), 3U) << "one recipe, no nesting";
  EXPECT_EQ(w.seen(w.mm(100, 120)), QColor(Qt::white)) << "the pupil is a hole";
  EXPECT_NE(w.seen(w.mm(80, 120)), QColor(Qt::white));
  EXPECT_EQ(w.seen(w.mm(100, 75)), QColor(Qt::white)) << "only what both discs share";
}

TEST(Jobs, J24AnHourglassOfTwoTrianglesHasOneOutlineRoundIt) {
  WindowDriver w;
  beginPoster(w);
  w.key(Qt::Key_6);
  w.drag(w.mm(60, 100), w.mm(120, 160));
  w.key(Qt::Key_D, Qt::ControlModifier);
  w.key(Qt::Key_M, Qt::ShiftModifier);
  w.type("x", "60mm");
  w.type("y", "42mm");
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_U);
  w.type("outline width", "3");
  w.report("J24 hourglass");
  ASSERT_EQ(w.sheet().items.size(), 1U);
  const Item& glass = *w.sheet().items[0];
  EXPECT_EQ(counts(resolved(glass)->outline).contours, 1) << "one outline round both";
  EXPECT_EQ(glass.style->lines.size(), 1U);
  const Box box = boxInParent(glass);
  EXPECT_NEAR(box.width(), w.mm(60, 0).x, 2);
  EXPECT_NEAR(box.height(), w.mm(118, 0).x, 2);
}

TEST(Jobs, J26APanelIsBittenByADiscAtItsEdgeWithAColouredLabelBehind) {
  WindowDriver w;
  beginPoster(w);
  w.key(Qt::Key_4);
  w.drag(w.mm(40, 60), w.mm(160, 140));
  w.key(Qt::Key_5);
  w.dragHolding(Qt::Key_S, w.mm(160, 100), w.mm(185, 100), Qt::ShiftModifier | Qt::AltModifier);
  w.key(Qt::Key_Escape);
  w.key(Qt::Key_4);
  w.drag(w.mm(120, 85), w.mm(190, 115));
  w.press("fillColour");
  w.press("tone #2f7d4f");
  w.window.findChild<QWidget*>("colourPopover")->close();
  w.settle();
  w.key(Qt::Key_BracketLeft);
  w.report("J26 bitten panel");
  ASSERT_EQ(w.sheet().items.size(), 2U);
  EXPECT_EQ(w.seen(w.mm(150, 100)), QColor(0x2F, 0x7D, 0x4F)) << "the label shows through the bite";
  EXPECT_NE(w.seen(w.mm(125, 100)), QColor(0x2F, 0x7D, 0x4F)) << "and lies behind the panel";
}

TEST(Jobs, J2DiscsInARowAndATriangleBecomeOneSilhouetteWithAPhoto) {
  WindowDriver w;
  const QTemporaryDir folder;
  beginPoster(w);
  layDiscsAndTriangle(w);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_U);
  w.drop(twoTonePhoto(folder), w.mm(85, 80));
  w.key(Qt::Key_R);
  w.drag(w.mm(85, 80), w.mm(60, 80));
  w.key(Qt::Key_Escape);
  w.report("J2");
  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_EQ(w.sheet().items[0]->recipe()->parts.size(), 4U);
  EXPECT_EQ(counts(resolved(*w.sheet().items[0])->outline).contours, 1) << "one silhouette";
  EXPECT_TRUE(isRed(w.seen(w.mm(35, 80))));
  EXPECT_TRUE(isBlue(w.seen(w.mm(97, 74))));
  EXPECT_LE(w.actions, 30 / 2);
}

TEST(Jobs, J10FromTheStartToThePictureWithoutTheMouse) {
  WindowDriver w;
  const QTemporaryDir folder;
  w.key(Qt::Key_N, Qt::ControlModifier);
  const auto press = [&](int key, Qt::KeyboardModifiers held = Qt::NoModifier) {
    ++w.actions;
    QTest::keyClick(QApplication::focusWidget(), static_cast<Qt::Key>(key), held);
    w.settle();
  };
  /// From field to field by Tab until one is reached.
  const auto typeInto = [&](const char* name, const char* text) {
    for (int i = 0; i < 200 && QApplication::focusWidget()->objectName() != name; ++i)
      press(Qt::Key_Tab, QApplication::focusWidget() == &w.mat() ? Qt::ControlModifier : Qt::NoModifier);
    ASSERT_EQ(QApplication::focusWidget()->objectName().toStdString(), name);
    ++w.actions;
    QTest::keyClick(QApplication::focusWidget(), Qt::Key_A, Qt::ControlModifier);
    QTest::keyClicks(QApplication::focusWidget(), text);
    press(Qt::Key_Return);
  };
  press(Qt::Key_Right);
  press(Qt::Key_Right);
  press(Qt::Key_Right);
  press(Qt::Key_Return);  // the A4 poster
  ASSERT_EQ(w.desk().settled().pieces.front()->name, "A4 poster");
  press(Qt::Key_4);
  press(Qt::Key_Return);
  typeInto("width", "80mm");
  typeInto("height", "100mm");
  w.mat().setFocus();
  press(Qt::Key_5);
  press(Qt::Key_S);
  press(Qt::Key_Return);
  w.report("J10 by keys");
  ASSERT_EQ(w.sheet().items.size(), 1U);
  const Item& arch = *w.sheet().items[0];
  ASSERT_TRUE(arch.recipe());
  EXPECT_GT(8000 - squareMm(arch), 500) << "the disc is cut out of the box";
  const QString out = folder.filePath("arch.png");
  w.deliverTo(out);
  EXPECT_FALSE(QImage(out).isNull());
}

}  // namespace
}  // namespace widecut
