#include "app/widgets/typed_field.h"

#include <QKeyEvent>

#include "app/widgets/field_problem.h"

namespace widecut {

TypedField::TypedField(const QString& objectName, const QString& accessibleName, Take take, QWidget* parent)
    : QLineEdit(parent), take_(std::move(take)) {
  setObjectName(objectName);
  setAccessibleName(accessibleName);
  connect(this, &QLineEdit::textEdited, this, [this] {
    typing_ = true;
    setProblem(*this, {});
  });
}

void TypedField::show(const QString& text) {
  if (typing_ || (property("wrong").toBool() && text == shown_)) return;
  shown_ = text;
  setProblem(*this, {});
  if (this->text() != text) setText(text);
  if (!hasFocus()) setCursorPosition(0);
}

void TypedField::settleTyping() {
  if (!std::exchange(typing_, false)) return;
  const QString typed = text();
  setProblem(*this, take_(typed));
}

void TypedField::keyPressEvent(QKeyEvent* event) {
  switch (event->key()) {
    case Qt::Key_Return:
    case Qt::Key_Enter:
      settleTyping();
      return;
    case Qt::Key_Escape:
      typing_ = false;
      setProblem(*this, {});
      setText(shown_);
      return;
    default:
      QLineEdit::keyPressEvent(event);
  }
}

void TypedField::focusOutEvent(QFocusEvent* event) {
  if (event->reason() != Qt::PopupFocusReason) settleTyping();
  QLineEdit::focusOutEvent(event);
}

}  // namespace widecut
