#include "app/tools/select_tool.h"

#include <QKeyEvent>
#include <algorithm>

#include "app/look/theme.h"
#include "painting/raster.h"
#include "project/edits/cutouts.h"
#include "project/edits/places.h"
#include "project/edits/tree.h"
#include "project/resolve.h"
#include "scene/hit.h"

namespace widecut {
namespace {

constexpr double dragStart = 3;  // pixels before a press becomes a drag

bool contains(const std::vector<Id>& ids, Id id) { return std::find(ids.begin(), ids.end(), id) != ids.end(); }

}  // namespace

double SelectTool::reach() const { return 5 / mat_.zoom(); }

Id SelectTool::targetAt(const Pointer& p) const {
  const Project& project = desk_.project();
  const Id item = itemAt(*desk_.sheet(), p.onSheet, reach());
  const ItemPtr cutout = desk_.openCutout();
  if (!cutout) return item;
  const Id open = cutout->id;
  const auto chain = chainTo(project, open);
  // Another item on the way keeps its right to be picked, and so does the cutout's own picture.
  if (item != 0 && item != chain.front()->id) return item;
  const auto back = frameToSheet(project, open).inverse();
  const bool onResult = back && isInside(resolved(*chain.back())->outline, FillRule::Nonzero, (*back)(p.onSheet));
  if (onResult) return item;
  const Id part = partAt(project, open, p.onSheet, reach());
  return part != 0 ? part : item;
}

void SelectTool::press(const Pointer& p) {
  pressed_ = now_ = p;
  frame_ = SelectionFrame::of(desk_.project(), desk_.selection());
  grip_ = frame_ ? gripAt(*frame_, mat_, p.onMat) : std::nullopt;
  if (grip_) {
    doing_ = Doing::Gripping;
    return;
  }
  const Id target = targetAt(p);
  const bool add = p.keys & Qt::ShiftModifier;
  wasSelected_ = contains(desk_.selection(), target);
  if (target == 0) {
    doing_ = Doing::Marquee;
    return;
  }
  doing_ = Doing::Pressed;
  if (wasSelected_) return;
  std::vector<Id> chosen = add ? desk_.selection() : std::vector<Id>{};
  chosen.push_back(target);
  desk_.select(chosen);
}

void SelectTool::choose(const Pointer& p) {
  const Id target = targetAt(p);
  if (contains(desk_.selection(), target)) return;
  desk_.select(target == 0 ? std::vector<Id>{} : std::vector<Id>{target});
}

void SelectTool::drag(const Pointer& p) {
  now_ = p;
  const QPointF way = p.onMat - pressed_.onMat;
  if (doing_ == Doing::Pressed && std::hypot(way.x(), way.y()) >= dragStart) doing_ = Doing::Moving;
  if (doing_ == Doing::Moving) {
    Point by = p.onSheet - pressed_.onSheet;
    if (p.keys & Qt::ShiftModifier) (std::abs(by.x) > std::abs(by.y) ? by.y : by.x) = 0;
    movedBy_ = by;
    trial_.show(withMapped(desk_.settled(), desk_.selection(), Affine::move(by)));
  }
  if (doing_ == Doing::Gripping) {
    const Affine map =
        gripMap(*frame_, *grip_, pressed_.onSheet, p.onSheet, p.keys & Qt::ShiftModifier, p.keys & Qt::AltModifier);
    trial_.show(withMapped(desk_.settled(), desk_.selection(), map));
  }
}

void SelectTool::release(const Pointer& p) {
  now_ = p;
  const QString gripped = grip_ && grip_->turns ? Mat::tr("Turn") : Mat::tr("Resize");
  switch (doing_) {
    case Doing::Moving:
      trial_.settle(Mat::tr("Move"));
      break;
    case Doing::Gripping:
      trial_.settle(gripped);
      break;
    case Doing::Pressed: {
      // A click on what was selected: Shift takes it out, a plain click leaves it alone.
      if (!wasSelected_) break;
      const Id target = targetAt(p);
      std::vector<Id> chosen{target};
      if (p.keys & Qt::ShiftModifier) {
        chosen = desk_.selection();
        std::erase(chosen, target);
      }
      desk_.select(chosen);
      break;
    }
    case Doing::Marquee: {
      std::vector<Id> chosen = p.keys & Qt::ShiftModifier ? desk_.selection() : std::vector<Id>{};
      for (const Id id : itemsWithin(*desk_.sheet(), Box::between(pressed_.onSheet, p.onSheet)))
        if (!contains(chosen, id)) chosen.push_back(id);
      desk_.select(chosen);
      break;
    }
    case Doing::Nothing:
      break;
  }
  stop();
}

void SelectTool::stop() {
  doing_ = Doing::Nothing;
  grip_.reset();
  frame_.reset();
}

void SelectTool::putAway() {
  trial_.drop();
  stop();
  hovered_ = 0;
}

void SelectTool::hover(const Pointer& p) {
  const auto frame = SelectionFrame::of(desk_.project(), desk_.selection());
  grip_ = frame ? gripAt(*frame, mat_, p.onMat) : std::nullopt;
  hovered_ = grip_ ? 0 : targetAt(p);
}

void SelectTool::doubleClick(const Pointer& p) {
  const ItemPtr item = findItem(desk_.project(), itemAt(*desk_.sheet(), p.onSheet, reach()));
  if (!item || !item->recipe()) return;
  const Id part = partAt(desk_.project(), item->id, p.onSheet, reach());
  if (part != 0) desk_.select({part});
}

bool SelectTool::key(QKeyEvent& event) {
  const ItemPtr item = desk_.onlyItem();
  if (event.key() == Qt::Key_Escape) {
    if (doing_ == Doing::Moving || doing_ == Doing::Gripping) {
      putAway();
      return true;
    }
    const auto chain = item ? chainTo(desk_.project(), item->id) : std::vector<ItemPtr>{};
    desk_.select(chain.size() > 1 ? std::vector<Id>{chain[chain.size() - 2]->id} : std::vector<Id>{});
    return true;
  }
  if ((event.key() == Qt::Key_Return || event.key() == Qt::Key_Enter) && item && item->recipe()) {
    for (const ItemPtr& part : item->recipe()->parts)
      if (!part->hidden) {
        desk_.select({part->id});
        break;
      }
    return true;
  }
  return false;
}

void SelectTool::paintGhost(QPainter& painter, const Item& part, Role role, bool hot) const {
  QPen pen(theme::colourOf(role), hot ? 2.4 : 1.3);
  if (role != Role::Add) pen.setDashPattern({5, 3});
  painter.setPen(pen);
  // What is added shows as itself; a tint would falsify its colours.
  painter.setBrush(role == Role::Add ? Qt::NoBrush : theme::patternOf(role, hot ? 190 : 120));
  // A photo that is intersected covers so much that its pattern would hide the work.
  if (pictureOf(*part.style) && role == Role::Intersect) painter.setBrush(Qt::NoBrush);
  paintOutline(painter, mat_, desk_.project(), part.id);
}

void SelectTool::paintGhosts(QPainter& painter, const Item& cutout) {
  const auto& parts = cutout.recipe()->parts;
  const auto roles = rolesOf(*cutout.recipe());
  const auto isHot = [&](const Item& part) { return part.id == hovered_ || contains(desk_.selection(), part.id); };
  // Those that stay as they are while another one is dragged are painted once.
  StillGhosts ghosts{{}, roles, frameToSheet(desk_.project(), cutout.id), mat_.sheetToMat(), {}};
  for (const ItemPtr& part : parts) ghosts.parts.push_back(part->hidden || isHot(*part) ? nullptr : part);
  if (!ghosts.isLike(ghosts_) || ghosts_.image.size() != mat_.size() * mat_.devicePixelRatioF()) {
    ghosts.image = QImage(mat_.size() * mat_.devicePixelRatioF(), QImage::Format_ARGB32_Premultiplied);
    ghosts.image.setDevicePixelRatio(mat_.devicePixelRatioF());
    ghosts.image.fill(Qt::transparent);
    QPainter still(&ghosts.image);
    still.setRenderHint(QPainter::Antialiasing);
    for (std::size_t i = 0; i < parts.size(); ++i)
      if (ghosts.parts[i]) paintGhost(still, *parts[i], roles[i], false);
    still.end();
    ghosts_ = std::move(ghosts);
  }
  painter.drawImage(0, 0, ghosts_.image);
  for (std::size_t i = 0; i < parts.size(); ++i)
    if (!parts[i]->hidden && isHot(*parts[i])) paintGhost(painter, *parts[i], roles[i], true);
}

void SelectTool::paint(QPainter& painter) {
  if (const ItemPtr open = desk_.openCutout()) paintGhosts(painter, *open);
  painter.setBrush(Qt::NoBrush);
  if (hovered_ != 0 && !contains(desk_.selection(), hovered_) && doing_ == Doing::Nothing) {
    painter.setPen(QPen(QColor(theme::plum.red(), theme::plum.green(), theme::plum.blue(), 150), 2.4));
    paintOutline(painter, mat_, desk_.project(), hovered_);
  }
  painter.setPen(QPen(theme::plum, 1.4));
  const bool moving = doing_ == Doing::Moving && trial_.isShown();
  paintSelection(painter, moving);
  if (doing_ == Doing::Marquee && now_.onMat != pressed_.onMat) {
    painter.setPen(QPen(theme::plum, 1, Qt::DashLine));
    painter.setBrush(QColor(0x6C, 0x3B, 0xAA, 28));
    painter.drawRect(QRectF(pressed_.onMat, now_.onMat).normalized());
    return;
  }
  auto frame = moving ? frame_ : SelectionFrame::of(desk_.project(), desk_.selection());
  if (moving && frame) frame->toSheet = Affine::move(movedBy_) * frame->toSheet;
  if (frame) paintGrips(painter, *frame, mat_, grip_);
}

void SelectTool::paintSelection(QPainter& painter, bool moving) {
  constexpr std::size_t many = 40;
  if (desk_.selection().size() <= many) {
    for (const Id id : desk_.selection()) paintOutline(painter, mat_, desk_.project(), id);
    return;
  }
  const QPointF shift = moving ? QPointF(movedBy_.x, movedBy_.y) * mat_.zoom() : QPointF();
  picture_.paint(painter, mat_, moving ? desk_.settled() : desk_.project(), desk_.selection(), shift);
}

QString SelectTool::hint() const {
  if (doing_ == Doing::Moving) return Mat::tr("Shift keeps to one direction · Esc puts it back");
  if (doing_ == Doing::Gripping)
    return grip_->turns ? Mat::tr("Shift turns in steps of 15° · Esc puts it back")
                        : Mat::tr("Shift keeps the proportions · Alt keeps the middle · Esc puts it back");
  const std::size_t count = desk_.selection().size();
  const ItemPtr item = desk_.onlyItem();
  if (count > 1)
    return Mat::tr("Point at a result below to try it, click to make it · U S I X combine · everything stays editable");
  if (item && item->recipe())
    return Mat::tr(
        "Drag the picture to move it, a part's ghost to move the part · click a sign to change its role · R reframes");
  if (item && pictureOf(*item->style))
    return Mat::tr("Drag to move · R reframes the photo · Shift-click adds to the selection");
  if (item) return Mat::tr("Drag to move · handles resize and turn · Shift-click adds to the selection");
  return Mat::tr(
      "Click an item, or drag round several · 4 rectangle, 5 ellipse · wheel moves the sheet, Ctrl+wheel zooms");
}

QCursor SelectTool::cursor() const {
  if (grip_) {
    const auto frame = frame_ ? frame_ : SelectionFrame::of(desk_.project(), desk_.selection());
    if (frame) return cursorFor(*grip_, *frame);
  }
  return doing_ == Doing::Moving ? Qt::SizeAllCursor : Qt::ArrowCursor;
}

}  // namespace widecut
