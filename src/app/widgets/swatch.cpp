#include "app/widgets/swatch.h"

#include <QPainter>
#include <QPushButton>

#include "app/look/theme.h"
#include "painting/raster.h"

namespace widecut {

void paintPhoto(QPushButton& swatch, const QImage& photo) {
  const double ratio = swatch.devicePixelRatioF();
  QImage small = photo.scaled(QSize(26, 16) * ratio, Qt::KeepAspectRatioByExpanding, Qt::SmoothTransformation);
  QPixmap pixmap = QPixmap::fromImage(small.copy(QRect({0, 0}, (QSizeF(26, 16) * ratio).toSize())));
  pixmap.setDevicePixelRatio(ratio);
  swatch.setIcon(pixmap);
  swatch.setIconSize({26, 16});
}

void paintSwatch(QPushButton& swatch, std::optional<Colour> colour) {
  QPixmap pixmap(QSize(26, 16) * swatch.devicePixelRatioF());
  pixmap.setDevicePixelRatio(swatch.devicePixelRatioF());
  pixmap.fill(colour ? painterColour(*colour) : QColor(Qt::white));
  QPainter painter(&pixmap);
  painter.setPen(theme::rule);
  painter.drawRect(0, 0, 25, 15);
  painter.setRenderHint(QPainter::Antialiasing);
  if (!colour) {
    painter.setPen(QPen(theme::slate, 1.3));
    painter.drawLine(QPointF(1, 15), QPointF(25, 1));
  }
  painter.end();
  swatch.setIcon(pixmap);
  swatch.setIconSize({26, 16});
}

}  // namespace widecut
