// How large the sheet shows on the mat, and where.
#include <QScreen>
#include <algorithm>

#include "app/desk/playback.h"
#include "app/mat/mat.h"

namespace widecut {
namespace {

constexpr double leastZoom = 0.02, mostZoom = 128;

}  // namespace

void Mat::fitSheet() {
  const SheetPtr sheet = desk_.sheet();
  const double room = 34;
  const double w = width() - rulerSize - 2 * room, h = height() - rulerSize - 2 * room;
  zoom_ = std::clamp(std::min(w / sheet->width, h / sheet->height), leastZoom, mostZoom);
  origin_ = onWholePixels(
      {rulerSize + room + (w - sheet->width * zoom_) / 2, rulerSize + room + (h - sheet->height * zoom_) / 2});
  fitted_ = true;
  refresh();
  emit zoomChanged();
}

void Mat::showBox(const Box& onSheet) {
  if (onSheet.isEmpty()) return;
  const double room = 60;
  const double w = width() - rulerSize - 2 * room, h = height() - rulerSize - 2 * room;
  zoom_ = std::clamp(std::min(w / std::max(onSheet.width(), 1.0), h / std::max(onSheet.height(), 1.0)), leastZoom,
                     mostZoom);
  origin_ = onWholePixels(QPointF(rulerSize + room + w / 2, rulerSize + room + h / 2) -
                          QPointF(onSheet.centre().x, onSheet.centre().y) * zoom_);
  fitted_ = false;
  refresh();
  emit zoomChanged();
}

void Mat::showTrueSize() { zoomBy(screen()->physicalDotsPerInch() / 72 / zoom_); }

void Mat::zoomBy(double factor, std::optional<QPointF> about) {
  const QPointF at =
      about.value_or(QPointF(rulerSize + (width() - rulerSize) / 2.0, rulerSize + (height() - rulerSize) / 2.0));
  const Point kept = toSheet(at);
  zoom_ = std::clamp(zoom_ * factor, leastZoom, mostZoom);
  origin_ = onWholePixels({at.x() - kept.x * zoom_, at.y() - kept.y * zoom_});
  fitted_ = false;
  refresh();
  emit zoomChanged();
}

void Mat::panBy(QPointF pixels) {
  origin_ = onWholePixels(origin_ + pixels);
  fitted_ = false;
  refresh();
  if (desk_.playback().isShowing()) cache_.videosMoved();
}

}  // namespace widecut
