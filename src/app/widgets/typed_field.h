// A field for a text that is read when it is let go: a name, a list of lengths.
#pragma once

#include <QLineEdit>
#include <functional>

namespace widecut {

/// What is typed is taken at Enter and when the field is left, and not at Escape. What cannot be read stays, in red.
class TypedField : public QLineEdit {
  Q_OBJECT
 public:
  /// Takes a text; says why it cannot, or nothing.
  using Take = std::function<QString(const QString& text)>;
  TypedField(const QString& objectName, const QString& accessibleName, Take take, QWidget* parent);
  /// Shows a text. What is being typed stays, and what cannot be read, until another text comes.
  void show(const QString& text);
  /// Lets go of what is being typed, as Enter does.
  void settleTyping();

 protected:
  void keyPressEvent(QKeyEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;

 private:
  Take take_;
  QString shown_;
  bool typing_ = false;
};

}  // namespace widecut
