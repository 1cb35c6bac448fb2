#include "app/tools/line_tool.h"

#include <QKeyEvent>
#include <QPainter>

#include "app/desk/offer.h"
#include "app/desk/trial.h"
#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/mat/pointer_label.h"
#include "app/mat/size_entry.h"
#include "project/edits/lines.h"
#include "project/edits/tree.h"
#include "project/limits.h"
#include "project/names.h"
#include "project/usual_colours.h"

namespace widecut {
namespace {

constexpr double usualLength = 40 * pointsPerMillimetre;
constexpr double leastLength = 0.01;  // points

std::vector<SizeEntry::Field> fieldsFor(const Desk& desk, Point way) {
  return {{Mat::tr("length"), desk.unit(), {}, length(way)}, {Mat::tr("angle"), Unit::Plain, "°", degreesOf(way)}};
}
Point wayOf(const std::vector<double>& values) {
  const double angle = radians(values[1]), long_ = std::clamp(values[0], leastLength, limits::mostLength);
  return {long_ * std::cos(angle), -long_ * std::sin(angle)};
}

}  // namespace

Point atEighths(Point way) {
  constexpr double eighth = pi / 4;
  const double angle = std::round(std::atan2(way.y, way.x) / eighth) * eighth;
  const Point unit{std::cos(angle), std::sin(angle)};
  return unit * dot(way, unit);
}

double degreesOf(Point way) { return way == Point{} ? 0 : degrees(std::atan2(-way.y, way.x)); }

QString textOfWay(const Desk& desk, Point way) {
  return Mat::tr("%1 at %2°").arg(desk.lengthText(length(way)), QString::number(degreesOf(way), 'f', 1));
}

LineTool::Ends LineTool::drawn() const {
  Point way = now_.onSheet - pressed_.onSheet;
  if (now_.keys & Qt::ShiftModifier) way = atEighths(way);
  if (typed_) way = *typed_;
  if (!(now_.keys & Qt::AltModifier)) return {pressed_.onSheet, pressed_.onSheet + way};
  if (typed_) way = way * 0.5;
  return {pressed_.onSheet - way, pressed_.onSheet + way};
}

void LineTool::press(const Pointer& p) {
  drawing_ = true;
  typed_.reset();
  pressed_ = now_ = snapper_.resting(p);
}

void LineTool::release(const Pointer& p) {
  if (!drawing_) return;
  now_ = p.onMat == pressed_.onMat ? pressed_ : snapper_.resting(p, pressed_.onSheet);
  mat_.entry().finish();
  if (!drawing_) return;
  drawing_ = false;
  const Ends ends = drawn();
  if (typed_ || distance(ends.from, ends.to) >= 2 / mat_.zoom()) {
    lay(ends);
    return;
  }
  // A click: a level line of the usual length about this place, to be typed on.
  const Point half{usualLength / 2, 0};
  const Id made = lay({now_.onSheet - half, now_.onSheet + half});
  const auto trial = std::make_shared<Trial>(desk_);
  Desk& desk = desk_;
  const auto show = [trial, made, &desk, middle = now_.onSheet](const std::vector<double>& values) {
    const Point way = wayOf(values) * 0.5;
    trial->show(withEnds(desk.settled(), made, middle - way, middle + way));
  };
  mat_.entry().open(p.onMat, fieldsFor(desk_, {usualLength, 0}),
                    {show,
                     [trial, show](const std::vector<double>& values) {
                       show(values);
                       trial->settle(Mat::tr("Set length"));
                     },
                     [trial] { trial->drop(); }});
}

Id LineTool::lay(const Ends& ends) {
  drawing_ = false;
  snapper_.end();
  const Id made = desk_.settled().nextId;
  const bool measures = desk_.tool() == ToolKind::Measure;
  const QString word = measures ? Mat::tr("measure") : Mat::tr("line");
  Item item = lineItem(made, UniqueNames(*desk_.sheet()).take(word.toStdString()), ends.from, ends.to,
                       measures ? Style{} : lineStyle(desk_));
  item.measures = measures;
  desk_.commit(measures ? Mat::tr("Measure") : Mat::tr("Draw line"),
               withItemsOnTop(desk_.settled(), desk_.sheet()->id, {std::move(item)}));
  desk_.setTool(ToolKind::Select);
  desk_.select({made});
  return made;
}

void LineTool::typeDuringDrag(const QKeyEvent& key) {
  const auto take = [this](const std::vector<double>& values) {
    typed_ = wayOf(values);
    mat_.update();
  };
  const Ends ends = drawn();
  mat_.entry().open(now_.onMat, fieldsFor(desk_, ends.to - ends.from),
                    {take,
                     [this, take](const std::vector<double>& values) {
                       if (!drawing_) return;
                       take(values);
                       lay(drawn());
                     },
                     [this] { typed_.reset(); }});
  mat_.entry().begin(key);
}

bool LineTool::wants(const QKeyEvent& event) const { return drawing_ && SizeEntry::isNumber(event); }

bool LineTool::key(QKeyEvent& event) {
  // Before anything is typed Tab takes the next reason to rest; then it goes to the angle.
  if (drawing_ && !mat_.entry().isOpen() && snapper_.isResting() && snapper_.takes(event)) {
    drag(last_);
    return true;
  }
  if (drawing_ && SizeEntry::isNumber(event)) {
    typeDuringDrag(event);
    return true;
  }
  if (event.key() != Qt::Key_Escape) return false;
  if (drawing_)
    putAway();
  else
    desk_.setTool(ToolKind::Select);
  return true;
}

void LineTool::putAway() {
  drawing_ = false;
  snapper_.end();
  typed_.reset();
  mat_.entry().drop();
}

void LineTool::paint(QPainter& painter) {
  if (!typed_) snapper_.paint(painter);
  if (!drawing_ || (now_.onMat == pressed_.onMat && !typed_)) return;
  const Ends ends = drawn();
  painter.setPen(QPen(desk_.tool() == ToolKind::Measure ? theme::blue : theme::plum, 1.6));
  painter.drawLine(mat_.toMat(ends.from), mat_.toMat(ends.to));
  if (!mat_.entry().isOpen()) paintPointerLabel(painter, mat_, now_.onMat, textOfWay(desk_, ends.to - ends.from));
}

QString LineTool::hint() const {
  if (drawing_)
    return Mat::tr("Shift keeps to steps of 45° · M held draws from the middle · digits set the length, Tab the angle");
  if (desk_.tool() == ToolKind::Measure)
    return Mat::tr("Drag from one place to the other: the line says how far and at what angle · it is not delivered");
  return Mat::tr("Drag from one end to the other · Shift keeps to steps of 45° · a click lays a level line of 40 mm");
}

}  // namespace widecut
