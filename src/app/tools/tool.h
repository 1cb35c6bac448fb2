// What the mouse does on the mat.
#pragma once

#include <QCursor>
#include <QPointF>
#include <QString>
#include <QVariant>

#include <optional>

#include "geometry/point.h"

class QInputMethodEvent;
class QKeyEvent;
class QPainter;

namespace widecut {

class Desk;
class Mat;

/// Where the pointer is, on the mat and on the sheet.
struct Pointer {
  QPointF onMat;
  Point onSheet;
  Qt::KeyboardModifiers keys;
};

/// The unit step of an arrow key; nothing for other keys.
inline std::optional<Point> arrowStep(int key) {
  switch (key) {
    case Qt::Key_Left:
      return Point{-1, 0};
    case Qt::Key_Right:
      return Point{1, 0};
    case Qt::Key_Up:
      return Point{0, -1};
    case Qt::Key_Down:
      return Point{0, 1};
    default:
      return std::nullopt;
  }
}

/// One tool of the row. A tool shows what it would do before it does it.
class Tool {
 public:
  Tool(Mat& mat, Desk& desk) : mat_(mat), desk_(desk) {}
  virtual ~Tool() = default;
  Tool(const Tool&) = delete;
  Tool& operator=(const Tool&) = delete;

  virtual void press(const Pointer&) {}
  virtual void drag(const Pointer&) {}
  virtual void release(const Pointer&) {}
  virtual void hover(const Pointer&) {}
  virtual void doubleClick(const Pointer&) {}
  /// `steps` is the wheel's turn in notches, away from the person positive. True when the tool used it.
  virtual bool wheel(const Pointer&, double /*steps*/) { return false; }
  /// Escape in the middle of a drag: it is as if it had not begun, and the tool stays in hand.
  virtual void cancelDrag() { putAway(); }
  /// True when the tool used the key. In the middle of a drag none but its own are of use: what it does with the others
  /// between drags would pull away what is being dragged.
  virtual bool key(QKeyEvent&) { return false; }
  virtual void keyUp(const QKeyEvent&) {}
  /// True for a key that is the tool's now, although a command has it.
  virtual bool wants(const QKeyEvent& /*key*/) const { return false; }
  /// True while keys are text, which an input method may help with.
  virtual bool takesText() const { return false; }
  /// What an input method has typed so far, or is done with.
  virtual void inputMethod(const QInputMethodEvent&) {}
  virtual QVariant inputMethodQuery(Qt::InputMethodQuery /*query*/) const { return {}; }
  /// The keys go elsewhere from now on.
  virtual void focusLost() {}
  /// A menu for what lies here is about to open: what it is about gets selected.
  virtual void choose(const Pointer&) {}
  /// The tool is being put away, or what it works on is gone: nothing half-done may stay.
  virtual void putAway() {}
  /// Paints over the sheet, in the mat's pixels.
  virtual void paint(QPainter&) {}
  virtual QString hint() const = 0;
  virtual QCursor cursor() const { return Qt::ArrowCursor; }

 protected:
  Mat& mat_;
  Desk& desk_;
};

}  // namespace widecut
