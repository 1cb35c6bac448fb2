#include "words/list_marks.h"

#include <gtest/gtest.h>

namespace widecut {
namespace {

TEST(ListMarks, NumbersAndLettersAreCountedAndBeginAnewBehindOtherParagraphs) {
  Lists lists;
  EXPECT_EQ(lists.mark(ListMark::Number), "1.");
  EXPECT_EQ(lists.mark(ListMark::Number), "2.");
  EXPECT_EQ(lists.mark(ListMark::None), "");
  EXPECT_EQ(lists.mark(ListMark::Number), "1.");
  EXPECT_EQ(lists.mark(ListMark::Letter), "a.");
  for (int i = 2; i <= 26; ++i) (void)lists.mark(ListMark::Letter);
  EXPECT_EQ(lists.mark(ListMark::Letter), "aa.");
  EXPECT_EQ(lists.mark(ListMark::Dot), "\xE2\x80\xA2");
}

TEST(ListMarks, AMarkStandsLeftOfItsLine) {
  const TextStyle style;
  const Paragraph paragraph("peak", {{0, 4, style}}, style);
  LineBody body;
  body.stops = {{0, 0}};
  addListMark(paragraph, "12.", body);
  ASSERT_FALSE(body.runs.empty());
  EXPECT_LT(body.runs.front().x, 0);
  EXPECT_LE(body.runs.back().x + body.runs.back().width, 0);
  EXPECT_EQ(body.runs.front().from, body.runs.front().to) << "it is in no text";
}

}  // namespace
}  // namespace widecut
