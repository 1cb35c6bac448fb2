// Subjects brought out of even grounds.
#include "media/ground.h"

#include <gtest/gtest.h>

#include <QPainter>
#include <random>

namespace widecut {
namespace {

/// A ground that grows darker downwards, with a little noise, as skies are.
QImage sky() {
  std::mt19937 random(3);
  std::uniform_int_distribution<int> noise(-4, 4);
  QImage picture(300, 200, QImage::Format_RGB32);
  for (int y = 0; y < 200; ++y)
    for (int x = 0; x < 300; ++x)
      picture.setPixel(x, y, qRgb(170 - y / 8 + noise(random), 190 - y / 8 + noise(random), 215 + noise(random)));
  return picture;
}
QImage withDisc(QImage picture, QPointF middle, double radius) {
  QPainter painter(&picture);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setPen(Qt::NoPen);
  painter.setBrush(QColor(150, 40, 30));
  painter.drawEllipse(middle, radius, radius);
  return picture;
}
/// The picture as a photo's level, at a share of the photo's size.
PhotoLevel levelOf(const QImage& picture, double share = 1) {
  QImage bordered(picture.size() + QSize(2, 2), QImage::Format_RGB32);
  for (int y = 0; y < bordered.height(); ++y)
    for (int x = 0; x < bordered.width(); ++x)
      bordered.setPixel(
          x, y, picture.pixel(std::clamp(x - 1, 0, picture.width() - 1), std::clamp(y - 1, 0, picture.height() - 1)));
  return {bordered, Affine::scale(1 / share, 1 / share) * Affine::move({-1, -1})};
}
double areaOf(const Outline& outline) { return signedArea(outline); }

TEST(OutOfGround, ADiscIsDrawnByFewCurves) {
  const auto found = outOfGround(levelOf(withDisc(sky(), {150, 100}, 60)), {});
  ASSERT_TRUE(found) << found.error().message;
  EXPECT_EQ(found->contours.size(), 1U);
  EXPECT_NEAR(areaOf(*found), pi * 60 * 60, 0.02 * pi * 60 * 60);
  EXPECT_LT(distance(bounds(*found).centre(), {150, 100}), 1);
  EXPECT_LE(counts(*found).nodes, 24);
}

TEST(OutOfGround, TwoSubjectsAndAHoleWithGroundBehind) {
  QImage picture = withDisc(withDisc(sky(), {80, 100}, 50), {220, 100}, 40);
  {
    QPainter painter(&picture);
    painter.fillRect(QRect(70, 90, 20, 20), QColor(30, 30, 30));  // within a subject
    painter.fillRect(QRect(150, 20, 3, 3), QColor(30, 30, 30));   // a speck
  }
  const auto found = outOfGround(levelOf(picture), {});
  ASSERT_TRUE(found);
  EXPECT_EQ(found->contours.size(), 2U);
  EXPECT_NEAR(areaOf(*found), pi * (2500 + 1600), 300);
}

TEST(OutOfGround, WhatReachesTheEdgeEndsThere) {
  QImage picture = sky();
  QPainter(&picture).fillRect(QRect(100, 120, 100, 80), QColor(150, 40, 30));
  const auto found = outOfGround(levelOf(picture), {});
  ASSERT_TRUE(found);
  const Box box = bounds(*found);
  EXPECT_NEAR(box.low.x, 100, 1.5);
  EXPECT_NEAR(box.low.y, 120, 1.5);
  EXPECT_NEAR(box.high.x, 200, 1.5);
  EXPECT_NEAR(box.high.y, 200, 1);
}

TEST(OutOfGround, ItIsGivenInPixelsOfThePhotoAndNeverBeyondIt) {
  QImage picture = sky();
  QPainter(&picture).fillRect(QRect(0, 80, 300, 120), QColor(40, 40, 45));
  const auto found = outOfGround(levelOf(picture, 0.5), {});
  ASSERT_TRUE(found);
  const Box box = bounds(*found), photo{{0, 0}, {600, 400}};
  EXPECT_TRUE(photo.grown(1e-9).contains(box));
  EXPECT_NEAR(box.low.x, 0, 1);
  EXPECT_NEAR(box.high.x, 600, 1);
  EXPECT_NEAR(box.high.y, 400, 1);
}

TEST(OutOfGround, ASkyIsTheGroundAlthoughMostOfTheEdgeIsLand) {
  QImage picture = sky();
  QPainter(&picture).fillRect(QRect(0, 80, 300, 120), QColor(40, 40, 45));
  const auto found = outOfGround(levelOf(picture), {});
  ASSERT_TRUE(found);
  EXPECT_NEAR(areaOf(*found), 300 * 120, 500);
  EXPECT_NEAR(bounds(*found).low.y, 80, 1.5);
}

TEST(OutOfGround, TheToleranceSaysWhatIsGround) {
  QImage picture = sky();
  QPainter(&picture).fillRect(QRect(100, 60, 80, 80), QColor(190, 205, 225));  // a pale cloud
  EXPECT_TRUE(outOfGround(levelOf(picture), {.tolerance = 0.03}));
  const auto none = outOfGround(levelOf(picture), {.tolerance = 0.3});
  ASSERT_FALSE(none);
  EXPECT_EQ(none.error().message, "all of the picture is as even as its ground: try less tolerance");
  EXPECT_FALSE(outOfGround({}, {}));
  QImage noise(60, 60, QImage::Format_RGB32);
  std::mt19937 random(4);
  for (int y = 0; y < 60; ++y)
    for (int x = 0; x < 60; ++x) noise.setPixel(x, y, random());
  (void)outOfGround(levelOf(noise), {.tolerance = 0.01});  // whatever it comes to, it ends
}

}  // namespace
}  // namespace widecut
