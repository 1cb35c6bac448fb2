#include "app/tools/paint_grips.h"

#include "app/look/in_qt.h"
#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/mat/pointer_label.h"
#include "painting/raster.h"
#include "project/edits/colours.h"
#include "project/edits/levels.h"
#include "project/resolve.h"
#include "scene/line_marks.h"

namespace widecut {

struct PaintGrips::Laid {
  ItemPtr item;
  PaintPlace place;
  Gradient gradient;
  Affine unitToSheet;

  Point from() const { return unitToSheet(gradient.from); }
  Point to() const { return unitToSheet(gradient.to); }
  /// The end of the other axis of a radial one.
  Point across() const {
    const Point way = to() - from();
    return from() + Point{-way.y, way.x} * gradient.across;
  }
};

std::optional<PaintGrips::Laid> PaintGrips::laid(const Project& project) const {
  const ItemPtr shown = desk_.onlyItem();
  const auto place = desk_.chosenPaint();
  if (!shown || shown->locked || !place || place->isLine) return std::nullopt;
  const ItemPtr item = findItem(project, shown->id);
  if (!item || !isThere(*item->style, *place)) return std::nullopt;
  const auto* gradient = std::get_if<Gradient>(&item->style->fills[place->index].paint);
  if (!gradient) return std::nullopt;
  Affine unit = frameToSheet(project, item->id) * unitTo(resolved(*item)->box);
  const auto chain = chainTo(project, item->id);
  if (gradient->reach == Reach::Sheet) unit = unitTo(desk_.sheet()->box());
  if (gradient->reach == Reach::Whole && chain.size() > 1)
    unit = frameToSheet(project, chain.front()->id) * unitTo(boxInFrame(*chain.front()));
  return Laid{item, *place, *gradient, unit};
}

std::optional<std::size_t> PaintGrips::shadowOf(const Item& item) const {
  const auto& effects = item.style->effects;
  for (std::size_t i = effects.size(); i-- > 0;)
    if (effects[i].shown && effects[i].kind == EffectKind::Shadow) return i;
  return std::nullopt;
}

const PaintGrips::Surface* PaintGrips::surface() const {
  const ItemPtr shown = desk_.onlyItem();
  const ItemPtr item = shown && !shown->locked ? findItem(desk_.project(), shown->id) : nullptr;
  const Fill* fill = item ? levelFillOf(*item->style) : nullptr;
  if (!fill) return nullptr;
  if (!surface_ || surface_->item != item) {
    const auto along = lineOf(*fill->level, resolved(*item)->box);
    const auto line =
        levelLine({resolved(*item)->outline}, fill->level->share, fill->level->by, along ? &*along : nullptr);
    if (!line) return nullptr;
    surface_ = Surface{item, *fill->level, *line, {}};
  }
  surface_->toSheet = frameToSheet(desk_.project(), item->id);
  return &*surface_;
}

void PaintGrips::dragLevel(const Pointer& pointer) {
  const Surface* now = surface();
  const auto back = now ? now->toSheet.inverse() : std::nullopt;
  if (!back) return;
  const auto along = lineOf(now->level, resolved(*now->item)->box);
  const auto through =
      shareThrough({resolved(*now->item)->outline}, (*back)(pointer.onSheet), now->level.by, along ? &*along : nullptr);
  if (!through) return;
  const double step = pointer.keys & Qt::ShiftModifier ? 0.05 : 0.01;
  const double share = std::clamp(std::round(*through / step) * step, 0.0, 1.0);
  trial_.show(withStyle(desk_.settled(), desk_.selection(), [&](Style& style) { setLevel(style, share); }));
}

std::vector<PaintGrips::Handle> PaintGrips::handles() const {
  std::vector<Handle> out;
  if (const Surface* now = surface()) out.push_back({What::Level, 0, now->toSheet(now->line.grip(now->level.by))});
  if (const auto now = laid(desk_.project())) {
    out.push_back({What::From, 0, now->from()});
    out.push_back({What::To, 0, now->to()});
    if (now->gradient.kind == GradientKind::Radial) out.push_back({What::Across, 0, now->across()});
    if (now->gradient.kind != GradientKind::Conical)
      for (std::size_t i = 1; i + 1 < now->gradient.stops.size(); ++i)
        out.push_back({What::Stop, i, mix(now->from(), now->to(), now->gradient.stops[i].at)});
  }
  const ItemPtr item = desk_.shows(Aside::Finish) ? desk_.onlyItem() : nullptr;
  const auto shadow = item && !item->locked ? shadowOf(*item) : std::nullopt;
  if (shadow) {
    const Effect& effect = item->style->effects[*shadow];
    const double angle = radians(effect.numbers[1]);
    out.push_back(
        {What::Shadow, *shadow,
         boxOnSheet(desk_.project(), item->id).centre() + Point{std::cos(angle), std::sin(angle)} * effect.numbers[0]});
  }
  return out;
}

std::optional<PaintGrips::Handle> PaintGrips::handleAt(const Pointer& pointer) const {
  std::optional<Handle> found;
  double best = reach;
  for (const Handle& handle : handles()) {
    const QPointF off = mat_.toMat(handle.at) - pointer.onMat;
    const double distance = std::hypot(off.x(), off.y());
    if (distance > best) continue;
    best = distance;
    found = handle;
  }
  return found;
}

bool PaintGrips::hover(const Pointer& pointer) {
  hot_ = handleAt(pointer);
  return hot_.has_value();
}

bool PaintGrips::press(const Pointer& pointer) {
  held_ = hot_ = handleAt(pointer);
  if (held_ && held_->what == What::Stop) desk_.chooseStop(held_->stop);
  return isHeld();
}

void PaintGrips::dragShadow(const Pointer& pointer) {
  const ItemPtr item = desk_.onlyItem();
  if (!item) return;
  const Point off = pointer.onSheet - boxOnSheet(desk_.settled(), item->id).centre();
  double distance = length(off), angle = distance > 0 ? degrees(std::atan2(off.y, off.x)) : 0;
  distance = std::round(distance * 10) / 10;
  constexpr double step = 15;
  angle = pointer.keys & Qt::ShiftModifier ? std::round(angle / step) * step : std::round(angle);
  trial_.show(withStyle(desk_.settled(), desk_.selection(), [&](Style& style) {
    if (held_->stop >= style.effects.size()) return;
    style.effects[held_->stop].numbers[0] = distance;
    style.effects[held_->stop].numbers[1] = angle;
  }));
}

void PaintGrips::drag(const Pointer& pointer) {
  if (!held_) return;
  if (held_->what == What::Shadow) {
    dragShadow(pointer);
    return;
  }
  if (held_->what == What::Level) {
    dragLevel(pointer);
    return;
  }
  const auto before = laid(desk_.settled());
  const auto back = before ? before->unitToSheet.inverse() : std::nullopt;
  if (!back) return;
  Gradient gradient = before->gradient;
  Point at = pointer.onSheet;
  const bool isFrom = held_->what == What::From;
  if ((pointer.keys & Qt::ShiftModifier) && (isFrom || held_->what == What::To)) {
    // In steps of 45° about the other end.
    const Point pivot = isFrom ? before->to() : before->from(), way = at - pivot;
    const double step = pi / 4, angle = std::round(std::atan2(way.y, way.x) / step) * step;
    at = pivot + Point{std::cos(angle), std::sin(angle)} * length(way);
  }
  const Point way = before->to() - before->from(), unit = (*back)(at);
  const double size = std::max(length(way), 1e-9);
  const auto fine = [](Point p) { return Point{std::round(p.x * 1e4) / 1e4, std::round(p.y * 1e4) / 1e4}; };
  switch (held_->what) {
    case What::From:
      // A middle carries all of it along.
      if (gradient.kind != GradientKind::Linear) gradient.to = fine(gradient.to + (unit - gradient.from));
      gradient.from = fine(unit);
      break;
    case What::To:
      gradient.to = fine(unit);
      break;
    case What::Across:
      gradient.across = std::clamp(std::round(1000 * length(at - before->from()) / size) / 1000, 0.01, 10.0);
      break;
    default: {
      const double share = dot(at - before->from(), way) / (size * size);
      const auto& stops = gradient.stops;
      const std::size_t i = held_->stop;
      if (i == 0 || i + 1 >= stops.size()) return;
      gradient.stops[i].at = std::clamp(std::round(share * 1000) / 1000, stops[i - 1].at, stops[i + 1].at);
    }
  }
  if (gradient.from == gradient.to) return;
  trial_.show(withStyle(desk_.settled(), desk_.selection(), [&](Style& style) {
    if (isThere(style, before->place)) style.fills[before->place.index].paint = gradient;
  }));
}

void PaintGrips::release() {
  if (held_)
    trial_.settle(held_->what == What::Shadow  ? Mat::tr("Move a shadow")
                  : held_->what == What::Level ? Mat::tr("Set the level")
                  : held_->what == What::Stop  ? Mat::tr("Move a stop")
                                               : Mat::tr("Lay a gradient"));
  letGo();
}

void PaintGrips::letGo() {
  held_.reset();
  hot_.reset();
}

void PaintGrips::paint(QPainter& painter) const {
  painter.save();
  painter.setRenderHint(QPainter::Antialiasing);
  const auto line = [&](QPointF a, QPointF b) {
    painter.setPen(QPen(QColor(255, 255, 255, 200), 3));
    painter.drawLine(a, b);
    painter.setPen(QPen(theme::plum, 1.4));
    painter.drawLine(a, b);
  };
  const auto now = laid(desk_.project());
  if (now) {
    line(mat_.toMat(now->from()), mat_.toMat(now->to()));
    if (now->gradient.kind == GradientKind::Radial) line(mat_.toMat(now->from()), mat_.toMat(now->across()));
  }
  if (const Surface* level = surface())
    line(mat_.toMat(level->toSheet(level->line.from)), mat_.toMat(level->toSheet(level->line.to)));
  for (const Handle& handle : handles()) {
    const QPointF at = mat_.toMat(handle.at);
    const auto& lit = held_ ? held_ : hot_;
    const bool isLit = lit && lit->what == handle.what && lit->stop == handle.stop;
    const double r = isLit ? 7 : 5.5;
    if (handle.what == What::Level) {
      if (isLit) paintPointerLabel(painter, mat_, at, inQt(percentText(surface()->level.share)));
      painter.setBrush(theme::amber);
    } else if (handle.what == What::Shadow) {
      line(mat_.toMat(boxOnSheet(desk_.project(), desk_.onlyItem()->id).centre()), at);
      painter.setBrush(theme::ink);
    } else if (now) {
      Colour colour = handle.what == What::Stop ? now->gradient.stops[handle.stop].colour
                      : handle.what == What::To ? now->gradient.stops.back().colour
                                                : now->gradient.stops.front().colour;
      colour.alpha = 255;
      painter.setBrush(painterColour(colour));
    }
    painter.setPen(QPen(Qt::white, 3));
    painter.drawEllipse(at, r, r);
    painter.setPen(
        QPen(theme::plum, isLit || (handle.what == What::Stop && handle.stop == desk_.chosenStop()) ? 2.4 : 1.4));
    painter.drawEllipse(at, r, r);
    if (isLit && handle.what == What::Shadow) {
      const Effect& effect = desk_.onlyItem()->style->effects[handle.stop];
      paintPointerLabel(painter, mat_, at,
                        QString("%1, %2°").arg(desk_.lengthText(effect.numbers[0])).arg(effect.numbers[1]));
    }
    if (isLit && handle.what == What::Stop)
      paintPointerLabel(painter, mat_, at, QString("%1 %").arg(100 * now->gradient.stops[handle.stop].at));
  }
  painter.restore();
}

QString PaintGrips::hint() const {
  const auto& lit = held_ ? held_ : hot_;
  if (lit && lit->what == What::Level)
    return Mat::tr("Drag the level · Shift in steps of 5 % · paste a list of numbers for a row of them");
  if (lit && lit->what == What::Shadow)
    return Mat::tr("Drag the end of the shadow · Shift in steps of 15° · Esc puts it back");
  return Mat::tr("Drag the gradient's ends and stops · Shift in steps of 45° · Esc puts it back");
}

}  // namespace widecut
