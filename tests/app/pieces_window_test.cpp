// Beginning, pieces, sheets, the clipboard and views, in the real window.
#include "everyday.h"

#include <QClipboard>
#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QTreeWidget>
#include <map>

#include "app/commands/command.h"
#include "app/desk/clipboard.h"
#include "app/start/start_card.h"
#include "app/tools/tool_table.h"
#include "project/edits/sheets.h"

namespace widecut {
namespace {

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
  w.desk().select({a});
  dropOn(sheets, dragged(stack, row(a)).get(), sheets->visualRect(sheetRow(second)).center());
  EXPECT_EQ(findSheet(w.desk().settled(), second)->items.size(), 2U);
  EXPECT_TRUE(findSheet(w.desk().settled(), first)->items.empty());
  EXPECT_TRUE(w.desk().selection().empty()) << "it is not on the sheet that shows any more";
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
  const Point place = frameToSheet(w.desk().settled(), b)(Point{});
  w.key(Qt::Key_X, Qt::ControlModifier);
  EXPECT_FALSE(item(b));
  w.press("newSheetButton");
  const Id second = w.sheet().id;
  w.key(Qt::Key_V, Qt::ControlModifier);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_NEAR(w.sheet().items[0]->position.x, place.x, 1e-9);
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
  w.desk().select({});  // a chosen item would be filled with it
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
  EXPECT_FALSE(popover->findChild<QWidget*>("noPaint")->isVisible()) << "a sheet always has a paper";
  auto* hex = popover->findChild<QLineEdit*>("hex");
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
