#include "app/tools/select_tool.h"

#include <QKeyEvent>
#include <algorithm>

#include "app/desk/playback.h"
#include "app/desk/selecting.h"
#include "app/mat/placing.h"
#include "app/tools/gap_marks.h"
#include "app/tools/line_grips.h"
#include "app/tools/paint_grips.h"
#include "app/tools/repeat_grips.h"
#include "app/tools/starter_grips.h"
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

}  // namespace

SelectTool::SelectTool(Mat& mat, Desk& desk) : Tool(mat, desk), trial_(desk), snapper_(mat, desk) {
  own_.push_back(std::make_unique<PaintGrips>(mat, desk));
  own_.push_back(std::make_unique<StarterGrips>(mat, desk));
  own_.push_back(std::make_unique<LineGrips>(mat, desk));
  own_.push_back(std::make_unique<RepeatGrips>(mat, desk));
  own_.push_back(std::make_unique<GapMarks>(mat, desk));
}

double SelectTool::reach() const { return 5 / mat_.zoom(); }

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
    pivotBefore_ = desk_.pivot();
    snapper_.begin();
    return;
  }
  const bool isTiny = frame_ && isSmall(*frame_, mat_);
  for (const auto& grips : own_)
    if (!(isTiny && grips->needsRoom()) && grips->press(p)) {
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
  isOnSelected_ = isOnGround_ = false;
  wasSelected_ = contains(desk_.selection(), target);
  if (target == 0) {
    doing_ = Doing::Marquee;
    return;
  }
  doing_ = Doing::Pressed;
  // What is selected is what a drag on it moves, also when something lies over it; a click picks what lies there.
  isOnSelected_ = !wasSelected_ && !add && isOnSelected(p);
  if (isOnSelected_) return;
  // A click on what fills the sheet selects it, a drag draws a marquee over it.
  if (!wasSelected_ && !add && fillsSheet(target)) {
    isOnGround_ = true;
    return;
  }
  // With Alt a drag copies, and a click without one picks what lies below; so does one with Ctrl.
  if (wasSelected_ || p.keys & (Qt::AltModifier | Qt::ControlModifier)) return;
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
  if (doing_ == Doing::Pressed && std::hypot(way.x(), way.y()) >= dragStart) {
    if (isOnGround_)
      doing_ = Doing::Marquee;
    else
      beginMoving();
  }
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
    const bool frames = !grip_->turns && !grip_->slants && !(p.keys & Qt::ShiftModifier);
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
  if (grip_->slants) return p;
  // Sides that are upright or level come to rest, and the corners of turned frames.
  const bool isUpright = frame_->toSheet.linear() == Affine{};
  const bool isCorner = grip_->across != 0 && grip_->down != 0;
  const bool isRegular = (p.keys & Qt::ShiftModifier) && isCorner;
  if (!isUpright && (isRegular || !isCorner)) return p;
  const Point middle = frame_->box.centre(), half{frame_->box.width() / 2, frame_->box.height() / 2};
  const Point grip = frame_->toSheet(middle + Point{grip_->across * half.x, grip_->down * half.y});
  const Point opposite = frame_->toSheet(middle - Point{grip_->across * half.x, grip_->down * half.y});
  const Point way = p.onSheet - pressed_.onSheet;
  if (!isUpright) {
    rest.onSheet = pressed_.onSheet + (snapper_.placed(grip + way, p) - grip);
    return rest;
  }
  if (isRegular) {
    rest.onSheet = pressed_.onSheet + (regularRest(grip, opposite, grip + way, p) - grip);
    return rest;
  }
  const Point to = snapper_.cornered(grip + way, opposite, p, grip_->across != 0, grip_->down != 0);
  rest.onSheet = pressed_.onSheet + (to - grip);
  return rest;
}

/// A corner that keeps the proportions has one way to go: one of its two sides comes to rest there, and takes the other
/// along.
Point SelectTool::regularRest(Point grip, Point opposite, Point to, const Pointer& p) {
  const Point diagonal = grip - opposite, way = to - opposite;
  if (diagonal.x == 0 || diagonal.y == 0 || p.keys & Qt::AltModifier) return to;
  const double across = way.x / diagonal.x, down = way.y / diagonal.y;
  const Point corner = opposite + diagonal * (std::abs(across) > std::abs(down) ? across : down);
  const Point byX = snapper_.cornered(corner, opposite, p, true, false);
  if (snapper_.isResting()) return opposite + diagonal * ((byX.x - opposite.x) / diagonal.x);
  const Point byY = snapper_.cornered(corner, opposite, p, false, true);
  return snapper_.isResting() ? opposite + diagonal * ((byY.y - opposite.y) / diagonal.y) : to;
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
  if (!isOnSelected_ && !contains(desk_.selection(), target)) desk_.select({target});
  moving_ = unlocked(desk_.settled(), desk_.selection());
  doing_ = Doing::Moving;
  snapper_.begin(moving_);
  frame_ = SelectionFrame::of(desk_.project(), desk_.selection());
}

void SelectTool::release(const Pointer& p) {
  now_ = p;
  const QString gripped = grip_ && grip_->turns    ? Mat::tr("Turn")
                          : grip_ && grip_->slants ? Mat::tr("Slant")
                                                   : Mat::tr("Resize");
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
    case Doing::Gripping: {
      const QPointF way = p.onMat - pressed_.onMat;
      const bool isOutside = (grip_->turns && grip_->across != 0) || isSmall(*frame_, mat_);
      if (isOutside && std::hypot(way.x(), way.y()) < dragStart) {
        // Outside an item a drag turns or resizes it; a click picks what lies there, as anywhere else.
        trial_.drop();
        choose(p);
      } else if (trial_.settle(gripped)) {
        noteGripped(gripped, p.keys);
      }
      break;
    }
    case Doing::OwnGrip:
      held_->release();
      break;
    case Doing::Pressed: {
      if (p.keys & (Qt::AltModifier | Qt::ControlModifier)) {
        desk_.select({targetBelow(p)});
        break;
      }
      // A click on what was selected: Shift takes it out, a plain click leaves it alone.
      if (!wasSelected_ && !isOnSelected_ && !isOnGround_) break;
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
  const bool frames = !grip_->turns && !grip_->slants && !(keys & Qt::ShiftModifier);
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

void SelectTool::cancelDrag() {
  if (doing_ == Doing::Pivoting) desk_.setPivot(pivotBefore_);
  putAway();
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
  const auto frame = SelectionFrame::of(desk_.project(), desk_.selection());
  const bool isTiny = frame && isSmall(*frame, mat_);
  for (const auto& grips : own_)
    if (!(isTiny && grips->needsRoom()) && grips->hover(p) && !hot_) hot_ = grips.get();
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
  if (doing_ != Doing::Nothing) {
    const bool rests = doing_ == Doing::Moving || doing_ == Doing::Gripping || doing_ == Doing::Pivoting;
    if (rests && snapper_.takes(event)) drag(now_);
    return true;
  }
  if (event.key() == Qt::Key_Escape) {
    if (desk_.playback().isShowing()) {
      desk_.playback().stop();
      return true;
    }
    if (desk_.leavePaint()) return true;  // a page that was asked for ends first
    const auto chain = item ? chainTo(desk_.project(), item->id) : std::vector<ItemPtr>{};
    desk_.select(chain.size() > 1 ? std::vector<Id>{chain[chain.size() - 2]->id} : std::vector<Id>{});
    return true;
  }
  if (event.key() == Qt::Key_Tab || event.key() == Qt::Key_Backtab) {
    selectNext(desk_, event.key() == Qt::Key_Tab ? 1 : -1);
    return true;
  }
  if ((event.key() == Qt::Key_Return || event.key() == Qt::Key_Enter) && item) return goInto(desk_);
  return false;
}

bool SelectTool::isPivotSet() const { return desk_.pivot().isSet(); }

bool SelectTool::isOnPivot(const Pointer& p) const {
  const auto frame = SelectionFrame::of(desk_.project(), desk_.selection());
  if (!frame || !isPivotSet()) return false;
  const QPointF off = mat_.toMat(pivotPoint(*frame, desk_.pivot())) - p.onMat;
  constexpr double reach = 8;
  return std::hypot(off.x(), off.y()) <= reach;
}

}  // namespace widecut
