// Whose the keys are: the mat's, but while something is typed elsewhere.
#pragma once

#include <QObject>
#include <QPoint>
#include <QPointer>
#include <QTimer>

class QKeyEvent;
class QLineEdit;
class QMouseEvent;
class QWidget;

namespace widecut {

class Desk;

/// Sees to it, for every field, list, drop-down, slider, button and pop-up of a window alike, that
/// - the mat has the keys after Enter, Escape and every choice by mouse, and when what had them is gone;
/// - a click beside a pop-up shuts it, and does what it would have done there;
/// - a click into a field selects what is in it, and a second click places the caret;
/// - a field leaves the keys of commands (Ctrl+S, Ctrl+Z, Ctrl+A …) to the window as far as it has no use for them;
/// - what cannot be read stays in its field, and the hint line says why.
/// Widgets with the property `keepsKeys` keep them after a click, since keys go on with what the click began; a field
/// that sets `goesOn` while it takes Enter keeps them that once, for the next thing to be typed.
class KeysHome : public QObject {
  Q_OBJECT
 public:
  /// `home` is where keys belong; `window` what is seen to, without its dialogs.
  KeysHome(QWidget& window, QWidget& home, Desk& desk);

  /// Gives the keys to the mat.
  void goHome();
  /// After a command: where a field has the keys still, its typing is done with.
  void afterCommand();

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  /// Whether it is a part of the window other than the mat, or of a pop-up of such a part.
  bool isSeenTo(const QWidget* widget) const;
  bool isHeldBy(const QWidget* widget) const;
  void soonHome();
  void homeUnlessTyping();
  bool pressKey(QWidget& widget, QKeyEvent& event);
  void pressMouse(QWidget& widget);
  void releaseMouse(QWidget& widget);
  /// Whether it is a pop-up of the window's own, and no menu or drop-down.
  bool isPopUp(const QWidget& widget) const;
  void passBeside(QWidget& popUp, const QMouseEvent& press);
  void clickBeside();

  QWidget& window_;
  QWidget& home_;
  Desk& desk_;
  QPointer<QLineEdit> untouched_;  ///< Has got the keys, and neither a key nor a click since.
  bool isPassing_ = false;         ///< An event is being handed on from here.
  bool isTab_ = false;             ///< The person goes from one thing to the next.
  bool isHomeSoon_ = false;
  QTimer besideEnd_;  ///< Waits for the end of a click beside a pop-up.
  QPoint besideAt_;   ///< Where it was, on the screen.
  Qt::MouseButton besideButton_ = Qt::NoButton;
  Qt::KeyboardModifiers besideKeys_;
};

}  // namespace widecut
