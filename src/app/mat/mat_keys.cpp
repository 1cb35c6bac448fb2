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
namespace {

bool isModifier(int key) {
  return key == Qt::Key_Shift || key == Qt::Key_Control || key == Qt::Key_Alt || key == Qt::Key_AltGr ||
         key == Qt::Key_Meta;
}

}  // namespace

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

/// Some displays say of a key that is held that it goes up and down again: at the same time, but one after the other.
bool Mat::isRepeat(const QKeyEvent& event) const {
  const bool isPair = event.timestamp() != 0 && event.timestamp() == upAt_ && event.key() == up_;
  return event.isAutoRepeat() || isPair || (lateUp_.isActive() && event.key() == up_);
}

void Mat::keyPressEvent(QKeyEvent* event) {
  const bool isLetter = event->key() >= Qt::Key_A && event->key() <= Qt::Key_Z;
  if (isLetter && !tool().takesText() && isRepeat(*event)) {
    lateUp_.stop();
    return;
  }
  if (lateUp_.isActive()) {  // another one: the first was let go
    lateUp_.stop();
    letGo(QKeyEvent(QEvent::KeyRelease, up_, Qt::NoModifier));
  }
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
  if (canWait(*event)) {
    waiting_ = event->key();
    held_.down(*event);
    tool().hover(pointerOf(lastPointer_, held_.now()));
    refresh();
    return;
  }
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

/// Whether a letter stands for Alt if a drag begins while it is held, so that it is no command before it is let go.
bool Mat::canWait(const QKeyEvent& key) const {
  return key.modifiers() == Qt::NoModifier && standsForAlt(key.key()) && !tool().takesText() && !tool().wants(key) &&
         !entry_->wants(key);
}

void Mat::letWaitingBeCommand() {
  const int key = std::exchange(waiting_, 0);
  held_.up(QKeyEvent(QEvent::KeyRelease, key, Qt::NoModifier));
  emit letterTyped(key);
}

bool Mat::event(QEvent* event) {
  if (event->type() == QEvent::ShortcutOverride) {
    const auto* key = static_cast<QKeyEvent*>(event);
    if (waiting_ != 0 && key->key() != waiting_ && !isModifier(key->key())) letWaitingBeCommand();
    if (isInGesture() || held_.isHeld(key->key()) || tool().wants(*key) || entry_->wants(*key) ||
        guides_->wants(*key) || canWait(*key)) {
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
  if (waiting_ != 0) held_.up(QKeyEvent(QEvent::KeyRelease, std::exchange(waiting_, 0), Qt::NoModifier));
}

void Mat::keyReleaseEvent(QKeyEvent* event) {
  if (event->isAutoRepeat()) return;
  if (event->key() == Qt::Key_Space) spaceHeld_ = false;
  up_ = event->key();
  upAt_ = event->timestamp();
  constexpr int untilSure = 30;  // milliseconds
  const bool isLetter = up_ >= Qt::Key_A && up_ <= Qt::Key_Z;
  // Those that no display sends have no time.
  if (isLetter && (isInGesture() || (waiting_ == up_ && upAt_ != 0)))
    lateUp_.start(untilSure);
  else
    letGo(*event);
}

void Mat::letGo(const QKeyEvent& event) {
  if (waiting_ != 0 && waiting_ == event.key()) {
    letWaitingBeCommand();
    refresh();
    return;
  }
  tool().keyUp(event);
  if (held_.up(event) && isInGesture()) dragOn();
  refresh();
}

}  // namespace widecut
