#include "painting/item_picture.h"

#include <QPainter>

#include "painting/raster.h"
#include "scene/flush.h"

namespace widecut {

QImage pictureOf(const std::vector<ItemPtr>& items, PhotoStore& store, QSize size, double ratio, Box around,
                 Photos photos) {
  QImage image(size * ratio, QImage::Format_ARGB32_Premultiplied);
  image.fill(Qt::transparent);
  std::vector<Layer> layers;
  Box own;
  for (const ItemPtr& item : items) {
    layers.push_back(layerOf(item));
    own.add(tightBox(layers.back()));
  }
  paintWithoutSeams(layers);
  const Box box = around.isEmpty() ? own : around;
  if (!box.isEmpty()) {
    QPainter painter(&image);
    const double scale =
        std::min(image.width() / std::max(box.width(), 1e-3), image.height() / std::max(box.height(), 1e-3));
    painter.translate(image.width() / 2.0, image.height() / 2.0);
    painter.scale(scale, scale);
    painter.translate(-box.centre().x, -box.centre().y);
    for (const Layer& layer : layers) paintLayer(painter, layer, store, photos);
  }
  image.setDevicePixelRatio(ratio);
  return image;
}

QImage pictureOfSheet(const Sheet& sheet, PhotoStore& store, QSize size, double ratio) {
  QImage paper(size * ratio, QImage::Format_ARGB32_Premultiplied);
  paper.fill(painterColour(sheet.paper));
  std::vector<ItemPtr> items;
  for (const ItemPtr& item : sheet.items)
    if (item->isShown()) items.push_back(item);
  const QImage drawn = pictureOf(items, store, size, ratio, sheet.box(), Photos::Wait);
  paper.setDevicePixelRatio(ratio);
  QPainter(&paper).drawImage(0, 0, drawn);
  return paper;
}

}  // namespace widecut
