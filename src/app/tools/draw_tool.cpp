#include "app/tools/draw_tool.h"

#include <QKeyEvent>
#include <QPainter>

#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/mat/pointer_label.h"
#include "app/tools/join_key.h"
#include "geometry/measure.h"
#include "painting/raster.h"
#include "project/edits/cutouts.h"
#include "project/edits/tree.h"
#include "project/names.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

constexpr double clickSize = 40 * pointsPerMillimetre;  // what a click without a drag draws

Box usualBox(Point middle) {
  const Point half{clickSize / 2, clickSize / 2};
  return {middle - half, middle + half};
}

struct ShapeWords {
  QString name, edit, hint;
};
QString polygonName(int corners) {
  switch (corners) {
    case 3:
      return Mat::tr("triangle");
    case 5:
      return Mat::tr("pentagon");
    case 6:
      return Mat::tr("hexagon");
    default:
      return Mat::tr("polygon");
  }
}

ShapeWords wordsFor(DrawTool::Shape shape, bool star, int corners) {
  switch (shape) {
    case DrawTool::Shape::Rectangle:
      return {
          Mat::tr("box"), Mat::tr("Draw rectangle"),
          Mat::tr(
              "Drag to draw a rectangle · Shift makes it a square · Alt draws from the middle · a click draws 40 mm")};
    case DrawTool::Shape::Ellipse:
      return {
          Mat::tr("disc"), Mat::tr("Draw ellipse"),
          Mat::tr(
              "Drag to draw an ellipse · Shift makes it a circle · Alt draws from the middle · a click draws 40 mm")};
    case DrawTool::Shape::Polygon:
      break;
  }
  return {star ? Mat::tr("star") : polygonName(corners), star ? Mat::tr("Draw star") : Mat::tr("Draw polygon"),
          Mat::tr("Drag to draw a polygon · Up and Down change its corners · Shift keeps it regular · Alt draws from "
                  "the middle")};
}

}  // namespace

Outline DrawTool::unitShape() const {
  switch (shape_) {
    case Shape::Rectangle:
      return rectangleOutline(1, 1);
    case Shape::Ellipse:
      return ellipseOutline(1, 1);
    case Shape::Polygon:
      break;
  }
  return desk_.depthForNew > 0 ? starOutline(1, 1, desk_.cornersForNew, desk_.depthForNew)
                               : polygonOutline(1, 1, desk_.cornersForNew);
}

Box DrawTool::drawn() const {
  Point way = now_.onSheet - pressed_.onSheet;
  if (now_.keys & Qt::ShiftModifier) {
    const double side = std::max(std::abs(way.x), std::abs(way.y));
    way = {std::copysign(side, way.x), std::copysign(side, way.y)};
  }
  const Point from = now_.keys & Qt::AltModifier ? pressed_.onSheet - way : pressed_.onSheet;
  return Box::between(from, pressed_.onSheet + way);
}

void DrawTool::press(const Pointer& p) {
  drawing_ = true;
  pressed_ = now_ = p;
  target_ = desk_.canJoin() ? desk_.onlyItem()->id : 0;
}

void DrawTool::drag(const Pointer& p) {
  now_ = p;
  showJoined();
}
void DrawTool::hover(const Pointer& p) { now_ = p; }

/// While it is being drawn, the item that it is joined to shows what it becomes.
void DrawTool::showJoined() {
  const auto role = join();
  Id made = 0;
  if (drawing_ && role && !drawn().isEmpty())
    trial_.show(withJoined(desk_.settled(), target_, shapeIn(drawn()), *role, made));
  else
    trial_.drop();
}

std::optional<Role> DrawTool::join() const { return target_ == 0 ? std::nullopt : desk_.joinForNew(); }

Item DrawTool::shapeIn(const Box& box) const {
  const ShapeWords words = wordsFor(shape_, desk_.depthForNew > 0, desk_.cornersForNew);
  const std::string name = UniqueNames(*desk_.sheet()).take(words.name.toStdString());
  return plainItem(desk_.settled().nextId, name, fitted(unitShape(), box), desk_.styleForNew);
}

void DrawTool::release(const Pointer& p) {
  if (!drawing_) return;
  now_ = p;
  drawing_ = false;
  const Box box = drawn();
  const double least = 2 / mat_.zoom();
  if (box.width() < least && box.height() < least)
    lay(usualBox(p.onSheet));
  else if (box.width() >= 0.01 && box.height() >= 0.01)  // a line is no area
    lay(box);
  else
    putAway();
}

/// Puts the shape down, and takes up the select tool.
void DrawTool::lay(const Box& box) {
  trial_.drop();
  const auto role = join();
  heldKey_ = 0;
  const ShapeWords words = wordsFor(shape_, desk_.depthForNew > 0, desk_.cornersForNew);
  Id made = desk_.settled().nextId;
  Project changed = role ? withJoined(desk_.settled(), target_, shapeIn(box), *role, made)
                         : withItemsOnTop(desk_.settled(), desk_.sheet()->id, {shapeIn(box)});
  desk_.commit(words.edit, std::move(changed));
  desk_.setTool(ToolKind::Select);
  desk_.select({made});
}

bool DrawTool::wants(const QKeyEvent& event) const {
  return event.modifiers() == Qt::NoModifier && roleOf(event.key()) && (drawing_ ? target_ != 0 : desk_.canJoin());
}

void DrawTool::keyUp(const QKeyEvent& event) {
  if (drawing_ && heldKey_ == event.key()) letGoOfKey();
}

bool DrawTool::key(QKeyEvent& event) {
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
  if ((event.key() == Qt::Key_Return || event.key() == Qt::Key_Enter) && !drawing_) {
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
  if (shape_ == Shape::Polygon && (event.key() == Qt::Key_Up || event.key() == Qt::Key_Down)) {
    desk_.setCornersForNew(desk_.cornersForNew + (event.key() == Qt::Key_Up ? 1 : -1));
    return true;
  }
  return false;
}

void DrawTool::putAway() {
  drawing_ = false;
  if (heldKey_ != 0) letGoOfKey();
  trial_.drop();
}

void DrawTool::letGoOfKey() {
  heldKey_ = 0;
  desk_.setJoinForNew(beforeHeld_);
  showJoined();
}

void DrawTool::paint(QPainter& painter) {
  if (!drawing_ || now_.onMat == pressed_.onMat) return;
  const Box box = drawn();
  const QString size = desk_.lengthText(box.width()) + " × " + desk_.lengthText(box.height());
  if (const auto role = join()) {
    // The result shows itself; of the new shape, what it does.
    painter.setPen(QPen(theme::colourOf(*role), 1.6, *role == Role::Add ? Qt::SolidLine : Qt::DashLine));
    painter.setBrush(Qt::NoBrush);
    painter.drawPath(mat_.sheetToMat().map(painterPath(fitted(unitShape(), box))));
    paintPointerLabel(painter, mat_, now_.onMat, theme::signOf(*role) + "  " + size);
    return;
  }
  painter.setPen(QPen(theme::plum, 1.4));
  QColor fill = painterColour(colourOf(desk_.styleForNew).value_or(Colour{255, 255, 255}));
  fill.setAlpha(170);
  painter.setBrush(fill);
  painter.drawPath(mat_.sheetToMat().map(painterPath(fitted(unitShape(), box))));
  paintPointerLabel(painter, mat_, now_.onMat, size);
}

QString DrawTool::hint() const {
  if (drawing_ && target_ != 0 && !join())
    return Mat::tr("Hold U, S, I or X to add it to the selected item, subtract, intersect or exclude it");
  return wordsFor(shape_, desk_.depthForNew > 0, desk_.cornersForNew).hint;
}

}  // namespace widecut
