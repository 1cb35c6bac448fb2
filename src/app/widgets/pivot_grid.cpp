#include "app/widgets/pivot_grid.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "app/look/theme.h"

namespace widecut {
namespace {

constexpr int side = 44;
constexpr double inset = 7;

}  // namespace

PivotGrid::PivotGrid(QWidget* parent) : QWidget(parent) {
  setObjectName("pivotGrid");
  setAccessibleName(tr("Pivot: the place of the box that sizes, turns and flips keep"));
  setToolTip(
      tr("What stays where it is when the selection is sized, turned, sheared or flipped. The ring on the mat can be "
         "dragged anywhere."));
  setFixedSize(side, side);
  setFocusPolicy(Qt::TabFocus);
  setCursor(Qt::PointingHandCursor);
}

void PivotGrid::show(const Pivot& pivot) {
  if (pivot_ == pivot) return;
  pivot_ = pivot;
  update();
}

QPointF PivotGrid::pointOf(PivotPlace place) const {
  const double half = side / 2.0 - inset;
  return {side / 2.0 + place.across * half, side / 2.0 + place.down * half};
}

void PivotGrid::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setPen(QPen(hasFocus() ? theme::plum : theme::rule, hasFocus() ? 2 : 1));
  painter.drawRect(QRectF(pointOf({-1, -1}), pointOf({1, 1})));
  for (int down = -1; down <= 1; ++down)
    for (int across = -1; across <= 1; ++across) {
      const bool isChosen = pivot_.place == PivotPlace{across, down};
      const bool isUsual = !pivot_.isSet() && across == 0 && down == 0;  // where things turn about
      painter.setPen(QPen(isChosen || isUsual ? theme::plum : theme::slate, isUsual ? 2 : 1.3));
      painter.setBrush(isChosen ? theme::plum : theme::field);
      painter.drawEllipse(pointOf({across, down}), isChosen ? 4.5 : 3, isChosen ? 4.5 : 3);
    }
}

void PivotGrid::mousePressEvent(QMouseEvent* event) {
  const auto third = [](double v) { return v < side / 3.0 ? -1 : v < side * 2 / 3.0 ? 0 : 1; };
  const PivotPlace place{third(event->position().x()), third(event->position().y())};
  emit chosen(pivot_.place == place ? std::nullopt : std::optional(place));
}

void PivotGrid::keyPressEvent(QKeyEvent* event) {
  PivotPlace place = pivot_.place.value_or(PivotPlace{});
  switch (event->key()) {
    case Qt::Key_Left:
      place.across = std::max(-1, place.across - 1);
      break;
    case Qt::Key_Right:
      place.across = std::min(1, place.across + 1);
      break;
    case Qt::Key_Up:
      place.down = std::max(-1, place.down - 1);
      break;
    case Qt::Key_Down:
      place.down = std::min(1, place.down + 1);
      break;
    default:
      QWidget::keyPressEvent(event);
      return;
  }
  emit chosen(place);
}

}  // namespace widecut
