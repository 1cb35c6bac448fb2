#include "painting/photo_tile.h"

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

QTransform levelToTarget(const PhotoLevel& level, const QTransform& pixelsToTarget) {
  const Affine& m = level.toPixels;
  return QTransform(m.xx, 0, 0, m.yy, m.dx, m.dy) * pixelsToTarget;
}

}  // namespace

PhotoLevel partOn(PhotoLevel level, const QTransform& pixelsToTarget, const QRect& on) {
  constexpr int most = 16000;
  if (std::max(level.image.width(), level.image.height()) <= most) return level;
  const QRectF shown = levelToTarget(level, pixelsToTarget).inverted().mapRect(QRectF(on)).adjusted(-2, -2, 2, 2);
  const QRect part = (shown & QRectF(level.image.rect())).toAlignedRect() & level.image.rect();
  if (part.isEmpty()) return {};
  return {level.image.copy(part), level.toPixels * Affine::move({double(part.x()), double(part.y())})};
}

QImage photoTile(const Medium& medium, const Adjustments* adjustments, PhotoStore& store,
                 const QTransform& pixelsToTarget, const QRect& on) {
  const double scale = std::sqrt(std::abs(pixelsToTarget.determinant()));
  const bool upright = isUpright(pixelsToTarget);
  // A level twice as fine as needed: its own pixels then straddle few of the target's edges.
  PhotoLevel level = store.level(medium, scale * (upright ? 2 : samples), adjustments);
  if (level.image.isNull()) return {};
  if (upright)
    return areaScaled(level.image, levelToTarget(level, pixelsToTarget).inverted().mapRect(QRectF(on)), on.size());
  level = partOn(std::move(level), pixelsToTarget, on);
  QImage fine(on.size() * samples, level.image.format());
  if (fine.isNull()) return {};
  QBrush brush(level.image);
  brush.setTransform(levelToTarget(level, pixelsToTarget) * QTransform::fromTranslate(-on.x(), -on.y()) *
                     QTransform::fromScale(samples, samples));
  QPainter painter(&fine);
  painter.setRenderHint(QPainter::SmoothPixmapTransform);
  painter.setCompositionMode(QPainter::CompositionMode_Source);
  painter.fillRect(fine.rect(), brush);
  painter.end();
  return areaScaled(fine, QRectF(fine.rect()), on.size());
}

}  // namespace widecut
