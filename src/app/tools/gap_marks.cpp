#include "app/tools/gap_marks.h"

#include "app/desk/preferences.h"
#include "app/desk/selecting.h"
#include "app/desk/trial.h"
#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/mat/size_entry.h"
#include "project/edits/places.h"

namespace widecut {
namespace {

constexpr double leastShown = 14;  // pixels of a gap, below which its number lies beside it

}  // namespace

std::vector<Gap> GapMarks::gaps() const {
  if (!preferences().showsGaps || desk_.selection().empty()) return {};
  auto all = gapsAround(desk_.project(), *desk_.sheet(), desk_.selection());
  std::erase_if(all, [](const Gap& gap) { return gap.length <= 0; });
  return all;
}

QRectF GapMarks::label(const Gap& gap) const {
  const QString text = desk_.lengthText(gap.length);
  QRectF box = QFontMetricsF(theme::font(11)).boundingRect(text);
  box.setSize(box.size() + QSizeF(10, 4));
  const QPointF a = mat_.toMat(gap.from), b = mat_.toMat(gap.to);
  const double room = gap.across ? std::abs(b.x() - a.x()) : std::abs(b.y() - a.y());
  box.moveCenter((a + b) / 2);
  if (room < (gap.across ? box.width() : box.height()) + leastShown)
    box.translate(gap.across ? QPointF(0, -box.height()) : QPointF(box.width() / 2 + 8, 0));
  // Far beyond the mat's edge it would not be seen.
  const QRectF inside = QRectF(mat_.rect()).adjusted(rulerSize + 4, rulerSize + 4, -4, -4);
  box.moveLeft(std::clamp(box.left(), inside.left(), inside.right() - box.width()));
  box.moveTop(std::clamp(box.top(), inside.top(), inside.bottom() - box.height()));
  return box;
}

std::optional<Gap> GapMarks::at(const Pointer& pointer) const {
  for (const Gap& gap : gaps())
    if (label(gap).contains(pointer.onMat)) return gap;
  return std::nullopt;
}

bool GapMarks::hover(const Pointer& pointer) {
  const auto gap = at(pointer);
  hot_ = gap ? std::optional(label(*gap)) : std::nullopt;
  return hot_.has_value();
}

bool GapMarks::press(const Pointer& pointer) {
  const auto gap = at(pointer);
  if (!gap) return false;
  held_ = true;
  const auto trial = std::make_shared<Trial>(desk_);
  const auto items = unlocked(desk_.settled(), desk_.selection());
  const auto show = [trial, gap = *gap, items, &desk = desk_](const std::vector<double>& values) {
    trial->show(withMapped(desk.settled(), items, Affine::move(wayTo(gap, values[0]))));
  };
  mat_.entry().open(label(*gap).bottomLeft(), {{Mat::tr("gap"), desk_.unit(), {}, gap->length}},
                    {show,
                     [trial, show, gap = *gap, &desk = desk_](const std::vector<double>& values) {
                       show(values);
                       if (trial->settle(Mat::tr("Set a gap")))
                         desk.noteAgain({Mat::tr("Set a gap"), movedBy(wayTo(gap, values[0]))});
                     },
                     [trial] { trial->drop(); }});
  return true;
}

void GapMarks::paint(QPainter& painter) const {
  painter.save();
  painter.setFont(theme::font(11));
  for (const Gap& gap : gaps()) {
    const QPointF a = mat_.toMat(gap.from), b = mat_.toMat(gap.to);
    const QPointF aside = gap.across ? QPointF(0, 5) : QPointF(5, 0);
    painter.setPen(QPen(QColor(255, 255, 255, 190), 3));
    painter.drawLine(a, b);
    painter.setPen(QPen(theme::plum, 1.2));
    painter.drawLine(a, b);
    for (const QPointF end : {a, b}) painter.drawLine(end - aside, end + aside);
    const QRectF box = label(gap);
    const bool isLit = hot_ && hot_->contains(box.center());
    painter.setBrush(isLit ? theme::plum : QColor(Qt::white));
    painter.drawRoundedRect(box, 3, 3);
    painter.setPen(isLit ? QColor(Qt::white) : theme::plum);
    painter.drawText(box, Qt::AlignCenter, desk_.lengthText(gap.length));
  }
  painter.restore();
}

QString GapMarks::hint() const { return Mat::tr("Click to type how wide this gap is to be: the selection moves"); }

}  // namespace widecut
