#include "media/photo.h"

#include <gtest/gtest.h>

#include "test_photos.h"

namespace widecut {
namespace {

TEST(Photo, EveryFormatIsRead) {
  for (const char* format : {"PNG", "JPEG", "WEBP", "TIFF"}) {
    const auto photo = photoFromBytes(encoded(tones(60, 40), format), "tones");
    ASSERT_TRUE(photo) << format << ": " << photo.error().message;
    EXPECT_EQ((*photo)->width, 60);
    EXPECT_EQ((*photo)->height, 40);
    PhotoStore store;
    const QColor left = store.whole(**photo).pixelColor(10, 30);
    EXPECT_GT(left.red(), 150) << format;
    EXPECT_LT(left.blue(), 80) << format;
  }
}

TEST(Photo, TheCamerasOrientationIsRespected) {
  const auto turned =
      photoFromBytes(encoded(tones(60, 40), "TIFF", QImageIOHandler::TransformationRotate90), "turned.tif");
  ASSERT_TRUE(turned);
  EXPECT_EQ((*turned)->width, 40) << "upright, it is a tall picture";
  EXPECT_EQ((*turned)->height, 60);
  PhotoStore store;
  EXPECT_GT(store.whole(**turned).pixelColor(37, 30).green(), 120) << "the top of what was stored is now right";
}

/// A JPEG as a camera held upright writes it: stored lying down, with a note to turn it by 90° clockwise.
std::string turnedJpeg(const QImage& stored) {
  std::string bytes = encoded(stored, "JPEG");
  const unsigned char note[] = {0xFF, 0xE1, 0, 34,   'E', 'x', 'i', 'f', 0, 0, 'M', 'M', 0, 42, 0, 0, 0, 8,
                                0,    1,    1, 0x12, 0,   3,   0,   0,   0, 1, 0,   6,   0, 0,  0, 0, 0, 0};
  bytes.insert(2, reinterpret_cast<const char*>(note), sizeof note);
  return bytes;
}

TEST(Photo, ACamerasJpegStandsUpright) {
  const auto photo = photoFromBytes(turnedJpeg(tones(60, 40)), "camera.jpg");
  ASSERT_TRUE(photo) << photo.error().message;
  EXPECT_EQ((*photo)->width, 40);
  EXPECT_EQ((*photo)->height, 60);
  PhotoStore store;
  EXPECT_GT(store.whole(**photo).pixelColor(36, 30).green(), 120);
  EXPECT_FALSE(isUprightJpeg(**photo)) << "so it is not embedded as it is";
  EXPECT_TRUE(isUprightJpeg(**photoFromBytes(encoded(tones(60, 40), "JPEG"), "scan.jpg")));
}

TEST(Photo, WhatIsNoPictureIsRefusedByName) {
  struct Case {
    std::string bytes;
    const char* says;
  };
  std::string cut = encoded(tones(200, 200), "PNG");
  cut.resize(cut.size() / 2);
  for (const Case& c :
       {Case{"just text, renamed", "is not a picture"}, Case{"", "is not a picture"}, Case{cut, "cannot be decoded"}}) {
    const auto photo = photoFromBytes(c.bytes, "odd.png");
    ASSERT_FALSE(photo);
    EXPECT_NE(photo.error().message.find("odd.png"), std::string::npos);
    EXPECT_NE(photo.error().message.find(c.says), std::string::npos) << photo.error().message;
  }
}

/// A PNG that claims a size in its header; the checksum is made to fit.
std::string claiming(std::uint32_t width, std::uint32_t height) {
  std::string bytes = encoded(QImage(1, 1, QImage::Format_RGB32), "PNG");
  const auto put = [&](std::size_t at, std::uint32_t v) {
    for (int i = 0; i < 4; ++i) bytes[at + static_cast<std::size_t>(i)] = static_cast<char>(v >> (24 - 8 * i));
  };
  put(16, width);
  put(20, height);
  std::uint32_t crc = 0xffffffffu;
  for (std::size_t i = 12; i < 29; ++i) {
    crc ^= static_cast<unsigned char>(bytes[i]);
    for (int k = 0; k < 8; ++k) crc = crc & 1 ? 0xedb88320u ^ (crc >> 1) : crc >> 1;
  }
  put(29, ~crc);
  return bytes;
}

TEST(Photo, AbsurdSizesAreRefusedBeforeDecoding) {
  const auto huge = photoFromBytes(claiming(20000, 20000), "huge.png");
  ASSERT_FALSE(huge);
  EXPECT_NE(huge.error().message.find("20000 × 20000"), std::string::npos) << huge.error().message;
  EXPECT_FALSE(photoFromBytes(claiming(0, 0), "none.png"));
  EXPECT_FALSE(photoFromBytes(claiming(0x7fffffff, 0x7fffffff), "absurd.png"));
}

TEST(PhotoStore, GivesTheSmallestLevelThatNeedNotBeEnlarged) {
  const auto photo = *photoFromBytes(encoded(tones(512, 256), "PNG"), "p");
  PhotoStore store;
  EXPECT_EQ(store.level(*photo, 1).image.width(), 512 + 2);
  EXPECT_EQ(store.level(*photo, 0.5).image.width(), 256 + 2);
  EXPECT_EQ(store.level(*photo, 0.3).image.width(), 256 + 2);
  EXPECT_EQ(store.level(*photo, 7).image.width(), 512 + 2);
  // Coordinates of a level map onto the whole photo, its border lying just outside.
  const PhotoLevel level = store.level(*photo, 0.25);
  EXPECT_NEAR(level.toPixels(Point{1, 1}).x, 0, 1e-9);
  EXPECT_NEAR(level.toPixels(Point{level.image.width() - 1.0, 1}).x, 512, 1e-9);
}

}  // namespace
}  // namespace widecut
