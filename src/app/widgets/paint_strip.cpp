#include "app/widgets/paint_strip.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPushButton>
#include <algorithm>

#include "app/look/theme.h"
#include "painting/raster.h"

namespace widecut {
namespace {

constexpr int inset = 8, barHeight = 16;
constexpr QSize swatchSize{26, 16};

void paintSquares(QPainter& painter, const QRect& on) {
  painter.fillRect(on, Qt::white);
  constexpr int side = 4;
  for (int y = 0; y < on.height(); y += side)
    for (int x = (y / side % 2) * side; x < on.width(); x += 2 * side)
      painter.fillRect(QRect(on.left() + x, on.top() + y, side, side) & on, QColor(0xD0, 0xD4, 0xD2));
}

}  // namespace

void paintStops(QPainter& painter, const QRect& on, const std::vector<GradientStop>& stops, bool eased) {
  paintSquares(painter, on);
  for (int x = 0; x < on.width(); ++x)
    painter.fillRect(on.left() + x, on.top(), 1, on.height(),
                     painterColour(colourAt(stops, eased, (x + 0.5) / on.width())));
}

void paintSwatchOf(QPushButton& swatch, const Style& style, PaintPlace place) {
  const double ratio = swatch.devicePixelRatioF();
  QPixmap pixmap(swatchSize * ratio);
  pixmap.setDevicePixelRatio(ratio);
  QPainter painter(&pixmap);
  const QRect all({0, 0}, swatchSize);
  if (const auto* stops = stopsOf(style, place)) {
    const auto* gradient = place.isLine ? nullptr : std::get_if<Gradient>(&style.fills[place.index].paint);
    paintStops(painter, all, *stops, gradient && gradient->eased);
  } else {
    paintSquares(painter, all);
    const Hatch* hatch = place.isLine ? nullptr : std::get_if<Hatch>(&style.fills[place.index].paint);
    const QColor colour = painterColour(plainColourOf(style, place).value_or(Colour{}));
    painter.setRenderHint(QPainter::Antialiasing);
    if (!hatch) {
      painter.fillRect(all, colour);
    } else if (hatch->kind == HatchKind::Lines) {
      painter.setPen(QPen(colour, 2));
      for (int x = -16; x < 30; x += 6) painter.drawLine(x, 16, x + 16, 0);
    } else {
      painter.setPen(Qt::NoPen);
      painter.setBrush(colour);
      for (int y = 0; y < 4; ++y)
        for (int x = 0; x < 6; ++x) painter.drawEllipse(QPointF(2 + x * 5 + (y % 2) * 2.5, 2 + y * 4), 1.5, 1.5);
    }
    painter.setBrush(Qt::NoBrush);
    painter.setRenderHint(QPainter::Antialiasing, false);
  }
  painter.setPen(theme::rule);
  painter.drawRect(0, 0, swatchSize.width() - 1, swatchSize.height() - 1);
  painter.end();
  swatch.setIcon(pixmap);
  swatch.setIconSize(swatchSize);
}

StopsBar::StopsBar(QWidget* parent) : QWidget(parent) {
  setFocusPolicy(Qt::StrongFocus);
  setProperty("keepsKeys", true);  // keys go on with the stop that was clicked
  setObjectName("stops");
  setAccessibleName(tr("Stops of the gradient"));
  setToolTip(
      tr("Drag stops along; click beside one for another; pull one off, or press Delete, to drop it; a double "
         "click chooses its colour"));
  setFixedHeight(sizeHint().height());
  setMinimumWidth(180);
}

void StopsBar::show(const std::vector<GradientStop>& stops, bool eased, std::size_t chosen) {
  if (held_) return;
  stops_ = stops;
  eased_ = eased;
  chosen_ = std::min(chosen, stops.empty() ? 0 : stops.size() - 1);
  update();
}

double StopsBar::xOf(double at) const { return inset + at * (width() - 2 * inset); }
double StopsBar::atX(double x) const { return std::clamp((x - inset) / (width() - 2 * inset), 0.0, 1.0); }

std::optional<std::size_t> StopsBar::stopAt(QPointF place) const {
  std::optional<std::size_t> found;
  double best = 8;
  for (std::size_t i = 0; i < stops_.size(); ++i) {
    const double off = std::abs(xOf(stops_[i].at) - place.x());
    if (off < best || (off == best && i == chosen_)) {
      best = off;
      found = i;
    }
  }
  return found;
}

bool StopsBar::event(QEvent* event) {
  // Delete is the chosen stop's here, and not the item's.
  if (event->type() == QEvent::ShortcutOverride) {
    const int key = static_cast<QKeyEvent*>(event)->key();
    if (key == Qt::Key_Delete || key == Qt::Key_Backspace || key == Qt::Key_Left || key == Qt::Key_Right) {
      event->accept();
      return true;
    }
  }
  return QWidget::event(event);
}

void StopsBar::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  const QRect bar(inset, 1, width() - 2 * inset, barHeight);
  paintStops(painter, bar, stops_, eased_);
  painter.setPen(theme::rule);
  painter.drawRect(bar.adjusted(0, 0, -1, -1));
  painter.setRenderHint(QPainter::Antialiasing);
  for (std::size_t i = 0; i < stops_.size(); ++i) {
    if (held_ && isOff_ && i == chosen_) continue;
    const double x = xOf(stops_[i].at);
    const QPolygonF house{{{x, barHeight + 1.0},
                           {x + 6, barHeight + 7.0},
                           {x + 6, barHeight + 17.0},
                           {x - 6, barHeight + 17.0},
                           {x - 6, barHeight + 7.0}}};
    painter.setPen(QPen(i == chosen_ ? theme::plum : theme::slate, i == chosen_ ? 2 : 1));
    Colour solid = stops_[i].colour;
    solid.alpha = 255;
    painter.setBrush(painterColour(solid));
    painter.drawPolygon(house);
  }
  if (hasFocus()) {
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(theme::plum, 1, Qt::DotLine));
    painter.drawRect(QRectF(0.5, 0.5, width() - 1, height() - 1));
  }
}

void StopsBar::move(std::size_t stop, double at) {
  const double low = stop > 0 ? stops_[stop - 1].at : 0, high = stop + 1 < stops_.size() ? stops_[stop + 1].at : 1;
  stops_[stop].at = std::clamp(std::round(at * 1000) / 1000, low, high);
}

void StopsBar::mousePressEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton || stops_.size() < 2) return;
  before_ = stops_;
  isNew_ = isOff_ = false;
  if (const auto stop = stopAt(event->position())) {
    chosen_ = *stop;
  } else {
    const double at = atX(event->position().x());
    const Colour colour = colourAt(stops_, eased_, at);
    const auto after = std::find_if(stops_.begin(), stops_.end(), [&](const GradientStop& s) { return s.at > at; });
    chosen_ = static_cast<std::size_t>(after - stops_.begin());
    stops_.insert(after, {at, colour});
    isNew_ = true;
  }
  held_ = true;
  emit chosen(chosen_);
  if (isNew_) emit tried(stops_);
  update();
}

void StopsBar::mouseMoveEvent(QMouseEvent* event) {
  if (!held_) return;
  constexpr double far = 40;
  isOff_ = stops_.size() > 2 && (event->position().y() > height() + far || event->position().y() < -far);
  move(chosen_, atX(event->position().x()));
  auto shown = stops_;
  if (isOff_) shown.erase(shown.begin() + static_cast<std::ptrdiff_t>(chosen_));
  emit tried(shown);
  update();
}

void StopsBar::mouseReleaseEvent(QMouseEvent*) {
  if (!std::exchange(held_, false)) return;
  if (isOff_) stops_.erase(stops_.begin() + static_cast<std::ptrdiff_t>(chosen_));
  if (isOff_ && chosen_ >= stops_.size()) chosen_ = stops_.size() - 1;
  if (stops_ != before_)
    emit settled(stops_, chosen_, isOff_ ? tr("Drop a stop") : isNew_ ? tr("Add a stop") : tr("Move a stop"));
  update();
}

void StopsBar::mouseDoubleClickEvent(QMouseEvent* event) {
  if (const auto stop = stopAt(event->position())) {
    chosen_ = *stop;
    emit chosen(chosen_);
    emit colourWanted(chosen_);
  }
}

void StopsBar::keyPressEvent(QKeyEvent* event) {
  if (stops_.empty()) return;
  const double step = event->modifiers() & Qt::ShiftModifier ? 0.1 : 0.01;
  auto stops = stops_;
  switch (event->key()) {
    case Qt::Key_Left:
    case Qt::Key_Right:
      move(chosen_, stops_[chosen_].at + (event->key() == Qt::Key_Left ? -step : step));
      std::swap(stops, stops_);
      if (stops != stops_) emit settled(stops, chosen_, tr("Move a stop"));
      return;
    case Qt::Key_Delete:
    case Qt::Key_Backspace:
      if (stops.size() <= 2) return;
      stops.erase(stops.begin() + static_cast<std::ptrdiff_t>(chosen_));
      chosen_ = std::min(chosen_, stops.size() - 1);
      emit settled(stops, chosen_, tr("Drop a stop"));
      return;
    case Qt::Key_Return:
    case Qt::Key_Enter:
      emit colourWanted(chosen_);
      return;
    case Qt::Key_PageUp:
    case Qt::Key_PageDown:
      chosen_ =
          event->key() == Qt::Key_PageUp ? (chosen_ + stops.size() - 1) % stops.size() : (chosen_ + 1) % stops.size();
      emit chosen(chosen_);
      update();
      return;
    default:
      QWidget::keyPressEvent(event);
  }
}

}  // namespace widecut
