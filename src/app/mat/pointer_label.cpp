#include "app/mat/pointer_label.h"

#include <QPainter>

#include "app/look/theme.h"
#include "app/mat/mat.h"

namespace widecut {

void paintPointerLabel(QPainter& painter, const Mat& mat, QPointF at, const QString& text) {
  painter.setFont(theme::font(12));
  QRectF label = painter.fontMetrics().boundingRect(text);
  label.setSize(label.size() + QSizeF(14, 6));
  label.moveTopLeft(at + QPointF(14, 14));
  label.moveRight(std::min(label.right(), mat.width() - 6.0));
  label.moveBottom(std::min(label.bottom(), mat.height() - 6.0));
  painter.setPen(Qt::NoPen);
  painter.setBrush(theme::ink);
  painter.drawRoundedRect(label, 3, 3);
  painter.setPen(theme::card);
  painter.drawText(label, Qt::AlignCenter, text);
}

}  // namespace widecut
