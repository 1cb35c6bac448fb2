#include "painting/layer_cache.h"

#include <gtest/gtest.h>

#include <QPainter>

#include "project/edits/groups.h"
#include "project/every_edit.h"
#include "project/limits.h"
#include "test_photos.h"

namespace widecut {
namespace {

struct LayerCacheTest : testing::Test {
  PhotoStore store;
  LayerCache cache{store};
  Sample s;
  QImage screen{400, 300, QImage::Format_RGB32};

  int drawn(const Project& project, double scale = 2, QRect visible = {0, 0, 400, 300}) {
    const int before = cache.paintCount();
    screen.fill(Qt::white);
    QPainter painter(&screen);
    cache.drawExactly(painter, s.sheetOf(project), scale, visible);
    return cache.paintCount() - before;
  }
};

TEST_F(LayerCacheTest, PaintsEachItemOnce) {
  EXPECT_EQ(drawn(s.project), 2);
  EXPECT_EQ(drawn(s.project), 0);
  EXPECT_EQ(screen.pixelColor(40, 40), QColor(200, 40, 30));
}

TEST_F(LayerCacheTest, PaintsOnlyWhatMoved) {
  drawn(s.project);
  const Project moved = withMapped(s.project, std::vector<Id>{s.disc}, Affine::move({30, 30}));
  EXPECT_EQ(drawn(moved), 0) << "by whole pixels: the raster lies elsewhere";
  EXPECT_EQ(screen.pixelColor(2 * 130, 2 * 80), QColor(20, 90, 160));
  EXPECT_EQ(drawn(withMapped(s.project, std::vector<Id>{s.disc}, Affine::move({0.2, 0}))), 1) << "by parts of one";
  EXPECT_EQ(drawn(s.project), 0) << "flicking back costs nothing";
}

TEST_F(LayerCacheTest, AnotherScalePaintsAnew) {
  drawn(s.project);
  EXPECT_EQ(drawn(s.project, 3), 2);
  EXPECT_EQ(screen.pixelColor(290, 10), QColor(200, 40, 30));
}

TEST_F(LayerCacheTest, SmallPansNeedNoPaintingAndLargeZoomsHoldOnlyWhatShows) {
  drawn(s.project, 40, {0, 0, 400, 300});
  EXPECT_EQ(drawn(s.project, 40, {100, 80, 400, 300}), 0);
  EXPECT_GE(drawn(s.project, 40, {1500, 1200, 400, 300}), 1);
  EXPECT_EQ(drawn(s.project, 1e5, {0, 0, 400, 300}), 1) << "the box is there at any zoom, the disc far off";
}

TEST_F(LayerCacheTest, HiddenItemsAreLeftOut) {
  const Project hidden = withItem(s.project, s.box, [](const Item& before) {
    Item after = before;
    after.hidden = true;
    return after;
  });
  EXPECT_EQ(drawn(hidden), 1);
  EXPECT_EQ(screen.pixelColor(40, 40), QColor(Qt::white));
}

/// A screen that is kept up to date box by box, as the mat does it.
struct Screen {
  PhotoStore store;
  LayerCache cache{store};
  QImage image{420, 320, QImage::Format_RGB32};
  static constexpr double scale = 1.7;

  Screen() { image.fill(Qt::white); }
  void show(const Sheet& sheet, bool trying) {
    cache.setTrying(trying);
    QRect changed = cache.follow(sheet, scale, image.rect());
    if (!trying) changed |= cache.needsFiner();
    changed &= image.rect();
    QPainter painter(&image);
    painter.setClipRect(changed);
    painter.fillRect(changed, Qt::white);
    cache.draw(painter, changed);
  }
  /// Until nothing stands in for anything.
  void finish(const Sheet& sheet) {
    do show(sheet, false);
    while (cache.isRough());
  }
  QImage fresh(const Sheet& sheet) {
    QImage whole(image.size(), QImage::Format_RGB32);
    whole.fill(Qt::white);
    QPainter painter(&whole);
    LayerCache(store).drawExactly(painter, sheet, scale, whole.rect());
    return whole;
  }
};

int worst(const QImage& a, const QImage& b) {
  int most = 0;
  for (int y = 0; y < a.height(); ++y)
    for (int x = 0; x < a.width(); ++x) {
      const QRgb p = a.pixel(x, y), q = b.pixel(x, y);
      most =
          std::max({most, std::abs(qRed(p) - qRed(q)), std::abs(qGreen(p) - qGreen(q)), std::abs(qBlue(p) - qBlue(q))});
    }
  return most;
}

TEST(LayerCache, BoxByBoxIsTheSameAsAllAtOnce) {
  const auto medium = *photoFromBytes(encoded(tones(90, 60), "PNG"), "tones.png");
  for (unsigned seed = 0; seed < 40; ++seed) {
    Sample sample;
    Screen screen;
    (void)screen.store.level(*medium, 1);
    EveryEdit edits(seed, withPhotoIn(sample.project, sample.box, medium), sample.sheet, medium);
    std::vector<Project> before;
    for (int step = 0; step < 12 && edits.sheetHere().items.size() < 25; ++step) {
      const Project next = edits.next();
      if (beyondLimits(next, nullptr)) continue;
      // Some are tried first, some taken back.
      if (step % 3 == 0) screen.show(*findSheet(next, sample.sheet), true);
      if (step % 4 != 1) edits.project = next;
      screen.finish(edits.sheetHere());
      ASSERT_LE(worst(screen.image, screen.fresh(edits.sheetHere())), 2)
          << "seed " << seed << ", step " << step << ", edit " << edits.last;
    }
  }
}

TEST(LayerCache, ADraggedPartPaintsAPatch) {
  Sample s;
  const Id wide = s.add("wide", fitted(rectangleOutline(1, 1), {{0, 0}, {200, 150}}), {9, 90, 9});
  Id made = 0;
  const std::vector<Id> parts{wide, s.disc};
  Project p = sentToBack(s.project, std::vector<Id>{wide});
  p = combined(p, parts, Outcome::SubtractFront, usualLook(p, parts, Outcome::SubtractFront), made);
  Screen screen;
  screen.finish(s.sheetOf(p));
  for (int i = 1; i <= 5; ++i) {
    const Project dragged = withMapped(p, std::vector<Id>{s.disc}, Affine::move({3.3 * i, 1.7 * i}));
    const QRect changed = screen.cache.follow(s.sheetOf(dragged), Screen::scale, screen.image.rect());
    EXPECT_GT(changed.width(), 300) << "of the whole cutout";
    screen.show(s.sheetOf(dragged), true);
    screen.image.fill(Qt::white);
    QPainter painter(&screen.image);
    screen.cache.draw(painter, screen.image.rect());
    painter.end();
    EXPECT_LE(worst(screen.image, screen.fresh(s.sheetOf(dragged))), 2) << i;
  }
}

TEST(LayerCache, WhatTurnsIsDrawnFromItsRasterUntilItIsLetGo) {
  Sample s;
  Screen screen;
  screen.finish(s.sheetOf(s.project));
  const int before = screen.cache.paintCount();
  Project turned = s.project;
  for (int i = 1; i <= 6; ++i) {
    turned = withMapped(s.project, std::vector<Id>{s.box}, Affine::turn(0.1 * i).about({50, 50}));
    screen.show(s.sheetOf(turned), true);
  }
  EXPECT_EQ(screen.cache.paintCount(), before);
  EXPECT_LT(worst(screen.image, screen.fresh(s.sheetOf(turned))), 256);
  screen.finish(s.sheetOf(turned));
  EXPECT_LE(worst(screen.image, screen.fresh(s.sheetOf(turned))), 2);
}

TEST(LayerCache, KeepsWithinItsBudget) {
  Sample s;
  std::vector<Item> pages;
  for (int i = 0; i < 120; ++i)
    pages.push_back(plainItem(0, "page", fitted(rectangleOutline(1, 1), {{0, 0}, {200, 150}}), {}));
  for (Item& page : pages) setColour(changeable(page), Colour{1, 2, 3});
  s.project = withItemsOnTop(s.project, s.sheet, pages);
  PhotoStore store;
  LayerCache cache(store);
  QImage screen(1600, 1200, QImage::Format_RGB32);
  for (int i = 0; i < 12; ++i) {
    QPainter painter(&screen);
    cache.drawExactly(painter, s.sheetOf(s.project), 6 + i * 0.1, screen.rect());
    painter.end();
    EXPECT_LE(cache.bytes(), std::size_t{400} << 20) << "though all of them would take 900";
    EXPECT_EQ(screen.pixelColor(600, 400), QColor(1, 2, 3));
  }
}

}  // namespace
}  // namespace widecut
