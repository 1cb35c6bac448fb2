#include "app/widgets/film_strip.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "app/look/theme.h"

namespace widecut {
namespace {

constexpr double inset = 9;   // beside the frames, for grips
constexpr double header = 8;  // above them, for the poster's mark
constexpr double gripReach = 8;

}  // namespace

FilmStrip::FilmStrip(QWidget* parent) : QWidget(parent) {
  setObjectName("filmStrip");
  setAccessibleName(tr("Frames of the video"));
  setFocusPolicy(Qt::StrongFocus);
  setProperty("keepsKeys", true);  // frames are looked through by keys from where a click was
  setMouseTracking(true);
  setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
  setFixedHeight(sizeHint().height());
}

void FilmStrip::show(const Shown& shown) {
  if (shown == shown_) return;
  shown_ = shown;
  update();
}

QRectF FilmStrip::strip() const { return QRectF(rect()).adjusted(inset, header, -inset, -2); }
double FilmStrip::xAt(double seconds) const {
  return strip().left() + strip().width() * std::clamp(seconds / shown_.seconds, 0.0, 1.0);
}
double FilmStrip::secondsAt(double x) const {
  return std::clamp((x - strip().left()) / strip().width(), 0.0, 1.0) * shown_.seconds;
}

int FilmStrip::frameWidth(double widthOverHeight) const {
  return std::max(8, static_cast<int>(std::lround(strip().height() * widthOverHeight)));
}
int FilmStrip::frameCount(double widthOverHeight) const {
  return std::max(1, static_cast<int>(std::ceil(strip().width() / frameWidth(widthOverHeight))));
}
void FilmStrip::setFrames(std::vector<QImage> frames) {
  frames_ = std::move(frames);
  update();
}

void FilmStrip::paintFrames(QPainter& painter) const {
  const QRectF all = strip();
  painter.save();
  QPainterPath round;
  round.addRoundedRect(all, 4, 4);
  painter.setClipPath(round);
  painter.fillRect(all, theme::sand);
  double x = all.left();
  for (const QImage& frame : frames_) {
    if (frame.isNull()) break;
    const double width = frame.width() / frame.devicePixelRatio();
    painter.drawImage(QRectF(x, all.top(), width, all.height()), frame);
    x += width;
  }
  // What does not play steps back.
  const double from = drag_ == Drag::None ? shown_.from : partFrom_, to = drag_ == Drag::None ? shown_.to : partTo_;
  QColor veil = theme::card;
  veil.setAlpha(200);
  painter.fillRect(QRectF(all.left(), all.top(), xAt(from) - all.left(), all.height()), veil);
  painter.fillRect(QRectF(xAt(to), all.top(), all.right() - xAt(to), all.height()), veil);
  painter.restore();
  painter.setPen(QPen(theme::plum, 2));
  painter.setBrush(Qt::NoBrush);
  painter.drawRoundedRect(QRectF(QPointF(xAt(from), all.top()), QPointF(xAt(to), all.bottom())), 4, 4);
  paintGrip(painter, xAt(from), true);
  paintGrip(painter, xAt(to), false);
}

/// A tab at an end of the part that plays, on the side that does not.
void FilmStrip::paintGrip(QPainter& painter, double x, bool opensRight) const {
  const QRectF all = strip();
  constexpr double width = 7;
  const QRectF tab(opensRight ? x - width : x, all.top(), width, all.height());
  painter.setPen(Qt::NoPen);
  painter.setBrush(theme::plum);
  painter.drawRoundedRect(tab, 3, 3);
  painter.setPen(QPen(Qt::white, 1.2));
  const QPointF middle = tab.center();
  painter.drawLine(middle - QPointF(0, 6), middle + QPointF(0, 6));
}

void FilmStrip::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
  paintFrames(painter);
  const QRectF all = strip();
  // The poster's frame is marked by a pennant above it.
  const double poster = xAt(shown_.poster);
  painter.setPen(Qt::NoPen);
  painter.setBrush(theme::ochre);
  painter.drawPolygon(QPolygonF({{poster, 0}, {poster + 9, 3.2}, {poster, 6.4}}));
  painter.fillRect(QRectF(poster - 0.8, 0, 1.6, header + 4), theme::ochre);
  if (shown_.place) {
    const double x = xAt(*shown_.place);
    painter.setPen(QPen(Qt::white, 4));
    painter.drawLine(QPointF(x, all.top() + 1), QPointF(x, all.bottom() - 1));
    painter.setPen(QPen(theme::rust, 2));
    painter.drawLine(QPointF(x, all.top() - 3), QPointF(x, all.bottom() + 1));
  }
  if (hasFocus()) {
    painter.setPen(QPen(theme::plum, 1, Qt::DotLine));
    painter.setBrush(Qt::NoBrush);
    painter.drawRoundedRect(QRectF(rect()).adjusted(0.5, header - 3, -0.5, -0.5), 4, 4);
  }
}

FilmStrip::Drag FilmStrip::gripAt(QPointF at) const {
  const double toFrom = at.x() - xAt(shown_.from), toTo = at.x() - xAt(shown_.to);
  // Each grip lies outside of the part, so that a short part can still be opened.
  if (toFrom <= 2 && toFrom >= -gripReach) return Drag::From;
  if (toTo >= -2 && toTo <= gripReach) return Drag::To;
  return Drag::Place;
}

void FilmStrip::dragTo(double x) {
  const double at = secondsAt(x), frame = 1 / shown_.framesPerSecond;
  if (drag_ == Drag::Place) {
    emit soughtAt(at);
    return;
  }
  if (drag_ == Drag::From) partFrom_ = std::clamp(at, 0.0, std::max(0.0, partTo_ - frame));
  if (drag_ == Drag::To) partTo_ = std::clamp(at, std::min(shown_.seconds, partFrom_ + frame), shown_.seconds);
  update();
  emit partTried(partFrom_, partTo_);
}

void FilmStrip::mousePressEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  drag_ = gripAt(event->position());
  partFrom_ = shown_.from;
  partTo_ = shown_.to;
  if (drag_ == Drag::Place) dragTo(event->position().x());
}

void FilmStrip::mouseMoveEvent(QMouseEvent* event) {
  if (drag_ != Drag::None) {
    dragTo(event->position().x());
    return;
  }
  setCursor(gripAt(event->position()) == Drag::Place ? Qt::PointingHandCursor : Qt::SizeHorCursor);
}

void FilmStrip::mouseReleaseEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  const Drag was = std::exchange(drag_, Drag::None);
  if (was == Drag::From || was == Drag::To) emit partSettled(partFrom_, partTo_);
  update();
}

void FilmStrip::keyPressEvent(QKeyEvent* event) {
  const double frames = event->modifiers() & Qt::ShiftModifier ? 10 : 1;
  const double now = shown_.place.value_or(shown_.poster), step = frames / shown_.framesPerSecond;
  const auto seek = [&](double seconds) { emit soughtAt(std::clamp(seconds, 0.0, shown_.seconds)); };
  switch (event->key()) {
    case Qt::Key_Left:
      seek(now - step);
      break;
    case Qt::Key_Right:
      seek(now + step);
      break;
    case Qt::Key_Home:
      seek(shown_.from);
      break;
    case Qt::Key_End:
      seek(shown_.to - 1 / shown_.framesPerSecond);
      break;
    case Qt::Key_Escape:
      if (drag_ == Drag::From || drag_ == Drag::To) {
        drag_ = Drag::None;
        update();
      } else {
        emit left();
      }
      break;
    default:
      QWidget::keyPressEvent(event);
  }
}

}  // namespace widecut
