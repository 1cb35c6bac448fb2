// Items on their way from one part of the window to another, by a drag.
#pragma once

#include <QMimeData>
#include <QPoint>
#include <QPointer>
#include <QWidget>
#include <functional>
#include <memory>

#include "project/edits/order.h"

namespace widecut {

class Desk;

/// Items that are dragged: their ids.
inline constexpr char draggedItems[] = "application/x-widecut-dragged-items";
std::unique_ptr<QMimeData> dragOf(const std::vector<Id>& items);
std::vector<Id> itemsIn(const QMimeData& data);

/// Moves items to a place in the stack, as one step, and says which role they take in a recipe. False when nothing came
/// of it.
bool moveInStack(Desk& desk, const std::vector<Id>& items, const StackPlace& to);

/// A drag that began with the mouse in one widget and goes on over others of the window: these take what is carried as
/// they take every drag.
class Carrying {
 public:
  ~Carrying() { cancel(); }
  /// The pointer is here now, on the screen; `from` is where the drag began. True when what is below would take the
  /// items.
  bool moveTo(QWidget& from, QPoint onScreen, const std::vector<Id>& items, Qt::KeyboardModifiers keys);
  /// The same with whatever else is dragged.
  bool moveTo(QWidget& from, QPoint onScreen, const std::function<std::unique_ptr<QMimeData>()>& drag,
              Qt::KeyboardModifiers keys);
  /// Lets go. True when what is below took them.
  bool drop(Qt::KeyboardModifiers keys);
  void cancel();
  bool isOver() const { return over_ != nullptr; }

 private:
  QPointer<QWidget> over_;
  QPoint at_;
  std::unique_ptr<QMimeData> data_;
  bool taken_ = false;
};

}  // namespace widecut
