// Cards, chips and sign buttons of the bench.
#pragma once

#include <QAbstractButton>
#include <QImage>

namespace widecut {

/// A picture with a name under a coloured edge; says when the pointer comes and goes.
class Card : public QAbstractButton {
  Q_OBJECT
 public:
  Card(const QString& name, const QString& key, const QColor& edge, const QImage& picture, QWidget* parent);
  /// The sign before the name, as in “− Subtract disc”.
  void setSign(const QString& sign) { sign_ = sign; }
  /// A remark in place of a picture that is empty.
  void setNote(const QString& note) { note_ = note; }
  /// Adds a small eye; `shut` when the part is left out.
  void setEye(bool shut);
  void setMarked(bool marked) { marked_ = marked; }
  QSize sizeHint() const override;

 signals:
  void entered();
  void left();
  void eyeClicked();

 protected:
  void paintEvent(QPaintEvent* event) override;
  void enterEvent(QEnterEvent* event) override;
  void leaveEvent(QEvent* event) override;
  void focusInEvent(QFocusEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;

 private:
  QRect eyeArea() const;
  QString key_, sign_, note_;
  QColor edge_;
  QImage picture_;
  bool hot_ = false;
  bool marked_ = false;
  bool hasEye_ = false;
  bool eyeShut_ = false;
};

/// A round sign between two parts.
class SignButton : public QAbstractButton {
  Q_OBJECT
 public:
  SignButton(const QString& sign, const QColor& colour, QWidget* parent);
  QSize sizeHint() const override { return {32, 32}; }

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  QColor colour_;
};

}  // namespace widecut
