#include "app/layer_cache.h"

#include <QPainter>
#include <cmath>

#include "output/raster.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr int margin = 256;  // pixels kept beyond what is visible, so that small pans need no painting
constexpr std::size_t mostBytes = 400u << 20;

QRect pixelBox(const Box& box, double scale) {
  if (box.isEmpty()) return {};
  const QRectF r(box.low.x * scale, box.low.y * scale, box.width() * scale, box.height() * scale);
  constexpr double most = 1e8;
  return (r & QRectF(-most, -most, 2 * most, 2 * most)).toAlignedRect().adjusted(-1, -1, 1, 1);
}

}  // namespace

void LayerCache::draw(QPainter& painter, const Sheet& sheet, double scale, const QRect& visible) {
  ++frame_;
  for (const ItemPtr& item : sheet.items) {
    if (item->hidden) continue;
    Raster& raster = rasters_[item.get()];
    const QRect needed = raster.wanted & visible;
    const bool held = raster.item && raster.scale == scale && (needed.isEmpty() || raster.held.contains(needed));
    if (!held) {
      raster.item = item;
      raster.scale = scale;
      paint(raster, visible);
    }
    raster.lastUse = frame_;
    if (!raster.image.isNull() && raster.held.intersects(visible))
      painter.drawImage(raster.held.topLeft(), raster.image);
  }
  sweep();
}

void LayerCache::paint(Raster& raster, const QRect& visible) {
  const Layer layer = layerOf(raster.item);
  raster.wanted = pixelBox(layer.box(), raster.scale);
  raster.held = raster.wanted & visible.adjusted(-margin, -margin, margin, margin);
  raster.image = {};
  raster.waitsForPhotos = false;
  if (raster.held.isEmpty()) return;
  ++paintCount_;
  raster.image = QImage(raster.held.size(), QImage::Format_ARGB32_Premultiplied);
  raster.image.fill(Qt::transparent);
  QPainter painter(&raster.image);
  painter.translate(-raster.held.topLeft());
  painter.scale(raster.scale, raster.scale);
  raster.waitsForPhotos = !paintLayer(painter, layer, store_, Photos::WhenReady);
}

void LayerCache::photosReady() {
  std::erase_if(rasters_, [](const auto& entry) { return entry.second.waitsForPhotos; });
}

void LayerCache::sweep() {
  std::size_t bytes = 0;
  for (const auto& [key, raster] : rasters_) bytes += static_cast<std::size_t>(raster.image.sizeInBytes());
  const bool tooMuch = bytes > mostBytes;
  // A few frames' grace: flicking between outcomes comes back to the same nodes.
  std::erase_if(rasters_, [&](const auto& entry) {
    const unsigned age = frame_ - entry.second.lastUse;
    return age > 120 || (tooMuch && age > 0);
  });
}

}  // namespace widecut
