#include "app/tools/reframe_tool.h"

#include <QKeyEvent>
#include <QPainter>
#include <QPainterPath>

#include "app/desk/photo_framing.h"
#include "app/desk/subjects.h"
#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/mat/selection_frame.h"
#include "app/mat/subject_marks.h"
#include "geometry/measure.h"
#include "painting/raster.h"
#include "project/edits/fills.h"
#include "project/edits/sharing.h"
#include "project/lookup.h"
#include "project/resolve.h"
#include "scene/hit.h"
#include "shapes/primitives.h"

namespace widecut {

ReframeTool::ReframeTool(Mat& mat, Desk& desk) : Tool(mat, desk), trial_(desk) {
  // A run of wheel steps is one change.
  wheelEnd_.setSingleShot(true);
  wheelEnd_.setInterval(500);
  QObject::connect(&wheelEnd_, &QTimer::timeout, &mat, [this] { settle(); });
  QObject::connect(&desk, &Desk::settleWanted, &mat, [this] {
    if (!dragging_) settle();
  });
}

namespace {

Outline ellipseBetween(const std::pair<Point, Point>& corners) {
  return fitted(ellipseOutline(1, 1), Box::between(corners.first, corners.second));
}

}  // namespace

Point ReframeTool::Picture::corner(int index) const {
  return pixelsToSheet(Box{{0, 0}, {double(width), double(height)}}.corner(index));
}

std::optional<ReframeTool::Picture> ReframeTool::picture() const {
  const ItemPtr item = reframedItem(desk_);
  if (!item) return std::nullopt;
  const Project& project = desk_.project();
  const auto shown = shownPhoto(*item);
  if (!shown) return std::nullopt;
  const Medium& medium = *shown->medium;
  return Picture{shown->medium, shown->adjustments, frameToSheet(project, item->id) * shown->pixelsToFrame,
                 medium.width, medium.height};
}

std::optional<int> ReframeTool::cornerAt(QPointF onMat) const {
  const auto pic = picture();
  for (int i = 0; pic && i < 4; ++i) {
    const QPointF d = mat_.toMat(pic->corner(i)) - onMat;
    if (std::hypot(d.x(), d.y()) < 10) return i;
  }
  return std::nullopt;
}

void ReframeTool::settle() {
  wheelEnd_.stop();
  wheeled_ = {};
  trial_.settle(Mat::tr("Reframe"));
}

void ReframeTool::press(const Pointer& p) {
  settle();
  const auto pic = picture();
  if (pic && p.keys & Qt::AltModifier) {
    horizon_ = {p.onSheet, p.onSheet};
    return;
  }
  if (pic && marks(p)) {
    const Point pixel = (*pic->pixelsToSheet.inverse())(p.onSheet);
    zone_ = {pixel, pixel};
    return;
  }
  corner_ = cornerAt(p.onMat);
  bool onPicture = corner_.has_value();
  if (pic && !onPicture) {
    const Point pixel = (*pic->pixelsToSheet.inverse())(p.onSheet);
    onPicture = Box{{0, 0}, {double(pic->width), double(pic->height)}}.contains(pixel);
  }
  if (onPicture) {
    dragging_ = true;
    pressed_ = p;
    return;
  }
  // Outside: another photo is taken up; anywhere else ends reframing.
  const Id other = itemAt(*desk_.sheet(), p.onSheet, 4 / mat_.zoom());
  const ItemPtr item = findItem(desk_.project(), other);
  if (item && shownPhoto(*item) && !pic)
    desk_.select({other});
  else
    desk_.setTool(ToolKind::Select);
}

void ReframeTool::drag(const Pointer& p) {
  const ItemPtr item = reframedItem(desk_);
  if (dragging_ && !corner_ && p.keys & Qt::AltModifier) {
    // What was begun as a move of the photo is a line along its horizon.
    trial_.drop();
    dragging_ = false;
    horizon_ = {pressed_.onSheet, p.onSheet};
  }
  if (horizon_) horizon_->second = p.onSheet;
  if (const auto pic = picture(); zone_ && pic) {
    Point across = (*pic->pixelsToSheet.inverse())(p.onSheet) - zone_->first;
    if (p.keys & Qt::ShiftModifier) {
      const double side = std::max(std::abs(across.x), std::abs(across.y));
      across = {std::copysign(side, across.x), std::copysign(side, across.y)};
    }
    zone_->second = zone_->first + across;
    mat_.update();
  }
  if (!dragging_ || !item) return;
  Affine map = Affine::move(p.onSheet - pressed_.onSheet);
  if (corner_) {
    trial_.drop();
    const Point anchor = picture()->corner((*corner_ + 2) % 4);
    const double scale = std::max(0.02, distance(anchor, p.onSheet) / distance(anchor, pressed_.onSheet));
    map = Affine::scale(scale, scale).about(anchor);
  }
  trial_.show(withReframing(desk_.settled(), item->id, map));
  reframed_ = map;
}

/// The same move of the picture, or its scale about the frame's middle.
void ReframeTool::noteReframed(const Affine& map) {
  desk_.noteAgain({Mat::tr("Reframe"), [linear = map.linear(), by = Point{map.dx, map.dy}](
                                           const Project& project, const std::vector<Id>& items) {
                     Project out = project;
                     for (const Id id : items) {
                       const Point middle = frameToSheet(out, id)(boxInFrame(*findItem(out, id)).centre());
                       out = withReframing(out, id, linear == Affine{} ? Affine::move(by) : linear.about(middle));
                     }
                     return out;
                   }});
}

/// The picture turned so that the line that was drawn on it lies level, or upright where it is nearer to that.
void ReframeTool::settleHorizon() {
  const auto [from, to] = *std::exchange(horizon_, std::nullopt);
  const ItemPtr item = reframedItem(desk_);
  if (!item || mat_.zoom() * distance(from, to) < 8) return;
  const double angle = std::atan2(to.y - from.y, to.x - from.x);
  const double off = std::remainder(angle, pi / 2);
  if (desk_.commit(Mat::tr("Level the horizon"), withPictureTurned(desk_.settled(), item->id, -off)))
    desk_.noteAgain({Mat::tr("Turn the photo"), [off](const Project& p, const std::vector<Id>& ids) {
                       Project out = p;
                       for (const Id id : ids) out = withPictureTurned(out, id, -off);
                       return out;
                     }});
}

/// Ctrl, or the command, marks a subject.
bool ReframeTool::marks(const Pointer& p) const {
  return bool(p.keys & Qt::ControlModifier) || desk_.subjects().isMarking();
}

void ReframeTool::settleZone() {
  const auto corners = *std::exchange(zone_, std::nullopt);
  desk_.subjects().setMarking(false);
  const auto pic = picture();
  const Point across = corners.second - corners.first;
  const double least = pic ? 6 / (mat_.zoom() * pic->pixelsToSheet.meanScale()) : 0;
  if (!pic || std::abs(across.x) < least || std::abs(across.y) < least) return;
  markSubject(desk_, pic->medium, ellipseBetween(corners));
}

void ReframeTool::release(const Pointer&) {
  if (horizon_) settleHorizon();
  if (zone_) settleZone();
  if (dragging_ && trial_.settle(Mat::tr("Reframe"))) noteReframed(reframed_);
  dragging_ = false;
}

void ReframeTool::hover(const Pointer& p) { corner_ = cornerAt(p.onMat); }

bool ReframeTool::wheel(const Pointer& p, double steps) {
  const ItemPtr item = reframedItem(desk_);
  if (!picture() || dragging_) return false;
  const double scale = std::pow(1.06, steps);
  wheeled_ = Affine::scale(scale, scale).about(p.onSheet) * wheeled_;
  trial_.show(withReframing(desk_.settled(), item->id, wheeled_));
  wheelEnd_.start();
  return true;
}

void ReframeTool::cancelDrag() {
  horizon_.reset();
  zone_.reset();
  desk_.subjects().setMarking(false);
  if (std::exchange(dragging_, false)) trial_.drop();
}

bool ReframeTool::key(QKeyEvent& event) {
  if (horizon_ || zone_ || dragging_) return true;
  if (event.key() == Qt::Key_Escape && desk_.subjects().isMarking()) {
    desk_.subjects().setMarking(false);
    return true;
  }
  if (event.key() == Qt::Key_Escape || event.key() == Qt::Key_Return || event.key() == Qt::Key_Enter) {
    desk_.setTool(ToolKind::Select);
    return true;
  }
  const auto way = arrowStep(event.key());
  if (!way || !picture()) return false;
  settle();
  const double step = pointsPerMillimetre * (event.modifiers() & Qt::ShiftModifier ? 10 : 1);
  desk_.commit(Mat::tr("Reframe"), withReframing(desk_.settled(), reframedItem(desk_)->id, Affine::move(*way * step)));
  return true;
}

void ReframeTool::putAway() {
  if (dragging_)
    trial_.drop();
  else if (wheelEnd_.isActive())
    settle();
  wheelEnd_.stop();
  wheeled_ = {};
  dragging_ = false;
  horizon_.reset();
  zone_.reset();
  corner_.reset();
}

void ReframeTool::paint(QPainter& painter) {
  const auto pic = picture();
  const ItemPtr item = reframedItem(desk_);
  if (!pic || !item) return;
  const QTransform toMat = painterTransform(pic->pixelsToSheet) * mat_.sheetToMat();
  QPainterPath whole;
  whole.addPolygon(toMat.map(QPolygonF(QRectF(0, 0, pic->width, pic->height))));
  whole.closeSubpath();
  const QPainterPath window = mat_.sheetToMat().map(painterPath(windowOnSheet(desk_.project(), item->id)));

  // The whole picture, dimmed, everywhere but in its window.
  painter.save();
  painter.setClipPath(whole.subtracted(window));
  const double scale = std::sqrt(std::abs(toMat.determinant()));
  const MediumPtr& medium = pic->medium;
  painter.fillPath(whole, QColor(0x1C, 0x2B, 0x28));
  if (const auto ready = desk_.photos().levelIfReady(medium, scale * mat_.devicePixelRatioF(), pic->adjustments);
      ready && !ready->level.image.isNull()) {
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    painter.setOpacity(0.42);
    painter.setTransform(painterTransform(pic->pixelsToSheet * ready->level.toPixels) * mat_.sheetToMat(), true);
    painter.drawImage(0, 0, ready->level.image);
  }
  painter.restore();

  painter.setBrush(Qt::NoBrush);
  painter.setPen(QPen(theme::plum, 2));
  painter.drawPath(window);
  painter.setPen(QPen(QColor(255, 255, 255, 200), 1, Qt::DashLine));
  painter.drawPath(whole);
  paintZones(painter, mat_, desk_, *item, *medium, pic->pixelsToSheet);
  if (zone_) {
    painter.setPen(QPen(theme::amber, 2));
    painter.setBrush(Qt::NoBrush);
    painter.drawPath(mat_.sheetToMat().map(painterPath(transformed(ellipseBetween(*zone_), pic->pixelsToSheet))));
  }
  if (horizon_) {
    painter.setPen(QPen(theme::amber, 2));
    painter.drawLine(mat_.toMat(horizon_->first), mat_.toMat(horizon_->second));
  }
  for (int i = 0; i < 4; ++i) {
    const QPointF at = mat_.toMat(pic->corner(i));
    const double half = corner_ == i ? 6.5 : 5;
    painter.setPen(QPen(theme::plum, 1.6));
    painter.setBrush(corner_ == i ? theme::plum : QColor(Qt::white));
    painter.drawEllipse(at, half, half);
  }
}

QString ReframeTool::hint() const {
  if (!picture()) return Mat::tr("Click an item with a photo to reframe it · Esc goes back to selecting");
  if (desk_.subjects().isMarking())
    return Mat::tr("Drag a zone round what must stay whole · Shift makes it round · Esc lets it be");
  return Mat::tr(
      "Drag moves the photo · wheel or a corner scales it · arrows shift it · H held: a line levels its horizon · "
      "Ctrl marks a subject · Esc ends");
}

QCursor ReframeTool::cursor() const {
  if (zone_ || (picture() && desk_.subjects().isMarking())) return Qt::CrossCursor;
  if (corner_) return *corner_ % 2 == 0 ? Qt::SizeFDiagCursor : Qt::SizeBDiagCursor;
  if (dragging_) return Qt::ClosedHandCursor;
  return picture() ? Qt::OpenHandCursor : Qt::PointingHandCursor;
}

}  // namespace widecut
