#include "app/mat/dropper.h"

#include <QKeyEvent>
#include <QPainter>

#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "painting/colour_pick.h"
#include "painting/raster.h"

namespace widecut {

Dropper::Dropper(Mat& mat, Desk& desk, std::function<void(Colour)> take)
    : QWidget(&mat), mat_(mat), desk_(desk), take_(std::move(take)) {
  setAttribute(Qt::WA_DeleteOnClose);
  setObjectName("dropper");
  setAccessibleName(tr("Pick a colour"));
  setFocusPolicy(Qt::StrongFocus);
  setMouseTracking(true);
  setCursor(Qt::CrossCursor);
  setGeometry(mat.rect());
  show();
  setFocus();
  emit desk.told(tr("Click what has the colour · Esc leaves it as it is"));
}

Colour Dropper::colourAt(QPointF onMat) const {
  return colourOn(sceneOf(*desk_.sheet()), desk_.photos(), mat_.toSheet(onMat), 1 / mat_.zoom());
}

void Dropper::paintEvent(QPaintEvent*) {
  if (!at_) return;
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const Colour colour = colourAt(*at_);
  QRectF tag(*at_ + QPointF(14, 14), QSizeF(96, 30));
  if (tag.right() > width()) tag.moveRight(at_->x() - 14);
  if (tag.bottom() > height()) tag.moveBottom(at_->y() - 14);
  painter.setPen(theme::rule);
  painter.setBrush(theme::card);
  painter.drawRoundedRect(tag, 3, 3);
  painter.setBrush(painterColour(colour));
  painter.drawRect(QRectF(tag.topLeft() + QPointF(5, 5), QSizeF(20, 20)));
  painter.setPen(theme::ink);
  painter.drawText(tag.adjusted(31, 0, 0, 0), Qt::AlignVCenter, QString::fromStdString(colourText(colour)));
}

void Dropper::mouseMoveEvent(QMouseEvent* event) {
  at_ = event->position();
  update();
}

void Dropper::mousePressEvent(QMouseEvent* event) {
  if (event->button() == Qt::LeftButton) {
    const Colour colour = colourAt(event->position());
    const auto take = std::exchange(take_, nullptr);
    if (take) take(colour);
  }
  leave();
}

void Dropper::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Escape) leave();
}

void Dropper::focusOutEvent(QFocusEvent*) { leave(); }

void Dropper::leave() {
  if (!isVisible()) return;
  hide();
  mat_.setFocus();
  emit desk_.told({});  // what a click does now is something else
  close();
}

}  // namespace widecut
