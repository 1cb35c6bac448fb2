// What the node tool draws and says.
#include "app/look/theme.h"
#include "app/mat/pointer_label.h"
#include "app/tools/line_tool.h"
#include "app/tools/node_tool.h"

namespace widecut {

void NodeTool::paint(QPainter& painter) {
  const auto shown = items();
  for (const ItemPtr& item : shown)
    if (const auto line = AxisLine::of(mat_, desk_.project(), *item))
      line->paint(painter, axis_ && axis_->item == item->id, axis_ && axis_->item == item->id && axis_->turns);
  const auto& lit = doing_ == Doing::Nothing || doing_ == Doing::Pressed ? hot_ : held_;
  for (const ItemPtr& item : shown) paintNodes(painter, mat_, desk_.project(), *item, desk_.chosenNodes(), lit);
  if (doing_ == Doing::Nothing || doing_ == Doing::Cornering)
    paintCorners(painter, mat_, desk_.project(), cornered(), corner_);
  if (doing_ == Doing::Nothing && hot_ && hot_->what == NodeHit::What::Edge) {
    // The node that a click would add.
    const QPointF at = mat_.toMat(hot_->at);
    painter.setPen(QPen(theme::plum, 1.4, Qt::DashLine));
    painter.setBrush(QColor(255, 255, 255, 170));
    painter.drawEllipse(at, 6, 6);
    painter.setPen(QPen(theme::plum, 1.6));
    painter.drawLine(at - QPointF(3, 0), at + QPointF(3, 0));
    painter.drawLine(at - QPointF(0, 3), at + QPointF(0, 3));
  }
  if (const auto around = frame(); around && (doing_ == Doing::Nothing || doing_ == Doing::Gripping))
    paintGrips(painter, doing_ == Doing::Gripping ? *gripped_ : *around, mat_, grip_);
  if (end_) {
    painter.setPen(QPen(theme::amber, 2.4));
    painter.setBrush(Qt::NoBrush);
    painter.drawEllipse(mat_.toMat(end_->at), 9, 9);
  }
  if (doing_ == Doing::Marquee && now_.onMat != pressed_.onMat) {
    painter.setPen(QPen(theme::plum, 1, Qt::DashLine));
    painter.setBrush(QColor(0x6C, 0x3B, 0xAA, 28));
    painter.drawRect(QRectF(pressed_.onMat, now_.onMat));
  }
  snapper_.paint(painter);
  if (const QString label = labelNow(); !label.isEmpty()) paintPointerLabel(painter, mat_, now_.onMat, label);
}

QString NodeTool::labelNow() const {
  switch (doing_) {
    case Doing::MovingNodes:
      return end_ ? Mat::tr("joins the ends") : textOfWay(desk_, movedBy_);
    case Doing::MovingHandle:
    case Doing::PullingHandle:
      return textOfWay(desk_, now_.onSheet - placeOnSheet(desk_.project(), held_->item, held_->place));
    case Doing::Cornering:
      return textOfCorner(desk_, *corner_);
    default:
      return corner_ ? textOfCorner(desk_, *corner_) : QString();
  }
}

QString NodeTool::hint() const {
  if (items().empty())
    return Mat::tr("Click an item to see its nodes · drag a box over several · Esc puts the tool away");
  switch (doing_) {
    case Doing::MovingNodes:
      return Mat::tr("Shift keeps to one direction · an end dragged onto another end joins it · Esc puts it back");
    case Doing::MovingHandle:
    case Doing::PullingHandle:
      return Mat::tr(
          "Shift keeps to steps of 45° · B held breaks the handle from the other one · onto the node it is gone");
    case Doing::Bending:
      return Mat::tr("The edge follows where it was taken hold of · Esc puts it back");
    case Doing::MovingAxis:
    case Doing::TurningAxis:
      return Mat::tr("Every edit happens on both sides of the axis · Shift keeps to steps of 15° · Esc puts it back");
    default:
      break;
  }
  if (hot_ && hot_->what == NodeHit::What::Edge) return Mat::tr("Click adds a node here · drag bends the edge");
  if (hot_ && hot_->what == NodeHit::What::Handle)
    return Mat::tr("Drag the handle · B held breaks it from the other one");
  if (hot_)
    return Mat::tr(
        "Drag the node · double click turns it smooth or to a corner · B held pulls handles out · Del takes it away");
  if (corner_)
    return Mat::tr("Drag to round all corners · O held rounds this one only · the bench has other treatments");
  if (axis_) return Mat::tr("Drag the axis that both sides are mirrored at · its knob turns it");
  return Mat::tr(
      "Click or drag nodes, handles and edges · a box chooses several · Tab goes to the next · Enter is done");
}

QCursor NodeTool::cursor() const {
  if (grip_ && frame()) return cursorFor(*grip_, *frame());
  if (corner_) return Qt::PointingHandCursor;
  if (axis_) return axis_->turns ? Qt::PointingHandCursor : Qt::SizeAllCursor;
  if (hot_ && hot_->what == NodeHit::What::Edge) return Qt::CrossCursor;
  return hot_ ? Qt::SizeAllCursor : Qt::ArrowCursor;
}

}  // namespace widecut
