// The stack as a model: whatever is done to a project, it follows row by row.
#include <gtest/gtest.h>

#include <QAbstractItemModelTester>
#include <QPainter>

#include "app/look/shown_picture.h"
#include "app/look/theme.h"
#include "app/panels/stack_model.h"
#include "project/every_edit.h"
#include "project/lookup.h"

namespace widecut {
namespace {

void gatherRows(const QAbstractItemModel& model, const QModelIndex& parent, std::vector<QString>& rows) {
  for (int i = 0; i < model.rowCount(parent); ++i) {
    const QModelIndex row = model.index(i, 0, parent);
    rows.push_back(QString::number(row.data(StackModel::IdRole).toULongLong()) + row.data().toString() +
                   row.siblingAtColumn(StackModel::Eye).data(Qt::ToolTipRole).toString());
    gatherRows(model, row, rows);
    rows.emplace_back("end");
  }
}

std::vector<QString> rowsOf(const QAbstractItemModel& model) {
  std::vector<QString> rows;
  gatherRows(model, {}, rows);
  return rows;
}

TEST(StackModelTest, FollowsEveryEditAsIfMadeAnew) {
  for (unsigned seed = 0; seed < 20; ++seed) {
    EveryEdit edits(seed);
    StackModel followed;
    const QAbstractItemModelTester tester(&followed, QAbstractItemModelTester::FailureReportingMode::Fatal);
    for (int step = 0; step < 25 && edits.sheetHere().items.size() < 40; ++step) {
      edits.project = edits.next();
      const SheetPtr sheet = findSheet(edits.project, edits.sheetHere().id);
      followed.follow(sheet);
      StackModel anew;
      anew.follow(sheet);
      ASSERT_EQ(rowsOf(followed), rowsOf(anew)) << "seed " << seed << ", step " << step << ", edit " << edits.last;
      std::vector<Id> ids;
      gatherIds(sheet->items, ids);
      for (const Id id : ids) ASSERT_EQ(followed.indexOf(id).data(StackModel::IdRole).toULongLong(), id);
    }
  }
}

TEST(StackModelTest, AChangeOfOneItemIsNoChangeOfTheOthers) {
  EveryEdit edits(1);
  StackModel model;
  model.follow(findSheet(edits.project, edits.sheetHere().id));
  int changes = 0, resets = 0;
  QObject::connect(&model, &QAbstractItemModel::dataChanged, [&] { ++changes; });
  QObject::connect(&model, &QAbstractItemModel::rowsInserted, [&] { ++resets; });
  QObject::connect(&model, &QAbstractItemModel::rowsRemoved, [&] { ++resets; });
  const Id id = edits.sheetHere().items.front()->id;
  edits.project = withMapped(edits.project, std::vector<Id>{id}, Affine::move({1, 0}));
  model.follow(findSheet(edits.project, edits.sheetHere().id));
  EXPECT_EQ(changes + resets, 0) << "a move does not read otherwise";
  edits.project = withItem(edits.project, id, [](const Item& before) {
    Item after = before;
    after.hidden = true;
    return after;
  });
  model.follow(findSheet(edits.project, edits.sheetHere().id));
  EXPECT_EQ(changes, 1);
  EXPECT_EQ(resets, 0);
}

TEST(ShownPicture, WhatWouldBeLostOnThePanelLiesOnTheMat) {
  const auto isOnMat = [](const QColor& ring, const QColor& within) {
    QImage picture(24, 20, QImage::Format_ARGB32_Premultiplied);
    picture.fill(Qt::transparent);
    QPainter painter(&picture);
    painter.fillRect(4, 4, 16, 12, ring);
    painter.setCompositionMode(QPainter::CompositionMode_Source);
    painter.fillRect(6, 6, 12, 8, within);
    painter.end();
    return shownOnPanel(picture).pixelColor(0, 0) == theme::mat;
  };
  EXPECT_TRUE(isOnMat(Qt::white, Qt::white));
  EXPECT_TRUE(isOnMat({242, 178, 51, 70}, Qt::transparent)) << "a thin glow";
  EXPECT_FALSE(isOnMat({242, 178, 51, 70}, Qt::darkBlue)) << "a glow around what shows";
  EXPECT_FALSE(isOnMat({20, 20, 20, 90}, Qt::transparent)) << "thin dark letters";
  EXPECT_FALSE(isOnMat(Qt::transparent, Qt::transparent)) << "nothing";
}

}  // namespace
}  // namespace widecut
