#include "words/word_outline.h"

#include <gtest/gtest.h>

namespace widecut {
namespace {

TEST(Words, AnOHasAHoleAndSitsOnTheBaseLine) {
  const auto o = wordOutline(FONT_FOLDER "/LeagueSpartan-Bold.otf", "o", 100);
  ASSERT_TRUE(o) << o.error().message;
  EXPECT_EQ(o->contours.size(), 2U);
  const Box box = bounds(*o);
  EXPECT_NEAR(box.high.y, 0, 4);
  EXPECT_GT(box.height(), 30);
  EXPECT_FALSE(isInside(*o, FillRule::Nonzero, box.centre()));
}

TEST(Words, SizeScalesTheWord) {
  const auto small = wordOutline(FONT_FOLDER "/Cabin-Regular.otf", "Peak", 10);
  const auto large = wordOutline(FONT_FOLDER "/Cabin-Regular.otf", "Peak", 40);
  ASSERT_TRUE(small && large);
  EXPECT_NEAR(bounds(*large).width(), 4 * bounds(*small).width(), 1e-6);
}

TEST(Words, AMissingFontIsNamed) {
  const auto none = wordOutline("no-such-font.otf", "Peak", 10);
  ASSERT_FALSE(none);
  EXPECT_NE(none.error().message.find("no-such-font.otf"), std::string::npos);
}

}  // namespace
}  // namespace widecut
