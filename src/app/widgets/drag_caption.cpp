#include "app/widgets/drag_caption.h"

#include <QApplication>
#include <QMouseEvent>

#include "app/look/theme.h"
#include "app/widgets/measure_field.h"

namespace widecut {

DragCaption::DragCaption(const QString& text, MeasureField* across, MeasureField* down, QWidget* parent)
    : QLabel(text, parent), across_(across), down_(down) {
  theme::makeSecondary(*this);
  setCursor(down ? Qt::SizeAllCursor : Qt::SizeHorCursor);
  setToolTip(down ? tr("Drag across for %1, up and down for %2").arg(across->accessibleName(), down->accessibleName())
                  : tr("Drag across for %1").arg(across->accessibleName()));
}

void DragCaption::mousePressEvent(QMouseEvent* event) {
  if (event->button() == Qt::LeftButton) from_ = event->position();
}

void DragCaption::mouseMoveEvent(QMouseEvent* event) {
  if (!from_) return;
  const QPointF way = event->position() - *from_;
  if (!field_ && way.manhattanLength() < QApplication::startDragDistance() / 2.0) return;
  if (!field_) {
    field_ = down_ && std::abs(way.y()) > std::abs(way.x()) ? down_ : across_;
    if (!field_->beginDrag()) field_ = nullptr;
  }
  if (field_) field_->dragBy(field_ == down_ ? way.y() : way.x());
}

void DragCaption::mouseReleaseEvent(QMouseEvent*) {
  if (field_) field_->endDrag();
  field_ = nullptr;
  from_.reset();
}

}  // namespace widecut
