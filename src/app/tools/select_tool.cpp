#include "app/tools/select_tool.h"

#include <QKeyEvent>
#include <algorithm>

#include "app/desk/selecting.h"
#include "app/look/theme.h"
#include "app/panels/placing.h"
#include "app/tools/line_grips.h"
#include "app/tools/starter_grips.h"
#include "painting/raster.h"
#include "project/edits/cutouts.h"
#include "project/edits/order.h"
#include "project/edits/places.h"
#include "project/edits/tree.h"
#include "project/edits/words.h"
#include "project/forms/words.h"
#include "project/resolve.h"
#include "scene/hit.h"

namespace widecut {
namespace {

constexpr double dragStart = 3;  // pixels before a press becomes a drag

bool contains(const std::vector<Id>& ids, Id id) { return std::find(ids.begin(), ids.end(), id) != ids.end(); }

}  // namespace

SelectTool::SelectTool(Mat& mat, Desk& desk) : Tool(mat, desk), trial_(desk), snapper_(mat, desk) {
  own_.push_back(std::make_unique<StarterGrips>(mat, desk));
  own_.push_back(std::make_unique<LineGrips>(mat, desk));
}

double SelectTool::reach() const { return 5 / mat_.zoom(); }

Id SelectTool::targetAt(const Pointer& p) const {
  const Project& project = desk_.project();
  const Id item = itemAt(*desk_.sheet(), p.onSheet, reach());
  const ItemPtr open = desk_.openWhole();
  if (!open) return item;
  const auto chain = chainTo(project, open->id);
  // Another item on the way keeps its right to be picked, and so does a cutout's own picture.
  if (item != 0 && item != chain.front()->id) return item;
  for (auto whole = chain.rbegin(); whole != chain.rend(); ++whole) {
    if ((*whole)->recipe() && isOnResult(**whole, p.onSheet)) return (*whole)->id;
    if (const Id child = childAt(project, (*whole)->id, p.onSheet, reach())) return child;
  }
  return item;
}

bool SelectTool::isOnResult(const Item& cutout, Point onSheet) const {
  const auto back = frameToSheet(desk_.project(), cutout.id).inverse();
  return back && isInside(resolved(cutout)->outline, FillRule::Nonzero, (*back)(onSheet));
}

/// The item under the one that is selected here; the frontmost one again when it was the last.
Id SelectTool::targetBelow(const Pointer& p) const {
  const auto there = itemsAt(*desk_.sheet(), p.onSheet, reach());
  if (there.empty()) return 0;
  const auto selected =
      std::find_if(there.begin(), there.end(), [&](Id id) { return contains(desk_.selection(), id); });
  return selected == there.end() || selected + 1 == there.end() ? there.front() : *(selected + 1);
}

std::optional<Grip> SelectTool::frameGripAt(const Pointer& p) const {
  if (std::any_of(own_.begin(), own_.end(), [](const auto& grips) { return grips->replaceFrame(); }))
    return std::nullopt;
  const auto frame = SelectionFrame::of(desk_.project(), desk_.selection());
  return frame ? gripAt(*frame, mat_, p.onMat) : std::nullopt;
}

bool SelectTool::wheel(const Pointer& p, double steps) {
  return std::any_of(own_.begin(), own_.end(), [&](const auto& grips) { return grips->wheel(p, steps); });
}

void SelectTool::press(const Pointer& p) {
  pressed_ = now_ = p;
  frame_ = SelectionFrame::of(desk_.project(), desk_.selection());
  if (isOnPivot(p)) {
    doing_ = Doing::Pivoting;
    snapper_.begin();
    return;
  }
  for (const auto& grips : own_)
    if (grips->press(p)) {
      held_ = grips.get();
      doing_ = Doing::OwnGrip;
      return;
    }
  grip_ = frameGripAt(p);
  if (grip_) {
    doing_ = Doing::Gripping;
    snapper_.begin(desk_.selection());
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
  // With Alt a drag copies, and a click without one picks what lies below.
  if (wasSelected_ || p.keys & Qt::AltModifier) return;
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
  if (doing_ == Doing::Pressed && std::hypot(way.x(), way.y()) >= dragStart) beginMoving();
  if (doing_ == Doing::Moving && !carry(p)) {
    Point by = p.onSheet - pressed_.onSheet;
    if (p.keys & Qt::ShiftModifier) (std::abs(by.x) > std::abs(by.y) ? by.y : by.x) = 0;
    const bool copies = p.keys & Qt::AltModifier;
    showMoved(snapper_.moved(by, p, copies), copies);
  }
  if (doing_ == Doing::OwnGrip) held_->drag(p);
  if (doing_ == Doing::Pivoting) desk_.setPivot({desk_.pivot().place, snapper_.placed(p.onSheet, p)});
  if (doing_ == Doing::Gripping) {
    const Affine map = gripMap(*frame_, *grip_, pressed_.onSheet, atRest(p).onSheet, p.keys & Qt::ShiftModifier,
                               p.keys & Qt::AltModifier, desk_.pivot());
    // Words in a frame keep their letters, unless the proportions are kept: then they grow along.
    gripped_ = map;
    const bool frames = !grip_->turns && !(p.keys & Qt::ShiftModifier);
    trial_.show(frames ? withResized(desk_.settled(), desk_.selection(), map)
                       : withMapped(desk_.settled(), desk_.selection(), map));
  }
}

void SelectTool::showMoved(Point by, bool copies) {
  movedBy_ = by;
  copies_.clear();
  if (copies)
    trial_.show(withCopies(desk_.settled(), desk_.selection(), by, copies_));
  else
    trial_.show(withMapped(desk_.settled(), moving_, Affine::move(by)));
}

Pointer SelectTool::atRest(const Pointer& p) {
  Pointer rest = p;
  if (grip_->turns) {
    if (p.keys & Qt::ShiftModifier) return p;
    const Point middle = pivotPoint(*frame_, desk_.pivot()), a = pressed_.onSheet - middle, b = p.onSheet - middle;
    const double before = frame_->toSheet.turnAngle(), angle = std::atan2(cross(a, b), dot(a, b));
    const double by = snapper_.turned(before + angle, p) - before;
    if (snapper_.isResting()) rest.onSheet = middle + Affine::turn(by).vector(a);
    return rest;
  }
  // Sides that are upright or level come to rest; with the proportions kept one of two sides is not free.
  const bool isUpright = frame_->toSheet.linear() == Affine{};
  const bool isRegular = (p.keys & Qt::ShiftModifier) && grip_->across != 0 && grip_->down != 0;
  if (!isUpright || isRegular) return p;
  const Point middle = frame_->box.centre(), half{frame_->box.width() / 2, frame_->box.height() / 2};
  const Point grip = frame_->toSheet(middle + Point{grip_->across * half.x, grip_->down * half.y});
  const Point opposite = frame_->toSheet(middle - Point{grip_->across * half.x, grip_->down * half.y});
  const Point way = p.onSheet - pressed_.onSheet;
  const Point to = snapper_.cornered(grip + way, opposite, p, grip_->across != 0, grip_->down != 0);
  rest.onSheet = pressed_.onSheet + (to - grip);
  return rest;
}

bool SelectTool::carry(const Pointer& p) {
  if (mat_.rect().contains(p.onMat.toPoint())) {
    carrying_.cancel();
    carriedWell_ = false;
    return false;
  }
  carriedWell_ = carrying_.moveTo(mat_, mat_.mapToGlobal(p.onMat).toPoint(), moving_, p.keys);
  if (!carrying_.isOver()) return false;
  trial_.drop();
  return true;
}

void SelectTool::beginMoving() {
  const Id target = targetAt(pressed_);
  if (!contains(desk_.selection(), target)) desk_.select({target});
  moving_ = unlocked(desk_.settled(), desk_.selection());
  doing_ = Doing::Moving;
  snapper_.begin(moving_);
  frame_ = SelectionFrame::of(desk_.project(), desk_.selection());
}

void SelectTool::release(const Pointer& p) {
  now_ = p;
  const QString gripped = grip_ && grip_->turns ? Mat::tr("Turn") : Mat::tr("Resize");
  switch (doing_) {
    case Doing::Moving:
      if (!carrying_.isOver() && snapper_.isResting())
        if (const Point by = snapper_.exactly(movedBy_); by != movedBy_) showMoved(by, !copies_.empty());
      if (carrying_.isOver()) {
        hovered_ = 0;
        carrying_.drop(p.keys);
      } else if (copies_.empty()) {
        if (trial_.settle(Mat::tr("Move"))) desk_.noteAgain({Mat::tr("Move"), movedBy(movedBy_)});
      } else if (trial_.settle(Mat::tr("Copy"))) {
        desk_.select(std::exchange(copies_, {}));
        desk_.noteAgain({Mat::tr("Copy"), movedBy(movedBy_), true});
      }
      break;
    case Doing::Gripping:
      if (trial_.settle(gripped)) noteGripped(gripped, p.keys);
      break;
    case Doing::OwnGrip:
      held_->release();
      break;
    case Doing::Pressed: {
      if (p.keys & Qt::AltModifier) {
        desk_.select({targetBelow(p)});
        break;
      }
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
      const Taken taken = p.keys & Qt::AltModifier ? Taken::Touched : Taken::Inside;
      for (const Id id : itemsWithin(*desk_.sheet(), Box::between(pressed_.onSheet, p.onSheet), taken))
        if (!contains(chosen, id)) chosen.push_back(id);
      desk_.select(chosen);
      break;
    }
    case Doing::Pivoting:
    case Doing::Nothing:
      break;
  }
  stop();
}

/// The same share of the size, or turn, about the same place of another frame.
void SelectTool::noteGripped(const QString& name, Qt::KeyboardModifiers keys) {
  const Affine linear = frame_->toSheet.linear(), back = linear.inverse().value_or(Affine{});
  const Affine inFrame = grip_->turns ? gripped_.linear() : back * gripped_.linear() * linear;
  const bool aboutPivot = grip_->turns || keys & Qt::AltModifier;
  const bool frames = !grip_->turns && !(keys & Qt::ShiftModifier);
  const Pivot opposite{PivotPlace{-grip_->across, -grip_->down}, {}};
  desk_.noteAgain({name, [&desk = desk_, inFrame, aboutPivot, frames, opposite](const Project& project,
                                                                                const std::vector<Id>& items) {
                     return withFrameMap(
                         project, unlocked(project, items), aboutPivot ? desk.pivot() : opposite, {}, Together::Yes,
                         [&](const SelectionFrame&) { return inFrame; }, frames ? Frames::Resized : Frames::Scaled);
                   }});
}

void SelectTool::stop() {
  doing_ = Doing::Nothing;
  snapper_.end();
  held_ = nullptr;
  grip_.reset();
  frame_.reset();
}

void SelectTool::putAway() {
  carrying_.cancel();
  trial_.drop();
  for (const auto& grips : own_) grips->cancel();
  hot_ = nullptr;
  stop();
  copies_.clear();
  hovered_ = 0;
}

void SelectTool::hover(const Pointer& p) {
  hot_ = nullptr;
  for (const auto& grips : own_)
    if (grips->hover(p)) hot_ = grips.get();
  grip_ = hot_ ? std::nullopt : frameGripAt(p);
  onPivot_ = isOnPivot(p);
  hovered_ = hot_ || grip_ || onPivot_ ? 0 : targetAt(p);
}

void SelectTool::doubleClick(const Pointer& p) {
  // One level further in: into the selected item, or else into the one at this place.
  const ItemPtr selected = desk_.onlyItem();
  const bool goesOn = selected && targetAt(p) == selected->id;
  if (goesOn && wordsOf(*selected)) {
    desk_.typeOn(selected->id, p.onSheet);
    return;
  }
  const Id whole = goesOn ? selected->id : itemAt(*desk_.sheet(), p.onSheet, reach());
  if (const Id child = childAt(desk_.project(), whole, p.onSheet, reach())) desk_.select({child});
}

bool SelectTool::key(QKeyEvent& event) {
  const ItemPtr item = desk_.onlyItem();
  if (event.key() == Qt::Key_Escape) {
    if (doing_ == Doing::Moving || doing_ == Doing::Gripping || doing_ == Doing::OwnGrip) {
      putAway();
      return true;
    }
    const auto chain = item ? chainTo(desk_.project(), item->id) : std::vector<ItemPtr>{};
    desk_.select(chain.size() > 1 ? std::vector<Id>{chain[chain.size() - 2]->id} : std::vector<Id>{});
    return true;
  }
  if (event.key() == Qt::Key_Tab || event.key() == Qt::Key_Backtab) {
    if (doing_ == Doing::Moving || doing_ == Doing::Gripping || doing_ == Doing::Pivoting) {
      snapper_.cycle(event.key() == Qt::Key_Tab ? 1 : -1);
      drag(now_);
      return true;
    }
    selectNext(desk_, event.key() == Qt::Key_Tab ? 1 : -1);
    return true;
  }
  if ((event.key() == Qt::Key_Return || event.key() == Qt::Key_Enter) && item) return goInto(desk_);
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
    for (const auto& grips : own_) grips->paint(painter);
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

bool SelectTool::isPivotSet() const { return desk_.pivot().place || desk_.pivot().free; }

bool SelectTool::isOnPivot(const Pointer& p) const {
  const auto frame = SelectionFrame::of(desk_.project(), desk_.selection());
  if (!frame || !isPivotSet()) return false;
  const QPointF off = mat_.toMat(pivotPoint(*frame, desk_.pivot())) - p.onMat;
  constexpr double reach = 8;
  return std::hypot(off.x(), off.y()) <= reach;
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
               ? Mat::tr("Tab takes the next reason to rest here · Ctrl moves freely · Alt drags a copy")
               : Mat::tr("Shift keeps to one direction · Alt drags a copy · Ctrl moves freely · Esc puts it back");
  if (onPivot_) return Mat::tr("Drag the pivot anywhere: the selection turns about it, and with Alt is sized from it");
  if (doing_ == Doing::Marquee) return Mat::tr("Takes what lies inside · Alt takes what it touches · Shift adds");
  if (doing_ == Doing::Gripping)
    return grip_->turns
               ? Mat::tr("Shift turns in steps of 15° · Esc puts it back")
               : Mat::tr("Shift keeps the proportions · Alt keeps the pivot, usually the middle · Esc puts it back");
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
  if (item && showsChildren(item->form))
    return Mat::tr("Drag to move all of it · a double click or Enter goes in, Esc comes out · Shift+G ungroups");
  if (item)
    return Mat::tr(
        "Drag to move, with Alt to copy · handles resize and turn · Shift-click adds · Alt-click picks what is below");
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
