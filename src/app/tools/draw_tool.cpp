#include "app/tools/draw_tool.h"

#include <QKeyEvent>
#include <QPainter>

#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/mat/pointer_label.h"
#include "geometry/measure.h"
#include "painting/raster.h"
#include "project/edits/tree.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

constexpr double clickSize = 40 * pointsPerMillimetre;  // what a click without a drag draws

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
}

void DrawTool::drag(const Pointer& p) { now_ = p; }
void DrawTool::hover(const Pointer& p) { now_ = p; }

void DrawTool::release(const Pointer& p) {
  if (!drawing_) return;
  now_ = p;
  drawing_ = false;
  Box box = drawn();
  const double least = 2 / mat_.zoom();
  if (box.width() < least && box.height() < least) {
    const Point half{clickSize / 2, clickSize / 2};
    box = {p.onSheet - half, p.onSheet + half};
  } else if (box.width() < 0.01 || box.height() < 0.01) {
    return;  // a line is no area
  }
  const ShapeWords words = wordsFor(shape_, desk_.depthForNew > 0, desk_.cornersForNew);
  const Id id = desk_.settled().nextId;
  Item item = plainItem(id, words.name.toStdString(), fitted(unitShape(), box), desk_.styleForNew);
  desk_.commit(words.edit, withItemsOnTop(desk_.settled(), desk_.sheet()->id, {std::move(item)}));
  desk_.setTool(ToolKind::Select);
  desk_.select({id});
}

bool DrawTool::key(QKeyEvent& event) {
  if (event.key() == Qt::Key_Escape) {
    if (drawing_)
      drawing_ = false;
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

void DrawTool::putAway() { drawing_ = false; }

void DrawTool::paint(QPainter& painter) {
  if (!drawing_ || now_.onMat == pressed_.onMat) return;
  const Box box = drawn();
  painter.setPen(QPen(theme::plum, 1.4));
  QColor fill = painterColour(colourOf(desk_.styleForNew).value_or(Colour{255, 255, 255}));
  fill.setAlpha(170);
  painter.setBrush(fill);
  painter.drawPath(mat_.sheetToMat().map(painterPath(fitted(unitShape(), box))));
  const QString size = QString("%1 × %2").arg(QString::fromStdString(measureText(box.width(), Unit::Millimetre, 1)),
                                              QString::fromStdString(measureText(box.height(), Unit::Millimetre, 1)));
  paintPointerLabel(painter, mat_, now_.onMat, size);
}

QString DrawTool::hint() const { return wordsFor(shape_, desk_.depthForNew > 0, desk_.cornersForNew).hint; }

}  // namespace widecut
