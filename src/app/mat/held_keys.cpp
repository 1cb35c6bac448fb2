#include "app/mat/held_keys.h"

namespace widecut {
namespace {

Qt::KeyboardModifier modifierOf(int key) {
  switch (key) {
    case Qt::Key_Shift:
      return Qt::ShiftModifier;
    case Qt::Key_Control:
      return Qt::ControlModifier;
    case Qt::Key_Alt:
      return Qt::AltModifier;
    default:
      return Qt::NoModifier;
  }
}

}  // namespace

bool standsForAlt(int key) {
  return key == Qt::Key_C || key == Qt::Key_M || key == Qt::Key_B || key == Qt::Key_O || key == Qt::Key_T ||
         key == Qt::Key_H;
}

Qt::KeyboardModifiers HeldKeys::told(Qt::KeyboardModifiers ofEvent) {
  modifiers_ = ofEvent;
  return now();
}

Qt::KeyboardModifiers HeldKeys::now() const {
  return letters_.empty() ? modifiers_ : modifiers_ | Qt::KeyboardModifiers(Qt::AltModifier);
}

bool HeldKeys::down(const QKeyEvent& key) {
  const auto before = now();
  if (const auto modifier = modifierOf(key.key()); modifier != Qt::NoModifier)
    modifiers_ |= modifier;
  else if (standsForAlt(key.key()))
    letters_.insert(key.key());
  return now() != before;
}

bool HeldKeys::up(const QKeyEvent& key) {
  const auto before = now();
  if (key.isAutoRepeat()) return false;
  if (const auto modifier = modifierOf(key.key()); modifier != Qt::NoModifier)
    modifiers_ &= ~Qt::KeyboardModifiers(modifier);
  letters_.erase(key.key());
  return now() != before;
}

}  // namespace widecut
