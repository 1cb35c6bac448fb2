#include "app/widgets/tone_slider.h"

#include <QKeyEvent>
#include <QPainter>
#include <algorithm>

#include "app/look/theme.h"
#include "painting/raster.h"

namespace widecut {
namespace {

constexpr int inset = 5;

}  // namespace

ToneSlider::ToneSlider(const QString& name, QWidget* parent) : QWidget(parent) {
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(name);
  setObjectName("tone slider " + name);
  setFixedHeight(sizeHint().height());
}

void ToneSlider::show(double value, ToneAt tones) {
  value_ = std::clamp(value, 0.0, 1.0);
  tones_ = std::move(tones);
  update();
}

void ToneSlider::setTo(double value) {
  value_ = std::clamp(value, 0.0, 1.0);
  update();
  emit moved();
}

void ToneSlider::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  const QRect strip(inset, 4, width() - 2 * inset, height() - 8);
  painter.fillRect(strip, Qt::white);
  painter.fillRect(strip, QBrush(QColor(0xB9, 0xB4, 0xA6), Qt::BDiagPattern));
  for (int x = 0; tones_ && x < strip.width(); ++x)
    if (const auto tone = tones_((x + 0.5) / strip.width()))
      painter.fillRect(strip.left() + x, strip.top(), 1, strip.height(), painterColour(*tone));
  painter.setPen(theme::rule);
  painter.drawRect(strip.adjusted(0, 0, -1, -1));
  painter.setRenderHint(QPainter::Antialiasing);
  const double x = inset + value_ * strip.width();
  painter.setPen(QPen(hasFocus() ? theme::plum : theme::ink, 1.5));
  painter.setBrush(Qt::white);
  painter.drawRoundedRect(QRectF(x - 3, 1.5, 6, height() - 3), 2, 2);
}

void ToneSlider::mousePressEvent(QMouseEvent* event) { setTo((event->position().x() - inset) / (width() - 2 * inset)); }

void ToneSlider::mouseMoveEvent(QMouseEvent* event) {
  if (event->buttons() & Qt::LeftButton) setTo((event->position().x() - inset) / (width() - 2 * inset));
}

void ToneSlider::keyPressEvent(QKeyEvent* event) {
  const double step = event->modifiers() & Qt::ShiftModifier ? 0.1 : 0.01;
  if (event->key() == Qt::Key_Left || event->key() == Qt::Key_Down)
    setTo(value_ - step);
  else if (event->key() == Qt::Key_Right || event->key() == Qt::Key_Up)
    setTo(value_ + step);
  else
    QWidget::keyPressEvent(event);
}

void ToneSlider::wheelEvent(QWheelEvent* event) { setTo(value_ + (event->angleDelta().y() > 0 ? 0.01 : -0.01)); }

}  // namespace widecut
