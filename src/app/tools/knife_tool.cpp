#include "app/tools/knife_tool.h"

#include <QKeyEvent>
#include <QPainter>

#include "app/desk/preferences.h"
#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/mat/pointer_label.h"
#include "app/mat/selection_frame.h"
#include "geometry/measure.h"
#include "geometry/smooth_through.h"
#include "painting/raster.h"
#include "project/edits/pieces.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr double freehandStep = 14;  // pixels between the nodes of a stroke as drawn

}  // namespace

Outline KnifeTool::stroke() const {
  if (points_.empty() || (points_.size() == 1 && points_.front() == now_)) return {};
  if (!freehand_) return {{{points_.front(), {Segment::line(now_)}, false}}};
  std::vector<Point> all = points_;
  if (all.back() != now_) all.push_back(now_);
  return {{smoothThrough(all, false)}};
}

std::vector<Id> KnifeTool::targets() const {
  if (!desk_.selection().empty()) return desk_.selection();
  std::vector<Id> found;
  const Outline path = stroke();
  if (path.isEmpty()) return found;
  const Box reach = bounds(path);
  // As they were: what shows are the pieces of the stroke so far.
  for (const ItemPtr& item : findSheet(desk_.settled(), desk_.sheet()->id)->items)
    if (!item->hidden && boxInParent(*item).touches(reach)) found.push_back(item->id);
  return found;
}

void KnifeTool::press(const Pointer& p) {
  drawing_ = true;
  freehand_ = p.keys & Qt::AltModifier;
  now_ = freehand_ ? p.onSheet : snapper_.resting(p).onSheet;
  points_ = {now_};
  pieces_ = 0;
}

void KnifeTool::drag(const Pointer& p) {
  if (drawing_) look(p);
}

/// Follows the pointer and shows what would come of the stroke.
void KnifeTool::look(const Pointer& p) {
  if (p.keys & Qt::AltModifier && !freehand_) {
    freehand_ = true;
    snapper_.end();
  }
  now_ = freehand_ ? p.onSheet : snapper_.resting(p, points_.front()).onSheet;
  if (freehand_) {
    if (distance(points_.back(), now_) * mat_.zoom() >= freehandStep) points_.push_back(now_);
  } else if (p.keys & Qt::ShiftModifier) {
    const Point way = now_ - points_.front();
    const double step = pi / 4, angle = std::round(std::atan2(way.y, way.x) / step) * step;
    const Point along{std::cos(angle), std::sin(angle)};
    now_ = points_.front() + along * dot(way, along);
  }
  std::vector<Id> made;
  const auto cut = withKnife(desk_.settled(), targets(), stroke(), desk_.knifeGap, made);
  pieces_ = cut ? made.size() : 0;
  if (cut)
    trial_.show(*cut);
  else
    trial_.drop();
}

void KnifeTool::release(const Pointer& p) {
  if (!drawing_) return;
  look(p);
  drawing_ = false;
  snapper_.end();
  trial_.drop();
  std::vector<Id> made;
  auto cut = withKnife(desk_.settled(), targets(), stroke(), desk_.knifeGap, made);
  points_.clear();
  if (!cut) {
    emit desk_.told(QString::fromStdString(cut.error().message));
    return;
  }
  desk_.commit(Mat::tr("Knife"), std::move(*cut));
  desk_.setTool(ToolKind::Select);
  desk_.select(made);
}

bool KnifeTool::key(QKeyEvent& event) {
  if (event.key() != Qt::Key_Escape) return false;
  if (drawing_)
    putAway();
  else
    desk_.setTool(ToolKind::Select);
  return true;
}

void KnifeTool::putAway() {
  if (drawing_) trial_.drop();
  snapper_.end();
  drawing_ = false;
  points_.clear();
}

void KnifeTool::paint(QPainter& painter) {
  painter.setBrush(Qt::NoBrush);
  painter.setPen(QPen(theme::plum, 1.4));
  for (const Id id : targets()) paintOutline(painter, mat_, desk_.settled(), id);
  const Outline path = stroke();
  if (!drawing_ || path.isEmpty()) return;
  painter.setPen(QPen(theme::rust, 1.8));
  painter.drawPath(mat_.sheetToMat().map(painterPath(path)));
  const QString gap = desk_.lengthText(desk_.knifeGap);
  const QString said = pieces_ == 0 ? Mat::tr("parts nothing yet")
                                    : (pieces_ == 1 ? Mat::tr("one piece · gap %1").arg(gap)
                                                    : Mat::tr("%1 pieces · gap %2").arg(pieces_).arg(gap));
  paintPointerLabel(painter, mat_, mat_.toMat(now_), said);
  snapper_.paint(painter);
}

QString KnifeTool::hint() const {
  return Mat::tr("Drag right across a shape · Shift keeps to 45° · B held cuts along a bend · Esc puts the knife away");
}

}  // namespace widecut
