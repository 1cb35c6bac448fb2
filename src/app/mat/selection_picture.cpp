#include "app/mat/selection_picture.h"

#include <QPainter>

#include "app/mat/mat.h"
#include "app/mat/selection_frame.h"

namespace widecut {

void SelectionPicture::paint(QPainter& painter, const Mat& mat, const Project& project, const std::vector<Id>& items,
                             QPointF shift) {
  const SheetPtr sheet = items.empty() ? nullptr : sheetOf(project, items.front());
  const QPointF origin = mat.toMat({0, 0});
  const double ratio = mat.devicePixelRatioF();
  const QSize size = mat.size() * 2 * ratio;
  if (sheet != sheet_ || items != items_ || origin != origin_ || mat.zoom() != zoom_ || image_.size() != size) {
    sheet_ = sheet;
    items_ = items;
    origin_ = origin;
    zoom_ = mat.zoom();
    // As much beyond the mat as a drag may bring into it.
    corner_ = -QPointF(mat.width(), mat.height()) / 2;
    image_ = QImage(size, QImage::Format_ARGB32_Premultiplied);
    image_.setDevicePixelRatio(ratio);
    image_.fill(Qt::transparent);
    QPainter own(&image_);
    own.translate(-corner_);
    own.setRenderHint(QPainter::Antialiasing);
    own.setPen(painter.pen());
    own.setBrush(Qt::NoBrush);
    for (const Id id : items) paintSelected(own, mat, project, id);
  }
  painter.drawImage(corner_ + QPointF(shift.toPoint()), image_);
}

}  // namespace widecut
