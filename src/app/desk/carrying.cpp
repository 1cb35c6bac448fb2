#include "app/desk/carrying.h"

#include <QApplication>
#include <QDragEnterEvent>
#include <algorithm>

#include "app/desk/desk.h"

namespace widecut {
namespace {

Qt::DropAction actionFor(Qt::KeyboardModifiers keys) {
  return keys & Qt::ControlModifier ? Qt::CopyAction : Qt::MoveAction;
}

/// The widget of the window at a place that takes drags, other than the one where this one began.
QWidget* takerAt(QWidget& from, QPoint onScreen) {
  QWidget* window = from.window();
  QWidget* found = window->childAt(window->mapFromGlobal(onScreen));
  while (found && !found->acceptDrops()) found = found->parentWidget();
  return found == &from ? nullptr : found;
}

/// What a part that joined a recipe does there.
QString sentence(Role role) {
  switch (role) {
    case Role::Add:
      return Desk::tr("takes it in: it is added");
    case Role::Subtract:
      return Desk::tr("takes it in: it is subtracted, like what stands beside it");
    case Role::Intersect:
      return Desk::tr("takes it in: it is intersected, like what stands beside it");
    case Role::Exclude:
      return Desk::tr("takes it in: it is excluded, like what stands beside it");
  }
  return {};
}

}  // namespace

std::unique_ptr<QMimeData> dragOf(const std::vector<Id>& items) {
  QByteArray ids;
  for (const Id id : items) ids += QByteArray::number(static_cast<qulonglong>(id)) + ' ';
  auto data = std::make_unique<QMimeData>();
  data->setData(draggedItems, ids);
  return data;
}

std::vector<Id> itemsIn(const QMimeData& data) {
  std::vector<Id> ids;
  for (const QByteArray& id : data.data(draggedItems).split(' '))
    if (!id.isEmpty()) ids.push_back(id.toULongLong());
  return ids;
}

bool moveInStack(Desk& desk, const std::vector<Id>& items, const StackPlace& to) {
  std::optional<Role> role;
  const auto isThere = [&](Id item) {
    const auto chain = chainTo(desk.settled(), item);
    return chain.size() > 1 && chain[chain.size() - 2]->id == to.inside;
  };
  const bool joins = !std::all_of(items.begin(), items.end(), isThere);
  Project changed = withItemsMoved(desk.settled(), items, to, role);
  if (!desk.commit(Desk::tr("Move in the stack"), std::move(changed))) return false;
  if (const ItemPtr whole = findItem(desk.settled(), to.inside); whole && role && joins)
    emit desk.told(Desk::tr("%1 %2").arg(QString::fromStdString(whole->name), sentence(*role)));
  desk.select(items);
  return true;
}

bool Carrying::moveTo(QWidget& from, QPoint onScreen, const std::vector<Id>& items, Qt::KeyboardModifiers keys) {
  return moveTo(
      from, onScreen, [&] { return dragOf(items); }, keys);
}

bool Carrying::moveTo(QWidget& from, QPoint onScreen, const std::function<std::unique_ptr<QMimeData>()>& drag,
                      Qt::KeyboardModifiers keys) {
  QWidget* now = takerAt(from, onScreen);
  if (now != over_) {
    cancel();
    over_ = now;
    if (!now) return false;
    data_ = drag();
    at_ = now->mapFromGlobal(onScreen);
    QDragEnterEvent enter(at_, Qt::MoveAction | Qt::CopyAction, data_.get(), Qt::LeftButton, keys);
    enter.setDropAction(actionFor(keys));
    QApplication::sendEvent(now, &enter);
    taken_ = enter.isAccepted();
  }
  if (!now) return false;
  at_ = now->mapFromGlobal(onScreen);
  QDragMoveEvent move(at_, Qt::MoveAction | Qt::CopyAction, data_.get(), Qt::LeftButton, keys);
  move.setDropAction(actionFor(keys));
  move.setAccepted(taken_);
  QApplication::sendEvent(now, &move);
  taken_ = move.isAccepted();
  return taken_;
}

bool Carrying::drop(Qt::KeyboardModifiers keys) {
  if (!over_ || !taken_) {
    cancel();
    return false;
  }
  QDropEvent drop(at_, Qt::MoveAction | Qt::CopyAction, data_.get(), Qt::LeftButton, keys);
  drop.setDropAction(actionFor(keys));
  QWidget* taker = over_;
  over_ = nullptr;
  const auto data = std::move(data_);  // as long as the event
  QApplication::sendEvent(taker, &drop);
  return true;
}

void Carrying::cancel() {
  if (over_) {
    QDragLeaveEvent leave;
    QApplication::sendEvent(over_, &leave);
  }
  over_ = nullptr;
  data_.reset();
  taken_ = false;
}

}  // namespace widecut
