// What wears an amber corner needs a look.
#pragma once

#include <QIcon>
#include <QPainter>

#include "app/look/theme.h"

namespace widecut {

/// The upper right corner of a picture in amber, as frames on the mat wear it.
inline void wearAmberCorner(QPixmap& picture) {
  if (picture.isNull()) return;
  const QSizeF size = picture.deviceIndependentSize();
  const double side = std::min(size.width(), std::max(9.0, size.height() / 2));
  QPainter painter(&picture);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setPen(QPen(QColor(0x23, 0x30, 0x2E), 1));
  painter.setBrush(theme::amber);
  painter.drawPolygon(QPolygonF({{size.width() - side, 0}, {size.width(), 0}, {size.width(), side}}));
}

/// The corner alone.
inline QIcon amberCornerIcon() {
  QPixmap picture(12, 12);
  picture.fill(Qt::transparent);
  wearAmberCorner(picture);
  return QIcon(picture);
}

}  // namespace widecut
