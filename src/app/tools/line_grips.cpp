#include "app/tools/line_grips.h"

#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/mat/pointer_label.h"
#include "app/tools/line_tool.h"
#include "project/edits/lines.h"

namespace widecut {

std::optional<std::pair<Point, Point>> LineGrips::ends() const {
  const ItemPtr item = desk_.onlyItem();
  const auto inParent = item && !item->locked ? endsOf(*item) : std::nullopt;
  if (!inParent) return std::nullopt;
  const Affine parent = parentToSheet(desk_.project(), item->id);
  return std::pair{parent(inParent->first), parent(inParent->second)};
}

std::optional<int> LineGrips::endAt(const Pointer& pointer) const {
  const auto now = ends();
  if (!now) return std::nullopt;
  for (const int end : {1, 0}) {
    const QPointF off = mat_.toMat(end == 0 ? now->first : now->second) - pointer.onMat;
    if (std::hypot(off.x(), off.y()) <= reach) return end;
  }
  return std::nullopt;
}

bool LineGrips::hover(const Pointer& pointer) {
  hot_ = endAt(pointer);
  return hot_.has_value();
}

bool LineGrips::press(const Pointer& pointer) {
  held_ = hot_ = endAt(pointer);
  if (held_) {
    before_ = *ends();
    snapper_.begin(desk_.selection());
  }
  return isHeld();
}

void LineGrips::drag(const Pointer& moved) {
  if (!held_ || !desk_.onlyItem()) return;
  const Point far = *held_ == 0 ? before_.second : before_.first, middle = mix(before_.first, before_.second, 0.5);
  const Pointer pointer = snapper_.resting(moved, far);
  const bool both = pointer.keys & Qt::AltModifier;
  const Point about = both ? middle : far;
  Point way = pointer.onSheet - about;
  if (pointer.keys & Qt::ShiftModifier) way = atEighths(way);
  const Point end = about + way, other = both ? about - way : far;
  trial_.show(withEnds(desk_.settled(), desk_.onlyItem()->id, *held_ == 0 ? end : other, *held_ == 0 ? other : end));
}

void LineGrips::release() {
  trial_.settle(Mat::tr("Move the end"));
  letGo();
}

void LineGrips::letGo() {
  held_.reset();
  snapper_.end();
}

void LineGrips::paint(QPainter& painter) const {
  const auto now = ends();
  if (!now) return;
  for (const int end : {0, 1}) {
    const bool lit = held_ ? *held_ == end : hot_ == end;
    painter.setPen(QPen(theme::plum, lit ? 2.4 : 1.6));
    painter.setBrush(Qt::white);
    painter.drawEllipse(mat_.toMat(end == 0 ? now->first : now->second), lit ? 6 : 4.5, lit ? 6 : 4.5);
  }
  if (!held_) return;
  snapper_.paint(painter);
  const Point way = now->second - now->first;
  paintPointerLabel(painter, mat_, mat_.toMat(*held_ == 0 ? now->first : now->second), textOfWay(desk_, way));
}

QString LineGrips::hint() const {
  return Mat::tr("Drag the end · M held moves the other end too · Shift keeps to steps of 45° · Esc puts it back");
}

}  // namespace widecut
