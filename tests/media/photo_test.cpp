#include "media/photo.h"

#include <gtest/gtest.h>

#include <QColorSpace>

#include "media/area_scale.h"
#include "media/parsing/photo_decode.h"
#include "media/photo_decode.h"
#include "test_photos.h"

namespace widecut {
namespace {

QImage whole(const Medium& medium) { return *decodedPhoto(*medium.bytes, 0, false); }

TEST(Photo, EveryFormatIsRead) {
  for (const char* format : {"PNG", "JPEG", "WEBP", "TIFF"}) {
    const auto photo = photoFromBytes(encoded(tones(60, 40), format), "tones");
    ASSERT_TRUE(photo) << format << ": " << photo.error().message;
    EXPECT_EQ((*photo)->width, 60);
    EXPECT_EQ((*photo)->height, 40);
    const QColor left = whole(**photo).pixelColor(10, 30);
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
  EXPECT_GT(whole(**turned).pixelColor(37, 30).green(), 120) << "the top of what was stored is now right";
}

TEST(Photo, ACamerasJpegStandsUpright) {
  const auto photo = photoFromBytes(turnedJpeg(tones(60, 40)), "camera.jpg");
  ASSERT_TRUE(photo) << photo.error().message;
  EXPECT_EQ((*photo)->width, 40);
  EXPECT_EQ((*photo)->height, 60);
  EXPECT_GT(whole(**photo).pixelColor(36, 30).green(), 120);
  EXPECT_EQ(photoHeader(*(*photo)->bytes)->orientation, 6);
  EXPECT_EQ(photoHeader(withoutExif(*(*photo)->bytes))->orientation, 1);
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

/// A note of the orientation, as EXIF data.
std::string orientationNote(char orientation) {
  return std::string("MM\0*\0\0\0\x08\0\1\1\x12\0\3\0\0\0\1\0", 19) + orientation + std::string(6, '\0');
}

std::uint32_t crc(const std::string& bytes) {
  std::uint32_t c = 0xffffffffu;
  for (const char b : bytes) {
    c ^= static_cast<unsigned char>(b);
    for (int k = 0; k < 8; ++k) c = c & 1 ? 0xedb88320u ^ (c >> 1) : c >> 1;
  }
  return ~c;
}

std::string bigEndian(std::uint32_t v) {
  std::string out;
  for (int i = 0; i < 4; ++i) out += static_cast<char>(v >> (24 - 8 * i));
  return out;
}

TEST(Photo, OrientationIsRespectedInEveryKind) {
  const QImage image = tones(60, 40);
  std::string png = encoded(image, "PNG");
  const std::string note = orientationNote(6);
  png.insert(33, bigEndian(static_cast<std::uint32_t>(note.size())) + "eXIf" + note + bigEndian(crc("eXIf" + note)));
  // An extended WebP: its header, then the picture's chunk as it is, then the note.
  const std::string plain = encoded(image, "WEBP");
  const auto little = [](std::uint32_t v) {
    std::string out;
    for (int i = 0; i < 4; ++i) out += static_cast<char>(v >> (8 * i));
    return out;
  };
  std::string body = "WEBPVP8X" + little(10) + std::string("\x08\0\0\0", 4) + std::string("\x3b\0\0\x27\0\0", 6);
  body += plain.substr(12) + "EXIF" + little(static_cast<std::uint32_t>(note.size())) + note;
  const std::string webp = "RIFF" + little(static_cast<std::uint32_t>(body.size())) + body;
  for (const std::string& bytes :
       {turnedJpeg(image), png, webp, encoded(image, "TIFF", QImageIOHandler::TransformationRotate90)}) {
    const auto photo = photoFromBytes(bytes, "turned");
    ASSERT_TRUE(photo) << photo.error().message;
    EXPECT_EQ((*photo)->width, 40);
    EXPECT_EQ((*photo)->height, 60);
    EXPECT_GT(whole(**photo).pixelColor(37, 30).green(), 120) << "the top of what was stored is now right";
  }
}

TEST(Photo, AllEightOrientationsPutPixelsInTheirPlaces) {
  for (char orientation = 1; orientation <= 8; ++orientation) {
    const std::string bytes = turnedJpeg(tones(64, 48), orientation);
    const PhotoHeader header = *photoHeader(bytes);
    const QImage image = *decodedPhoto(bytes, 0, false);
    EXPECT_EQ(image.size(), orientation >= 5 ? QSize(48, 64) : QSize(64, 48));
    const auto shown = [&](Point stored) {
      const Point p = header.toUpright()(stored);
      return image.pixelColor(int(p.x), int(p.y));
    };
    EXPECT_GT(shown({32, 3}).green(), 120) << int(orientation);
    EXPECT_GT(shown({8, 40}).red(), 150) << int(orientation);
    EXPECT_GT(shown({56, 40}).blue(), 150) << int(orientation);
  }
}

TEST(Photo, AJpegOfInksHasItsColours) {
  const auto photo = photoFromBytes(cmykJpeg(16, 16, 255, 0, 0, 0), "cyan.jpg");
  ASSERT_TRUE(photo) << photo.error().message;
  const QColor cyan = whole(**photo).pixelColor(8, 8);
  EXPECT_LT(cyan.red(), 30);
  EXPECT_GT(cyan.blue(), 200);
  EXPECT_EQ(whole(**photoFromBytes(cmykJpeg(16, 16, 0, 0, 0, 0), "paper.jpg")).pixelColor(8, 8), QColor(Qt::white));
}

TEST(Photo, AnotherSizeThanTheHeaderSaidIsRefused) {
  for (const char* format : {"PNG", "JPEG", "WEBP", "TIFF"}) {
    const std::string bytes = encoded(tones(60, 40), format);
    PhotoHeader header = *photoHeader(bytes);
    EXPECT_TRUE(parsing::decodedPhoto(bytes, header, 0, false)) << format;
    header.storedWidth = 30;
    const auto refused = parsing::decodedPhoto(bytes, header, 0, false);
    ASSERT_FALSE(refused) << format;
    EXPECT_NE(refused.error().message.find("another size"), std::string::npos) << refused.error().message;
  }
}

TEST(Photo, ProfilesAreConvertedToSrgb) {
  QImage image(8, 8, QImage::Format_RGB32);
  image.fill(QColor(60, 180, 60));
  image.setColorSpace(QColorSpace::AdobeRgb);
  for (const char* format : {"PNG", "JPEG", "TIFF", "WEBP"}) {
    const QColor shown = whole(**photoFromBytes(encoded(image, format), "wide")).pixelColor(4, 4);
    EXPECT_LT(shown.red(), 25) << format << ": a green of Adobe RGB lies beyond the greens of sRGB";
    EXPECT_NEAR(shown.green(), 181, 4) << format;
  }
  image.setColorSpace(QColorSpace::SRgb);
  EXPECT_NEAR(whole(**photoFromBytes(encoded(image, "PNG"), "plain")).pixelColor(4, 4).red(), 60, 1);
}

TEST(AreaScale, EveryPixelIsTheMeanOfWhatItCovers) {
  QImage stripes(9, 4, QImage::Format_RGB32);
  for (int y = 0; y < 4; ++y)
    for (int x = 0; x < 9; ++x) stripes.setPixelColor(x, y, x % 3 == 0 ? Qt::white : Qt::black);
  const QImage small = areaScaled(stripes, {0, 0, 9, 4}, {3, 2});
  for (int x = 0; x < 3; ++x) EXPECT_EQ(small.pixelColor(x, 1).red(), 85);
  EXPECT_EQ(areaScaled(stripes, {0.5, 0, 1, 4}, {1, 1}).pixelColor(0, 0).red(), 128) << "half a white pixel";
  EXPECT_EQ(areaScaled(stripes, {-2, 0, 2, 4}, {1, 1}).pixelColor(0, 0), QColor(Qt::white)) << "edges reach on";
}

TEST(PhotoStore, KeepsNoMoreThanItsBytes) {
  PhotoStore store(3'000'000);
  std::vector<std::shared_ptr<const Medium>> photos;
  for (int i = 0; i < 6; ++i) photos.push_back(*photoFromBytes(encoded(tones(600 + i, 500), "JPEG"), "p"));
  for (const auto& photo : photos) {
    EXPECT_FALSE(store.level(*photo, 1).image.isNull());
    EXPECT_LE(store.bytesHeld(), 3'000'000U);
  }
  EXPECT_FALSE(store.level(*photos[0], 1).image.isNull()) << "what was let go is decoded again";
}

}  // namespace
}  // namespace widecut
