#include "painting/colour_pick.h"

#include <QPainter>

#include "painting/raster.h"

namespace widecut {

Colour colourOn(const Scene& scene, PhotoStore& store, Point place, double side) {
  QImage image(1, 1, QImage::Format_RGB32);
  image.fill(Qt::white);
  QPainter painter(&image);
  painter.scale(1 / side, 1 / side);
  painter.translate(side / 2 - place.x, side / 2 - place.y);
  const Box at = Box::between(place, place).grown(side);
  if (scene.area().contains(place)) {
    const Box& area = scene.area();
    painter.fillRect(QRectF(area.low.x, area.low.y, area.width(), area.height()), painterColour(scene.paper));
  }
  for (const Layer& layer : scene.layers)
    if (layer.box().touches(at)) paintLayer(painter, layer, store, Photos::Wait);
  painter.end();
  const QRgb pixel = image.pixel(0, 0);
  return {static_cast<std::uint8_t>(qRed(pixel)), static_cast<std::uint8_t>(qGreen(pixel)),
          static_cast<std::uint8_t>(qBlue(pixel))};
}

}  // namespace widecut
