#include "app/mat/mat.h"

#include <QApplication>
#include <QDragEnterEvent>
#include <QInputMethodEvent>
#include <QMouseEvent>
#include <QPainter>

#include "app/desk/playback.h"
#include "app/desk/preferences.h"
#include "app/desk/selecting.h"
#include "app/look/theme.h"
#include "app/mat/dropper.h"
#include "app/mat/guide_drags.h"
#include "app/mat/measure_marks.h"
#include "app/mat/selection_frame.h"
#include "app/mat/size_entry.h"
#include "app/mat/subject_marks.h"
#include "app/tools/tool_table.h"
#include "painting/raster.h"
#include "project/edits/sheets.h"

namespace widecut {
Mat::Mat(Desk& desk, QWidget* parent)
    : QWidget(parent),
      desk_(desk),
      rasters_(desk.photos()),
      cache_(desk.photos(), &rasters_),
      entry_(new SizeEntry(this)),
      drops_(desk),
      guides_(std::make_unique<GuideDrags>(*this, desk)) {
  setObjectName("mat");
  setAccessibleName(tr("Mat with the sheet"));
  setFocusPolicy(Qt::StrongFocus);
  setMouseTracking(true);
  setAcceptDrops(true);
  setMinimumSize(320, 200);
  setAttribute(Qt::WA_OpaquePaintEvent);
  connect(&desk, &Desk::paintChosen, this, [this] { refresh(); });
  connect(&desk, &Desk::colourPickWanted, this,
          [this](const std::function<void(Colour)>& take) { new Dropper(*this, desk_, take); });
  connect(&desk, &Desk::selectionChanged, entry_, &SizeEntry::finish);
  connect(&desk, &Desk::settleWanted, entry_, &SizeEntry::finish);
  lateUp_.setSingleShot(true);
  connect(&lateUp_, &QTimer::timeout, this, [this] { letGo(QKeyEvent(QEvent::KeyRelease, up_, Qt::NoModifier)); });
  for (const ToolEntry& tool : toolTable()) tools_[tool.kind] = tool.make(*this, desk);
  connect(&desk, &Desk::projectChanged, this, &Mat::refresh);
  connect(&desk, &Desk::selectionChanged, this, &Mat::refresh);
  connect(&desk, &Desk::sheetChanged, this, [this] {
    pointAtNothing();  // what lay under the pointer lies on another sheet
    fitSheet();
  });
  for (const auto signal : {&Desk::viewChanged, &Desk::pivotChanged, &Desk::nodesChosen})
    connect(&desk, signal, this, [this] { update(); });
  connect(&desk, &Desk::toolChanged, this, &Mat::takeUpTool);
  connect(&desk.subjects(), &SubjectWatch::changed, this, &Mat::refresh);
  connect(&PreferencesNow::instance(), &PreferencesNow::changed, this, [this] {
    stale_ = still_.rect();  // the rulers are of the chrome, and what shows on the mat is preferred
    update();
  });
  connect(&desk, &Desk::photosReady, this, [this] {
    stale_ |= cache_.photosReady().translated((origin_ * devicePixelRatioF()).toPoint());
    update();
  });
  // What shows a video is painted off this thread, at whatever rate that can.
  connect(&desk.playback(), &Playback::moved, this, [this] { cache_.videosMoved(); });
  connect(this, &Mat::zoomChanged, &desk.playback(),
          [this] { desk_.playback().setPixelsPerPoint(zoom_ * devicePixelRatioF()); });
  rasters_.whenReady([this] {
    QMetaObject::invokeMethod(
        this,
        [this] {
          stale_ |= cache_.takeReady().translated((origin_ * devicePixelRatioF()).toPoint());
          update();
        },
        Qt::QueuedConnection);
  });
  // What stood in for exact rasters is painted when there is time.
  finer_.setSingleShot(true);
  finer_.setInterval(0);
  connect(&finer_, &QTimer::timeout, this, qOverload<>(&Mat::update));
}

Mat::~Mat() = default;

Tool& Mat::tool() const { return *tools_.at(toolInHand_); }

void Mat::takeUpTool() {
  guides_->cancel();
  tool().putAway();
  entry_->finish();
  toolPressed_ = false;
  toolInHand_ = desk_.tool();
  refresh();
}

void Mat::refresh() {
  const auto overRulers = guides_->cursorAt(lastPointer_);
  setCursor(overRulers ? QCursor(*overRulers) : tool().cursor());
  setAttribute(Qt::WA_InputMethodEnabled, tool().takesText());
  update();
  emit hintChanged();
}

QString Mat::hint() const { return guides_->hasHint(lastPointer_) ? guides_->hint() : tool().hint(); }

Pointer Mat::pointerOf(QPointF onMat, Qt::KeyboardModifiers keys) const {
  // Places by hand lie on a grid of a third of a nanometre: sums and differences of such numbers are exact, so that
  // edges that are brought together are equal to the last bit.
  constexpr double fine = 1 << 20;
  const Point p = toSheet(onMat);
  return {onMat, {std::round(p.x * fine) / fine, std::round(p.y * fine) / fine}, keys};
}

Pointer Mat::pointerOf(const QMouseEvent& event) { return pointerOf(event.position(), held_.told(event.modifiers())); }

QRectF Mat::sheetArea() const {
  const SheetPtr sheet = desk_.sheet();
  return {toMat({0, 0}), toMat({sheet->width, sheet->height})};
}

QPointF Mat::onWholePixels(QPointF place) const {
  const double ratio = devicePixelRatioF();
  const QPointF inWindow = QPointF(mapTo(window(), QPoint(0, 0))) * ratio;
  const QPointF pixels = place * ratio + inWindow;
  return (QPointF(std::round(pixels.x()), std::round(pixels.y())) - inWindow) / ratio;
}

void Mat::resizeEvent(QResizeEvent*) {
  if (fitted_) fitSheet();
}

void Mat::paintEvent(QPaintEvent*) {
  origin_ = onWholePixels(origin_);  // the window may have come to another screen, or the mat to another place in it
  bringStillUpToDate();
  QPainter painter(this);
  painter.drawImage(0, 0, still_);
  if (desk_.view() == MatView::Paper) return;
  guides_->paint(painter);
  painter.setClipRect(QRectF(rect()).adjusted(rulerSize + 1, rulerSize + 1, 0, 0));
  painter.setRenderHint(QPainter::Antialiasing);
  tool().paint(painter);
  paintSubjectMarks(painter, *this, desk_);
  paintMeasureMarks(painter, *this, desk_);
}

MatGround Mat::ground() const {
  const SheetPtr sheet = desk_.sheet();
  const PiecePtr piece = pieceOf(desk_.project(), sheet->id);
  return {size(),       origin_,      zoom_,          sheet->id,    sheet->box(),           sheet->bleed,
          sheet->folds, sheet->paper, piece->setting, desk_.view(), preferences().showsGrid};
}

void Mat::bringStillUpToDate() {
  const SheetPtr sheet = desk_.sheet();
  const double ratio = devicePixelRatioF();
  const QSize size = (QSizeF(this->size()) * ratio).toSize();
  if (still_.size() != size || still_.devicePixelRatio() != ratio) {
    still_ = QImage(size, QImage::Format_RGB32);
    still_.setDevicePixelRatio(ratio);
    stale_ = still_.rect();
  }
  if (MatGround now = ground(); now != stillGround_) {
    stale_ = still_.rect();
    stillGround_ = std::move(now);
  }
  const QPoint corner = (origin_ * ratio).toPoint();
  const QRect visible = still_.rect().translated(-corner);
  cache_.setTrying(desk_.isTrying());
  cache_.setNearest((lastPointer_ * ratio).toPoint() - corner);
  stale_ |= cache_.follow(*sheet, zoom_ * ratio, visible).translated(corner);
  if (!desk_.isTrying()) stale_ |= cache_.needsFiner().translated(corner);
  stale_ &= still_.rect();
  if (!stale_.isEmpty()) paintStill(std::exchange(stale_, {}));
  if (!desk_.isTrying() && cache_.isRough()) finer_.start();
}

void Mat::paintStill(const QRect& part) {
  const double ratio = devicePixelRatioF();
  QPainter painter(&still_);
  const QRectF logical = QRectF(QPointF(part.topLeft()) / ratio, QSizeF(part.size()) / ratio);
  painter.setClipRect(logical);
  paintMat(painter, stillGround_);
  paintPaper(painter, stillGround_);
  if (stillGround_.view == MatView::Edges) {
    paintEdges(painter, stillGround_, *desk_.sheet());
  } else {
    painter.save();
    painter.translate(origin_);
    painter.scale(1 / ratio, 1 / ratio);
    cache_.draw(painter, part.translated(-(origin_ * ratio).toPoint()));
    painter.restore();
  }
  paintVeil(painter, stillGround_);
  if (logical.left() <= rulerSize || logical.top() <= rulerSize) paintRulers(painter, stillGround_);
}

void Mat::mousePressEvent(QMouseEvent* event) {
  setFocus(Qt::MouseFocusReason);
  waiting_ = 0;  // it is held for what begins now
  entry_->finish();
  // One thing at a time: what another button does meanwhile would leave the first half done.
  if (toolPressed_ || panningFrom_ || guides_->isHeld()) return;
  if (event->button() == Qt::MiddleButton || (event->button() == Qt::LeftButton && spaceHeld_)) {
    panningFrom_ = event->position();
    panButton_ = event->button();
    setCursor(Qt::ClosedHandCursor);
    return;
  }
  if (event->button() == Qt::LeftButton && !guides_->press(pointerOf(*event))) {
    // All kinds are offered and none is chosen: what is pressed here is meant itself.
    if (desk_.tool() == ToolKind::Starter && !desk_.nextKind()) desk_.setTool(ToolKind::Select);
    pressTool(*event);
  }
  refresh();
}

void Mat::pressTool(const QMouseEvent& event) {
  toolPressed_ = true;
  doubleClicked_.reset();
  tool().press(pointerOf(event));
}

void Mat::mouseMoveEvent(QMouseEvent* event) {
  lastPointer_ = event->position();
  if (panningFrom_) {
    panBy(event->position() - *panningFrom_);
    panningFrom_ = event->position();
    setCursor(Qt::ClosedHandCursor);
    return;
  }
  const Pointer pointer = pointerOf(*event);
  if (guides_->isHeld()) {
    guides_->drag(pointer);
    refresh();
    emit pointerMoved(pointer.onSheet);
    return;
  }
  if (toolPressed_ && !(event->buttons() & Qt::LeftButton)) {
    // The release went elsewhere, to a dialog perhaps.
    toolPressed_ = false;
    tool().putAway();
  }
  if (doubleClicked_ && (event->position() - *doubleClicked_).manhattanLength() >= QApplication::startDragDistance())
    doubleClicked_.reset();
  if (!toolPressed_)
    tool().hover(pointer);
  else if (!doubleClicked_)
    tool().drag(pointer);
  refresh();
  emit pointerMoved(pointer.onSheet);
}

void Mat::mouseReleaseEvent(QMouseEvent* event) {
  if (panningFrom_ && event->button() == panButton_) {
    panningFrom_.reset();
  } else if (guides_->isHeld() && event->button() == Qt::LeftButton) {
    guides_->release(pointerOf(*event));
  } else if (toolPressed_ && event->button() == Qt::LeftButton) {
    toolPressed_ = false;
    const Pointer pointer = pointerOf(*event);
    tool().release(pointer);
    if (doubleClicked_) tool().doubleClick(pointer);
    doubleClicked_.reset();
  }
  refresh();
}

void Mat::mouseDoubleClickEvent(QMouseEvent* event) {
  // A click may be followed by a drag as quickly as by another click: which it is shows when the button moves or is let
  // go.
  if (event->button() != Qt::LeftButton || toolPressed_ || panningFrom_ || spaceHeld_) {
    mousePressEvent(event);
    return;
  }
  pressTool(*event);
  doubleClicked_ = event->position();
  refresh();
}

void Mat::wheelEvent(QWheelEvent* event) {
  const double steps = event->angleDelta().y() / 120.0;
  const Pointer pointer = pointerOf(event->position(), event->modifiers());
  if (event->modifiers() & Qt::ControlModifier) {
    zoomBy(std::pow(1.2, steps), event->position());
  } else if (!tool().wheel(pointer, steps)) {
    const QPointF pixels =
        event->pixelDelta().isNull() ? QPointF(event->angleDelta()) / 120.0 * 60 : QPointF(event->pixelDelta());
    panBy(event->modifiers() & Qt::ShiftModifier && pixels.x() == 0 ? QPointF(pixels.y(), 0) : pixels);
  }
  event->accept();
  refresh();
}

void Mat::leaveEvent(QEvent*) {
  pointAtNothing();
  emit pointerMoved(std::nullopt);
}

void Mat::pointAtNothing() {
  if (toolPressed_ || panningFrom_ || guides_->isHeld()) return;
  constexpr double farAway = -1e5;
  lastPointer_ = {farAway, farAway};
  tool().hover(pointerOf(lastPointer_, Qt::NoModifier));
  refresh();
}

void Mat::contextMenuEvent(QContextMenuEvent* event) {
  if (toolPressed_ || panningFrom_) return;
  QPoint where = event->pos();
  if (event->reason() == QContextMenuEvent::Mouse) {
    tool().choose(pointerOf(where, event->modifiers()));
  } else {
    // By a key there is no place: the middle of what is selected, or of the sheet.
    const auto frame = SelectionFrame::of(desk_.project(), desk_.selection());
    where = toMat(frame ? frame->toSheet(frame->box.centre()) : desk_.sheet()->box().centre()).toPoint();
  }
  emit menuWanted(mapToGlobal(where));
}

void Mat::dragEnterEvent(QDragEnterEvent* event) {
  if (drops_.takes(*event->mimeData())) event->acceptProposedAction();
}

void Mat::dragMoveEvent(QDragMoveEvent* event) {
  drops_.show(*event->mimeData(), toSheet(event->position()));
  if (drops_.takes(*event->mimeData())) event->acceptProposedAction();
}

void Mat::dragLeaveEvent(QDragLeaveEvent*) { drops_.leave(); }

void Mat::dropEvent(QDropEvent* event) {
  event->acceptProposedAction();
  const Point at = toSheet(event->position());
  if (const QString photo = drops_.drop(*event->mimeData(), at); !photo.isEmpty()) emit photoDropped(photo, at);
}

}  // namespace widecut
