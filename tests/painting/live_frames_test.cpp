// Videos that play on the mat: what is painted of them, and when.
#include <gtest/gtest.h>

#include <QPainter>
#include <chrono>
#include <thread>

#include "media/photo_decode.h"
#include "painting/layer_cache.h"
#include "project/edits/repeats.h"
#include "project/edits/videos.h"
#include "project/lookup.h"
#include "sample.h"
#include "test_photos.h"

namespace widecut {
namespace {

/// A box that shows a video whose poster is red; the disc in front of it is plain.
struct LiveFramesTest : testing::Test, Sample {
  PhotoStore store;
  RasterQueue queue{store};
  LayerCache cache{store, &queue};
  QImage screen{400, 300, QImage::Format_RGB32};
  MediumPtr poster;

  void SetUp() override {
    QImage red(64, 64, QImage::Format_RGB32);
    red.fill(QColor(200, 30, 30));
    auto video = std::make_shared<Video>();
    video->file.hash = std::string(64, 'e');
    video->file.width = video->file.height = 64;
    video->seconds = 2;
    video->framesPerSecond = 25;
    Medium made = **photoFromBytes(encoded(red, "PNG"), "red.png");
    made.video = video;
    poster = std::make_shared<const Medium>(made);
    project = withPhotoIn(project, box, poster);
    (void)store.level(*poster, 1);
    draw();
  }
  PlayingPtr playing() const { return pictureOf(*findItem(project, box)->style)->playing; }
  void show(QColor colour) {
    QImage frame(64, 64, QImage::Format_RGB32);
    frame.fill(colour);
    store.live().show(frameKey(*poster, playing()), levelOf(bordered(frame), 64, 64));
    cache.videosMoved();
  }
  void draw() {
    screen.fill(Qt::white);
    QPainter painter(&screen);
    cache.drawExactly(painter, sheetOf(project), 2, screen.rect());
  }
  /// Waits for the queue, and draws.
  QColor seen(QPoint at = {60, 160}) {
    for (int i = 0; i < 5000 && queue.isBusy(); ++i) {
      (void)cache.takeReady();
      std::this_thread::sleep_for(std::chrono::milliseconds(1));
    }
    draw();
    return screen.pixelColor(at);
  }
};

TEST_F(LiveFramesTest, OnlyWhatShowsTheVideoIsPaintedAndOffThisThread) {
  EXPECT_EQ(seen(), QColor(200, 30, 30));
  const int before = cache.paintCount();
  show(QColor(30, 160, 40));
  EXPECT_EQ(cache.paintCount(), before) << "nothing was painted here";
  draw();
  EXPECT_EQ(screen.pixelColor(60, 160), QColor(200, 30, 30)) << "what was there stands meanwhile";
  EXPECT_EQ(seen(), QColor(30, 160, 40));
  EXPECT_EQ(cache.paintCount(), before + 1) << "the box alone";
  const std::size_t bytes = cache.bytes();
  for (int i = 0; i < 20; ++i) {
    show(QColor(30, 10 * i, 40));
    EXPECT_EQ(seen(), QColor(30, 10 * i, 40));
  }
  EXPECT_EQ(cache.bytes(), bytes) << "frames that are gone are not kept";
}

TEST_F(LiveFramesTest, WhatIsOverShowsItsPosterAgain) {
  show(QColor(30, 160, 40));
  EXPECT_EQ(seen(), QColor(30, 160, 40));
  store.live().drop(frameKey(*poster, playing()));
  cache.videosMoved();
  EXPECT_EQ(seen(), QColor(200, 30, 30));
  EXPECT_TRUE(store.live().isEmpty());
}

TEST_F(LiveFramesTest, WhatPlaysOtherwiseIsAnotherVideo) {
  show(QColor(30, 160, 40));
  const Id items[] = {box};
  project = withPlaying(project, items, [](Playing& p) { p.from = 1; });
  EXPECT_EQ(seen(), QColor(200, 30, 30));
}

TEST_F(LiveFramesTest, FramesAreAdjustedAsTheirPosterIs) {
  const Id items[] = {box};
  project = withAdjustments(project, items, [](Adjustments& a) { a.set(Adjusting::Grey, 1); });
  show(QColor(30, 160, 40));
  const QColor grey = seen();
  EXPECT_EQ(grey.red(), grey.green());
  EXPECT_EQ(grey.red(), grey.blue());
  EXPECT_NEAR(grey.red(), qRound(0.2126 * 30 + 0.7152 * 160 + 0.0722 * 40), 2);
}

TEST_F(LiveFramesTest, ItPlaysOnWhereItWasMovedByAFractionOfAPixel) {
  show(QColor(30, 160, 40));
  EXPECT_EQ(seen(), QColor(30, 160, 40));
  const Id items[] = {box};
  project = withMapped(project, items, Affine::move({0.2, 0.1}));
  show(QColor(30, 60, 140));
  EXPECT_EQ(seen(), QColor(30, 60, 140));
}

TEST_F(LiveFramesTest, EveryCopyOfARepeatShowsIt) {
  Id made = 0;
  project = withResized(project, std::vector<Id>{box}, Affine::scale(0.4, 0.4).about({0, 100}));
  project = repeated(project, std::vector<Id>{box}, Row{3, {50, 0}}, made);
  EXPECT_EQ(seen({40, 160}), QColor(200, 30, 30));
  show(QColor(30, 160, 40));
  for (const int x : {40, 140, 240}) EXPECT_EQ(seen({x, 160}), QColor(30, 160, 40)) << x;
}

TEST_F(LiveFramesTest, DeliveriesShowThePoster) {
  show(QColor(30, 160, 40));
  const auto picture = rasterOf(sceneOf(sheetOf(project)), store, 72, Ground::Paper);
  ASSERT_TRUE(picture);
  EXPECT_EQ(picture->pixelColor(30, 80), QColor(200, 30, 30));
}

}  // namespace
}  // namespace widecut
