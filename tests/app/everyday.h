// What tests of everyday work in the window share.
#pragma once

#include <gtest/gtest.h>

#include <QTreeView>

#include "app/panels/sheets_model.h"
#include "app/panels/stack_model.h"
#include "project/resolve.h"
#include "window_driver.h"

namespace widecut {

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

}  // namespace widecut
