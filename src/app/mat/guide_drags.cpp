#include "app/mat/guide_drags.h"

#include <QKeyEvent>

#include "app/desk/preferences.h"
#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/mat/pointer_label.h"
#include "app/mat/size_entry.h"
#include "project/edits/sheets.h"

namespace widecut {
namespace {

constexpr double tabReach = 6, dragStart = 3;  // pixels
const QColor guideColour{0x1F, 0x7A, 0x8C};

double placeOf(const Pointer& pointer, bool upright) { return upright ? pointer.onSheet.x : pointer.onSheet.y; }

}  // namespace

bool GuideDrags::isInRuler(QPointF onMat, bool upright) const {
  const bool atLeft = onMat.x() < rulerSize, atTop = onMat.y() < rulerSize;
  return upright ? atTop && !atLeft : atLeft && !atTop;
}

QPointF GuideDrags::tabOf(const Guide& guide) const {
  const QPointF at = mat_.toMat({guide.at, guide.at});
  return guide.upright ? QPointF(at.x(), rulerSize / 2.0) : QPointF(rulerSize / 2.0, at.y());
}

std::optional<GuidePlace> GuideDrags::tabAt(QPointF onMat) const {
  if (!preferences().showsGuides) return std::nullopt;
  // The tabs of upright guides lie in the upper ruler.
  for (const GuidePlace& place : guidesOn(desk_.project(), desk_.sheet()->id)) {
    const Guide& guide = *findGuide(desk_.project(), place);
    if (guide.locked || !isInRuler(onMat, guide.upright)) continue;
    const QPointF off = tabOf(guide) - onMat;
    if (std::abs(guide.upright ? off.x() : off.y()) <= tabReach) return place;
  }
  return std::nullopt;
}

bool GuideDrags::press(const Pointer& pointer) {
  chosen_.reset();
  const bool inTop = isInRuler(pointer.onMat, true), inLeft = isInRuler(pointer.onMat, false);
  if (!inTop && !inLeft) return false;
  taken_ = tabAt(pointer.onMat);
  const Guide* guide = taken_ ? findGuide(desk_.project(), *taken_) : nullptr;
  // Out of the upper ruler a level guide is pulled down, out of the left one an upright one to the right.
  upright_ = guide ? guide->upright : inLeft;
  held_ = true;
  moved_ = false;
  pressed_ = pointer;
  snapper_.begin();
  return true;
}

void GuideDrags::drag(const Pointer& pointer) {
  const QPointF way = pointer.onMat - pressed_.onMat;
  moved_ = moved_ || std::hypot(way.x(), way.y()) >= dragStart;
  if (!held_ || !moved_) return;
  const bool isBack = isInRuler(pointer.onMat, true) || isInRuler(pointer.onMat, false) ||
                      !mat_.rect().contains(pointer.onMat.toPoint());
  // Along the ruler its own guides are dragged, too.
  const bool isAlong = taken_ && isInRuler(pointer.onMat, upright_);
  if (isBack && !isAlong) {
    if (taken_)
      trial_.show(withoutGuide(desk_.settled(), *taken_));
    else
      trial_.drop();
    return;
  }
  const double at = placeOf(snapper_.resting(pointer), upright_);
  if (taken_) {
    Guide guide = *findGuide(desk_.settled(), *taken_);
    guide.at = at;
    trial_.show(withGuideSet(desk_.settled(), *taken_, guide));
    return;
  }
  if (!preferences().showsGuides) prefer([](Preferences& p) { p.showsGuides = true; });
  const bool isOfPiece = pointer.keys & Qt::ShiftModifier;
  const Id sheet = desk_.sheet()->id;
  trial_.show(withGuide(desk_.settled(), isOfPiece ? pieceOf(desk_.settled(), sheet)->id : sheet, {upright_, at}));
}

void GuideDrags::release(const Pointer& pointer) {
  if (moved_) {
    const bool isGone =
        taken_ && guidesOf(desk_.project(), taken_->owner).size() < guidesOf(desk_.settled(), taken_->owner).size();
    trial_.settle(!taken_ ? Mat::tr("Lay a guide") : isGone ? Mat::tr("Take a guide away") : Mat::tr("Move a guide"));
  } else if (taken_) {
    chosen_ = taken_;
    openEntry(*taken_, pointer.onMat);
  }
  held_ = false;
  taken_.reset();
  snapper_.end();
}

void GuideDrags::cancel() {
  trial_.drop();
  held_ = false;
  taken_.reset();
  snapper_.end();
}

void GuideDrags::openEntry(const GuidePlace& place, QPointF onMat) {
  const Guide& guide = *findGuide(desk_.settled(), place);
  const auto trial = std::make_shared<Trial>(desk_);
  const auto show = [trial, place, &desk = desk_](const std::vector<double>& values) {
    const Guide* now = findGuide(desk.settled(), place);
    if (!now) return;
    Guide moved = *now;
    moved.at = values[0];
    trial->show(withGuideSet(desk.settled(), place, moved));
  };
  mat_.entry().open(onMat, {{guide.upright ? Mat::tr("x") : Mat::tr("y"), desk_.unit(), {}, guide.at}},
                    {show,
                     [trial, show](const std::vector<double>& values) {
                       show(values);
                       trial->settle(Mat::tr("Move a guide"));
                     },
                     [trial] { trial->drop(); }});
}

bool GuideDrags::key(const QKeyEvent& event) {
  if (held_ && event.key() == Qt::Key_Escape) {
    cancel();
    return true;
  }
  const Guide* guide = chosen_ ? findGuide(desk_.settled(), *chosen_) : nullptr;
  if (!guide) return false;
  if (event.key() == Qt::Key_Delete || event.key() == Qt::Key_Backspace) {
    mat_.entry().drop();
    desk_.commit(Mat::tr("Take a guide away"), withoutGuide(desk_.settled(), *chosen_));
    chosen_.reset();
    return true;
  }
  if (event.key() == Qt::Key_Escape) {
    chosen_.reset();
    return true;
  }
  const auto way = arrowStep(event.key());
  if (!way) return false;
  mat_.entry().finish();
  const double size = event.modifiers() & Qt::ShiftModifier ? 10 : event.modifiers() & Qt::ControlModifier ? 0.1 : 1;
  Guide moved = *guide;
  moved.at += size * pointsPerMillimetre * (guide->upright ? way->x : way->y);
  desk_.commit(Mat::tr("Nudge a guide"), withGuideSet(desk_.settled(), *chosen_, moved));
  return true;
}

bool GuideDrags::wants(const QKeyEvent& event) const {
  return chosen_ && findGuide(desk_.settled(), *chosen_) &&
         (event.key() == Qt::Key_Delete || event.key() == Qt::Key_Backspace);
}

std::optional<Qt::CursorShape> GuideDrags::cursorAt(QPointF onMat) const {
  if (held_) return upright_ ? Qt::SplitHCursor : Qt::SplitVCursor;
  const bool inTop = isInRuler(onMat, true), inLeft = isInRuler(onMat, false);
  if (!inTop && !inLeft) return std::nullopt;
  const bool upright = tabAt(onMat) ? inTop : inLeft;
  return upright ? Qt::SplitHCursor : Qt::SplitVCursor;
}

QString GuideDrags::hint() const {
  if (held_ && taken_)
    return Mat::tr("Let go to set the guide · back in the ruler it is thrown away · Ctrl moves freely");
  if (held_) return Mat::tr("Let go to lay the guide · with Shift it lies on all sheets of the piece");
  return Mat::tr("Drag a guide out of the ruler · drag a tab to move its guide, click it to type or nudge it");
}

void GuideDrags::paint(QPainter& painter) const {
  if (!preferences().showsGuides) return;
  painter.save();
  painter.setRenderHint(QPainter::Antialiasing, false);
  for (const GuidePlace& place : guidesOn(desk_.project(), desk_.sheet()->id)) {
    const Guide& guide = *findGuide(desk_.project(), place);
    const bool isChosen = chosen_ == place, isOfPiece = place.owner != desk_.sheet()->id;
    const QPointF tab = tabOf(guide);
    const double far = guide.upright ? mat_.height() : mat_.width();
    // Those of all sheets are dashed: a colour alone would not tell.
    painter.setPen(QPen(guideColour, isChosen ? 2 : 1, isOfPiece ? Qt::DashLine : Qt::SolidLine));
    const bool isInView = (guide.upright ? tab.x() : tab.y()) > rulerSize;
    if (!isInView) continue;
    if (guide.upright)
      painter.drawLine(QPointF(tab.x(), rulerSize + 1), QPointF(tab.x(), far));
    else
      painter.drawLine(QPointF(rulerSize + 1, tab.y()), QPointF(far, tab.y()));
    if (guide.locked) continue;
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(Qt::NoPen);
    painter.setBrush(guideColour);
    const double r = isChosen ? 6 : 4.5;
    painter.drawPolygon(
        guide.upright
            ? QPolygonF({{tab.x() - r, rulerSize - 9.0}, {tab.x() + r, rulerSize - 9.0}, {tab.x(), rulerSize + 0.0}})
            : QPolygonF({{rulerSize - 9.0, tab.y() - r}, {rulerSize - 9.0, tab.y() + r}, {rulerSize + 0.0, tab.y()}}));
    painter.setRenderHint(QPainter::Antialiasing, false);
    if (guide.name.empty()) continue;
    painter.setPen(guideColour);
    painter.setFont(theme::font(10));
    const QString name = QString::fromStdString(guide.name);
    painter.drawText(guide.upright ? QPointF(tab.x() + 4, rulerSize + 13) : QPointF(rulerSize + 6, tab.y() - 3), name);
  }
  if (held_) {
    painter.setRenderHint(QPainter::Antialiasing);
    snapper_.paint(painter);
  }
  painter.restore();
}

}  // namespace widecut
