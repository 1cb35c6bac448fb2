#include "output/photo_tile.h"

#include <QPainter>
#include <cmath>

#include "media/area_scale.h"

namespace widecut {
namespace {

/// Samples for each pixel of a turned photo, along each axis.
constexpr int samples = 3;

bool isUpright(const QTransform& m) {
  const double size = std::abs(m.m11()) + std::abs(m.m22());
  return m.m11() > 0 && m.m22() > 0 && std::abs(m.m12()) + std::abs(m.m21()) < 1e-9 * size;
}

}  // namespace

QImage photoTile(const Medium& medium, PhotoStore& store, const QTransform& pixelsToTarget, const QRect& on) {
  const double scale = std::sqrt(std::abs(pixelsToTarget.determinant()));
  const bool upright = isUpright(pixelsToTarget);
  // A level twice as fine as needed: its own pixels then straddle few of the target's edges.
  const PhotoLevel level = store.level(medium, scale * (upright ? 2 : samples));
  if (level.image.isNull()) return {};
  const Affine& toPixels = level.toPixels;
  const QTransform levelToTarget =
      QTransform(toPixels.xx, 0, 0, toPixels.yy, toPixels.dx, toPixels.dy) * pixelsToTarget;
  if (upright) return areaScaled(level.image, levelToTarget.inverted().mapRect(QRectF(on)), on.size());
  QImage fine(on.size() * samples, level.image.format());
  if (fine.isNull()) return {};
  QBrush brush(level.image);
  brush.setTransform(levelToTarget * QTransform::fromTranslate(-on.x(), -on.y()) *
                     QTransform::fromScale(samples, samples));
  QPainter painter(&fine);
  painter.setRenderHint(QPainter::SmoothPixmapTransform);
  painter.setCompositionMode(QPainter::CompositionMode_Source);
  painter.fillRect(fine.rect(), brush);
  painter.end();
  return areaScaled(fine, QRectF(fine.rect()), on.size());
}

}  // namespace widecut
