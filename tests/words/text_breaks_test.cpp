#include "words/text_breaks.h"

#include <gtest/gtest.h>

namespace widecut {
namespace {

using Places = std::vector<std::size_t>;

TEST(TextBreaks, TextIsCleanedOfWhatCannotBeSet) {
  EXPECT_EQ(cleanText("a\r\nb\rc\x0b"
                      "d\te"),
            "a\nb\nc\nd\te");
  EXPECT_EQ(cleanText(std::string("a\0b\x01", 4)), "ab");
  EXPECT_EQ(cleanText("a\xff"
                      "b"),
            "a\xEF\xBF\xBD"
            "b");
  EXPECT_EQ(cleanText("a\xE2\x80\xA8"
                      "b"),
            "a\nb");
}

TEST(TextBreaks, LettersAreWhatPeopleCount) {
  EXPECT_EQ(letterStops(""), Places{0});
  EXPECT_EQ(letterStops("caf\xC3\xA9"), (Places{0, 1, 2, 3, 5}));
  // An e with a combining accent is one letter.
  EXPECT_EQ(letterStops("e\xCC\x81x"), (Places{0, 3, 4}));
}

TEST(TextBreaks, LinesMayEndAfterSpacesAndHyphens) {
  EXPECT_EQ(lineStops("one two-three"), (Places{4, 8, 13}));
  EXPECT_EQ(lineStops(""), Places{0});
}

TEST(TextBreaks, StepsGoByLettersAndWords) {
  const std::string text = "snow on rails";
  EXPECT_EQ(stepped(text, 0, 1, Stride::Letter), 1U);
  EXPECT_EQ(stepped(text, 0, -1, Stride::Letter), 0U);
  EXPECT_EQ(stepped(text, text.size(), 1, Stride::Letter), text.size());
  EXPECT_EQ(stepped(text, 0, 1, Stride::Word), 5U);
  EXPECT_EQ(stepped(text, 7, -1, Stride::Word), 5U);
  EXPECT_EQ(stepped(text, 5, -1, Stride::Word), 0U);
  EXPECT_EQ(wordAt(text, 6), (std::pair<std::size_t, std::size_t>{5, 7}));
  EXPECT_EQ(wordAt(text, text.size()), (std::pair<std::size_t, std::size_t>{8, 13}));
}

}  // namespace
}  // namespace widecut
