// The keys that are held in the middle of a gesture.
#pragma once

#include <QKeyEvent>
#include <set>

namespace widecut {

/// Many window managers keep Alt with the mouse for themselves. So in the middle of a gesture letters stand for it,
/// each for what it does there: C copies, M draws from the middle, B breaks and bends, O means this one only, T takes
/// what is touched, H is the horizon.
bool standsForAlt(int key);

/// What is held, told by mouse and keys alike, so that a modifier shows at once, also while the mouse is still.
class HeldKeys {
 public:
  /// What a mouse event says is held, with what letters stand for.
  Qt::KeyboardModifiers told(Qt::KeyboardModifiers ofEvent);
  /// What is held now.
  Qt::KeyboardModifiers now() const;
  /// A key goes down or up in the middle of a gesture. True when that changes what is held.
  bool down(const QKeyEvent& key);
  bool up(const QKeyEvent& key);
  /// Whether a letter is held still, maybe behind the end of its gesture: then it is no command.
  bool isHeld(int key) const { return letters_.contains(key); }

 private:
  Qt::KeyboardModifiers modifiers_;
  std::set<int> letters_;
};

}  // namespace widecut
