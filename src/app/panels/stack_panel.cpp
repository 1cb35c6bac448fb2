#include "app/panels/stack_panel.h"

#include <QHeaderView>
#include <QMouseEvent>
#include <algorithm>

#include "app/look/theme.h"
#include "project/edits/cutouts.h"
#include "project/edits/tree.h"
#include "project/forms/recipe.h"

namespace widecut {
StackPanel::StackPanel(Desk& desk, QWidget* parent)
    : QTreeWidget(parent), desk_(desk), eye_(theme::icon("eye")), eyeShut_(theme::icon("eye-shut")) {
  setObjectName("stack");
  setAccessibleName(tr("Stack: the items of the sheet, front first"));
  setColumnCount(2);
  header()->hide();
  header()->setStretchLastSection(false);
  header()->setSectionResizeMode(0, QHeaderView::Stretch);
  header()->setSectionResizeMode(1, QHeaderView::Fixed);
  header()->resizeSection(1, 30);
  setIndentation(14);
  setIconSize({16, 16});
  setSelectionMode(QAbstractItemView::ExtendedSelection);
  setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  connect(&desk, &Desk::projectChanged, this, [this] {
    if (!desk_.isTrying()) rebuild();
  });
  connect(&desk, &Desk::sheetChanged, this, &StackPanel::rebuild);
  connect(&desk, &Desk::selectionChanged, this, &StackPanel::showSelection);
  connect(this, &QTreeWidget::itemSelectionChanged, this, [this] {
    if (showing_) return;
    std::vector<Id> ids;
    for (const auto& [id, row] : rows_)
      if (row->isSelected()) ids.push_back(id);
    choosing_ = true;
    desk_.select(ids);
    choosing_ = false;
  });
  rebuild();
}

void StackPanel::mousePressEvent(QMouseEvent* event) {
  const QTreeWidgetItem* row = itemAt(event->pos());
  if (!row || columnAt(event->pos().x()) != 1 || event->button() != Qt::LeftButton) {
    QTreeWidget::mousePressEvent(event);
    return;
  }
  // The eye acts when it is pressed, and leaves the selection alone.
  const Id id = row->data(0, Qt::UserRole).toULongLong();
  desk_.commit(tr("Hide or show"), withItem(desk_.settled(), id, [](const Item& before) {
                 Item after = before;
                 after.hidden = !before.hidden;
                 return after;
               }));
}

void StackPanel::describe(const Item& item, const QString& sign, int depth, std::vector<Row>& out) {
  out.push_back({item.id, QString::fromStdString(item.name), sign, item.hidden, depth});
  // A recipe is read from its first part on; what lies in a stack, from the front.
  if (const Recipe* recipe = item.recipe()) {
    const auto roles = rolesOf(*recipe);
    for (std::size_t i = 0; i < recipe->parts.size(); ++i)
      describe(*recipe->parts[i], theme::signOf(roles[i]), depth + 1, out);
    return;
  }
  const auto& inside = childrenOf(item);
  for (auto child = inside.rbegin(); child != inside.rend(); ++child) describe(**child, {}, depth + 1, out);
}

/// True when a stack of the one reads like that of the other.
bool StackPanel::readsAlike(const Sheet& a, const Sheet& b) {
  return a.id == b.id &&
         std::equal(
             a.items.begin(), a.items.end(), b.items.begin(), b.items.end(), [](const ItemPtr& x, const ItemPtr& y) {
               return x == y || (x->id == y->id && x->hidden == y->hidden && x->name == y->name && x->form == y->form);
             });
}

void StackPanel::rebuild() {
  const SheetPtr sheet = desk_.sheet();
  const bool alike = sheet_ && readsAlike(*sheet, *sheet_);
  sheet_ = sheet;
  if (alike) {
    showSelection();
    return;
  }
  std::vector<Row> wanted;
  const auto& items = sheet->items;
  for (auto item = items.rbegin(); item != items.rend(); ++item) describe(**item, {}, 0, wanted);
  // Most changes are not of the stack.
  if (wanted == shown_) {
    showSelection();
    return;
  }
  showing_ = true;
  IdSet opened;
  for (const auto& [id, row] : rows_)
    if (row->isExpanded()) opened.insert(id);
  clear();
  rows_.clear();
  std::vector<QTreeWidgetItem*> path;
  QList<QTreeWidgetItem*> top;
  for (const Row& row : wanted) {
    path.resize(static_cast<std::size_t>(row.depth));
    auto* made = path.empty() ? new QTreeWidgetItem : new QTreeWidgetItem(path.back());
    if (path.empty()) top << made;
    made->setText(0, row.sign.isEmpty() ? row.name : row.sign + "  " + row.name);
    made->setToolTip(0, row.name);
    made->setData(0, Qt::UserRole, QVariant::fromValue<qulonglong>(row.id));
    made->setIcon(1, row.hidden ? eyeShut_ : eye_);
    made->setToolTip(1, row.hidden ? tr("Show") : tr("Hide"));
    if (row.hidden) made->setForeground(0, theme::slate);
    rows_[row.id] = made;
    path.push_back(made);
  }
  addTopLevelItems(top);
  for (const auto& [id, row] : rows_)
    if (opened.contains(id)) row->setExpanded(true);
  shown_ = std::move(wanted);
  showing_ = false;
  choosing_ = true;
  showSelection();
  choosing_ = false;
}

void StackPanel::showSelection() {
  showing_ = true;
  for (int i = 0; i < topLevelItemCount() && !choosing_; ++i)
    if (topLevelItem(i)->childCount() > 0) topLevelItem(i)->setExpanded(false);
  // As few ranges as may be: with one for each row, thousands of rows would take seconds.
  std::map<QTreeWidgetItem*, std::vector<int>> chosen;
  for (const Id id : desk_.selection()) {
    const auto row = rows_.find(id);
    if (row == rows_.end()) continue;
    auto* parent = row->second->parent();
    chosen[parent].push_back(indexFromItem(row->second).row());
    if (desk_.selection().size() == 1) row->second->setExpanded(true);
    for (auto* up = parent; up; up = up->parent()) up->setExpanded(true);
  }
  QItemSelection ranges;
  for (auto& [parent, rows] : chosen) {
    const QModelIndex under = parent ? indexFromItem(parent) : QModelIndex();
    std::sort(rows.begin(), rows.end());
    for (std::size_t i = 0; i < rows.size();) {
      std::size_t end = i + 1;
      while (end < rows.size() && rows[end] == rows[end - 1] + 1) ++end;
      ranges.append(QItemSelectionRange(model()->index(rows[i], 0, under), model()->index(rows[end - 1], 1, under)));
      i = end;
    }
  }
  selectionModel()->select(ranges, QItemSelectionModel::ClearAndSelect);
  if (!desk_.selection().empty())
    if (const auto first = rows_.find(desk_.selection().front()); first != rows_.end()) scrollToItem(first->second);
  showing_ = false;
}

}  // namespace widecut
