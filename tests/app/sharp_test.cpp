// Rasters lie on whole pixels of the screen, at any scale of it. Run with QT_SCALE_FACTOR=1.25 too.
#include <gtest/gtest.h>

#include <QPainter>

#include "painting/raster.h"
#include "project/edits/tree.h"
#include "window_driver.h"

namespace widecut {
namespace {

TEST(Sharp, WhatIsSeenIsTheRasterPixelByPixel) {
  WindowDriver w;
  w.window.errands().openFile(DEMO_PROJECT, Errands::As::Copy);
  w.settle();
  w.desk().commit("plain", [&] {
    Project p = w.desk().settled();
    std::vector<Id> ids;
    for (const ItemPtr& item : w.sheet().items) ids.push_back(item->id);
    return withoutItems(p, ids);
  }());
  std::vector<Item> stripes;
  Style style;
  setColour(style, Colour{0, 0, 0});
  for (int i = 0; i < 60; ++i)
    stripes.push_back(plainItem(
        0, "stripe", polygon({{100 + i * 2.7, 100}, {101 + i * 2.7, 100}, {101 + i * 2.7, 300}, {100 + i * 2.7, 300}}),
        style));
  w.desk().commit("stripes", withItemsOnTop(w.desk().settled(), w.desk().sheet()->id, stripes));
  w.desk().select({});
  for (const double zoom : {1.0, 1.37}) {
    w.mat().zoomBy(zoom);
    w.settle();
    const double ratio = w.window.devicePixelRatioF();
    const QImage seen = w.window.grab().toImage().convertToFormat(QImage::Format_RGB32);
    const QPointF origin = (w.mat().mapTo(&w.window, QPointF(0, 0)) + w.mat().toMat({0, 0})) * ratio;
    EXPECT_NEAR(origin.x(), std::round(origin.x()), 1e-6);
    EXPECT_NEAR(origin.y(), std::round(origin.y()), 1e-6);
    // The same stripes painted alone, and laid where they are on the screen.
    QImage want(seen.size(), QImage::Format_RGB32);
    want.fill(painterColour(w.sheet().paper));
    QPainter painter(&want);
    painter.translate(std::round(origin.x()), std::round(origin.y()));
    painter.scale(w.mat().zoom() * ratio, w.mat().zoom() * ratio);
    for (const ItemPtr& item : w.sheet().items)
      paintLayer(painter, layerOf(item), w.desk().photos(), Photos::WhenReady);
    painter.end();
    const QPointF from = origin + QPointF(110, 150) * w.mat().zoom() * ratio;
    int wrong = 0;
    for (int y = 0; y < 20; ++y)
      for (int x = 0; x < 120; ++x) {
        const QPoint at = from.toPoint() + QPoint(x, y);
        wrong += std::abs(qGreen(seen.pixel(at)) - qGreen(want.pixel(at))) > 2;
      }
    EXPECT_EQ(wrong, 0) << "zoomed " << zoom << " at a ratio of " << ratio;
  }
}

}  // namespace
}  // namespace widecut
