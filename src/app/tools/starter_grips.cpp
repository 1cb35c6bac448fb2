#include "app/tools/starter_grips.h"

#include "app/look/in_qt.h"
#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/mat/pointer_label.h"
#include "project/edits/starters.h"

namespace widecut {
namespace {

constexpr double size = 5.5, leastSide = 40;  // pixels

/// The value without digits that nobody meant: tenths of a per cent, of a degree and of a millimetre.
double asPeopleWriteIt(const StarterNumber& number, double value) {
  const double step = number.kind == NumberKind::Share    ? 0.001
                      : number.kind == NumberKind::Angle  ? 0.1
                      : number.kind == NumberKind::Times  ? 0.01
                      : number.kind == NumberKind::Length ? 0.1 * pointsPerMillimetre
                                                          : 1;
  return within(number, std::round(value / step) * step);
}

/// From the space that a kind draws in to the sheet.
Affine drawnToSheet(const Project& project, const Item& item) {
  return frameToSheet(project, item.id) * starterOf(item)->content().stretch;
}

/// The handle's place in the space that the kind draws in.
Point placeIn(const Starter& starter, const NumberHandle& handle) {
  const Starter::Content& c = starter.content();
  return handle.at(starterOutline(*c.kind, c.size, c.numbers), c.numbers);
}

}  // namespace

ItemPtr StarterGrips::item() const {
  const ItemPtr item = desk_.onlyItem();
  const Starter* starter = item && !item->locked ? starterOf(*item) : nullptr;
  if (!starter) return nullptr;
  const StarterSize frame = starter->content().size;
  return std::min(frame.width, frame.height) * mat_.zoom() >= leastSide || isHeld() ? item : nullptr;
}

QPointF StarterGrips::placeOf(const Item& item, std::size_t handle) const {
  const Starter& starter = *starterOf(item);
  return mat_.toMat(drawnToSheet(desk_.project(), item)(placeIn(starter, starter.kind().handles[handle])));
}

std::optional<std::size_t> StarterGrips::handleAtPointer(const Pointer& pointer) const {
  const ItemPtr now = item();
  if (!now) return std::nullopt;
  for (std::size_t i = 0; i < starterOf(*now)->kind().handles.size(); ++i) {
    const QPointF off = placeOf(*now, i) - pointer.onMat;
    if (std::hypot(off.x(), off.y()) <= reach) return i;
  }
  return std::nullopt;
}

bool StarterGrips::hover(const Pointer& pointer) {
  hot_ = handleAtPointer(pointer);
  return hot_.has_value();
}

bool StarterGrips::press(const Pointer& pointer) {
  hot_ = handleAtPointer(pointer);
  if (hot_) held_ = Held{item()->id, *hot_};
  return isHeld();
}

void StarterGrips::drag(const Pointer& pointer) {
  const ItemPtr before = held_ ? findItem(desk_.settled(), held_->item) : nullptr;
  const Starter* starter = before ? starterOf(*before) : nullptr;
  const auto back = starter ? drawnToSheet(desk_.settled(), *before).inverse() : std::nullopt;
  if (!back) return;
  const Starter::Content& c = starter->content();
  const NumberHandle& handle = c.kind->handles[held_->handle];
  auto numbers = dragged(*c.kind, c.size, c.numbers, handle, (*back)(pointer.onSheet));
  for (const int index : {handle.number, handle.second})
    if (index >= 0) {
      const auto i = static_cast<std::size_t>(index);
      numbers[i] = asPeopleWriteIt(c.kind->numbers[i], numbers[i]);
    }
  trial_.show(withNumbers(desk_.settled(), held_->item, numbers));
}

void StarterGrips::release() {
  const ItemPtr now = held_ ? findItem(desk_.project(), held_->item) : nullptr;
  const Starter* starter = now ? starterOf(*now) : nullptr;
  if (starter) {
    const NumberHandle& handle = starter->kind().handles[held_->handle];
    trial_.settle(
        Mat::tr("Change %1").arg(inQt(starter->kind().numbers[static_cast<std::size_t>(handle.number)].name)));
  }
  letGo();
}

void StarterGrips::letGo() {
  held_.reset();
  hot_.reset();
}

bool StarterGrips::wheel(const Pointer& pointer, double steps) {
  const ItemPtr now = item();
  if (!now || isHeld() || !handleAtPointer(pointer)) return false;
  const Starter& starter = *starterOf(*now);
  auto numbers = starter.content().numbers;
  for (std::size_t i = 0; i < numbers.size(); ++i)
    if (const NumberKind sort = starter.kind().numbers[i].kind;
        sort == NumberKind::Count || sort == NumberKind::Times) {
      numbers[i] += std::copysign(starter.kind().numbers[i].step, steps);
      desk_.commit(Mat::tr("Change %1").arg(inQt(starter.kind().numbers[i].name)),
                   withNumbers(desk_.settled(), now->id, numbers));
      return true;
    }
  return false;
}

QString StarterGrips::numbersOf(const Starter& starter, std::size_t handle) const {
  const NumberHandle& h = starter.kind().handles[handle];
  QString told;
  for (const int index : {h.number, h.second}) {
    if (index < 0) continue;
    const StarterNumber& number = starter.kind().numbers[static_cast<std::size_t>(index)];
    const double value = asPeopleWriteIt(number, starter.content().numbers[static_cast<std::size_t>(index)]);
    const QString text = number.kind == NumberKind::Length
                             ? desk_.lengthText(value)
                             : QString::fromStdString(valueText(number, value, desk_.unit()));
    told += (told.isEmpty() ? "" : ", ") + inQt(number.name) + " " + text;
  }
  return told;
}

void StarterGrips::paint(QPainter& painter) const {
  const ItemPtr now = item();
  if (!now) return;
  const Starter& starter = *starterOf(*now);
  for (std::size_t i = 0; i < starter.kind().handles.size(); ++i) {
    const bool lit = (held_ && held_->handle == i) || (!held_ && hot_ == i);
    const QPointF at = placeOf(*now, i);
    const double r = lit ? size + 1.5 : size;
    painter.setPen(QPen(lit ? theme::plum : QColor(Qt::white), 1.4));
    painter.setBrush(lit ? QColor(Qt::white) : theme::plum);
    painter.drawPolygon(QPolygonF({at + QPointF(0, -r), at + QPointF(r, 0), at + QPointF(0, r), at + QPointF(-r, 0)}));
    if (lit) paintPointerLabel(painter, mat_, at, numbersOf(starter, i));
  }
}

QString StarterGrips::hint() const {
  const ItemPtr now = item();
  if (!now) return {};
  const StarterKind& kind = starterOf(*now)->kind();
  for (const StarterNumber& number : kind.numbers)
    if (number.kind == NumberKind::Count || number.kind == NumberKind::Times)
      return Mat::tr("Drag the handle to change the shape · the wheel changes its %1 · Esc puts it back")
          .arg(inQt(number.name));
  return Mat::tr("Drag the handle to change the shape · Esc puts it back");
}

}  // namespace widecut
