#include "app/tools/axis_line.h"

#include "app/desk/reshape.h"
#include "app/look/theme.h"

namespace widecut {
namespace {

constexpr double beyond = 34;  // pixels past the item
constexpr double reach = 7;

double away(QPointF a, QPointF b) { return std::hypot(a.x() - b.x(), a.y() - b.y()); }

}  // namespace

std::optional<AxisLine> AxisLine::of(const Mat& mat, const Project& project, const Item& item) {
  const auto axis = axisOf(item);
  if (!axis) return std::nullopt;
  const Affine frame = frameToSheet(project, item.id);
  const Box box = boundsOf(*nodesOf(item));
  const Point way = unit(axis->along);
  double low = 0, high = 0;
  for (int i = 0; i < 4; ++i) {
    const double along = dot(box.corner(i) - axis->through, way);
    low = std::min(low, along);
    high = std::max(high, along);
  }
  const double more = beyond / mat.zoom();
  // The knob is at the upper end, as the sheet has it.
  Point from = axis->through + way * (low - more), to = axis->through + way * (high + more);
  if (frame(from).y > frame(to).y) std::swap(from, to);
  return AxisLine{mat.toMat(frame(from)), mat.toMat(frame(to))};
}

bool AxisLine::isOnKnob(QPointF p) const { return away(p, from) <= reach + 2; }

bool AxisLine::isOnLine(QPointF p) const {
  const Point a{from.x(), from.y()}, b{to.x(), to.y()}, q{p.x(), p.y()};
  const double share = dot(q - a, b - a) / std::max(1.0, dot(b - a, b - a));
  return share >= 0 && share <= 1 && distance(q, mix(a, b, share)) <= reach / 2;
}

void AxisLine::paint(QPainter& painter, bool lit, bool knobLit) const {
  painter.setPen(QPen(theme::onMat, lit ? 4 : 3));
  painter.drawLine(from, to);
  painter.setPen(QPen(theme::plum, lit ? 2.2 : 1.4, Qt::DashDotLine));
  painter.drawLine(from, to);
  painter.setPen(QPen(theme::plum, 1.6));
  painter.setBrush(knobLit ? theme::plum : QColor(Qt::white));
  painter.drawEllipse(from, 5.5, 5.5);
}

std::optional<AxisHit> axisAt(const Mat& mat, const Project& project, const std::vector<ItemPtr>& items,
                              QPointF onMat) {
  for (const ItemPtr& item : items) {
    const auto line = AxisLine::of(mat, project, *item);
    if (line && line->isOnKnob(onMat)) return AxisHit{item->id, true};
    if (line && line->isOnLine(onMat)) return AxisHit{item->id, false};
  }
  return std::nullopt;
}

MirrorAxis movedAxis(const Desk& desk, const Mat& mat, const Item& item, const MirrorAxis& axis, Point by) {
  const Affine frame = frameToSheet(desk.settled(), item.id);
  const Point inFrame = frame.inverse().value_or(Affine{}).vector(by);
  MirrorAxis out = axis;
  out.through = axis.through + axis.across * axis.sideOf(axis.through + inFrame);
  constexpr double snap = 6;  // pixels
  const Point middle = boundsOf(*nodesOf(item)).centre();
  if (distance(out.onto(middle), middle) * mat.zoom() <= snap) out.through = middle;
  return out;
}

MirrorAxis turnedAxis(const Desk& desk, const Mat& mat, const Item& item, const MirrorAxis& axis,
                      const Pointer& pointer) {
  const Affine frame = frameToSheet(desk.settled(), item.id);
  const Point way = pointer.onSheet - frame(axis.through);
  if (length(way) * mat.zoom() < reach) return axis;
  double angle = std::atan2(way.x, -way.y);  // 0 is up
  if (pointer.keys & Qt::ShiftModifier) angle = radians(std::round(degrees(angle) / 15) * 15);
  MirrorAxis out = axisFor(desk, item, angle);
  out.through = axis.through;
  return out;
}

}  // namespace widecut
