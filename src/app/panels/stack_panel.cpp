#include "app/panels/stack_panel.h"

#include <QContextMenuEvent>
#include <QHeaderView>
#include <QMouseEvent>
#include <algorithm>
#include <map>

#include "app/desk/carrying.h"
#include "app/desk/subjects.h"
#include "project/edits/tree.h"
#include "project/limits.h"

namespace widecut {

StackPanel::StackPanel(Desk& desk, QWidget* parent)
    : QTreeView(parent), desk_(desk), model_(new StackModel(&desk.photos(), this)) {
  setObjectName("stack");
  setAccessibleName(tr("Stack: the items of the sheet, front first"));
  setModel(model_);
  header()->hide();
  header()->setStretchLastSection(false);
  header()->setSectionResizeMode(StackModel::Name, QHeaderView::Stretch);
  for (const int column : {StackModel::Lock, StackModel::Eye}) {
    header()->setSectionResizeMode(column, QHeaderView::Fixed);
    header()->resizeSection(column, column == StackModel::Eye ? 28 : 22);
  }
  header()->moveSection(StackModel::Lock, StackModel::Eye);  // the eye stays at the edge
  setUniformRowHeights(true);
  setIndentation(14);
  setIconSize({24, 20});
  setDragDropMode(QAbstractItemView::DragDrop);
  setDefaultDropAction(Qt::MoveAction);
  setSelectionMode(QAbstractItemView::ExtendedSelection);
  setEditTriggers(QAbstractItemView::EditKeyPressed | QAbstractItemView::DoubleClicked);
  setExpandsOnDoubleClick(false);
  setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  connect(&desk, &Desk::projectChanged, this, [this] {
    if (!desk_.isTrying()) follow();
  });
  connect(&desk, &Desk::sheetChanged, this, &StackPanel::follow);
  connect(&desk, &Desk::selectionChanged, this, &StackPanel::showSelection);
  connect(selectionModel(), &QItemSelectionModel::selectionChanged, this, [this] {
    if (showing_) return;
    std::vector<Id> ids;
    for (const QModelIndex& row : selectionModel()->selectedRows())
      ids.push_back(row.data(StackModel::IdRole).toULongLong());
    choosing_ = true;
    desk_.select(std::move(ids));
    choosing_ = false;
  });
  connect(model_, &StackModel::renameWanted, this, &StackPanel::rename);
  connect(model_, &StackModel::moveWanted, this,
          [this](const std::vector<Id>& items, const StackPlace& to) { moveInStack(desk_, items, to); });
  connect(&desk, &Desk::renameWanted, this, [this] {
    if (desk_.onlyItem()) edit(model_->indexOf(desk_.onlyItem()->id));
  });
  connect(&desk.subjects(), &SubjectWatch::changed, this, [this] { model_->setTroubles(desk_.subjects().troubles()); });
  follow();
}

void StackPanel::rename(Id item, const QString& name) {
  desk_.commit(tr("Rename"), withItem(desk_.settled(), item, [&](const Item& before) {
                 Item after = before;
                 after.name = shortened(name.toStdString());
                 return after;
               }));
}

void StackPanel::contextMenuEvent(QContextMenuEvent* event) {
  const bool byMouse = event->reason() == QContextMenuEvent::Mouse;
  const QModelIndex row = byMouse ? indexAt(viewport()->mapFromGlobal(event->globalPos())) : currentIndex();
  if (!row.isValid()) return;
  const Id item = row.data(StackModel::IdRole).toULongLong();
  if (std::find(desk_.selection().begin(), desk_.selection().end(), item) == desk_.selection().end())
    desk_.select({item});
  emit menuWanted(byMouse ? event->globalPos() : viewport()->mapToGlobal(visualRect(row).bottomLeft()));
}

void StackPanel::mousePressEvent(QMouseEvent* event) {
  const QModelIndex row = indexAt(event->pos());
  if (!row.isValid() || row.column() == StackModel::Name || event->button() != Qt::LeftButton) {
    QTreeView::mousePressEvent(event);
    return;
  }
  // The eye and the lock act when they are pressed, and leave the selection alone.
  const bool isEye = row.column() == StackModel::Eye;
  bool Item::*flag = isEye ? &Item::hidden : &Item::locked;
  desk_.commit(isEye ? tr("Hide or show") : tr("Lock or unlock"),
               withItem(desk_.settled(), row.data(StackModel::IdRole).toULongLong(), [flag](const Item& before) {
                 Item after = before;
                 after.*flag = !(before.*flag);
                 return after;
               }));
}

void StackPanel::follow() {
  showing_ = true;
  model_->follow(desk_.sheet());
  showing_ = false;
  choosing_ = true;
  showSelection();
  choosing_ = false;
}

void StackPanel::showSelection() {
  showing_ = true;
  const auto& selection = desk_.selection();
  for (int i = 0; i < model_->rowCount() && !choosing_; ++i) collapse(model_->index(i, 0));
  for (const Id id : selection)
    for (QModelIndex up = model_->indexOf(id).parent(); up.isValid(); up = up.parent()) expand(up);
  if (selection.size() == 1) expand(model_->indexOf(selection.front()));
  select(selection);
  if (!selection.empty()) scrollTo(model_->indexOf(selection.front()));
  showing_ = false;
}

/// As few ranges as may be: with one for each row, thousands of rows would take seconds.
void StackPanel::select(const std::vector<Id>& items) {
  std::map<QModelIndex, std::vector<int>> chosen;
  for (const Id id : items)
    if (const QModelIndex row = model_->indexOf(id); row.isValid()) chosen[row.parent()].push_back(row.row());
  QItemSelection ranges;
  for (auto& [parent, rows] : chosen) {
    std::sort(rows.begin(), rows.end());
    for (std::size_t i = 0; i < rows.size();) {
      std::size_t end = i + 1;
      while (end < rows.size() && rows[end] == rows[end - 1] + 1) ++end;
      ranges.append(QItemSelectionRange(model_->index(rows[i], 0, parent),
                                        model_->index(rows[end - 1], StackModel::columns - 1, parent)));
      i = end;
    }
  }
  selectionModel()->select(ranges, QItemSelectionModel::ClearAndSelect);
}

}  // namespace widecut
