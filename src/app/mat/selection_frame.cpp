#include "app/mat/selection_frame.h"

#include "app/look/theme.h"
#include "painting/crowded_path.h"
#include "painting/raster.h"
#include "project/edits/places.h"
#include "project/forms/words.h"
#include "project/lookup.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr double turnReach = 26;  // pixels from the upper edge to the turning grip
constexpr double hitReach = 9;
constexpr double outside = 11;  // pixels between a small frame and its grips

std::vector<Grip> grips() {
  std::vector<Grip> all{{0, -1, true}, {-1, 0, false, true}, {1, 0, false, true}, {0, 1, false, true}};
  for (int down = -1; down <= 1; ++down)
    for (int across = -1; across <= 1; ++across)
      if (across != 0 || down != 0) all.push_back({across, down, false});
  return all;
}

QPointF placeOf(const SelectionFrame& f, const Mat& mat, const Grip& grip) {
  const Point c = f.box.centre();
  Point at{c.x + grip.across * f.box.width() / 2, c.y + grip.down * f.box.height() / 2};
  // What is small has its grips outside, so that its body can be taken hold of.
  if (isSmall(f, mat)) at = at + Point{grip.across * outside, grip.down * outside} * (1 / mat.zoom());
  const double out = turnReach / mat.zoom();
  if (grip.slants) return mat.toMat(f.toSheet(at + Point{grip.across * out, grip.down * out}));
  return mat.toMat(f.toSheet(grip.turns ? Point{at.x, at.y - out} : at));
}

/// Small frames have no room for grips that slant them.
bool shows(const SelectionFrame& f, const Mat& mat, const Grip& grip) {
  constexpr double leastSide = 48;  // pixels
  const double side = grip.across != 0 ? f.box.height() : f.box.width();
  const double arm = grip.across != 0 ? f.box.width() : f.box.height();
  return !grip.slants || (side * mat.zoom() >= leastSide && arm > 0);
}

/// A slanted box, as long as a grip, along its side.
QPolygonF slantSign(const SelectionFrame& f, const Mat& mat, const Grip& grip, double half) {
  const QPointF at = placeOf(f, mat, grip);
  const auto way = [&](Point inFrame) {
    const Point v = f.toSheet.vector(inFrame);
    return QPointF(v.x, v.y) / std::max(length(v), 1e-12);
  };
  const QPointF along = way(grip.across != 0 ? Point{0, 1} : Point{1, 0}) * half;
  const QPointF out = way(grip.across != 0 ? Point{1, 0} : Point{0, 1}) * (half * 0.75);
  return {{at - along * 1.7 - out, at + along * 0.7 - out, at + along * 1.7 + out, at - along * 0.7 + out}};
}

}  // namespace

bool isSmall(const SelectionFrame& frame, const Mat& mat) {
  constexpr double leastSide = 44;  // pixels
  return std::min(frame.box.width(), frame.box.height()) * mat.zoom() < leastSide;
}

std::optional<SelectionFrame> SelectionFrame::of(const Project& project, const std::vector<Id>& items) {
  SelectionFrame frame;
  if (items.size() == 1) {
    const ItemPtr item = findItem(project, items.front());
    if (!item) return std::nullopt;
    frame = {frameToSheet(project, item->id), boxInFrame(*item)};
  } else {
    for (const Id id : items)
      if (const ItemPtr item = findItem(project, id)) frame.box.add(parentToSheet(project, id)(boxInParent(*item)));
  }
  if (frame.box.isEmpty()) return std::nullopt;
  return frame;
}

Point placeIn(const Box& box, PivotPlace place) {
  const Point c = box.centre();
  return {c.x + place.across * box.width() / 2, c.y + place.down * box.height() / 2};
}

Point pivotPoint(const SelectionFrame& frame, const Pivot& pivot) {
  return pivot.free ? *pivot.free : frame.toSheet(placeIn(frame.box, pivot.place.value_or(PivotPlace{})));
}

namespace {

constexpr double beyondReach = 6, cornerReach = 28;  // pixels from a corner: up to there it resizes, and turns

bool isCornerOf(const Grip& grip) { return grip.across != 0 && grip.down != 0; }

/// Whether a place lies outside the frame on both sides of a corner.
bool isBeyond(const SelectionFrame& frame, const Mat& mat, const Grip& corner, QPointF onMat) {
  const auto back = frame.toSheet.inverse();
  if (!back) return false;
  const Point p = (*back)(mat.toSheet(onMat)),
              at = (*back)(mat.toSheet(placeOf(frame, mat, {corner.across, corner.down})));
  return (p.x - at.x) * corner.across > 0 && (p.y - at.y) * corner.down > 0;
}

/// A little outside a corner: turns.
std::optional<Grip> turnAt(const SelectionFrame& frame, const Mat& mat, QPointF onMat) {
  for (const Grip& corner : {Grip{-1, -1, true}, Grip{1, -1, true}, Grip{1, 1, true}, Grip{-1, 1, true}}) {
    const QPointF d = placeOf(frame, mat, {corner.across, corner.down}) - onMat;
    if (isBeyond(frame, mat, corner, onMat) && std::hypot(d.x(), d.y()) <= cornerReach) return corner;
  }
  return std::nullopt;
}

}  // namespace

std::optional<Grip> gripAt(const SelectionFrame& frame, const Mat& mat, QPointF onMat) {
  std::optional<Grip> best;
  double nearest = hitReach;
  for (const Grip& grip : grips()) {
    if (!shows(frame, mat, grip)) continue;
    const QPointF d = placeOf(frame, mat, grip) - onMat;
    if (!grip.turns && isCornerOf(grip) && isBeyond(frame, mat, grip, onMat) && std::hypot(d.x(), d.y()) > beyondReach)
      continue;
    // Corners win over edges where a small box brings them together.
    const double away = std::hypot(d.x(), d.y()) + (grip.across == 0 || grip.down == 0 ? 1.5 : 0);
    if (away < nearest) {
      nearest = away;
      best = grip;
    }
  }
  return best ? best : turnAt(frame, mat, onMat);
}

void paintGrips(QPainter& painter, const SelectionFrame& f, const Mat& mat, const std::optional<Grip>& hot) {
  QPolygonF outline;
  for (int i = 0; i < 4; ++i) outline << mat.toMat(f.toSheet(f.box.corner(i)));
  painter.setBrush(Qt::NoBrush);
  painter.setPen(QPen(theme::plum, 1));
  painter.drawPolygon(outline);
  painter.drawLine(placeOf(f, mat, {0, -1, false}), placeOf(f, mat, {0, -1, true}));
  if (hot && hot->turns && isCornerOf(*hot)) {
    // Round the corner that a drag here turns it by.
    const QPointF at = placeOf(f, mat, {hot->across, hot->down}), middle = mat.toMat(f.toSheet(f.box.centre()));
    const double angle = degrees(std::atan2(middle.y() - at.y(), at.x() - middle.x()));
    constexpr double radius = 17, sweep = 110;
    painter.setPen(QPen(theme::plum, 2));
    painter.drawArc(QRectF(at.x() - radius, at.y() - radius, 2 * radius, 2 * radius),
                    static_cast<int>((angle - sweep / 2) * 16), static_cast<int>(sweep * 16));
  }
  for (const Grip& grip : grips()) {
    if (!shows(f, mat, grip)) continue;
    const QPointF at = placeOf(f, mat, grip);
    const double half = hot == grip ? 5.5 : 4;
    painter.setPen(QPen(theme::plum, 1.6));
    painter.setBrush(hot == grip ? theme::plum : QColor(Qt::white));
    if (grip.turns)
      painter.drawEllipse(at, half + 0.5, half + 0.5);
    else if (grip.slants)
      painter.drawPolygon(slantSign(f, mat, grip, half));
    else
      painter.drawRect(QRectF(at.x() - half, at.y() - half, 2 * half, 2 * half));
  }
}

QCursor cursorFor(const Grip& grip, const SelectionFrame& frame) {
  if (grip.turns) return Qt::PointingHandCursor;
  if (grip.slants) return grip.across != 0 ? Qt::SizeVerCursor : Qt::SizeHorCursor;
  const Point way = frame.toSheet.vector({double(grip.across), double(grip.down)});
  const double angle = std::fmod(degrees(std::atan2(way.y, way.x)) + 360 + 22.5, 180);
  if (angle < 45) return Qt::SizeHorCursor;
  if (angle < 90) return Qt::SizeFDiagCursor;
  if (angle < 135) return Qt::SizeVerCursor;
  return Qt::SizeBDiagCursor;
}

Affine gripMap(const SelectionFrame& f, const Grip& grip, Point pressed, Point now, bool regular, bool fromPivot,
               const Pivot& pivot) {
  const Affine back = *f.toSheet.inverse();
  const Point c = f.box.centre();
  if (grip.turns) {
    const Point middle = pivotPoint(f, pivot), a = pressed - middle, b = now - middle;
    double angle = std::atan2(cross(a, b), dot(a, b));
    if (regular) {
      const double before = f.toSheet.turnAngle();
      angle = radians(std::round(degrees(before + angle) / 15) * 15) - before;
    }
    return Affine::turn(angle).about(middle);
  }
  const double w = f.box.width(), h = f.box.height();
  const Point opposite{c.x - grip.across * w / 2, c.y - grip.down * h / 2};
  const Point anchor = fromPivot ? back(pivotPoint(f, pivot)) : opposite;
  const Point moved = back(now) - back(pressed);
  if (grip.slants) {
    const bool across = grip.across != 0;  // a side that stands upright
    const double arm = across ? c.x + grip.across * w / 2 - anchor.x : c.y + grip.down * h / 2 - anchor.y;
    const double by = across ? moved.y : moved.x;
    if (std::abs(arm) < 1e-9) return {};
    double angle = std::atan(by / arm);
    if (regular) angle = radians(std::round(degrees(angle) / 15) * 15);
    constexpr double most = radians(85);
    const double share = std::tan(std::clamp(angle, -most, most));
    const Affine slant = across ? Affine{1, share, 0, 1, 0, 0} : Affine{1, 0, share, 1, 0, 0};
    return f.toSheet * slant.about(anchor) * back;
  }
  // So that the grip stays under the pointer.
  const Point at{c.x + grip.across * w / 2, c.y + grip.down * h / 2};
  const auto share = [](double by, double arm, double extent) {
    constexpr double least = 0.01;  // of the extent: nearer to the pivot a grip pulls nothing
    return std::abs(arm) > least * extent ? 1 + by / arm : 1;
  };
  double sx = grip.across != 0 && w > 0 ? share(moved.x, at.x - anchor.x, w) : 1;
  double sy = grip.down != 0 && h > 0 ? share(moved.y, at.y - anchor.y, h) : 1;
  if (regular) {
    const double s = grip.down == 0 ? sx : grip.across == 0 ? sy : (std::abs(sx) > std::abs(sy) ? sx : sy);
    const auto like = [&](double own) { return std::copysign(std::abs(s), own); };
    sx = grip.across == 0 ? std::abs(s) : like(sx);
    sy = grip.down == 0 ? std::abs(s) : like(sy);
  }
  // Nothing is ever squeezed to nothing: it could not be pulled open again.
  const auto kept = [](double s, double extent) {
    const double least = extent > 0 ? 0.1 / extent : 1;
    return std::abs(s) < least ? std::copysign(least, s) : s;
  };
  return f.toSheet * Affine::scale(kept(sx, w), kept(sy, h)).about(anchor) * back;
}

void paintOutline(QPainter& painter, const Mat& mat, const Project& project, Id id) {
  const ItemPtr item = findItem(project, id);
  if (!item) return;
  if (isCrowd(*item)) {
    const Box box = boxInFrame(*item);
    QPolygonF frame;
    for (int i = 0; i < 4 && !box.isEmpty(); ++i) frame << mat.toMat(frameToSheet(project, id)(box.corner(i)));
    painter.drawPolygon(frame);
    return;
  }
  const Outline outline = transformed(resolved(*item)->outline, frameToSheet(project, id));
  const QPainterPath path = mat.sheetToMat().map(painterPath(outline));
  // QPainter is quick with hair lines alone: wider ones it turns into areas, which takes fifteen times as long.
  constexpr std::size_t mostStroked = 400;
  if (storedNodes(outline) <= mostStroked && !isCrowded(outline, mat.sheetToMat(), mat.size())) {
    painter.drawPath(path);
    return;
  }
  painter.save();
  painter.setPen(QPen(painter.pen().color(), 0, painter.pen().style()));
  painter.setBrush(Qt::NoBrush);
  painter.drawPath(path);
  painter.restore();
}

void paintSelected(QPainter& painter, const Mat& mat, const Project& project, Id id) {
  const ItemPtr item = findItem(project, id);
  const Words* words = item ? wordsOf(*item) : nullptr;
  if (!words) {
    paintOutline(painter, mat, project, id);
    return;
  }
  const Affine toSheet = frameToSheet(project, id) * words->content().stretch;
  const auto line = [&](Point a, Point b) { painter.drawLine(mat.toMat(toSheet(a)), mat.toMat(toSheet(b))); };
  for (std::size_t i = 0; i < words->set().shown; ++i) {
    const SetLine& set = words->set().lines[i];
    // Of words in a frame, the frame tells that they are selected.
    if (set.bends.empty() && !words->content().frame) line(set.start, set.start + Point{set.width, 0});
    for (const Bend& bend : set.bends) line(bend.place(Point{bend.from, 0}), bend.place(Point{bend.to, 0}));
  }
  if (words->content().frame && words->content().frame->outline)
    painter.drawPath(mat.sheetToMat().map(painterPath(transformed(*words->content().frame->outline, toSheet))));
  if (words->set().fits() || !words->content().frame) return;
  // What does not fit is said where it would go on.
  const TextFrame& frame = *words->content().frame;
  painter.save();
  painter.setPen(QPen(theme::rust, 3));
  line({0, frame.height}, {frame.width, frame.height});
  painter.restore();
}

}  // namespace widecut
