#include "app/tools/repeat_grips.h"

#include <algorithm>

#include "app/desk/repeating.h"
#include "app/desk/selecting.h"
#include "app/look/in_qt.h"
#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/mat/pointer_label.h"
#include "geometry/along.h"
#include "project/edits/fills.h"
#include "project/edits/places.h"
#include "project/edits/repeats.h"
#include "project/edits/tree.h"
#include "project/resolve.h"
#include "shapes/pattern_numbers.h"

namespace widecut {
namespace {

constexpr std::size_t mostDots = 200;
constexpr double leastApart = 22, dotSize = 4, dragStart = 3;  // pixels
constexpr double beyondDot = 20;  // pixels from a copy's dot to the diamond that lies there, too

double gapsOf(int count) { return std::max(1, count - 1); }

/// The length along a line that is nearest to a point.
double nearestLength(const Along& along, Point p) {
  constexpr int steps = 400;
  double best = 0, away = INFINITY;
  for (int i = 1; i <= steps; ++i) {
    const double length = along.length() * i / steps, now = distance(along.at(length).at, p);
    if (now < away) {
      away = now;
      best = length;
    }
  }
  return best;
}

/// Where a pattern is taken hold of, in the frame of the repeat whose copies have this middle.
Point layoutPlaceOf(const Pattern& pattern, Point middle) {
  if (const auto* ring = std::get_if<Ring>(&pattern)) return ring->centre;
  if (const auto* mirrored = std::get_if<Mirrored>(&pattern)) return mirrored->centre;
  if (const auto* grid = std::get_if<Grid>(&pattern))
    return middle + grid->across * gapsOf(grid->columns) + grid->down * gapsOf(grid->rows);
  if (const auto* row = std::get_if<Row>(&pattern)) return middle + row->step * gapsOf(row->count);
  const auto& trail = std::get<Trail>(pattern);
  const Along along(trail.line);
  const auto places = placesOf(pattern, middle);
  return places.size() > 1 ? places[1](middle) : along.at(along.length()).at;
}

/// Which way the diamond lies off that place, so that it covers neither a dot nor a grip of the frame; nothing where no
/// copy lies.
Point wayOff(const Pattern& pattern) {
  const auto beside = [](Point way) { return Point{-way.y, way.x}; };
  if (const auto* row = std::get_if<Row>(&pattern)) return beside(row->step);
  if (const auto* grid = std::get_if<Grid>(&pattern)) return beside(grid->across);
  if (const auto* trail = std::get_if<Trail>(&pattern)) {
    const Along along(trail->line);
    return beside(along.at(along.length() / 2).direction);
  }
  return {};
}

/// The pattern with that place dragged.
Pattern laidOut(const Pattern& pattern, Point middle, Point to) {
  Pattern out = pattern;
  if (auto* ring = std::get_if<Ring>(&out)) ring->centre = to;
  if (auto* mirrored = std::get_if<Mirrored>(&out)) mirrored->centre = to;
  if (auto* row = std::get_if<Row>(&out)) row->step = (to - middle) / gapsOf(row->count);
  if (auto* grid = std::get_if<Grid>(&out)) {
    // How much of each way it takes to get there.
    const double area = cross(grid->across, grid->down);
    if (std::abs(area) > 1e-9) {
      const Point way = to - middle;
      const double across = cross(way, grid->down) / area, down = cross(grid->across, way) / area;
      grid->across = grid->across * (across / gapsOf(grid->columns));
      grid->down = grid->down * (down / gapsOf(grid->rows));
    }
  }
  if (auto* trail = std::get_if<Trail>(&out)) trail->pitch = std::max(0.1, nearestLength(Along(trail->line), to));
  return out;
}

/// Which number the wheel counts.
std::optional<std::size_t> counted(const Pattern& pattern) {
  const auto numbers = kindOf(pattern).numbers;
  for (std::size_t i = 0; i < numbers.size(); ++i)
    if (numbers[i].number.kind == NumberKind::Count) return i;
  return std::nullopt;
}

/// What is told of the pattern while it is dragged.
QString toldOf(const Desk& desk, const Pattern& pattern, const Box& first) {
  QStringList words;
  for (const PatternNumber& one : kindOf(pattern).numbers)
    if (one.number.kind == NumberKind::Length && words.size() < 2)
      words << inQt(one.number.name) + " " + desk.lengthText(one.value(pattern, first));
  return words.join(", ");
}

}  // namespace

ItemPtr RepeatGrips::item() const {
  const ItemPtr item = selectedRepeat(desk_);
  return item && !item->locked ? item : nullptr;
}

std::vector<Point> RepeatGrips::dots(const Item& item) const {
  const Repeat& repeat = *repeatOf(item);
  if (countOf(repeat.pattern) > mostDots) return {};
  const Affine frame = frameToSheet(desk_.project(), item.id);
  const Point middle = firstBox(repeat).centre();
  std::vector<Point> places;
  for (const Affine& place : allPlacesOf(repeat)) places.push_back(frame(place(middle)));
  for (std::size_t i = 0; i < places.size(); ++i)
    for (std::size_t k = 0; k < i; ++k)
      if (distance(places[i], places[k]) * mat_.zoom() < leastApart) return {};
  return places;
}

std::optional<Point> RepeatGrips::layoutPlace(const Item& item) const {
  const Repeat& repeat = *repeatOf(item);
  const Affine frame = frameToSheet(desk_.project(), item.id);
  return frame(layoutPlaceOf(repeat.pattern, firstBox(repeat).centre())) + offset(item);
}

Point RepeatGrips::offset(const Item& item) const {
  const Point way = frameToSheet(desk_.project(), item.id).vector(wayOff(repeatOf(item)->pattern));
  return length(way) > 0 ? way * (beyondDot / mat_.zoom() / length(way)) : Point{};
}

std::optional<RepeatGrips::Handle> RepeatGrips::handleAt(const Pointer& pointer) const {
  const ItemPtr now = item();
  if (!now) return std::nullopt;
  const auto isNear = [&](Point onSheet) {
    const QPointF off = mat_.toMat(onSheet) - pointer.onMat;
    return std::hypot(off.x(), off.y()) <= reach;
  };
  if (const auto place = layoutPlace(*now); place && isNear(*place)) return diamond;
  const auto places = dots(*now);
  for (std::size_t i = 0; i < places.size(); ++i)
    if (isNear(places[i])) return static_cast<Handle>(i);
  return std::nullopt;
}

bool RepeatGrips::hover(const Pointer& pointer) {
  hot_ = handleAt(pointer);
  return hot_.has_value();
}

bool RepeatGrips::press(const Pointer& pointer) {
  held_ = hot_ = handleAt(pointer);
  pressed_ = pointer;
  moved_ = false;
  if (held_) snapper_.begin(desk_.selection());
  if (held_ == diamond) heldOff_ = offset(*item());
  return isHeld();
}

bool RepeatGrips::hasPhoto(const Item& item, Handle copy) const {
  const auto shown = shownIn(*repeatOf(item), copy);
  return std::any_of(shown.begin(), shown.end(), [](const ItemPtr& one) { return pictureOf(*one->style); });
}

Project RepeatGrips::reframed(Handle copy, const Affine& sheetMap) const {
  const Project& project = desk_.settled();
  const Id id = desk_.selection().front();
  const ItemPtr whole = findItem(project, id);
  const Repeat* repeat = whole ? repeatOf(*whole) : nullptr;
  if (!repeat) return project;
  const auto places = allPlacesOf(*repeat);
  if (static_cast<std::size_t>(copy) >= places.size()) return project;
  Project out = project;
  // As if the first copy were that one: the map of the sheet as it is there.
  const Affine frame = frameToSheet(project, id), toCopy = frame * places[static_cast<std::size_t>(copy)];
  const auto back = toCopy.inverse();
  if (!back) return project;
  const Affine map = frame * *back * sheetMap * toCopy * *frame.inverse();
  for (const ItemPtr& item : shownIn(*repeat, copy)) {
    if (!pictureOf(*item->style)) continue;
    Project alone = withItem(project, item->id, [&](const Item&) { return *item; });
    alone = withReframing(alone, item->id, map);
    out = withOwnLook(out, id, copy, item->id, *findItem(alone, item->id)->style);
  }
  return out;
}

void RepeatGrips::drag(const Pointer& pointer) {
  const ItemPtr before =
      held_ && !desk_.selection().empty() ? findItem(desk_.settled(), desk_.selection().front()) : nullptr;
  const Repeat* repeat = before ? repeatOf(*before) : nullptr;
  if (!repeat) return;
  const QPointF way = pointer.onMat - pressed_.onMat;
  moved_ = moved_ || std::hypot(way.x(), way.y()) >= dragStart;
  if (!moved_) return;
  if (*held_ != diamond && !hasPhoto(*before, *held_)) {
    // A dot is no place to be stuck at: there all of it is moved, as anywhere else on a copy.
    by_ = snapper_.moved(pointer.onSheet - pressed_.onSheet, pointer);
    trial_.show(withMapped(desk_.settled(), desk_.selection(), Affine::move(by_)));
    return;
  }
  if (*held_ != diamond) {
    trial_.show(reframed(*held_, Affine::move(pointer.onSheet - pressed_.onSheet)));
    return;
  }
  const auto back = frameToSheet(desk_.settled(), before->id).inverse();
  if (!back) return;
  Pointer atCopy = pointer;
  atCopy.onSheet = pointer.onSheet - heldOff_;
  Point to = snapper_.resting(atCopy).onSheet;
  const Point middle = firstBox(*repeat).centre();
  if (pointer.keys & Qt::ShiftModifier) {
    // Level or upright from the first copy.
    const Point from = frameToSheet(desk_.settled(), before->id)(middle), by = to - from;
    to = std::abs(by.x) > std::abs(by.y) ? Point{to.x, from.y} : Point{from.x, to.y};
  }
  trial_.show(withPattern(desk_.settled(), before->id, laidOut(repeat->pattern, middle, (*back)(to))));
}

void RepeatGrips::release() {
  const ItemPtr now = item();
  if (held_ == diamond) {
    trial_.settle(Mat::tr("Arrange the copies"));
  } else if (held_ && moved_ && now && !hasPhoto(*now, *held_)) {
    if (trial_.settle(Mat::tr("Move"))) desk_.noteAgain({Mat::tr("Move"), movedBy(by_)});
  } else if (held_ && moved_) {
    trial_.settle(Mat::tr("Reframe one copy"));
  } else if (held_ && now) {
    const int copy = *held_;
    const auto& leftOut = repeatOf(*now)->leftOut;
    if (pressed_.keys & Qt::ShiftModifier)
      desk_.chooseCopy(desk_.chosenCopy() == copy ? -1 : copy);
    else
      leaveOut(desk_, now->id, copy, !std::binary_search(leftOut.begin(), leftOut.end(), copy));
  }
  letGo();
}

void RepeatGrips::letGo() {
  held_.reset();
  hot_.reset();
  snapper_.end();
}

bool RepeatGrips::wheel(const Pointer& pointer, double steps) {
  const ItemPtr now = item();
  const auto handle = handleAt(pointer);
  if (!now || isHeld() || !handle) return false;
  const Repeat& repeat = *repeatOf(*now);
  if (*handle != diamond) {
    if (!hasPhoto(*now, *handle)) return false;
    const double scale = std::pow(1.06, steps);
    desk_.commit(Mat::tr("Reframe one copy"), reframed(*handle, Affine::scale(scale, scale).about(pointer.onSheet)));
    return true;
  }
  const auto number = counted(repeat.pattern);
  if (!number) return false;
  const Box first = firstBox(repeat);
  const double value = kindOf(repeat.pattern).numbers[*number].value(repeat.pattern, first) + (steps > 0 ? 1 : -1);
  desk_.commit(Mat::tr("Change count"),
               withPattern(desk_.settled(), now->id, withNumber(repeat.pattern, *number, first, value)));
  return true;
}

void RepeatGrips::paint(QPainter& painter) const {
  const ItemPtr now = item();
  if (!now) return;
  const Repeat& repeat = *repeatOf(*now);
  const auto places = dots(*now);
  for (std::size_t i = 0; i < places.size(); ++i) {
    const auto copy = static_cast<Handle>(i);
    const bool isOut = std::binary_search(repeat.leftOut.begin(), repeat.leftOut.end(), copy);
    const bool isLit = held_ ? held_ == copy : hot_ == copy, isChosen = desk_.chosenCopy() == copy;
    const double size = isLit || isChosen ? dotSize + 2 : dotSize;
    const QPointF at = mat_.toMat(places[i]);
    painter.setPen(QPen(isOut ? theme::slate : theme::plum, isChosen ? 3 : 1.6, isOut ? Qt::DotLine : Qt::SolidLine));
    painter.setBrush(isOut ? QBrush(Qt::NoBrush) : QBrush(isChosen ? theme::plum : QColor(Qt::white)));
    painter.drawEllipse(at, size, size);
    if (isOut) {
      const double half = size * 0.6;
      painter.drawLine(at + QPointF(-half, half), at + QPointF(half, -half));
    }
  }
  const auto place = layoutPlace(*now);
  if (!place) return;
  const bool isLit = held_ ? held_ == diamond : hot_ == diamond;
  const double r = isLit ? 8 : 6.5;
  const QPointF at = mat_.toMat(*place);
  painter.setPen(QPen(isLit ? theme::plum : QColor(Qt::white), 1.4));
  painter.setBrush(isLit ? QColor(Qt::white) : theme::plum);
  painter.drawPolygon(QPolygonF({at + QPointF(0, -r), at + QPointF(r, 0), at + QPointF(0, r), at + QPointF(-r, 0)}));
  if (held_) snapper_.paint(painter);
  if (isLit) paintPointerLabel(painter, mat_, at, toldOf(desk_, repeat.pattern, firstBox(repeat)));
}

QString RepeatGrips::hint() const {
  const ItemPtr now = item();
  const auto handle = held_ ? held_ : hot_;
  if (!now || !handle) return {};
  if (*handle == diamond)
    return Mat::tr("Drag it to lay the copies out · the wheel counts them · Shift keeps to one direction");
  const auto& leftOut = repeatOf(*now)->leftOut;
  if (std::binary_search(leftOut.begin(), leftOut.end(), *handle)) return Mat::tr("Click to show this copy again");
  return hasPhoto(*now, *handle)
             ? Mat::tr(
                   "Click to leave copy %1 out · drag and wheel reframe its photo alone · Shift-click: its own look")
                   .arg(*handle + 1)
             : Mat::tr("Click to leave copy %1 out · Shift-click gives it a look of its own").arg(*handle + 1);
}

}  // namespace widecut
