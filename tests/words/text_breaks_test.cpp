#include "words/text_breaks.h"

#include <gtest/gtest.h>

#include <fstream>
#include <sstream>

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

/// A line of Unicode's test files: letters in hexadecimal digits, with ÷ where the text may be parted and × where not.
struct BreakCase {
  std::string text;
  Places places;  ///< Where it may be parted, the beginning and the end included.
};
BreakCase caseOf(const std::string& line) {
  BreakCase out;
  std::istringstream words(line.substr(0, line.find('#')));
  for (std::string word; words >> word;) {
    if (word == "\xC3\xB7") out.places.push_back(out.text.size());
    if (word == "\xC3\xB7" || word == "\xC3\x97") continue;
    const auto code = static_cast<unsigned>(std::stoul(word, nullptr, 16));
    const auto add = [&](unsigned byte) { out.text += static_cast<char>(byte); };
    const auto rest = [&](int count) {
      for (int i = count - 1; i >= 0; --i) add(0x80U | (code >> (6 * i) & 0x3FU));
    };
    if (code < 0x80) {
      add(code);
    } else if (code < 0x800) {
      add(0xC0U | code >> 6);
      rest(1);
    } else if (code < 0x10000) {
      add(0xE0U | code >> 12);
      rest(2);
    } else {
      add(0xF0U | code >> 18);
      rest(3);
    }
  }
  return out;
}
/// How many cases of a file of Unicode come out otherwise, of how many.
template <class PlacesOf>
std::pair<int, int> othersIn(const std::string& name, const PlacesOf& placesOf) {
  std::ifstream file("/usr/share/unicode/auxiliary/" + name);
  EXPECT_TRUE(file) << "the package unicode-data is not there";
  int others = 0, cases = 0;
  for (std::string line; std::getline(file, line);) {
    if (line.empty() || line[0] == '#') continue;
    const BreakCase wanted = caseOf(line);
    ++cases;
    if (placesOf(wanted.text) != wanted.places) ++others;
  }
  return {others, cases};
}

TEST(TextBreaks, LinesMayEndWhereUnicodesTestFileSaysSo) {
  const auto [others, cases] = othersIn("LineBreakTest.txt", [](const std::string& text) { return lineStops(text); });
  EXPECT_GT(cases, 7000);
  // ICU 72 does not part “.35” from its stop, “a.2”, and what follows a hyphen at the beginning of a line.
  constexpr int knownOfIcu = 22;
  EXPECT_LE(others, knownOfIcu);
}

TEST(TextBreaks, LettersAreThoseOfUnicodesTestFile) {
  const auto [others, cases] =
      othersIn("GraphemeBreakTest.txt", [](const std::string& text) { return letterStops(text); });
  EXPECT_GT(cases, 600);
  EXPECT_EQ(others, 0);
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
