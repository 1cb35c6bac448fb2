// Cards, chips and sign buttons of the bench.
#pragma once

#include <QAbstractButton>
#include <QImage>
#include <functional>

namespace widecut {

/// A picture, as large as it goes in the middle of a card's picture of that size; nothing but the card for an empty
/// one.
QImage centredPicture(const QImage& picture, QSize card, double ratio);

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
  /// It can be taken away by a drag.
  void setDraggable() { draggable_ = true; }
  QSize sizeHint() const override;

 signals:
  void entered();
  void left();
  void eyeClicked();
  /// A drag goes on at this place of the screen, or ends; then it was no click.
  void dragged(QPoint onScreen, Qt::KeyboardModifiers keys);
  void dragEnded(Qt::KeyboardModifiers keys);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void enterEvent(QEnterEvent* event) override;
  void leaveEvent(QEvent* event) override;
  void focusInEvent(QFocusEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  QRect eyeArea() const;
  QString key_, sign_, note_;
  QColor edge_;
  QImage picture_;
  bool hot_ = false;
  bool marked_ = false;
  bool hasEye_ = false;
  bool eyeShut_ = false;
  bool draggable_ = false;
  bool dragging_ = false;
  QPoint pressed_;
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

/// A small picture with a name beside it, to be chosen among others. The picture is made when it is first seen.
class PictureChip : public QAbstractButton {
  Q_OBJECT
 public:
  PictureChip(const QString& name, std::function<QImage(QSize size)> picture, QWidget* parent);
  QSize sizeHint() const override;

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  std::function<QImage(QSize size)> make_;
  QImage picture_;
};

}  // namespace widecut
