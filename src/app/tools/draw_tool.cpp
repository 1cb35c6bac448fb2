#include "app/tools/draw_tool.h"

#include <QKeyEvent>
#include <QPainter>

#include "app/desk/offer.h"
#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/mat/pointer_label.h"
#include "app/mat/size_entry.h"
#include "app/tools/join_key.h"
#include "app/tools/starter_entry.h"
#include "app/tools/tool_table.h"
#include "painting/raster.h"
#include "project/edits/cutouts.h"
#include "project/edits/starters.h"
#include "project/edits/tree.h"
#include "project/limits.h"

namespace widecut {
namespace {

constexpr double leastSide = 0.01;  // points: less is no area

QString nameNow(const Desk& desk) {
  return QString::fromStdString(nameOfStarter(*desk.nextKind(), desk.nextNumbers()));
}
/// What the tool in hand draws, as its hint and the step are called.
QString shapeName(const Desk& desk) {
  const bool isPlain = desk.tool() == ToolKind::Rectangle || desk.tool() == ToolKind::Ellipse;
  return isPlain ? toolEntry(desk.tool()).words().toLower() : nameNow(desk);
}

}  // namespace

Box DrawTool::usualBox(Point middle) const {
  const StarterSize size = usualSize(*desk_.nextKind(), desk_.nextNumbers());
  const Point half{size.width / 2, size.height / 2};
  return {middle - half, middle + half};
}

/// A shape about a place near the edge of the sheet would lie half outside: there it is laid by its corner.
Box DrawTool::onSheetFrom(const Box& box) const {
  const Box sheet = desk_.sheet()->box();
  if (!sheet.contains(box.centre()) || box.width() > sheet.width() || box.height() > sheet.height()) return box;
  const auto side = [](double low, double high, double least, double most) {
    const double half = (high - low) / 2;
    return low < least ? half : high > most ? -half : 0;
  };
  const Point by{side(box.low.x, box.high.x, sheet.low.x, sheet.high.x),
                 side(box.low.y, box.high.y, sheet.low.y, sheet.high.y)};
  return {box.low + by, box.high + by};
}

Outline DrawTool::shapeOutline(const Box& box) const {
  const Outline outline = starterOutline(*desk_.nextKind(), {box.width(), box.height()}, desk_.nextNumbers());
  return transformed(outline, Affine::move(box.centre()));
}

Box DrawTool::drawn() const {
  Point way = now_.onSheet - pressed_.onSheet;
  const bool fromMiddle = now_.keys & Qt::AltModifier;
  if (typed_) {
    const double part = fromMiddle ? 0.5 : 1;
    way = {std::copysign(typed_->width * part, way.x), std::copysign(typed_->height * part, way.y)};
  } else if (now_.keys & Qt::ShiftModifier) {
    // In the proportions of its kind; the longer way is its longer side.
    const StarterSize size = usualSize(*desk_.nextKind(), desk_.nextNumbers());
    const double scale = std::max(std::abs(way.x), std::abs(way.y)) / std::max(size.width, size.height);
    way = {std::copysign(scale * size.width, way.x), std::copysign(scale * size.height, way.y)};
  }
  const Point from = fromMiddle ? pressed_.onSheet - way : pressed_.onSheet;
  return Box::between(from, pressed_.onSheet + way);
}

void DrawTool::press(const Pointer& p) {
  if (!desk_.nextKind()) return;
  drawing_ = true;
  typed_.reset();
  pressed_ = now_ = snapper_.resting(p);
  target_ = desk_.canJoin() ? desk_.onlyItem()->id : 0;
}

void DrawTool::drag(const Pointer& p) {
  asDragged_ = p;
  now_ = atRest(p);
  showJoined();
}
void DrawTool::hover(const Pointer& p) {
  if (desk_.nextKind()) now_ = snapper_.resting(p);
}

Pointer DrawTool::atRest(const Pointer& p) {
  // From the middle a corner is a place like any other.
  if (p.keys & (Qt::AltModifier | Qt::ShiftModifier)) return snapper_.resting(p);
  Pointer rest = p;
  rest.onSheet = snapper_.cornered(p.onSheet, pressed_.onSheet, p);
  return rest;
}

/// While it is being drawn, the item that it is joined to shows what it becomes.
void DrawTool::showJoined() {
  const auto role = join();
  Id made = 0;
  const Box box = drawing_ ? drawn() : Box{};
  if (drawing_ && role && box.width() >= leastSide && box.height() >= leastSide)
    trial_.show(withJoined(desk_.settled(), target_, shapeIn(box), *role, made));
  else
    trial_.drop();
}

std::optional<Role> DrawTool::join() const { return target_ == 0 ? std::nullopt : desk_.joinForNew(); }

Item DrawTool::shapeIn(const Box& box) const { return newStarter(desk_, *desk_.nextKind(), desk_.nextNumbers(), box); }

void DrawTool::release(const Pointer& p) {
  if (!drawing_) return;
  const bool isClick = p.onMat == pressed_.onMat;
  now_ = isClick ? pressed_ : atRest(p);
  drawing_ = false;
  mat_.entry().finish();
  const Box box = drawn();
  const double least = 2 / mat_.zoom();
  if (!typed_ && box.width() < least && box.height() < least) {
    const bool apart = !join();
    const Id made = lay(onSheetFrom(usualBox(now_.onSheet)));
    if (apart) openStarterEntry(mat_, desk_, made, p.onMat);
  } else if (box.width() >= leastSide && box.height() >= leastSide) {
    lay(box);
  } else {
    putAway();
  }
}

Id DrawTool::lay(const Box& box) {
  trial_.drop();
  drawing_ = false;
  snapper_.end();
  const auto role = join();
  heldKey_ = 0;
  const StarterKind& kind = *desk_.nextKind();
  Id made = desk_.settled().nextId;
  Project changed = role ? withJoined(desk_.settled(), target_, shapeIn(box), *role, made)
                         : withItemsOnTop(desk_.settled(), desk_.sheet()->id, {shapeIn(box)});
  desk_.commit(Mat::tr("Draw %1").arg(shapeName(desk_)), std::move(changed));
  desk_.noteUse(kind);
  desk_.setTool(ToolKind::Select);
  desk_.select({made});
  return made;
}

bool DrawTool::wants(const QKeyEvent& event) const {
  if (drawing_ && SizeEntry::isNumber(event)) return true;
  return event.modifiers() == Qt::NoModifier && roleOf(event.key()) && (drawing_ ? target_ != 0 : desk_.canJoin());
}

void DrawTool::keyUp(const QKeyEvent& event) {
  if (drawing_ && heldKey_ == event.key()) letGoOfKey();
}

bool DrawTool::changeCount(int by) {
  if (!desk_.nextKind()) return false;
  auto numbers = desk_.nextNumbers();
  for (std::size_t i = 0; i < numbers.size(); ++i)
    if (desk_.nextKind()->numbers[i].kind == NumberKind::Count) {
      numbers[i] += by;
      desk_.setNextNumbers(std::move(numbers));
      showJoined();
      return true;
    }
  return false;
}

bool DrawTool::wheel(const Pointer&, double steps) { return drawing_ && changeCount(steps > 0 ? 1 : -1); }

/// Digits during a drag open the entry, which has the keys until Enter lays the shape.
void DrawTool::typeSize(const QKeyEvent& key) {
  const Box box = drawn();
  const auto take = [this](const std::vector<double>& values) {
    typed_ = StarterSize{std::clamp(values[0], leastSide, limits::mostLength),
                         std::clamp(values[1], leastSide, limits::mostLength)};
    showJoined();
    mat_.update();
  };
  mat_.entry().open(
      now_.onMat,
      {{Mat::tr("width"), desk_.unit(), {}, box.width()}, {Mat::tr("height"), desk_.unit(), {}, box.height()}},
      {take,
       [this, take](const std::vector<double>& values) {
         if (!drawing_) return;
         take(values);
         lay(drawn());
       },
       [this] { typed_.reset(); }});
  mat_.entry().begin(key);
}

bool DrawTool::key(QKeyEvent& event) {
  if (drawing_ && snapper_.takes(event)) {
    drag(asDragged_);
    return true;
  }
  if (drawing_ && SizeEntry::isNumber(event)) {
    typeSize(event);
    return true;
  }
  if (const auto role = roleOf(event.key()); role && wants(event)) {
    if (drawing_ && heldKey_ == event.key()) return true;  // it repeats itself
    if (drawing_) {
      if (heldKey_ == 0) beforeHeld_ = desk_.joinForNew();
      heldKey_ = event.key();
      desk_.setJoinForNew(role);
      showJoined();
    } else {
      desk_.setJoinForNew(desk_.joinForNew() == role ? std::nullopt : role);
    }
    return true;
  }
  if ((event.key() == Qt::Key_Return || event.key() == Qt::Key_Enter) && !drawing_ && desk_.nextKind()) {
    target_ = desk_.canJoin() ? desk_.onlyItem()->id : 0;
    lay(usualBox(desk_.sheet()->box().centre()));
    return true;
  }
  if (event.key() == Qt::Key_Escape) {
    if (drawing_)
      putAway();
    else
      desk_.setTool(ToolKind::Select);
    return true;
  }
  if (event.key() == Qt::Key_Up || event.key() == Qt::Key_Down) return changeCount(event.key() == Qt::Key_Up ? 1 : -1);
  return false;
}

void DrawTool::putAway() {
  drawing_ = false;
  snapper_.end();
  typed_.reset();
  mat_.entry().drop();
  if (heldKey_ != 0) letGoOfKey();
  trial_.drop();
}

void DrawTool::letGoOfKey() {
  heldKey_ = 0;
  desk_.setJoinForNew(beforeHeld_);
  showJoined();
}

void DrawTool::paint(QPainter& painter) {
  if (!typed_ && desk_.nextKind()) snapper_.paint(painter);
  if (!drawing_ || (now_.onMat == pressed_.onMat && !typed_)) return;
  const Box box = drawn();
  if (box.width() < leastSide || box.height() < leastSide) return;
  const QString size = desk_.lengthText(box.width()) + " × " + desk_.lengthText(box.height());
  const QPainterPath path = mat_.sheetToMat().map(painterPath(shapeOutline(box)));
  if (const auto role = join()) {
    // The result shows itself; of the new shape, what it does.
    painter.setPen(QPen(theme::colourOf(*role), 1.6, *role == Role::Add ? Qt::SolidLine : Qt::DashLine));
    painter.setBrush(Qt::NoBrush);
    painter.drawPath(path);
    if (!mat_.entry().isOpen()) paintPointerLabel(painter, mat_, now_.onMat, theme::signOf(*role) + "  " + size);
    return;
  }
  painter.setPen(QPen(theme::plum, 1.4));
  QColor fill = painterColour(colourOf(desk_.styleForNew).value_or(Colour{255, 255, 255}));
  fill.setAlpha(170);
  painter.setBrush(fill);
  painter.drawPath(path);
  if (!mat_.entry().isOpen()) paintPointerLabel(painter, mat_, now_.onMat, size);
}

QString DrawTool::hint() const {
  if (!desk_.nextKind()) return Mat::tr("Choose a shape below, by its picture or by typing its name");
  if (drawing_ && target_ != 0 && !join())
    return Mat::tr("Hold U, S, I or X to add it to the selected item, subtract, intersect or exclude it");
  if (drawing_)
    return Mat::tr("Shift keeps its proportions · M held draws from the middle · digits set its size exactly");
  return Mat::tr(
             "Drag to draw the %1, or click for its usual size and type another one · Shift keeps its proportions · "
             "M held draws from the middle")
      .arg(shapeName(desk_));
}

}  // namespace widecut
