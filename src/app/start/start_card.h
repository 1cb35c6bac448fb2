// Cards of the start view.
#pragma once

#include <QAbstractButton>
#include <QImage>

#include "project/formats.h"

namespace widecut {

/// A sheet, or sheets, on the mat with words below; lit when it is pointed at or has the focus.
class StartCard : public QAbstractButton {
  Q_OBJECT
 public:
  /// `picture` is what the words stand below, in logical pixels.
  StartCard(const QString& name, const QString& note, QSize picture, QWidget* parent);
  QSize sizeHint() const override;

 signals:
  /// It is to be in sight.
  void focused();

 protected:
  /// Paints the picture into an area of that size.
  virtual void paintPicture(QPainter& painter, const QRectF& area) const = 0;
  void paintEvent(QPaintEvent* event) override;
  void focusInEvent(QFocusEvent* event) override;

 private:
  QString note_;
  QSize picture_;
};

/// A format drawn to scale: its paper, folds and margins.
class FormatCard : public StartCard {
  Q_OBJECT
 public:
  /// `scale` is pixels per unit of the format.
  FormatCard(const Format& format, double scale, QWidget* parent);

 protected:
  void paintPicture(QPainter& painter, const QRectF& area) const override;

 private:
  const Format& format_;
  double scale_;
};

/// A project file by its picture.
class FileCard : public StartCard {
  Q_OBJECT
 public:
  FileCard(const QString& name, const QString& note, const QImage& picture, QWidget* parent);

 protected:
  void paintPicture(QPainter& painter, const QRectF& area) const override;

 private:
  QImage image_;
};

}  // namespace widecut
