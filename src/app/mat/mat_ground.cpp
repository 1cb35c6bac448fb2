#include "app/mat/mat_ground.h"

#include <QPainterPath>
#include <cmath>

#include "app/look/theme.h"
#include "painting/raster.h"
#include "project/columns.h"
#include "project/forms/form.h"
#include "project/resolve.h"

namespace widecut {
namespace {

/// The ruler's step, in its unit, at which numbers do not crowd.
double rulerStep(double pixelsPerUnit) {
  constexpr double roomy = 46;
  for (double power = 1e-3; power < 1e7; power *= 10)
    for (const double step : {1, 2, 5})
      if (step * power * pixelsPerUnit >= roomy) return step * power;
  return 1e7;
}

QString numberOf(double value) { return QString::number(value == 0 ? 0.0 : value, 'g', 6); }

void paintChecks(QPainter& painter, const QRectF& area) {
  constexpr double check = 8;
  painter.save();
  painter.setClipRect(area, Qt::IntersectClip);
  painter.fillRect(area, Qt::white);
  for (int row = 0; row * check < area.height(); ++row)
    for (int column = row % 2; column * check < area.width(); column += 2)
      painter.fillRect(QRectF(area.left() + column * check, area.top() + row * check, check, check),
                       QColor(0xD9, 0xD9, 0xD6));
  painter.restore();
}

/// Margins, and the columns between them.
void paintSetting(QPainter& painter, const MatGround& g) {
  const Setting& s = g.setting;
  const Box inside{{g.page.low.x + s.left, g.page.low.y + s.top}, {g.page.high.x - s.right, g.page.high.y - s.bottom}};
  const bool hasMargins = s.left > 0 || s.top > 0 || s.right > 0 || s.bottom > 0;
  if ((!hasMargins && s.columns < 2) || inside.width() <= 0 || inside.height() <= 0) return;
  painter.setPen(QPen(QColor(0x6C, 0x9E, 0xB8, 150), 1));
  painter.setBrush(Qt::NoBrush);
  const auto onPixels = [](QRectF r) { return QRectF(r.toRect()).translated(0.5, 0.5); };
  Sheet sheet;
  sheet.width = g.page.width();
  sheet.height = g.page.height();
  for (const Box& column : columnsOf(sheet, s)) painter.drawRect(onPixels({g.toMat(column.low), g.toMat(column.high)}));
}

/// The grid of the piece, as far as its lines stand apart; every fifth of them is plainer.
void paintGrid(QPainter& painter, const MatGround& g) {
  constexpr double leastApart = 5;  // pixels
  constexpr int plainer = 5;
  const double step = g.setting.grid * g.zoom;
  if (!g.showsGrid || !(g.setting.grid > 0)) return;
  const int every = step >= leastApart ? 1 : plainer;
  if (step * every < leastApart) return;
  painter.setRenderHint(QPainter::Antialiasing, false);
  const QRectF area = g.sheetArea().intersected(QRectF({0, 0}, QSizeF(g.size)));
  const auto pen = [&](int i) {
    painter.setPen(QPen(i % plainer == 0 ? QColor(0x2B, 0x5C, 0x9E, 90) : QColor(0x2B, 0x5C, 0x9E, 44), 1));
  };
  for (int i = static_cast<int>(std::ceil((area.left() - g.origin.x()) / step));
       g.origin.x() + i * step <= area.right(); ++i) {
    if (i % every != 0) continue;
    pen(i);
    painter.drawLine(QPointF(g.origin.x() + i * step, area.top()), QPointF(g.origin.x() + i * step, area.bottom()));
  }
  for (int i = static_cast<int>(std::ceil((area.top() - g.origin.y()) / step));
       g.origin.y() + i * step <= area.bottom(); ++i) {
    if (i % every != 0) continue;
    pen(i);
    painter.drawLine(QPointF(area.left(), g.origin.y() + i * step), QPointF(area.right(), g.origin.y() + i * step));
  }
}

void addEdges(const Item& item, const Affine& parent, QPainterPath& path) {
  if (!item.isShown()) return;
  const Affine frame = parent * item.toParent();
  if (!showsChildren(item.form)) {
    path.addPath(painterPath(transformed(resolved(item)->outline, frame)));
    return;
  }
  for (const auto& [number, copy] : copiesOf(item.form))
    for (const ItemPtr& child : childrenOf(item)) addEdges(*child, frame * copy, path);
}

}  // namespace

void paintMat(QPainter& painter, const MatGround& g) {
  painter.fillRect(QRect({0, 0}, g.size), theme::mat);
  double step = 10 * pointsPerMillimetre * g.zoom;
  while (step < 7) step *= 10;
  painter.setPen(theme::matLine);
  const auto first = [&](double origin) { return origin - std::ceil(origin / step) * step; };
  for (double x = first(g.origin.x()); x < g.size.width(); x += step)
    painter.drawLine(QPointF(x, 0), QPointF(x, g.size.height()));
  for (double y = first(g.origin.y()); y < g.size.height(); y += step)
    painter.drawLine(QPointF(0, y), QPointF(g.size.width(), y));
}

void paintPaper(QPainter& painter, const MatGround& g) {
  const QRectF area = g.sheetArea();
  // The sheet may end within a pixel; then its paper must not show beyond what lies on it.
  painter.setRenderHint(QPainter::Antialiasing);
  painter.fillRect(area.translated(3, 4), QColor(20, 34, 31, 110));
  if (g.view == MatView::SeeThrough)
    paintChecks(painter, area);
  else
    painter.fillRect(area, g.view == MatView::Edges ? QColor(Qt::white) : painterColour(g.paper));
  painter.setRenderHint(QPainter::Antialiasing, false);
  if (g.view == MatView::Paper) return;
  paintGrid(painter, g);
  paintSetting(painter, g);
  painter.setPen(QPen(QColor(0xC9, 0x8F, 0x80), 1, Qt::DotLine));
  for (const double x : g.folds) painter.drawLine(g.toMat({x, g.page.low.y}), g.toMat({x, g.page.high.y}));
  if (g.bleed <= 0) return;
  const Box edge = g.page.grown(g.bleed);
  painter.setPen(QPen(QColor(0xC9, 0x8F, 0x80, 150), 1));
  painter.setBrush(Qt::NoBrush);
  painter.drawRect(QRectF(QRectF(g.toMat(edge.low), g.toMat(edge.high)).toRect()).translated(0.5, 0.5));
}

void paintVeil(QPainter& painter, const MatGround& g) {
  QPainterPath beyond;
  beyond.addRect(QRect({0, 0}, g.size));
  beyond.addRect(g.sheetArea());
  QColor veil = theme::mat;
  // Of what overhangs nothing prints; otherwise it stays visible but steps back.
  veil.setAlpha(g.view == MatView::Paper ? 255 : 175);
  painter.fillPath(beyond, veil);
}

void paintRulers(QPainter& painter, const MatGround& g) {
  const int width = g.size.width(), height = g.size.height();
  painter.fillRect(0, 0, width, rulerSize, theme::sand);
  painter.fillRect(0, 0, rulerSize, height, theme::sand);
  painter.setFont(theme::font(10));
  painter.setPen(theme::slate);
  const double unit = pointsPer(g.setting.unit) * g.zoom, step = rulerStep(unit), pixels = step * unit;
  for (int i = static_cast<int>(std::ceil((rulerSize - g.origin.x()) / pixels)); g.origin.x() + i * pixels < width;
       ++i) {
    const double x = std::round(g.origin.x() + i * pixels);
    painter.drawLine(QPointF(x, rulerSize - 6), QPointF(x, rulerSize - 1));
    painter.drawText(QPointF(x + 3, rulerSize - 6), numberOf(i * step));
  }
  for (int i = static_cast<int>(std::ceil((rulerSize - g.origin.y()) / pixels)); g.origin.y() + i * pixels < height;
       ++i) {
    const double y = std::round(g.origin.y() + i * pixels);
    painter.drawLine(QPointF(rulerSize - 6, y), QPointF(rulerSize - 1, y));
    painter.save();
    painter.translate(rulerSize - 7, y - 3);
    painter.rotate(-90);
    painter.drawText(QPointF(0, 0), numberOf(i * step));
    painter.restore();
  }
  painter.fillRect(0, 0, rulerSize, rulerSize, theme::sand);
  painter.setPen(theme::rule);
  painter.drawLine(rulerSize, rulerSize, width, rulerSize);
  painter.drawLine(rulerSize, rulerSize, rulerSize, height);
}

void paintEdges(QPainter& painter, const MatGround& g, const Sheet& sheet) {
  QPainterPath path;
  for (const ItemPtr& item : sheet.items) addEdges(*item, {}, path);
  QTransform toMat = QTransform::fromTranslate(g.origin.x(), g.origin.y());
  toMat.scale(g.zoom, g.zoom);
  painter.save();
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setPen(QPen(theme::ink, 1));
  painter.setBrush(Qt::NoBrush);
  painter.drawPath(toMat.map(path));
  painter.restore();
}

}  // namespace widecut
