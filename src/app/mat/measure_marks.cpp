#include "app/mat/measure_marks.h"

#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/tools/line_tool.h"
#include "project/edits/lines.h"
#include "project/forms/form.h"

namespace widecut {
namespace {

constexpr double tick = 6;  // pixels to each side

void paintMark(QPainter& painter, const Mat& mat, const Desk& desk, Point from, Point to) {
  const QPointF a = mat.toMat(from), b = mat.toMat(to), way = b - a;
  const double size = std::hypot(way.x(), way.y());
  const QPointF aside = size > 0 ? QPointF(-way.y(), way.x()) * (tick / size) : QPointF(0, tick);
  const auto stroke = [&](const QPen& pen) {
    painter.setPen(pen);
    painter.drawLine(a, b);
    for (const QPointF end : {a, b}) painter.drawLine(end - aside, end + aside);
  };
  // Light below dark, so that it is seen on paper and photos alike.
  stroke(QPen(QColor(255, 255, 255, 200), 3.4));
  stroke(QPen(theme::blue, 1.4));
  const QString text = textOfWay(desk, to - from);
  QRectF label = painter.fontMetrics().boundingRect(text);
  label.setSize(label.size() + QSizeF(12, 4));
  if (size < label.width() + 10)
    label.moveTopLeft(b + QPointF(8, 8));
  else
    label.moveCenter((a + b) / 2);
  painter.setPen(Qt::NoPen);
  painter.setBrush(theme::blue);
  painter.drawRoundedRect(label, 3, 3);
  painter.setPen(Qt::white);
  painter.drawText(label, Qt::AlignCenter, text);
}

void paintMarks(QPainter& painter, const Mat& mat, const Desk& desk, const ItemList& items, const Affine& parent) {
  for (const ItemPtr& item : items) {
    if (item->hidden) continue;
    if (const auto ends = item->measures ? endsOf(*item) : std::nullopt)
      paintMark(painter, mat, desk, parent(ends->first), parent(ends->second));
    else if (showsChildren(item->form))
      paintMarks(painter, mat, desk, childrenOf(*item), parent * item->toParent());
  }
}

}  // namespace

void paintMeasureMarks(QPainter& painter, const Mat& mat, const Desk& desk) {
  painter.save();
  painter.setFont(theme::font(11));
  paintMarks(painter, mat, desk, desk.sheet()->items, {});
  painter.restore();
}

}  // namespace widecut
