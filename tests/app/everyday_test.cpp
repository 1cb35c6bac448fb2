// Beginning, sheets, groups, the stack and selecting, in the real window.
#include <gtest/gtest.h>

#include <QClipboard>
#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QTreeView>
#include <QTreeWidget>
#include <map>

#include "app/commands/command.h"
#include "app/desk/clipboard.h"
#include "app/mat/selection_frame.h"
#include "app/panels/sheets_model.h"
#include "app/panels/stack_model.h"
#include "app/start/start_card.h"
#include "app/tools/tool_table.h"
#include "app/widgets/drag_caption.h"
#include "project/edits/sheets.h"
#include "project/forms/form.h"
#include "project/resolve.h"
#include "window_driver.h"

namespace widecut {
namespace {

struct Everyday : testing::Test {
  WindowDriver w;
  QListView* sheets = w.window.findChild<QListView*>("sheets");
  QTreeView* stack = w.window.findChild<QTreeView*>("stack");

  Id draw(int tool, Point from, Point to) {
    w.key(tool);
    w.drag(from, to);
    return w.desk().selection().front();
  }
  Id box(double x = 50) { return draw(Qt::Key_4, w.mm(x, 50), w.mm(x + 40, 90)); }
  Id disc(double x = 150) { return draw(Qt::Key_5, w.mm(x, 50), w.mm(x + 40, 90)); }
  ItemPtr item(Id id) { return findItem(w.desk().project(), id); }
  using Ids = std::vector<Id>;

  /// Drops something that was dragged within the window at a place of a panel.
  void dropOn(QAbstractItemView* view, QMimeData* data, QPoint at, Qt::KeyboardModifiers keys = {}) {
    ++w.actions;
    const auto action = keys & Qt::ControlModifier ? Qt::CopyAction : Qt::MoveAction;
    QDragEnterEvent enter(at, Qt::MoveAction | Qt::CopyAction, data, Qt::LeftButton, keys);
    enter.setDropAction(action);
    QApplication::sendEvent(view->viewport(), &enter);
    QDragMoveEvent move(at, Qt::MoveAction | Qt::CopyAction, data, Qt::LeftButton, keys);
    move.setDropAction(action);
    QApplication::sendEvent(view->viewport(), &move);
    QDropEvent drop(at, Qt::MoveAction | Qt::CopyAction, data, Qt::LeftButton, keys);
    drop.setDropAction(action);
    QApplication::sendEvent(view->viewport(), &drop);
    w.settle();
  }
  QModelIndex row(Id id) { return static_cast<StackModel*>(stack->model())->indexOf(id); }
  QModelIndex sheetRow(Id id) { return static_cast<SheetsModel*>(sheets->model())->indexOf(id); }
  std::unique_ptr<QMimeData> dragged(QAbstractItemView* view, const QModelIndex& index) {
    return std::unique_ptr<QMimeData>(view->model()->mimeData({index}));
  }
};

TEST_F(Everyday, AFormatBeginsAProjectAndAnotherPieceJoinsIt) {
  w.key(Qt::Key_N, Qt::ControlModifier);
  EXPECT_FALSE(w.mat().isVisible());
  auto* brochure = w.window.findChild<StartCard*>("A4 tri-fold brochure");
  ASSERT_TRUE(brochure && brochure->hasFocus());
  // By keys alone: to the right, back, and Enter.
  QTest::keyClick(brochure, Qt::Key_Right);
  EXPECT_TRUE(w.window.findChild<StartCard*>("A4 bi-fold brochure")->hasFocus());
  QTest::keyClick(QApplication::focusWidget(), Qt::Key_Left);
  QTest::keyClick(QApplication::focusWidget(), Qt::Key_Return);
  w.settle();
  ASSERT_TRUE(w.mat().isVisible());
  EXPECT_EQ(w.desk().settled().pieces.front()->name, "A4 tri-fold brochure");
  EXPECT_EQ(w.desk().settled().pieces.front()->sheets.size(), 2U);
  EXPECT_TRUE(w.desk().isSaved());

  w.window.findChild<QAction*>("newPiece")->trigger();
  w.settle();
  QTest::mouseClick(w.window.findChild<StartCard*>("Ad 300 × 250"), Qt::LeftButton);
  w.settle();
  ASSERT_EQ(w.desk().settled().pieces.size(), 2U);
  EXPECT_EQ(w.sheet().width, 225) << "300 pixels of 1/96 inch";
  EXPECT_TRUE(w.mat().isVisible());
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(w.desk().settled().pieces.size(), 1U);
}

TEST_F(Everyday, AnOwnSizeIsTyped) {
  w.key(Qt::Key_N, Qt::ControlModifier);
  w.type("width of the sheet", "10in");
  w.type("height of the sheet", "100mm + 20");
  EXPECT_NEAR(w.sheet().width, 720, 1e-9);
  EXPECT_NEAR(w.sheet().height, 120 * pointsPerMillimetre, 1e-9);
}

TEST_F(Everyday, SheetsAreAddedCopiedMovedRenamedAndDeleted) {
  const Id first = w.sheet().id;
  box();
  w.press("newSheetButton");
  const Id second = w.sheet().id;
  ASSERT_NE(first, second);
  EXPECT_TRUE(w.sheet().items.empty());
  w.clickSheet(1);
  w.key(Qt::Key_D, Qt::ControlModifier | Qt::ShiftModifier);
  const Id copy = w.sheet().id;
  ASSERT_EQ(w.sheet().items.size(), 1U);
  const auto order = [&] {
    Ids ids;
    for (const SheetPtr& sheet : sheetsOf(w.desk().settled())) ids.push_back(sheet->id);
    return ids;
  };
  EXPECT_EQ(order(), (Ids{first, copy, second}));
  // Dragged below the last one.
  sheets->scrollTo(sheetRow(second));
  const QRect last = sheets->visualRect(sheetRow(second));
  dropOn(sheets, dragged(sheets, sheetRow(first)).get(), QPoint(last.center().x(), last.bottom() - 1));
  EXPECT_EQ(order(), (Ids{copy, second, first}));
  sheets->setFocus();
  sheets->setCurrentIndex(sheetRow(second));
  QTest::keyClick(sheets, Qt::Key_F2);
  auto* name = sheets->findChild<QLineEdit*>();
  ASSERT_TRUE(name);
  name->selectAll();
  QTest::keyClicks(name, "Timetable");
  QTest::keyClick(name, Qt::Key_Return);
  w.settle();
  EXPECT_EQ(findSheet(w.desk().settled(), second)->name, "Timetable");
  sheets->setFocus();
  QTest::keyClick(sheets, Qt::Key_Delete);
  w.settle();
  EXPECT_EQ(order(), (Ids{copy, first}));
}

TEST_F(Everyday, ItemsDroppedOnAThumbnailMoveThereAndWithCtrlAreCopied) {
  const Id a = box(), first = w.sheet().id;
  w.press("newSheetButton");
  const Id second = w.sheet().id;
  w.clickSheet(1);
  w.settle();
  dropOn(sheets, dragged(stack, row(a)).get(), sheets->visualRect(sheetRow(second)).center(), Qt::ControlModifier);
  EXPECT_EQ(findSheet(w.desk().settled(), second)->items.size(), 1U);
  EXPECT_EQ(findSheet(w.desk().settled(), first)->items.size(), 1U);
  dropOn(sheets, dragged(stack, row(a)).get(), sheets->visualRect(sheetRow(second)).center());
  EXPECT_EQ(findSheet(w.desk().settled(), second)->items.size(), 2U);
  EXPECT_TRUE(findSheet(w.desk().settled(), first)->items.empty());
}

TEST_F(Everyday, AGroupIsOneUntilItIsOpened) {
  const Id a = box(), b = disc();
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_G);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  const Id group = w.desk().selection().front();
  const Point before = frameToSheet(w.desk().project(), b)(Point{});
  w.drag(w.mm(70, 70), w.mm(80, 75));
  EXPECT_NEAR(frameToSheet(w.desk().project(), b)(Point{}).x - before.x, 10 * pointsPerMillimetre, 1.5);
  // A double click goes in, a drag moves one member, Escape comes out.
  QTest::mouseDClick(&w.mat(), Qt::LeftButton, {}, w.onMat(w.mm(80, 75)));
  QTest::mouseRelease(&w.mat(), Qt::LeftButton, {}, w.onMat(w.mm(80, 75)));
  w.settle();
  EXPECT_EQ(w.desk().selection(), Ids{a});
  const Point still = frameToSheet(w.desk().project(), b)(Point{});
  w.drag(w.mm(80, 75), w.mm(80, 120));
  EXPECT_EQ(frameToSheet(w.desk().project(), b)(Point{}), still);
  w.click(w.mm(180, 75));
  EXPECT_EQ(w.desk().selection(), Ids{b}) << "the group stays open for its other members";
  w.key(Qt::Key_Escape);
  EXPECT_EQ(w.desk().selection(), Ids{group});
  w.key(Qt::Key_Return);
  EXPECT_EQ(w.desk().selection(), Ids{b}) << "Enter goes in, to the front one";
  w.key(Qt::Key_Escape);
  w.key(Qt::Key_G, Qt::ShiftModifier);
  EXPECT_EQ(w.sheet().items.size(), 2U);
  EXPECT_EQ(w.desk().selection().size(), 2U);
}

TEST_F(Everyday, AGroupIsAPartAndIsKnifedThroughItsMembers) {
  const Id a = box(), b = disc();
  w.desk().select({a, b});
  w.key(Qt::Key_G);
  const Id group = w.desk().selection().front();
  w.key(Qt::Key_0);
  w.drag(w.mm(30, 70), w.mm(220, 70), Qt::ShiftModifier);
  ASSERT_TRUE(item(group));
  EXPECT_EQ(childrenOf(*item(group)).size(), 4U) << "two halves of each";
  EXPECT_EQ(w.desk().settled().pieces.front()->sheets.front()->items.size(), 1U);
  w.key(Qt::Key_1);
  draw(Qt::Key_4, w.mm(40, 60), w.mm(220, 80));
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_I);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_EQ(w.sheet().items[0]->recipe()->parts.size(), 2U) << "the group is one part";
}

TEST_F(Everyday, TheStackRenamesReordersAndMovesIntoRecipes) {
  const Id a = box(), b = disc(60);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_S);
  const Id cutout = w.desk().selection().front();
  const Id c = disc(70);
  w.desk().select({cutout});
  w.settle();
  // Between the parts, and after them: it takes the role of what stands there.
  const QRect last = stack->visualRect(row(b));
  dropOn(stack, dragged(stack, row(c)).get(), QPoint(last.center().x(), last.bottom()));
  ASSERT_EQ(w.sheet().items.size(), 1U);
  ASSERT_EQ(item(cutout)->recipe()->parts.size(), 3U);
  EXPECT_EQ(item(cutout)->recipe()->formula.operators(), (std::vector<Role>{Role::Subtract, Role::Subtract}));
  // And out again, to the back of the sheet.
  dropOn(stack, dragged(stack, row(c)).get(), QPoint(30, stack->viewport()->height() - 3));
  ASSERT_EQ(w.sheet().items.size(), 2U);
  EXPECT_EQ(w.sheet().items[0]->id, c);
  w.desk().select({a});
  w.key(Qt::Key_F2);
  auto* name = stack->findChild<QLineEdit*>();
  ASSERT_TRUE(name);
  QTest::keyClick(name, Qt::Key_A, Qt::ControlModifier);
  QTest::keyClicks(name, "window");
  QTest::keyClick(name, Qt::Key_Return);
  w.settle();
  EXPECT_EQ(item(a)->name, "window");
}

TEST_F(Everyday, LockedItemsLetTheMouseThroughAndStay) {
  const Id below = box(), above = box();
  w.desk().select({above});
  w.key(Qt::Key_K);
  EXPECT_TRUE(item(above)->locked);
  w.key(Qt::Key_Escape);
  w.click(w.mm(70, 70));
  EXPECT_EQ(w.desk().selection(), Ids{below});
  w.desk().select({above});
  const Point at = item(above)->position;
  w.key(Qt::Key_Right);
  w.key(Qt::Key_Delete);
  ASSERT_TRUE(item(above));
  EXPECT_EQ(item(above)->position, at);
  w.key(Qt::Key_K, Qt::ShiftModifier);
  EXPECT_FALSE(item(above)->locked);
  EXPECT_EQ(w.desk().selection(), Ids{above});
}

TEST_F(Everyday, DimmedItemsArePaleOnTheMatOnly) {
  const Id a = box();
  const QColor before = w.seen(w.mm(70, 70));
  w.window.findChild<QAction*>("dim")->trigger();
  w.desk().select({});
  w.settle();
  EXPECT_GT(w.seen(w.mm(70, 70)).lightness(), before.lightness() + 20);
  EXPECT_EQ(sceneOf(w.sheet()).layers.front().opacity, 1);
  EXPECT_TRUE(item(a)->dimmed);
}

TEST_F(Everyday, SelectingByKeysBelowAndAlike) {
  const Id a = box(50), b = box(60), c = disc(150);
  w.key(Qt::Key_Escape);
  w.key(Qt::Key_Tab);
  EXPECT_EQ(w.desk().selection(), Ids{a});
  w.key(Qt::Key_Tab);
  EXPECT_EQ(w.desk().selection(), Ids{b});
  w.key(Qt::Key_Backtab, Qt::ShiftModifier);
  EXPECT_EQ(w.desk().selection(), Ids{a});
  w.click(w.mm(80, 70));
  EXPECT_EQ(w.desk().selection(), Ids{b});
  w.click(w.mm(80, 70), Qt::AltModifier);
  EXPECT_EQ(w.desk().selection(), Ids{a}) << "the one below";
  w.click(w.mm(80, 70), Qt::AltModifier);
  EXPECT_EQ(w.desk().selection(), Ids{b}) << "and round again";
  w.key(Qt::Key_I, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_EQ(w.desk().selection(), (Ids{a, c}));
  w.desk().select({a});
  w.window.findChild<QAction*>("sameSize")->trigger();
  EXPECT_EQ(w.desk().selection(), (Ids{a, b, c}));
  w.key(Qt::Key_Escape);
  w.drag(w.mm(40, 60), w.mm(55, 95));
  EXPECT_TRUE(w.desk().selection().empty()) << "wholly inside";
  w.drag(w.mm(40, 60), w.mm(55, 95), Qt::AltModifier);
  EXPECT_EQ(w.desk().selection(), Ids{a}) << "with Alt, what is touched";
}

TEST_F(Everyday, ADragWithAltLeavesACopy) {
  const Id a = box();
  const Point before = item(a)->position;
  w.drag(w.mm(70, 70), w.mm(120, 73), Qt::AltModifier | Qt::ShiftModifier);
  ASSERT_EQ(w.sheet().items.size(), 2U);
  EXPECT_EQ(item(a)->position, before);
  const ItemPtr copy = w.sheet().items[1];
  EXPECT_EQ(w.desk().selection(), Ids{copy->id});
  EXPECT_EQ(copy->position.y, before.y) << "Shift keeps to one direction";
  EXPECT_EQ(copy->name, "box 2");
}

TEST_F(Everyday, OneStepForwardAndBackward) {
  const Id a = box();
  box();
  box();
  w.desk().select({a});
  w.key(Qt::Key_BracketRight);
  EXPECT_EQ(w.sheet().items[1]->id, a);
  w.key(Qt::Key_BracketLeft);
  EXPECT_EQ(w.sheet().items[0]->id, a);
}

TEST_F(Everyday, AShapeIsCutFromTheSelectedItemWhileItIsDrawn) {
  const Id a = box();
  w.key(Qt::Key_5);
  ASSERT_TRUE(w.window.findChild<QWidget*>("joinChoice")->isVisible());
  w.press(w.mm(70, 70));
  w.dragTo(w.mm(85, 85));
  EXPECT_FALSE(w.desk().isTrying()) << "apart, unless a key says otherwise";
  QTest::keyPress(&w.mat(), Qt::Key_S);
  EXPECT_TRUE(w.desk().isTrying());
  EXPECT_EQ(w.seen(w.mm(77, 77)), QColor(Qt::white)) << "the hole is there while the disc is still being drawn";
  QTest::keyRelease(&w.mat(), Qt::Key_S);
  EXPECT_FALSE(w.desk().isTrying());
  QTest::keyPress(&w.mat(), Qt::Key_X);
  w.release(w.mm(85, 85));
  QTest::keyRelease(&w.mat(), Qt::Key_X);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  const Item& made = *w.sheet().items[0];
  ASSERT_TRUE(made.recipe());
  EXPECT_EQ(made.recipe()->formula.operators(), std::vector<Role>{Role::Exclude});
  EXPECT_EQ(w.desk().history().undoName(), "Draw ellipse") << "one step";
  // The next one joins the same recipe, by a click in the tool row.
  w.key(Qt::Key_4);
  w.press("join subtract");
  w.drag(w.mm(52, 52), w.mm(60, 60));
  EXPECT_EQ(w.sheet().items[0]->recipe()->formula.operators(), (std::vector<Role>{Role::Exclude, Role::Subtract}));
  EXPECT_EQ(w.sheet().items[0]->recipe()->parts.front()->id, a);
  w.key(Qt::Key_Escape);
  w.key(Qt::Key_4);
  EXPECT_FALSE(w.window.findChild<QWidget*>("joinChoice")->isVisible()) << "nothing is selected";
}

TEST_F(Everyday, EnterLaysAShapeInTheMiddleAndEscapeDuringADragLaysNone) {
  w.key(Qt::Key_4);
  w.key(Qt::Key_Return);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_EQ(w.sheet().items[0]->position, w.sheet().box().centre());
  w.key(Qt::Key_5);
  w.press(w.mm(70, 70));
  w.dragTo(w.mm(85, 85));
  QTest::keyPress(&w.mat(), Qt::Key_S);
  QTest::keyClick(&w.mat(), Qt::Key_Escape);
  EXPECT_FALSE(w.desk().isTrying());
  w.release(w.mm(85, 85));
  EXPECT_EQ(w.sheet().items.size(), 1U);
  EXPECT_FALSE(w.sheet().items[0]->recipe());
}

TEST_F(Everyday, WhatIsCopiedIsPastedBesideInPlaceAndOnOtherSheets) {
  const Id a = box(), b = disc();
  w.desk().select({a, b});
  w.key(Qt::Key_G);
  w.key(Qt::Key_C, Qt::ControlModifier);
  w.key(Qt::Key_V, Qt::ControlModifier);
  ASSERT_EQ(w.sheet().items.size(), 2U);
  EXPECT_EQ(w.sheet().items[1]->position, w.sheet().items[0]->position + (Point{12, 12}));
  EXPECT_EQ(w.sheet().items[1]->name, "group 2");
  EXPECT_EQ(w.desk().selection(), Ids{w.sheet().items[1]->id});
  w.key(Qt::Key_V, Qt::ControlModifier);
  EXPECT_EQ(w.sheet().items[2]->position, w.sheet().items[0]->position + (Point{24, 24})) << "further aside";
  w.key(Qt::Key_V, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_EQ(w.sheet().items[3]->position, w.sheet().items[0]->position);
  // A member alone keeps its place on the sheet.
  w.desk().select({b});
  w.key(Qt::Key_X, Qt::ControlModifier);
  EXPECT_FALSE(item(b));
  w.press("newSheetButton");
  const Id second = w.sheet().id;
  w.key(Qt::Key_V, Qt::ControlModifier);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_NEAR(w.sheet().items[0]->position.x, w.mm(170, 0).x, 1.5);
  EXPECT_EQ(w.desk().history().undoName(), "Paste");
  // On every chosen sheet.
  w.clickSheet(1);
  const std::size_t before = w.sheet().items.size();
  sheets->selectionModel()->select(sheetRow(second), QItemSelectionModel::Select);
  w.key(Qt::Key_V, Qt::ControlModifier | Qt::AltModifier);
  EXPECT_EQ(w.sheet().items.size(), before + 1);
  EXPECT_EQ(findSheet(w.desk().settled(), second)->items.size(), 2U);
}

TEST_F(Everyday, OthersGetPicturesAndGiveThem) {
  const Id a = box();
  w.desk().select({a});
  w.key(Qt::Key_C, Qt::ControlModifier);
  const QMimeData* data = QApplication::clipboard()->mimeData();
  EXPECT_TRUE(data->data("image/svg+xml").contains("<path"));
  const QImage picture = QImage::fromData(data->data("image/png"));
  EXPECT_NEAR(picture.width(), 40 * pointsPerMillimetre * 2, 4);
  QImage photo(40, 20, QImage::Format_RGB32);
  photo.fill(QColor(200, 30, 30));
  QApplication::clipboard()->setImage(photo);
  w.key(Qt::Key_V, Qt::ControlModifier);
  ASSERT_EQ(w.sheet().items.size(), 2U);
  EXPECT_TRUE(pictureOf(*w.sheet().items[1]->style));
  // What is no good says so and changes nothing.
  auto* broken = new QMimeData;
  broken->setData(itemsFormat, "PK nothing");
  QApplication::clipboard()->setMimeData(broken);
  w.key(Qt::Key_V, Qt::ControlModifier);
  EXPECT_EQ(w.sheet().items.size(), 2U);
  EXPECT_TRUE(w.window.findChild<QLabel*>("hint")->text().startsWith("Not pasted"));
}

TEST_F(Everyday, APieceGetsAnotherSizeUnitMarginsFoldsAndPaper) {
  const Id a = box();
  w.key(Qt::Key_Escape);
  const auto form = [&] { return formOf(*w.desk().settled().pieces.front()); };
  w.type("sheet width", "*2");
  EXPECT_NEAR(form().width, 594 * pointsPerMillimetre, 1e-6);
  const Point before = item(a)->position;
  w.press("scaledAlong");
  w.type("sheet height", "*2");
  EXPECT_EQ(item(a)->position.y, before.y + form().height / 4) << "no wider: only centred";
  w.key(Qt::Key_Z, Qt::ControlModifier);
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_NEAR(form().width, 297 * pointsPerMillimetre, 1e-6);
  auto* unit = w.window.findChild<QComboBox*>("pieceUnit");
  unit->setFocus();
  QTest::keyClicks(unit, "px");
  emit unit->activated(unit->currentIndex());
  w.settle();
  EXPECT_EQ(form().setting.unit, Unit::Pixel);
  EXPECT_TRUE(w.window.findChild<QLineEdit*>("sheet width")->text().endsWith("px"));
  w.type("left margin", "48");
  EXPECT_EQ(form().setting.left, 36) << "a pixel is 1/96 inch";
  w.type("columns", "3");
  EXPECT_EQ(form().setting.columns, 3);
  w.type("folds", "10mm, 2in");
  ASSERT_EQ(w.sheet().folds.size(), 2U);
  EXPECT_NEAR(w.sheet().folds[1], 144, 1e-9);
  w.press("paperColour");
  auto* popover = w.window.findChild<QWidget*>("colourPopover");
  ASSERT_TRUE(popover);
  auto* hex = popover->findChild<QLineEdit*>();
  hex->selectAll();
  QTest::keyClicks(hex, "#203040");
  QTest::keyClick(hex, Qt::Key_Return);
  popover->close();
  w.settle();
  EXPECT_EQ(w.sheet().paper, (Colour{0x20, 0x30, 0x40}));
  EXPECT_EQ(w.seen(w.mm(20, 180)), QColor(0x20, 0x30, 0x40));
}

TEST_F(Everyday, ViewsShowPaperHolesAndEdges) {
  box();
  w.key(Qt::Key_5);
  w.dragHolding(Qt::Key_S, w.mm(60, 60), w.mm(80, 80));
  const Point hole = w.mm(70, 70), filled = w.mm(54, 54), beside = w.mm(200, 150);
  EXPECT_EQ(w.seen(hole), QColor(Qt::white));
  w.key(Qt::Key_F7);
  const auto isCheck = [&](Point at) {
    const QColor c = w.seen(at);
    return c == QColor(Qt::white) || c == QColor(0xD9, 0xD9, 0xD6);
  };
  int grey = 0;
  for (int i = 0; i < 20; ++i) grey += w.seen(w.mm(200 + i, 150)) != QColor(Qt::white);
  EXPECT_GT(grey, 3) << "checks where nothing covers";
  EXPECT_TRUE(isCheck(beside));
  EXPECT_FALSE(isCheck(filled));
  w.key(Qt::Key_F8);
  EXPECT_EQ(w.seen(w.mm(54, 70)), QColor(Qt::white)) << "edges only: no fill";
  EXPECT_TRUE(w.window.findChild<QPushButton*>("viewChip")->isVisible());
  w.press("viewChip");
  EXPECT_NE(w.seen(filled), QColor(Qt::white));
  // Only what prints: what overhangs is gone, and so are the selection's marks.
  w.drag(w.mm(54, 54), w.mm(-10, 54));
  const QColor usual = w.seen(w.mm(-3, 55));
  w.key(Qt::Key_F6);
  EXPECT_NE(w.seen(w.mm(-3, 55)), usual);
  EXPECT_EQ(w.seen(w.mm(-3, 55)), w.seen(w.mm(-3, 150)));
}

TEST_F(Everyday, APieceInPixelsIsDeliveredInExactlyThese) {
  const QTemporaryDir folder;
  w.key(Qt::Key_N, Qt::ControlModifier);
  QTest::mouseClick(w.window.findChild<StartCard*>("Ad 728 × 90"), Qt::LeftButton);
  w.settle();
  w.deliverTo(folder.filePath("ad.png"));
  EXPECT_EQ(QImage(folder.filePath("ad.png")).size(), QSize(728, 90));
  // Like last time, under names of their own.
  w.key(Qt::Key_E, Qt::ControlModifier | Qt::ShiftModifier);
  w.key(Qt::Key_E, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_EQ(QImage(folder.filePath("Ad 728 × 90.png")).size(), QSize(728, 90));
  EXPECT_EQ(QImage(folder.filePath("Ad 728 × 90 2.png")).size(), QSize(728, 90));
}

TEST_F(Everyday, TheKeySheetFindsACommandAndRunsIt) {
  const Id a = box();
  w.key(Qt::Key_F1);
  auto* sheet = w.window.findChild<QWidget*>("keySheet");
  ASSERT_TRUE(sheet && sheet->isVisible());
  auto* search = sheet->findChild<QLineEdit*>("keySearch");
  auto* list = sheet->findChild<QTreeWidget*>("keyList");
  int rows = 0;
  for (int g = 0; g < list->topLevelItemCount(); ++g) rows += list->topLevelItem(g)->childCount();
  EXPECT_GE(rows, static_cast<int>(CommandId::count)) << "every command is in it";
  QTest::keyClicks(search, "hide");
  ASSERT_TRUE(list->currentItem());
  EXPECT_EQ(list->currentItem()->text(0), "Hide");
  QTest::keyClick(search, Qt::Key_Return);
  w.settle();
  EXPECT_TRUE(item(a)->hidden);
}

TEST_F(Everyday, FieldsSizeTurnShearAndFlipAboutThePivot) {
  const Id a = box(50);
  const auto onSheet = [&] {
    return bounds(transformed(resolved(*item(a))->outline, frameToSheet(w.desk().project(), a)));
  };
  const Box before = onSheet();
  auto* pivot = w.window.findChild<QWidget*>("pivotGrid");
  QTest::mouseClick(pivot, Qt::LeftButton, {}, QPoint(37, 37));
  w.settle();
  w.type("width", "*2");
  EXPECT_NEAR(onSheet().high.x, before.high.x, 1e-6) << "the lower right corner stays";
  EXPECT_NEAR(onSheet().width(), 2 * before.width(), 1e-6);
  w.press("keepProportions");
  w.type("height", "*2");
  EXPECT_NEAR(onSheet().width(), 4 * before.width(), 1e-6);
  EXPECT_NEAR(onSheet().high.y, before.high.y, 1e-6);
  w.type("x", "100mm");
  EXPECT_NEAR(onSheet().high.x, w.mm(100, 0).x, 1e-6) << "x is that of the pivot";
  w.key(Qt::Key_M);
  EXPECT_NEAR(onSheet().low.x, w.mm(100, 0).x, 1e-6) << "flipped about the right edge";
  w.type("turn", "30");
  EXPECT_NEAR(degrees(item(a)->turn), 30, 1e-9);
  w.press("turnBack");
  EXPECT_NEAR(item(a)->turn, 0, 1e-12);
  const double width = onSheet().width(), height = onSheet().height();
  w.type("shear", "45");
  EXPECT_NEAR(onSheet().width(), width + height, 1e-6);
  // The ring on the mat is dragged; what turns, turns about it.
  const auto frame = SelectionFrame::of(w.desk().project(), w.desk().selection());
  const Point ring = pivotPoint(*frame, w.desk().pivot()), to = w.mm(200, 150);
  w.drag(ring, to);
  ASSERT_TRUE(w.desk().pivot().free);
  const Point at = item(a)->position;
  w.type("turn", "+=180");
  EXPECT_LT(length(mix(at, item(a)->position, 0.5) - *w.desk().pivot().free), 1e-6);
}

TEST_F(Everyday, SeveralItemsAreTurnedEachByItself) {
  const Id a = box(50), b = box(150);
  w.desk().select({a, b});
  w.settle();
  const Point before = item(a)->position;
  w.press("eachByItself");
  w.type("turn", "45");
  EXPECT_NEAR(degrees(item(a)->turn), 45, 1e-9);
  EXPECT_LT(length(item(a)->position - before), 1e-9);
  w.type("width", "20mm");
  EXPECT_NEAR(boxInFrame(*item(a)).width(), w.mm(20, 0).x, 1e-6);
  EXPECT_NEAR(boxInFrame(*item(b)).width(), w.mm(20, 0).x, 1e-6);
}

TEST_F(Everyday, ACaptionIsDraggedToChangeItsField) {
  const Id a = box();
  const Point before = item(a)->position;
  QWidget* caption = nullptr;
  for (auto* one : w.window.findChildren<DragCaption*>())
    if (one->text() == "x, y") caption = one;
  ASSERT_TRUE(caption);
  const QPoint from(20, 8);
  QTest::mousePress(caption, Qt::LeftButton, {}, from);
  for (const int by : {6, 12, 20}) {
    const QPoint at = from + QPoint(by, 0);
    QMouseEvent move(QEvent::MouseMove, at, caption->mapToGlobal(QPointF(at)), Qt::NoButton, Qt::LeftButton, {});
    QApplication::sendEvent(caption, &move);
  }
  EXPECT_TRUE(w.desk().isTrying());
  QTest::mouseRelease(caption, Qt::LeftButton, {}, from + QPoint(20, 0));
  w.settle();
  EXPECT_NEAR(item(a)->position.x - before.x, 10 * pointsPerMillimetre, 1e-6) << "half a millimetre a pixel";
  EXPECT_EQ(item(a)->position.y, before.y);
  EXPECT_EQ(w.desk().history().undoName(), "Move");
}

TEST(Tables, NoKeyMeansTwoThings) {
  std::map<QString, QString> taken;
  for (const ToolEntry& tool : toolTable())
    if (tool.isInRow()) taken[tool.keyText()] = tool.words();
  for (const Command& c : commandTable())
    for (const QKeySequence& key : c.keyList()) {
      EXPECT_TRUE(taken.emplace(key.toString(), c.menuWords()).second)
          << key.toString().toStdString() << " is " << taken[key.toString()].toStdString() << " and "
          << c.menuWords().toStdString();
    }
}

}  // namespace
}  // namespace widecut
