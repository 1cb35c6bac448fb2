#include "app/widgets/cards.h"

#include <QMouseEvent>
#include <QPainter>

#include "app/look/theme.h"

namespace widecut {

Card::Card(const QString& name, const QString& key, const QColor& edge, const QImage& picture, QWidget* parent)
    : QAbstractButton(parent), key_(key), edge_(edge), picture_(picture) {
  setText(name);
  setAccessibleName(name);
  setFocusPolicy(Qt::TabFocus);
  setCursor(Qt::PointingHandCursor);
  setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Fixed);
}

void Card::setEye(bool shut) {
  hasEye_ = true;
  eyeShut_ = shut;
}

QSize Card::sizeHint() const {
  const int w = static_cast<int>(picture_.width() / picture_.devicePixelRatio()) + 16;
  const int h = static_cast<int>(picture_.height() / picture_.devicePixelRatio()) + 36;
  return {w, h};
}

QRect Card::eyeArea() const { return {width() - 24, height() - 24, 20, 20}; }

void Card::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const QRectF frame = QRectF(rect()).adjusted(1, 1, -1, -1);
  const bool lit = hot_ || hasFocus() || marked_;
  painter.setPen(QPen(marked_ ? theme::plum : lit ? edge_ : theme::rule, lit ? 2 : 1));
  painter.setBrush(Qt::white);
  painter.drawRoundedRect(frame, 3, 3);
  painter.setPen(Qt::NoPen);
  painter.setBrush(edge_);
  painter.drawRect(QRectF(frame.left(), frame.top(), frame.width(), 3));
  painter.setOpacity(eyeShut_ ? 0.3 : 1);
  painter.drawImage(QPointF(8, 8), picture_);
  painter.setOpacity(1);

  if (!note_.isEmpty()) {
    painter.setPen(theme::slate);
    painter.drawText(QRectF(8, 8, width() - 16, height() - 40), Qt::AlignCenter | Qt::TextWordWrap, note_);
  }
  int left = 8, right = width() - 8;
  const int base = height() - 10;
  if (!key_.isEmpty()) {
    painter.setFont(theme::font(11));
    const int w = painter.fontMetrics().horizontalAdvance(key_) + 10;
    const QRectF box(right - w, height() - 25, w, 18);
    painter.setPen(theme::rule);
    painter.setBrush(theme::card);
    painter.drawRoundedRect(box, 3, 3);
    painter.setPen(theme::slate);
    painter.drawText(box, Qt::AlignCenter, key_);
    right -= w + 6;
  }
  if (hasEye_) {
    theme::icon(eyeShut_ ? "eye-shut" : "eye").paint(&painter, eyeArea().adjusted(2, 2, -2, -2));
    right = eyeArea().left() - 2;
  }
  if (!sign_.isEmpty()) {
    painter.setFont(theme::font(15, QFont::Bold));
    painter.setPen(edge_);
    painter.drawText(left, base, sign_);
    left += painter.fontMetrics().horizontalAdvance(sign_) + 5;
  }
  painter.setFont(theme::font(13));
  painter.setPen(theme::ink);
  painter.drawText(left, base, painter.fontMetrics().elidedText(text(), Qt::ElideRight, right - left));
}

void Card::enterEvent(QEnterEvent*) {
  hot_ = true;
  update();
  emit entered();
}
void Card::leaveEvent(QEvent*) {
  hot_ = false;
  update();
  emit left();
}
void Card::focusInEvent(QFocusEvent* event) {
  QAbstractButton::focusInEvent(event);
  emit entered();
}
void Card::focusOutEvent(QFocusEvent* event) {
  QAbstractButton::focusOutEvent(event);
  emit left();
}

void Card::mouseReleaseEvent(QMouseEvent* event) {
  if (hasEye_ && event->button() == Qt::LeftButton && eyeArea().contains(event->position().toPoint())) {
    setDown(false);
    emit eyeClicked();
    return;
  }
  QAbstractButton::mouseReleaseEvent(event);
}

SignButton::SignButton(const QString& sign, const QColor& colour, QWidget* parent)
    : QAbstractButton(parent), colour_(colour) {
  setText(sign);
  setFocusPolicy(Qt::TabFocus);
  setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Fixed);
  setCursor(isEnabled() ? Qt::PointingHandCursor : Qt::ArrowCursor);
}

void SignButton::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const bool lit = underMouse() && isEnabled();
  painter.setPen(hasFocus() || lit ? QPen(theme::ink, 2) : QPen(Qt::NoPen));
  painter.setBrush(colour_);
  painter.drawEllipse(QRectF(rect()).adjusted(2, 2, -2, -2));
  painter.setPen(Qt::white);
  painter.setFont(theme::font(18, QFont::Bold));
  painter.drawText(QRectF(rect()).adjusted(0, -1, 0, -1), Qt::AlignCenter, text());
}

}  // namespace widecut
