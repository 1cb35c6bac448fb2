#include "media/palette.h"

#include <gtest/gtest.h>

#include "test_photos.h"

namespace widecut {
namespace {

bool isNear(Colour a, QColor b) {
  return std::abs(a.red - b.red()) < 12 && std::abs(a.green - b.green()) < 12 && std::abs(a.blue - b.blue()) < 12;
}

TEST(Palette, ThreeTonesAreFoundLargestFirst) {
  const auto palette = paletteOf(tones(300, 200), 5);
  ASSERT_EQ(palette.size(), 3U) << "tones that look alike count once";
  EXPECT_TRUE(isNear(palette[2], QColor(20, 160, 60))) << "a fifth of it, the least";
  EXPECT_TRUE(isNear(palette[0], QColor(200, 30, 30)) || isNear(palette[0], QColor(30, 30, 200)));
}

TEST(Palette, IsTheSameEachTimeAndEmptyForNothing) {
  EXPECT_EQ(paletteOf(tones(90, 60), 4), paletteOf(tones(90, 60), 4));
  EXPECT_TRUE(paletteOf(QImage(), 4).empty());
  QImage clear(20, 20, QImage::Format_ARGB32);
  clear.fill(Qt::transparent);
  EXPECT_TRUE(paletteOf(clear, 4).empty());
}

}  // namespace
}  // namespace widecut
