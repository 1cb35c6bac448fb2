// What lies under and around the items: the mat, the paper, rulers and lines that do not print.
#pragma once

#include <QPainter>

#include "app/desk/mat_view.h"
#include "project/model.h"

namespace widecut {

/// All that the ground is painted of, in logical pixels.
struct MatGround {
  QSize size;
  QPointF origin;   ///< The sheet's top left.
  double zoom = 1;  ///< Pixels per point.
  Id sheet = 0;
  Box page;
  double bleed = 0;
  std::vector<double> folds;
  Colour paper;
  Setting setting;
  MatView view = MatView::Usual;
  bool showsGrid = true;
  bool operator==(const MatGround&) const = default;

  QPointF toMat(Point p) const { return origin + QPointF(p.x, p.y) * zoom; }
  QRectF sheetArea() const { return {toMat(page.low), toMat(page.high)}; }
};

inline constexpr int rulerSize = 18;

void paintMat(QPainter& painter, const MatGround& ground);
/// The paper, and the lines on it that do not print: folds, margins, columns, the bleed's edge.
void paintPaper(QPainter& painter, const MatGround& ground);
/// Over what overhangs the sheet.
void paintVeil(QPainter& painter, const MatGround& ground);
void paintRulers(QPainter& painter, const MatGround& ground);
/// The outlines of a sheet's items, and of what groups and repeats show, as hair lines.
void paintEdges(QPainter& painter, const MatGround& ground, const Sheet& sheet);

}  // namespace widecut
