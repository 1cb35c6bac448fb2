#include "painting/raster_queue.h"

#include <gtest/gtest.h>

#include <QPainter>
#include <chrono>
#include <thread>

#include "painting/layer_cache.h"
#include "sample.h"

namespace widecut {
namespace {

struct RasterQueueTest : testing::Test {
  PhotoStore store;
  RasterQueue queue{store};
  Sample s;
  QImage screen{400, 300, QImage::Format_RGB32};
  const QRect visible{0, 0, 400, 300};

  ContentRaster rasterOf(Id item) {
    const Layer layer = layerOf(findItem(s.project, item));
    ContentRaster raster;
    raster.content = layer.content;
    raster.linear = Affine::scale(2, 2) * layer.place.linear();
    raster.wanted = raster.held = {0, 0, 60, 60};
    return raster;
  }
  /// All that it paints of what was ordered.
  std::vector<RasterPtr> all() {
    std::vector<RasterPtr> done;
    for (int i = 0; i < 5000 && queue.isBusy(); ++i) {
      for (const RasterPtr& one : queue.take()) done.push_back(one);
      std::this_thread::sleep_for(std::chrono::milliseconds(1));
    }
    EXPECT_FALSE(queue.isBusy());
    return done;
  }
};

TEST_F(RasterQueueTest, PaintsWhatTheWindowWouldHavePainted) {
  ContentRaster here = rasterOf(s.box);
  queue.order(here, 1);
  const auto done = all();
  ASSERT_EQ(done.size(), 1u);
  paintWhole(here, store);
  EXPECT_EQ(done[0]->image, here.image);
  EXPECT_EQ(done[0]->content, here.content);
}

TEST_F(RasterQueueTest, WhatWaitsIsReplacedByALaterOrderOfTheSameContent) {
  ContentRaster large = rasterOf(s.disc);
  large.wanted = large.held = {0, 0, 6000, 4000};  // takes a while: the others wait for it
  queue.order(large, 0);
  ContentRaster first = rasterOf(s.box), second = first;
  second.phase = {0.5, 0};
  queue.order(first, 5);
  queue.order(second, 5);
  const auto done = all();
  ASSERT_GE(done.size(), 2u);
  EXPECT_LE(done.size(), 3u);
  EXPECT_EQ(done.back()->phase, second.phase);
}

TEST_F(RasterQueueTest, WithoutTimeEverythingIsPaintedThereAndTheLastStateStandsMeanwhile) {
  LayerCache cache(store, &queue, 0);
  const auto draw = [&](const Project& project) {
    cache.follow(s.sheetOf(project), 2, visible);
    screen.fill(Qt::white);
    QPainter painter(&screen);
    cache.draw(painter, visible);
  };
  const auto finish = [&] {
    for (int i = 0; i < 5000 && queue.isBusy(); ++i) {
      cache.takeReady();
      std::this_thread::sleep_for(std::chrono::milliseconds(1));
    }
  };
  draw(s.project);
  EXPECT_EQ(screen.pixelColor(40, 40), QColor(Qt::white)) << "nothing is there yet";
  finish();
  draw(s.project);
  EXPECT_EQ(screen.pixelColor(40, 40), QColor(200, 40, 30));
  const Project blue = withItem(s.project, s.box, [](const Item& item) {
    Item after = item;
    setColour(changeable(after), Colour{0, 0, 250, 255});
    return after;
  });
  draw(blue);
  EXPECT_EQ(screen.pixelColor(40, 40), QColor(200, 40, 30)) << "the last one stands";
  finish();
  draw(blue);
  EXPECT_EQ(screen.pixelColor(40, 40), QColor(0, 0, 250));
}

}  // namespace
}  // namespace widecut
