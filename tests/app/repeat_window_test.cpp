// Repeats by mouse and keys in the real window.
#include <gtest/gtest.h>

#include <QTemporaryDir>

#include "job_photos.h"
#include "place_hands.h"
#include "project/edits/tree.h"
#include "project/forms/recipe.h"
#include "project/forms/repeat.h"
#include "shapes/pattern_numbers.h"

namespace widecut {
namespace {

struct RepeatWindow : testing::Test {
  PlaceHands w;
  const Repeat& repeat() { return *repeatOf(*w.only()); }
  template <class Kind>
  Kind pattern() {
    return std::get<Kind>(repeat().pattern);
  }
  /// The middle of a copy, on the sheet.
  Point middle(std::size_t copy) {
    return frameToSheet(w.desk().project(), w.only()->id)(allPlacesOf(repeat())[copy](firstBox(repeat()).centre()));
  }
  /// The diamond of a row: beside its last copy.
  Point diamond() {
    const Point step = pattern<Row>().step, beside{-step.y, step.x};
    return middle(countOf(repeat().pattern) - 1) + beside * (20 / w.mat().zoom() / length(beside));
  }
  QString undoName() { return QString::fromStdString(w.desk().history().undoName()); }
};

TEST_F(RepeatWindow, ARowIsMadeByAKeyAndChangedByItsNumbers) {
  const Id box = w.box(30, 40, 20, 20);
  const Box first = w.boxOf(box);
  w.key(Qt::Key_C);
  ASSERT_TRUE(w.only() && repeatOf(*w.only()));
  EXPECT_EQ(pattern<Row>().count, 5);
  EXPECT_LT(distance(w.boxOf(w.only()->id).low, first.low), 1e-9) << "the first copy is the box";
  w.typeShown("gap", "4 mm");
  EXPECT_NEAR(pattern<Row>().step.x, first.width() + w.mm(4, 0).x, 1e-9);
  w.typeShown("count", "3");
  w.typeShown("direction", "90");
  EXPECT_NEAR(pattern<Row>().step.x, 0, 1e-9);
  EXPECT_NEAR(pattern<Row>().step.y, first.height() + w.mm(4, 0).x, 1e-9) << "the gap stays";
  EXPECT_EQ(w.items().size(), 1U);
  w.desk().undo();
  w.desk().undo();
  EXPECT_EQ(pattern<Row>().count, 5) << "each number is a step of its own";
  w.pressShown("pattern grid");
  EXPECT_EQ(countOf(repeat().pattern), 6U) << "as near to five as a grid comes";
  w.key(Qt::Key_G, Qt::ShiftModifier);
  EXPECT_EQ(w.items().size(), 6U) << "released, each an item of its own";
}

TEST_F(RepeatWindow, ADotLeavesACopyOutAndTheDiamondLaysThemOut) {
  w.box(30, 40, 20, 20);
  w.key(Qt::Key_C);
  w.click(middle(2));
  EXPECT_EQ(repeat().leftOut, std::vector<int>{2});
  w.desk().select({});
  EXPECT_EQ(w.seen(w.mm(30 + 2 * 25 + 10, 50)), QColor(Qt::white));
  w.click(w.mm(40, 50));
  w.click(middle(2));
  EXPECT_TRUE(repeat().leftOut.empty()) << "and shown again";
  w.typeShown("leftOut", "1, 4");
  EXPECT_EQ(repeat().leftOut, (std::vector<int>{0, 3}));
  w.typeShown("leftOut", "9");
  EXPECT_EQ(repeat().leftOut, (std::vector<int>{0, 3})) << "there is no ninth copy";
  w.drag(diamond(), diamond() + w.mm(20, 8), Qt::ControlModifier);
  EXPECT_NEAR(pattern<Row>().step.x, w.mm(25 + 5, 0).x, 1.5);
  EXPECT_NEAR(pattern<Row>().step.y, w.mm(2, 0).x, 1.5);
  EXPECT_EQ(undoName(), "Arrange the copies");
  w.wheel(diamond(), 1);
  EXPECT_EQ(pattern<Row>().count, 6);
}

TEST_F(RepeatWindow, ADotIsNoPlaceToBeStuckAt) {
  w.box(30, 40, 20, 20);
  w.key(Qt::Key_C);
  const Point before = middle(1);
  w.drag(before, before + w.mm(10, 20), Qt::ControlModifier);
  EXPECT_LT(distance(middle(1), before + w.mm(10, 20)), 1.5);
  EXPECT_EQ(undoName(), "Move");
}

TEST_F(RepeatWindow, OneCopyOfItsOwnColour) {
  w.box(30, 40, 20, 20);
  w.key(Qt::Key_C);
  w.click(middle(1), Qt::ShiftModifier);
  EXPECT_EQ(w.desk().chosenCopy(), 1);
  w.pressShown("copyColour");
  w.press("tone #000000");
  w.window.findChild<QWidget*>("colourPopover")->close();
  w.settle();
  ASSERT_EQ(repeat().looks.size(), 1U);
  const Id made = w.only()->id;
  w.desk().select({});
  EXPECT_EQ(w.seen(w.mm(30 + 25 + 10, 45)), QColor(Qt::black));
  EXPECT_NE(w.seen(w.mm(40, 45)), QColor(Qt::black));
  w.desk().select({made});
  w.desk().chooseCopy(1);
  w.settle();
  w.pressShown("allLikeIt");
  w.desk().select({});
  EXPECT_EQ(w.seen(w.mm(40, 45)), QColor(Qt::black)) << "all like it";
}

TEST_F(RepeatWindow, ARingGoesAboutTheFootOrThePivot) {
  const Id petal = w.disc(100, 50, 20);
  const Point foot{w.boxOf(petal).centre().x, w.boxOf(petal).high.y};
  w.key(Qt::Key_Q);
  EXPECT_EQ(pattern<Ring>().count, 8);
  EXPECT_LT(distance(w.toSheet(pattern<Ring>().centre), foot), 1e-9);
  w.key(Qt::Key_Z, Qt::ControlModifier);
  w.desk().select({petal});
  w.desk().setPivot({{}, w.mm(110, 105)});
  w.key(Qt::Key_Q);
  EXPECT_LT(distance(w.toSheet(pattern<Ring>().centre), w.mm(110, 105)), 1e-9);
  EXPECT_NEAR(w.boxOf(w.only()->id).height(), w.mm(0, 110).y, 1) << "all round it";
}

TEST_F(RepeatWindow, CopiesAlongAnOutlineSelectedLast) {
  const Id path = w.disc(60, 40, 100), dot = w.box(20, 20, 6, 6);
  w.desk().select({dot, path});
  w.settle();
  w.key(Qt::Key_J);
  ASSERT_TRUE(w.only() && repeatOf(*w.only()));
  EXPECT_EQ(w.items().size(), 2U) << "the outline stays an item";
  const Point centre = w.boxOf(path).centre();
  for (std::size_t i = 0; i < countOf(repeat().pattern); ++i)
    EXPECT_NEAR(distance(middle(i), centre), w.mm(50, 0).x, 0.2) << i;
  w.typeShown("pitch", "20 mm");
  EXPECT_EQ(countOf(repeat().pattern), 15U) << "as many as 314 mm have room for";
}

TEST_F(RepeatWindow, OnePhotoBehindAllCopiesAndOneInEach) {
  QTemporaryDir folder;
  const Id box = w.box(40, 60, 40, 40);
  w.key(Qt::Key_C);
  w.typeShown("count", "4");
  // Into the row: behind all of them.
  w.desk().commit("no fill", withEach(w.desk().settled(), std::vector<Id>{box}, [](const Item& item) {
                    Item out = item;
                    setColour(changeable(out), std::nullopt);
                    return out;
                  }));
  w.drop(twoTonePhoto(folder), w.mm(60, 80));
  const Id row = w.only()->id;
  w.desk().select({});
  EXPECT_TRUE(isRed(w.seen(w.mm(50, 70)))) << "left half of the photo";
  EXPECT_TRUE(isBlue(w.seen(w.mm(40 + 3 * 50 + 30, 70)))) << "right half";
  EXPECT_EQ(w.seen(w.mm(85, 70)), QColor(Qt::white)) << "nothing between copies";
  // Released, they look the same.
  w.desk().select({row});
  w.settle();
  w.key(Qt::Key_G, Qt::ShiftModifier);
  EXPECT_EQ(w.items().size(), 4U);
  w.desk().select({});
  EXPECT_TRUE(isRed(w.seen(w.mm(50, 70))));
  EXPECT_TRUE(isBlue(w.seen(w.mm(40 + 3 * 50 + 30, 70))));
}

TEST_F(RepeatWindow, ThePhotoOfOneCopyIsReframedAlone) {
  QTemporaryDir folder;
  const Id box = w.box(40, 60, 40, 40);
  w.drop(twoTonePhoto(folder), w.mm(60, 80));
  w.desk().select({box});
  w.settle();
  w.key(Qt::Key_C);
  w.typeShown("count", "2");
  const Id row = w.only()->id;
  // The photo is 80 mm wide in a frame of 40: the seam lies in the middle. Dragged to the left it is blue all over.
  w.drag(middle(1), middle(1) - w.mm(20, 0), Qt::ControlModifier);
  EXPECT_EQ(repeat().looks.size(), 1U);
  EXPECT_EQ(undoName(), "Reframe one copy");
  w.desk().select({});
  EXPECT_TRUE(isRed(w.seen(w.mm(45, 70)))) << "the first copy stays";
  EXPECT_TRUE(isBlue(w.seen(w.mm(95, 70))));
  w.desk().select({row});
  w.desk().chooseCopy(1);
  w.settle();
  w.pressShown("likeTheOthers");
  w.desk().select({});
  EXPECT_TRUE(isRed(w.seen(w.mm(95, 70)))) << "like the others again";
}

TEST_F(RepeatWindow, ABandOfBarsIsOneCutter) {
  const Id panel = w.box(30, 30, 100, 60), bar = w.box(40, 20, 6, 80);
  w.key(Qt::Key_C);
  w.typeShown("gap", "9 mm");
  w.desk().select({panel, w.only()->id});
  w.settle();
  w.key(Qt::Key_S);
  ASSERT_TRUE(w.only() && w.only()->recipe());
  EXPECT_EQ(w.only()->recipe()->parts.size(), 2U);
  w.desk().select({});
  for (int i = 0; i < 5; ++i) {
    EXPECT_EQ(w.seen(w.mm(43 + 15 * i, 60)), QColor(Qt::white)) << i;
    EXPECT_NE(w.seen(w.mm(50 + 15 * i, 60)), QColor(Qt::white)) << i;
  }
  // Its numbers are changed inside the recipe.
  const Id row = chainTo(w.desk().project(), bar)[1]->id;
  w.desk().select({row});
  w.settle();
  w.typeShown("gap", "14 mm");
  w.desk().select({});
  EXPECT_NE(w.seen(w.mm(43 + 15, 60)), QColor(Qt::white));
  EXPECT_EQ(w.seen(w.mm(43 + 20, 60)), QColor(Qt::white));
}

TEST_F(RepeatWindow, AThousandCopiesShowAsABoxAndAreNotWorkedOut) {
  w.box(20, 20, 2, 2);
  w.key(Qt::Key_C, Qt::ShiftModifier);
  w.typeShown("columns", "40");
  w.typeShown("rows", "25");
  EXPECT_EQ(countOf(repeat().pattern), 1000U);
  w.drag(middle(0), middle(0) + w.mm(5, 5), Qt::ControlModifier);
  w.desk().select({});
  EXPECT_NE(w.seen(w.mm(26, 26)), QColor(Qt::white));
}

}  // namespace
}  // namespace widecut
