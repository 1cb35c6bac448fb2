#include "app/mat/pointer_label.h"

#include <QPainter>

#include "app/look/theme.h"
#include "app/mat/mat.h"

namespace widecut {

namespace {

void paintLabel(QPainter& painter, const Mat& mat, QPointF topLeft, const QString& text, const QColor& ground,
                const QColor& ink) {
  QRectF label = painter.fontMetrics().boundingRect(text);
  label.setSize(label.size() + QSizeF(14, 6));
  label.moveTopLeft(topLeft);
  label.moveRight(std::min(label.right(), mat.width() - 6.0));
  label.moveBottom(std::min(label.bottom(), mat.height() - 6.0));
  label.moveTop(std::max(label.top(), rulerSize + 6.0));
  painter.setPen(Qt::NoPen);
  painter.setBrush(ground);
  painter.drawRoundedRect(label, 3, 3);
  painter.setPen(ink);
  painter.drawText(label, Qt::AlignCenter, text);
}

}  // namespace

void paintPointerLabel(QPainter& painter, const Mat& mat, QPointF at, const QString& text) {
  painter.setFont(theme::font(12));
  paintLabel(painter, mat, at + QPointF(14, 14), text, theme::ink, theme::card);
}

void paintReasonLabel(QPainter& painter, const Mat& mat, QPointF at, const QString& text) {
  painter.setFont(theme::font(12));
  paintLabel(painter, mat, at + QPointF(14, -38), text, theme::amber, QColor(0x23, 0x30, 0x2E));
}

}  // namespace widecut
