#include "app/widgets/cards.h"

#include <QApplication>
#include <QMouseEvent>
#include <QPainter>
#include <utility>

#include "app/look/theme.h"

namespace widecut {
namespace {

constexpr QSize chipPicture{36, 26};
constexpr int mostChipText = 84;

}  // namespace

QImage centredPicture(const QImage& picture, QSize card, double ratio) {
  QImage out(card * ratio, QImage::Format_ARGB32_Premultiplied);
  out.fill(Qt::transparent);
  if (!picture.isNull()) {
    QRect area(QPoint(), picture.size().scaled(out.size(), Qt::KeepAspectRatio));
    area.moveCenter(out.rect().center());
    QPainter painter(&out);
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    painter.drawImage(area, picture);
  }
  out.setDevicePixelRatio(ratio);
  return out;
}

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
  painter.setBrush(theme::field);
  painter.drawRoundedRect(frame, 3, 3);
  painter.setPen(Qt::NoPen);
  painter.setBrush(edge_);
  painter.drawRect(QRectF(frame.left(), frame.top(), frame.width(), 3));
  const double plain = isEnabled() ? 1 : 0.4;
  painter.setOpacity(eyeShut_ ? 0.3 : plain);
  painter.drawImage(QPointF(8, 8), picture_);
  painter.setOpacity(plain);

  if (!note_.isEmpty()) {
    painter.setPen(theme::slate);
    painter.drawText(QRectF(8, 8, width() - 16, height() - 40), Qt::AlignCenter | Qt::TextWordWrap, note_);
  }
  int left = 8, right = width() - 8;
  const int base = height() - 10;
  if (!key_.isEmpty()) {
    painter.setFont(theme::font(11));
    const int w = painter.fontMetrics().horizontalAdvance(key_) + 10;
    const QRectF box(right - w + 3, 7, w, 18);  // in the corner of the picture
    painter.setPen(theme::rule);
    painter.setBrush(theme::card);
    painter.drawRoundedRect(box, 3, 3);
    painter.setPen(theme::slate);
    painter.drawText(box, Qt::AlignCenter, key_);
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
  // A caption of several words is set a little smaller, so that it fits.
  painter.setFont(theme::font(text().size() > 18 ? 12 : 13));
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

void Card::mousePressEvent(QMouseEvent* event) {
  pressed_ = event->position().toPoint();
  dragging_ = false;
  QAbstractButton::mousePressEvent(event);
}

void Card::mouseMoveEvent(QMouseEvent* event) {
  const bool far = (event->position().toPoint() - pressed_).manhattanLength() >= QApplication::startDragDistance();
  if (draggable_ && (event->buttons() & Qt::LeftButton) && far) dragging_ = true;
  if (!dragging_) {
    QAbstractButton::mouseMoveEvent(event);
    return;
  }
  setDown(false);
  emit dragged(event->globalPosition().toPoint(), event->modifiers());
}

void Card::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter)
    click();
  else
    QAbstractButton::keyPressEvent(event);
}

void Card::mouseReleaseEvent(QMouseEvent* event) {
  if (std::exchange(dragging_, false)) {
    emit dragEnded(event->modifiers());
    return;
  }
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

PictureChip::PictureChip(const QString& name, std::function<QImage(QSize size)> picture, QWidget* parent)
    : QAbstractButton(parent), make_(std::move(picture)) {
  setText(name);
  setToolTip(name);
  setCheckable(true);
  setFocusPolicy(Qt::TabFocus);
  setCursor(Qt::PointingHandCursor);
  setFont(theme::font(12));
  setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Fixed);
}

QSize PictureChip::sizeHint() const {
  const int room = make_ ? chipPicture.width() + 8 : 0;
  return {room + 14 + std::min(fontMetrics().horizontalAdvance(text()), mostChipText), chipPicture.height() + 6};
}

void PictureChip::paintEvent(QPaintEvent*) {
  if (make_ && picture_.isNull()) picture_ = make_(chipPicture);
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const bool lit = underMouse() || hasFocus();
  painter.setPen(QPen(isChecked() ? theme::plum : lit ? theme::slate : theme::rule, isChecked() ? 2 : 1));
  painter.setBrush(isChecked() ? theme::plumTint : theme::field);
  painter.drawRoundedRect(QRectF(rect()).adjusted(1, 1, -1, -1), 3, 3);
  int left = 7;
  if (make_) {
    painter.drawImage(QPointF(4, 3), picture_);
    left = chipPicture.width() + 10;
  }
  painter.setPen(theme::ink);
  const QRect room(left, 0, width() - left - 5, height());
  painter.drawText(room, Qt::AlignVCenter, fontMetrics().elidedText(text(), Qt::ElideRight, room.width()));
}

}  // namespace widecut
