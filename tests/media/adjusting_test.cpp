// Adjustments on pixels, and the levels of adjusted photos.
#include "media/adjusting.h"

#include <gtest/gtest.h>

#include <QThread>
#include <atomic>
#include <cmath>

#include "media/bands.h"
#include "media/pixel_buffers.h"
#include "test_photos.h"

namespace widecut {
namespace {

QImage grey(int value, QSize size = {64, 48}) {
  QImage image(size, QImage::Format_RGB32);
  image.fill(QColor(value, value, value));
  return image;
}

Adjustments with(Adjusting which, double value) {
  Adjustments a;
  a.set(which, value);
  return a;
}

QRgb middle(const QImage& image) { return image.pixel(image.width() / 2, image.height() / 2); }

/// How far two pictures are from one another at most, in steps of a channel.
int farthest(const QImage& a, const QImage& b) {
  int most = 0;
  for (int y = 0; y < a.height(); ++y)
    for (int x = 0; x < a.width(); ++x) {
      const QRgb p = a.pixel(x, y), q = b.pixel(x, y);
      most = std::max({most, std::abs(qRed(p) - qRed(q)), std::abs(qGreen(p) - qGreen(q)),
                       std::abs(qBlue(p) - qBlue(q)), std::abs(qAlpha(p) - qAlpha(q))});
    }
  return most;
}

TEST(Adjusting, UsualNumbersChangeNothing) {
  const QImage photo = tones(80, 60);
  EXPECT_EQ(adjustedPhoto(photo, {}), photo);
  EXPECT_TRUE(Adjustments().isNeutral());
  EXPECT_EQ(shared(Adjustments()), nullptr);
  EXPECT_TRUE(keyOf(static_cast<const Adjustments*>(nullptr)).empty());
  // Each number alone changes something.
  for (std::size_t i = 0; i < adjustmentCount; ++i) {
    const StarterNumber& number = adjustmentNumbers()[i];
    Adjustments a;
    a.numbers[i] = number.usual == number.most ? number.least : number.most;
    EXPECT_NE(adjustedPhoto(photo, a), photo) << number.name;
    EXPECT_EQ(adjustedPhoto(photo, a).size(), photo.size());
  }
}

TEST(Adjusting, LightFollowsTheFormulas) {
  EXPECT_EQ(qRed(middle(adjustedPhoto(grey(51), with(Adjusting::BlackPoint, 0.2)))), 0);
  EXPECT_EQ(qRed(middle(adjustedPhoto(grey(204), with(Adjusting::WhitePoint, 0.8)))), 255);
  Adjustments both = with(Adjusting::BlackPoint, 0.2);
  both.set(Adjusting::WhitePoint, 0.6);
  EXPECT_EQ(qRed(middle(adjustedPhoto(grey(102), both))), 128);
  // Black and white stay, whatever is brightened.
  for (const int end : {0, 255})
    EXPECT_EQ(qRed(middle(adjustedPhoto(grey(end), with(Adjusting::Brightness, 0.7)))), end);
  const double power = std::exp2(-1.6 * 0.5);
  EXPECT_NEAR(qRed(middle(adjustedPhoto(grey(64), with(Adjusting::Brightness, 0.5)))),
              255 * std::pow(64 / 255.0, power), 0.6);
  // Contrast leaves the middle, and is even about it.
  const auto contrasted = [](int v) { return qRed(middle(adjustedPhoto(grey(v), with(Adjusting::Contrast, 0.5)))); };
  EXPECT_LT(contrasted(64), 55);
  EXPECT_NEAR(contrasted(64) + contrasted(191), 255, 1);
  EXPECT_EQ(qRed(middle(adjustedPhoto(grey(0), with(Adjusting::Contrast, -1)))), std::lround(255 * (0.5 - 0.05)));
}

TEST(Adjusting, ColoursBecomeGreyWarmAndTwoToned) {
  QImage photo(40, 40, QImage::Format_RGB32);
  photo.fill(QColor(200, 100, 40));
  const QRgb dull = middle(adjustedPhoto(photo, with(Adjusting::Grey, 1)));
  const double luma = 0.2126 * 200 + 0.7152 * 100 + 0.0722 * 40;
  EXPECT_NEAR(qRed(dull), luma, 1);
  EXPECT_EQ(qRed(dull), qBlue(dull));
  EXPECT_EQ(middle(adjustedPhoto(photo, with(Adjusting::Saturation, -1))), dull);
  const QRgb warm = middle(adjustedPhoto(grey(120), with(Adjusting::Warmth, 0.5)));
  EXPECT_GT(qRed(warm), 125);
  EXPECT_LT(qBlue(warm), 115);
  EXPECT_EQ(qGreen(warm), 120);
  Adjustments tones = with(Adjusting::TwoTones, 1);
  tones.dark = {0, 0, 60};
  tones.light = {255, 240, 200};
  EXPECT_EQ(middle(adjustedPhoto(grey(0), tones)), qRgb(0, 0, 60));
  EXPECT_EQ(middle(adjustedPhoto(grey(255), tones)), qRgb(255, 240, 200));
}

TEST(Adjusting, BlurSpreadsAndSharpnessBringsOut) {
  QImage step(200, 100, QImage::Format_RGB32);
  for (int y = 0; y < 100; ++y)
    for (int x = 0; x < 200; ++x) step.setPixelColor(x, y, x < 100 ? QColor(50, 50, 50) : QColor(200, 200, 200));
  const QImage soft = adjustedPhoto(step, with(Adjusting::Blur, 0.02));
  // A step through a Gaussian of four pixels.
  for (const int off : {-9, -3, 0, 5, 10}) {
    const double exact = 125 + 75 * std::erf((off + 0.5) / (4 * std::sqrt(2.0)));
    EXPECT_NEAR(qRed(soft.pixel(100 + off, 50)), exact, 1.5) << off;
  }
  EXPECT_EQ(qRed(soft.pixel(0, 0)), 50) << "edge pixels count on";
  QImage large = step.scaled(2000, 1000);
  const QImage sharp = adjustedPhoto(large, with(Adjusting::Sharpness, 1));
  EXPECT_LT(qRed(sharp.pixel(999, 500)), 45);
  EXPECT_GT(qRed(sharp.pixel(1000, 500)), 205);
  EXPECT_EQ(qRed(sharp.pixel(900, 500)), 50);
}

TEST(Adjusting, AVignetteDarkensCornersOrLightensThem) {
  const QImage dark = adjustedPhoto(grey(200), with(Adjusting::Vignette, 1)),
               light = adjustedPhoto(grey(200), with(Adjusting::Vignette, -1));
  EXPECT_EQ(qRed(middle(dark)), 200);
  EXPECT_LT(qRed(dark.pixel(0, 0)), 20);
  EXPECT_GT(qRed(light.pixel(63, 47)), 245);
}

TEST(Adjusting, WhatIsSeeThroughStaysSo) {
  QImage photo(60, 40, QImage::Format_ARGB32_Premultiplied);
  photo.fill(Qt::transparent);
  for (int y = 0; y < 40; ++y)
    for (int x = 20; x < 40; ++x) photo.setPixel(x, y, qPremultiply(qRgba(200, 80, 20, 128)));
  Adjustments all = with(Adjusting::Brightness, 0.4);
  all.set(Adjusting::Vignette, 0.5);
  const QImage out = adjustedPhoto(photo, all);
  EXPECT_EQ(qAlpha(out.pixel(5, 5)), 0);
  EXPECT_EQ(qAlpha(out.pixel(30, 20)), 128);
  Adjustments soft = with(Adjusting::Blur, 0.03);
  soft.set(Adjusting::Sharpness, 3);
  const QImage blurred = adjustedPhoto(photo, soft);
  for (int x = 0; x < 60; ++x) {
    const QRgb p = blurred.pixel(x, 20);
    EXPECT_LE(std::max({qRed(p), qGreen(p), qBlue(p)}), 255);
  }
  EXPECT_GT(qAlpha(blurred.pixel(18, 20)), 0);
}

TEST(Adjusting, LevelsLookLikeTheWholePhotoMadeSmaller) {
  QImage photo(800, 600, QImage::Format_RGB32);
  for (int y = 0; y < 600; ++y)
    for (int x = 0; x < 800; ++x)
      photo.setPixel(x, y, qRgb(128 + 100 * std::sin(x * 0.02), 128 + 100 * std::cos(y * 0.03), (x + y) / 6));
  Adjustments a = with(Adjusting::Contrast, 0.3);
  a.set(Adjusting::Blur, 0.01);
  a.set(Adjusting::Vignette, 0.6);
  a.set(Adjusting::Warmth, 0.3);
  const QImage large = adjustedPhoto(photo, a).scaled(400, 300, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
  const QImage small = adjustedPhoto(photo.scaled(400, 300, Qt::IgnoreAspectRatio, Qt::SmoothTransformation), a);
  EXPECT_LE(farthest(large, small), 4);
}

TEST(Bands, ReachEveryRowOnce) {
  for (const auto& [rows, width] : {std::pair{1, 4000}, {3, 9}, {701, 999}, {5000, 40}}) {
    std::vector<std::atomic<int>> seen(static_cast<std::size_t>(rows));
    inBands(rows, width, [&](int begin, int end) {
      for (int y = begin; y < end; ++y) ++seen[static_cast<std::size_t>(y)];
    });
    EXPECT_TRUE(std::all_of(seen.begin(), seen.end(), [](const auto& n) { return n == 1; })) << rows;
  }
}

TEST(UnpaintedImages, AreOnesOwnWhateverMemoryTheyHave) {
  const QSize size(900, 700);
  QImage first = unpaintedImage(size);
  first.fill(Qt::red);
  const QImage kept = first;
  first = QImage();
  QImage second = unpaintedImage(size), third = unpaintedImage(size);
  second.fill(Qt::blue);
  third.fill(Qt::green);
  EXPECT_EQ(kept.pixelColor(450, 350), QColor(Qt::red));
  EXPECT_EQ(second.pixelColor(899, 699), QColor(Qt::blue));
  EXPECT_EQ(third.size(), size);
  EXPECT_TRUE(unpaintedImage({0, 5}).isNull());
}

TEST(AdjustedLevels, AreKeptApartAndLetGo) {
  const auto photo = *photoFromBytes(encoded(tones(400, 300), "PNG"), "tones.png");
  PhotoStore store(8U << 20);
  const AdjustmentsPtr dull = shared(with(Adjusting::Grey, 1));
  const QImage plain = store.level(*photo, 1).image, grey = store.level(*photo, 1, dull.get()).image;
  EXPECT_EQ(plain.size(), grey.size());
  const QRgb p = grey.pixel(100, 200);
  EXPECT_EQ(qRed(p), qBlue(p));
  EXPECT_NE(qRed(plain.pixel(100, 200)), qBlue(plain.pixel(100, 200)));
  // What is small enough is there at once.
  const auto ready = store.levelIfReady(photo, 1, dull);
  ASSERT_TRUE(ready);
  EXPECT_TRUE(ready->isFinal);
  EXPECT_EQ(ready->level.image, grey);
  for (int i = 1; i <= 40; ++i) (void)store.level(*photo, 1, shared(with(Adjusting::Contrast, i / 50.0)).get());
  EXPECT_LE(store.bytesHeld(), 8U << 20) << "steps of a slider do not pile up";
  EXPECT_EQ(store.level(*photo, 1).image, plain);
}

TEST(AdjustedLevels, LargeOnesAreMadeElsewhereWhileWhatWasThereStandsIn) {
  const auto photo = *photoFromBytes(encoded(tones(3000, 2000), "JPEG"), "large.jpg");
  PhotoStore store;
  (void)store.level(*photo, 1);
  const AdjustmentsPtr dull = shared(with(Adjusting::Grey, 1));
  const auto first = store.levelIfReady(photo, 1, dull);
  ASSERT_TRUE(first);
  EXPECT_FALSE(first->isFinal);
  EXPECT_FALSE(first->level.image.isNull());
  for (int i = 0; i < 2000 && store.isDecoding(); ++i) QThread::msleep(5);
  const auto then = store.levelIfReady(photo, 1, dull);
  ASSERT_TRUE(then && then->isFinal);
  const QRgb p = then->level.image.pixel(500, 1500);
  EXPECT_EQ(qRed(p), qBlue(p));
}

}  // namespace
}  // namespace widecut
