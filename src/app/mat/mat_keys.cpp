// The keys of the mat: the gesture's while the mouse is held, else the tool's, the small entry's, and what nudges.
#include <QApplication>
#include <QInputMethodEvent>
#include <QKeyEvent>
#include <utility>

#include "app/desk/selecting.h"
#include "app/mat/guide_drags.h"
#include "app/mat/mat.h"
#include "app/mat/size_entry.h"

namespace widecut {

bool Mat::nudge(const QKeyEvent& event) {
  const auto way = arrowStep(event.key());
  if (!way) return false;
  if (desk_.selection().empty()) {
    panBy(QPointF(-way->x * 60, -way->y * 60));
    return true;
  }
  widecut::nudge(desk_, *way, event.modifiers());
  return true;
}

bool Mat::isInGesture() const { return toolPressed_ || guides_->isHeld(); }

void Mat::dragOn() {
  const Pointer pointer = pointerOf(lastPointer_, held_.now());
  if (guides_->isHeld())
    guides_->drag(pointer);
  else if (!doubleClicked_)
    tool().drag(pointer);
  refresh();
}

void Mat::gestureKey(QKeyEvent& event) {
  if (event.key() == Qt::Key_Escape) {
    // It ends the gesture alone: the button, which is held still, means nothing any more.
    if (guides_->isHeld())
      guides_->cancel();
    else if (std::exchange(toolPressed_, false))
      tool().cancelDrag();
  } else if (held_.down(event)) {
    dragOn();
  } else if (!held_.isHeld(event.key()) && toolPressed_) {
    tool().key(event);
  }
  refresh();
}

void Mat::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Space && !event->isAutoRepeat() && !tool().takesText() && !isInGesture()) {
    spaceHeld_ = true;
    setCursor(Qt::OpenHandCursor);
    return;
  }
  if (entry_->wants(*event)) {
    entry_->begin(*event);
    return;
  }
  if (isInGesture()) {
    gestureKey(*event);
    return;
  }
  if (held_.isHeld(event->key())) return;  // from a gesture that has ended
  if (entry_->isOpen() && event->key() == Qt::Key_Escape) {
    entry_->drop();
    return;
  }
  if (guides_->key(*event)) {
    refresh();
    return;
  }
  const bool leaves = event->modifiers() & Qt::ControlModifier;
  if (leaves && (event->key() == Qt::Key_Tab || event->key() == Qt::Key_Backtab))
    QWidget::focusNextPrevChild(event->key() == Qt::Key_Tab);
  else if (!tool().key(*event) && !nudge(*event))
    QWidget::keyPressEvent(event);
  refresh();
}

bool Mat::event(QEvent* event) {
  if (event->type() == QEvent::ShortcutOverride) {
    const auto* key = static_cast<QKeyEvent*>(event);
    if (isInGesture() || held_.isHeld(key->key()) || tool().wants(*key) || entry_->wants(*key) ||
        guides_->wants(*key)) {
      event->accept();
      return true;
    }
  }
  return QWidget::event(event);
}

void Mat::inputMethodEvent(QInputMethodEvent* event) {
  if (tool().takesText()) tool().inputMethod(*event);
  refresh();
}

QVariant Mat::inputMethodQuery(Qt::InputMethodQuery query) const {
  return tool().takesText() ? tool().inputMethodQuery(query) : QWidget::inputMethodQuery(query);
}

void Mat::focusOutEvent(QFocusEvent* event) {
  // A menu over it takes nothing away.
  if (event->reason() != Qt::PopupFocusReason) tool().focusLost();
}

void Mat::keyReleaseEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Space && !event->isAutoRepeat()) spaceHeld_ = false;
  if (!event->isAutoRepeat()) tool().keyUp(*event);
  if (held_.up(*event) && isInGesture()) dragOn();
  refresh();
}

}  // namespace widecut
