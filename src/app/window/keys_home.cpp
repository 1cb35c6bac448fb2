#include "app/window/keys_home.h"

#include <QAbstractItemView>
#include <QAbstractSlider>
#include <QAbstractSpinBox>
#include <QApplication>
#include <QComboBox>
#include <QKeyEvent>
#include <QLineEdit>
#include <QMenu>
#include <QMenuBar>
#include <QMouseEvent>
#include <QTimer>

#include "app/desk/desk.h"
#include "app/start/start_view.h"
#include "app/widgets/field_problem.h"
#include "app/widgets/measure_field.h"

namespace widecut {
namespace {

/// The field that is typed in where a widget has the keys; null for what is no field.
QLineEdit* fieldOf(QObject* widget) {
  if (auto* box = qobject_cast<QComboBox*>(widget)) return box->lineEdit();
  return qobject_cast<QLineEdit*>(widget);
}
bool isField(QWidget* widget) { return fieldOf(widget) != nullptr; }

/// What has the keys for as long as it is worked on.
bool takesKeys(QWidget* widget) {
  return isField(widget) || qobject_cast<const QComboBox*>(widget) || qobject_cast<const QAbstractSpinBox*>(widget) ||
         qobject_cast<const QAbstractSlider*>(widget) || qobject_cast<const QAbstractItemView*>(widget);
}

/// Whether a field does something of its own with a key that may also be a command's.
bool hasUseFor(const QLineEdit& field, const QKeyEvent& key) {
  const Qt::KeyboardModifiers held = key.modifiers() & ~(Qt::ShiftModifier | Qt::KeypadModifier);
  if (held == Qt::NoModifier || held == Qt::GroupSwitchModifier) return true;
  if (!(held & Qt::ControlModifier)) return false;
  // Signs of some keyboards are typed with both.
  if (held & Qt::AltModifier) return !key.text().isEmpty() && key.text().front().isPrint();
  switch (key.key()) {
    case Qt::Key_Z:
      return key.modifiers() & Qt::ShiftModifier ? field.isRedoAvailable() : field.isUndoAvailable();
    case Qt::Key_Y:
      return field.isRedoAvailable();
    case Qt::Key_A:
      return !field.text().isEmpty();  // also when all is selected: who presses it goes on to type
    case Qt::Key_C:
    case Qt::Key_X:
    case Qt::Key_Insert:
      return field.hasSelectedText();
    case Qt::Key_V:
    case Qt::Key_Left:
    case Qt::Key_Right:
    case Qt::Key_Up:  // a tenth of a step
    case Qt::Key_Down:
    case Qt::Key_Home:
    case Qt::Key_End:
    case Qt::Key_Backspace:
    case Qt::Key_Delete:
      return true;
    default:
      return false;
  }
}

/// Whether a field is that in which a list renames one of its rows: it keeps its keys until it is done.
bool isNameInList(const QLineEdit& field) {
  for (const QWidget* widget = field.parentWidget(); widget; widget = widget->parentWidget())
    if (qobject_cast<const QAbstractItemView*>(widget)) return true;
  return false;
}

bool isWrong(const QWidget* widget) { return widget && widget->property("wrong").toBool(); }

}  // namespace

KeysHome::KeysHome(QWidget& window, QWidget& home, Desk& desk)
    : QObject(&window), window_(window), home_(home), desk_(desk) {
  qApp->installEventFilter(this);
  connect(&desk_, &Desk::refused, this, [](const QString& why) {
    if (MeasureField* field = MeasureField::settling()) field->refuse(why);
  });
  constexpr int often = 10;  // milliseconds
  besideEnd_.setInterval(often);
  connect(&besideEnd_, &QTimer::timeout, this, &KeysHome::clickBeside);
  connect(qApp, &QApplication::focusChanged, this, [this](QWidget* old, QWidget* now) {
    if (isWrong(old)) emit desk_.told(problemOf(old));
    // What had the keys is gone.
    if (!now && window_.isActiveWindow()) soonHome();
  });
}

bool KeysHome::isSeenTo(const QWidget* widget) const {
  for (; widget; widget = widget->parentWidget()) {
    if (widget == &home_) return false;
    if (widget == &window_) return true;
    // Lists of drop-downs and menus see to themselves; where names are searched for a command, so does that.
    if (widget->inherits("QComboBoxPrivateContainer") || qobject_cast<const QMenu*>(widget) ||
        qobject_cast<const QMenuBar*>(widget) || qobject_cast<const StartView*>(widget))
      return false;
    if (widget->isWindow() && (widget->windowType() != Qt::Popup || widget->objectName() == "keySheet")) return false;
  }
  return false;
}

bool KeysHome::isHeldBy(const QWidget* widget) const {
  for (; widget; widget = widget->parentWidget())
    if (widget->property("keepsKeys").toBool()) return true;
  return false;
}

void KeysHome::goHome() {
  if (home_.isVisible() && !QApplication::activePopupWidget()) home_.setFocus(Qt::OtherFocusReason);
}

void KeysHome::afterCommand() {
  QWidget* has = QApplication::focusWidget();
  if (has && isSeenTo(has) && !isWrong(has)) goHome();
}

void KeysHome::homeUnlessTyping() {
  QWidget* has = QApplication::focusWidget();
  if (has && (!isSeenTo(has) || isField(has) || isHeldBy(has))) return;
  if (has && qobject_cast<QComboBox*>(has) && static_cast<QComboBox*>(has)->view()->isVisible()) return;
  goHome();
}

void KeysHome::soonHome() {
  if (std::exchange(isHomeSoon_, true)) return;
  QTimer::singleShot(0, this, [this] {
    isHomeSoon_ = false;
    homeUnlessTyping();
  });
}

bool KeysHome::pressKey(QWidget& widget, QKeyEvent& event) {
  const bool isEscape = event.key() == Qt::Key_Escape;
  const bool isEnd = isEscape || event.key() == Qt::Key_Return || event.key() == Qt::Key_Enter;
  if (!isEnd || (!takesKeys(&widget) && !isEscape)) return false;
  // A list of names on offer comes first.
  if (QApplication::activePopupWidget() && widget.window() != QApplication::activePopupWidget()) return false;
  const QPointer<QWidget> worked(&widget);
  isPassing_ = true;
  QApplication::sendEvent(&widget, &event);
  isPassing_ = false;
  event.accept();
  // The next thing is to be typed right there.
  if (worked && worked->property("goesOn").toBool()) {
    worked->setProperty("goesOn", false);
    return true;
  }
  const QWidget* has = QApplication::focusWidget();
  // It went somewhere else by its own will, or what is in it has to be mended first.
  const bool isStill = !worked || !has || has == worked || has->isAncestorOf(worked) || worked->isAncestorOf(has);
  if (isStill && !(worked && isWrong(worked))) goHome();
  if (worked && isWrong(worked)) emit desk_.told(problemOf(worked));
  return true;
}

/// The keys went to a field before its press gets here.
void KeysHome::pressMouse(QWidget& widget) {
  if (untouched_ != &widget) untouched_ = nullptr;
}

bool KeysHome::isPopUp(const QWidget& widget) const {
  return widget.isWindow() && widget.windowType() == Qt::Popup && !qobject_cast<const QMenu*>(&widget) &&
         !widget.inherits("QComboBoxPrivateContainer") && widget.parentWidget() &&
         widget.parentWidget()->window() == &window_;
}

/// A click beside a pop-up shuts it, and is a click on what lies there. That is made once the button is let go: until
/// then the screen counts it as the pop-up's, which is gone, and nobody can tell who is told of its end.
void KeysHome::passBeside(QWidget& popUp, const QMouseEvent& press) {
  popUp.setAttribute(Qt::WA_NoMouseReplay);  // it is done here, once
  besideAt_ = press.globalPosition().toPoint();
  besideButton_ = press.button();
  besideKeys_ = press.modifiers();
  popUp.close();
  besideEnd_.start();
}

void KeysHome::clickBeside() {
  if (QGuiApplication::mouseButtons() != Qt::NoButton) return;
  besideEnd_.stop();
  QWidget* below = QApplication::widgetAt(besideAt_);
  if (!below || below->window() != &window_) return;
  const QPointF local = below->mapFromGlobal(besideAt_);
  QMouseEvent down(QEvent::MouseButtonPress, local, besideAt_, besideButton_, besideButton_, besideKeys_);
  const QPointer<QWidget> kept(below);
  QApplication::sendEvent(below, &down);
  if (!kept) return;
  QMouseEvent up(QEvent::MouseButtonRelease, local, besideAt_, besideButton_, Qt::NoButton, besideKeys_);
  QApplication::sendEvent(below, &up);
}

void KeysHome::releaseMouse(QWidget& widget) {
  if (untouched_ && untouched_ == &widget) {
    // Not where some of it was selected by dragging.
    if (untouched_->hasFocus() && !untouched_->hasSelectedText()) untouched_->selectAll();
  } else if (!isField(&widget)) {
    soonHome();
  }
  untouched_ = nullptr;
}

bool KeysHome::eventFilter(QObject* watched, QEvent* event) {
  if (!watched->isWidgetType()) return false;
  auto& widget = *static_cast<QWidget*>(watched);
  switch (event->type()) {
    case QEvent::ShortcutOverride:
      if (auto* field = fieldOf(watched); field && isSeenTo(field) && field->window() == &window_) {
        if (isNameInList(*field)) return false;
        if (hasUseFor(*field, *static_cast<QKeyEvent*>(event))) return false;
        event->ignore();
        return true;
      }
      return false;
    case QEvent::KeyPress: {
      if (isPassing_) return false;
      untouched_ = nullptr;
      auto& key = *static_cast<QKeyEvent*>(event);
      if (key.key() == Qt::Key_Tab || key.key() == Qt::Key_Backtab) {
        // From the mat to the panels, too.
        isTab_ = true;
        QTimer::singleShot(0, this, [this] { isTab_ = false; });
      }
      return isSeenTo(&widget) && pressKey(widget, key);
    }
    case QEvent::FocusIn: {
      // The toolkit passes the keys on to the next field where what had them is hidden: nobody asked for that.
      const Qt::FocusReason why = static_cast<QFocusEvent*>(event)->reason();
      const bool isPassedOn = (why == Qt::TabFocusReason || why == Qt::BacktabFocusReason) && !isTab_;
      // Not when it only has them back from another window or a list.
      if (auto* field = fieldOf(watched);
          field && isSeenTo(field) && why != Qt::ActiveWindowFocusReason && why != Qt::PopupFocusReason)
        untouched_ = field;
      if (isPassedOn && isSeenTo(&widget) && widget.window() == &window_)
        QTimer::singleShot(0, this, [this] { goHome(); });
      return false;
    }
    case QEvent::MouseButtonPress:
      if (const auto& press = *static_cast<QMouseEvent*>(event);
          isPopUp(widget) && !widget.rect().contains(press.pos())) {
        passBeside(widget, press);
        return true;
      }
      if (isSeenTo(&widget)) pressMouse(widget);
      return false;
    case QEvent::MouseButtonRelease:
      if (isSeenTo(&widget)) releaseMouse(widget);
      return false;
    case QEvent::Hide:
      // A drop-down's list, or a pop-up, was shut, whichever way.
      if (widget.isWindow() && widget.windowType() == Qt::Popup && !qobject_cast<QMenu*>(&widget)) {
        const bool isDropDown = widget.inherits("QComboBoxPrivateContainer");
        if ((isDropDown && isSeenTo(widget.parentWidget())) || isSeenTo(&widget))
          QTimer::singleShot(0, this, [this] {
            const QWidget* has = QApplication::focusWidget();
            if (!has || isSeenTo(has)) goHome();  // or else something new was begun by it
          });
      }
      return false;
    default:
      return false;
  }
}

}  // namespace widecut
