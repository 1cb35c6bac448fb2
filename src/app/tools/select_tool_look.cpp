// What the select tool draws and says.
#include <algorithm>

#include "app/desk/selecting.h"
#include "app/look/theme.h"
#include "app/tools/select_tool.h"
#include "painting/raster.h"
#include "project/edits/cutouts.h"
#include "project/forms/form.h"
#include "project/forms/recipe.h"
#include "project/forms/repeat.h"
#include "project/resolve.h"

namespace widecut {
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
    paintSelected(painter, mat_, desk_.project(), hovered_);
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
  if (moving_.empty() && moving) return;
  auto frame = moving ? frame_ : SelectionFrame::of(desk_.project(), desk_.selection());
  if (!moving && !isAnyUnlocked(desk_.project(), desk_.selection())) frame.reset();
  if (moving && frame) frame->toSheet = Affine::move(movedBy_) * frame->toSheet;
  const bool replaced = std::any_of(own_.begin(), own_.end(), [](const auto& grips) { return grips->replaceFrame(); });
  if (frame && !replaced) paintGrips(painter, *frame, mat_, grip_);
  if (!moving)
    for (const auto& grips : own_)
      if (!grips->needsRoom() || !frame || !isSmall(*frame, mat_)) grips->paint(painter);
  if (frame && isPivotSet()) {
    const QPointF at = mat_.toMat(pivotPoint(*frame, desk_.pivot()));
    painter.setPen(QPen(theme::plum, doing_ == Doing::Pivoting || onPivot_ ? 2.6 : 1.6));
    painter.setBrush(QColor(255, 255, 255, 190));
    painter.drawEllipse(at, 6.5, 6.5);
    painter.setBrush(theme::plum);
    painter.drawEllipse(at, 1, 1);
  }
  snapper_.paint(painter);
}

void SelectTool::paintSelection(QPainter& painter, bool moving) {
  constexpr std::size_t many = 40;
  if (desk_.selection().size() <= many) {
    for (const Id id : desk_.selection()) paintSelected(painter, mat_, desk_.project(), id);
    return;
  }
  const QPointF shift = moving ? QPointF(movedBy_.x, movedBy_.y) * mat_.zoom() : QPointF();
  picture_.paint(painter, mat_, moving ? desk_.settled() : desk_.project(), desk_.selection(), shift);
}

QString SelectTool::hint() const {
  if (held_ || hot_) return (held_ ? held_ : hot_)->hint();
  if (doing_ == Doing::Moving && carrying_.isOver())
    return carriedWell_ ? Mat::tr("Let go to put it there · Ctrl leaves a copy here")
                        : Mat::tr("Nothing here takes it");
  if (doing_ == Doing::Moving)
    return snapper_.isResting()
               ? Mat::tr("Tab takes the next reason to rest here · Ctrl moves freely · C held drags a copy")
               : Mat::tr("Shift keeps to one direction · C held drags a copy · Ctrl moves freely · Esc puts it back");
  if (onPivot_)
    return Mat::tr("Drag the pivot anywhere: the selection turns about it, and with M held is sized from it");
  if (doing_ == Doing::Marquee) return Mat::tr("Takes what lies inside · T held takes what it touches · Shift adds");
  if (doing_ == Doing::Gripping)
    return grip_->turns ? Mat::tr("Shift turns in steps of 15° · Esc puts it back")
           : grip_->slants
               ? Mat::tr("Shift slants in steps of 15° · M held slants about the pivot · Esc puts it back")
               : Mat::tr("Shift keeps the proportions · M held keeps the pivot, usually the middle · Esc puts it back");
  const std::size_t count = desk_.selection().size();
  const ItemPtr item = desk_.onlyItem();
  if (count > 1)
    return Mat::tr("Point at a result below to try it, click to make it · U S I X combine · everything stays editable");
  if (item && item->recipe())
    return Mat::tr(
        "Drag the picture to move it, a part's ghost to move the part · click a sign to change its role · R reframes");
  if (item && pictureOf(*item->style))
    return Mat::tr("Drag to move · R reframes the photo · Shift-click adds to the selection");
  if (item && item->locked) return Mat::tr("It is locked: K unlocks it");
  if (item && repeatOf(*item))
    return Mat::tr(
        "Drag to move all copies · the diamond lays them out, its wheel counts · a click on a dot leaves one out");
  if (item && showsChildren(item->form))
    return Mat::tr("Drag to move all of it · a double click or Enter goes in, Esc comes out · Shift+G ungroups");
  if (item)
    return Mat::tr(
        "Drag to move, C held copies · handles resize and turn · Shift-click adds · Ctrl-click picks what is below");
  return Mat::tr(
      "Click an item, or drag round several · 4 rectangle, 5 ellipse, 8 words · wheel moves the sheet, Ctrl+wheel "
      "zooms");
}

QCursor SelectTool::cursor() const {
  if (held_ || hot_) return Qt::CrossCursor;
  if (grip_) {
    const auto frame = frame_ ? frame_ : SelectionFrame::of(desk_.project(), desk_.selection());
    if (frame) return cursorFor(*grip_, *frame);
  }
  if (doing_ == Doing::Moving && carrying_.isOver()) return carriedWell_ ? Qt::DragMoveCursor : Qt::ForbiddenCursor;
  return doing_ == Doing::Moving ? Qt::SizeAllCursor : Qt::ArrowCursor;
}

}  // namespace widecut
