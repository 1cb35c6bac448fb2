#include "app/mat/subject_marks.h"

#include <QPainter>
#include <QPainterPath>

#include "app/desk/desk.h"
#include "app/desk/subjects.h"
#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "painting/raster.h"
#include "project/edits/sharing.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr double corner = 16;  // pixels along each edge
const QColor onAmber(0x23, 0x30, 0x2E);

void paintTag(QPainter& painter, QRectF tag, const QString& text, const QColor& ground, const QColor& ink) {
  painter.setPen(Qt::NoPen);
  painter.setBrush(ground);
  painter.drawRoundedRect(tag, 3, 3);
  painter.setPen(ink);
  painter.drawText(tag, Qt::AlignCenter, text);
}

QRectF tagFor(const QPainter& painter, const QString& text) {
  QRectF tag = painter.fontMetrics().boundingRect(text);
  tag.setSize(tag.size() + QSizeF(12, 4));
  return tag;
}

void paintCorner(QPainter& painter, const Mat& mat, const Desk& desk, Id id, const QString& text) {
  const ItemPtr item = findItem(desk.project(), id);
  const Box box = item ? boxInFrame(*item) : Box{};
  if (box.isEmpty()) return;
  const Affine toSheet = frameToSheet(desk.project(), id);
  const auto at = [&](int index) { return mat.toMat(toSheet(box.corner(index))); };
  const auto along = [&](int index) {
    const QPointF way = at(index) - at(1);
    const double size = std::hypot(way.x(), way.y());
    return size > 0 ? at(1) + way * std::min(1.0, corner / size) : at(1);
  };
  painter.setPen(QPen(onAmber, 1));
  painter.setBrush(theme::amber);
  painter.drawPolygon(QPolygonF({at(1), along(0), along(2)}));
  QRectF tag = tagFor(painter, text);
  tag.moveBottomRight(at(1) - QPointF(0, 4));
  tag.moveLeft(std::max(tag.left(), rulerSize + 6.0));
  paintTag(painter, tag, text, theme::amber, onAmber);
}

}  // namespace

void paintSubjectMarks(QPainter& painter, const Mat& mat, const Desk& desk) {
  const auto troubles = desk.subjects().troubles();
  if (troubles.empty()) return;
  painter.save();
  painter.setFont(theme::font(11));
  for (const auto& [id, text] : troubles) paintCorner(painter, mat, desk, id, text);
  painter.restore();
}

void paintZones(QPainter& painter, const Mat& mat, const Desk& desk, const Item& item, const Medium& photo,
                const Affine& pixelsToSheet) {
  const std::vector<Subject>& subjects = subjectsOf(desk.project(), photo);
  std::vector<char> cut(subjects.size());
  for (const Id id : sharersOf(desk.project(), item.id))
    for (const SubjectSeen& seen : desk.subjects().cutBy(id))
      if (seen.index < cut.size()) cut[seen.index] = 1;
  painter.save();
  painter.setFont(theme::font(11));
  for (std::size_t i = 0; i < subjects.size(); ++i) {
    const QPainterPath zone = mat.sheetToMat().map(painterPath(transformed(subjects[i].zone, pixelsToSheet)));
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(QColor(28, 43, 40, 160), 3.4));
    painter.drawPath(zone);
    painter.setPen(QPen(cut[i] ? theme::amber : QColor(Qt::white), 1.6, cut[i] ? Qt::SolidLine : Qt::DashLine));
    painter.drawPath(zone);
    const QString name = QString::fromStdString(subjects[i].name);
    QRectF tag = tagFor(painter, name);
    const QRectF around = zone.boundingRect();
    tag.moveCenter({around.center().x(), around.bottom() + tag.height() / 2 + 3});
    paintTag(painter, tag, name, cut[i] ? theme::amber : theme::ink, cut[i] ? onAmber : theme::card);
  }
  painter.restore();
}

}  // namespace widecut
