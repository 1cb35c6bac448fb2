#include "app/look/shown_picture.h"

#include <QPainter>
#include <cstdlib>

#include "app/look/theme.h"

namespace widecut {
namespace {

/// Premultiplied, as pictures of items are.
bool isLostOn(const QColor& ground, const QImage& picture) {
  constexpr int leastAlpha = 32;       // thin letters are hardly more
  constexpr int leastDifference = 32;  // of 255
  const int under = qGray(ground.rgb());
  int painted = 0, lost = 0;
  for (int y = 0; y < picture.height(); ++y)
    for (int x = 0; x < picture.width(); ++x) {
      const QRgb p = picture.pixel(x, y);
      if (qAlpha(p) < leastAlpha) continue;
      ++painted;
      lost += std::abs(qGray(p) - under * qAlpha(p) / 255) < leastDifference;
    }
  return 2 * lost > painted;
}

}  // namespace

QImage shownOnPanel(QImage picture) {
  if (!isLostOn(theme::linen, picture)) return picture;
  const bool isLight = qGray(theme::linen.rgb()) > 127;
  QPainter painter(&picture);
  painter.setCompositionMode(QPainter::CompositionMode_DestinationOver);
  painter.fillRect(picture.rect(), isLight ? theme::mat : theme::onMat);
  return picture;
}

}  // namespace widecut
