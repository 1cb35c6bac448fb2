#include "words/bidi.h"

#include <gtest/gtest.h>

#include <fstream>
#include <sstream>

namespace widecut {
namespace {

std::vector<std::string> fieldsOf(const std::string& line) {
  std::vector<std::string> out;
  std::istringstream in(line);
  for (std::string field; std::getline(in, field, ';');) out.push_back(field);
  return out;
}
template <class Value>
std::vector<Value> valuesOf(const std::string& field, int base) {
  std::vector<Value> out;
  std::istringstream in(field);
  // “x” is a letter that has no level, for it is not there any more.
  for (std::string one; in >> one;)
    out.push_back(one == "x" ? Value(-1) : static_cast<Value>(std::stoul(one, nullptr, base)));
  return out;
}

TEST(Bidi, UnicodesOwnTestsPass) {
  std::ifstream file("/usr/share/unicode/BidiCharacterTest.txt");
  ASSERT_TRUE(file) << "the package unicode-data is not there";
  int cases = 0, otherLevels = 0;
  for (std::string line; std::getline(file, line);) {
    if (line.empty() || line[0] == '#') continue;
    const auto fields = fieldsOf(line);
    ASSERT_EQ(fields.size(), 5U);
    const auto codes = valuesOf<char32_t>(fields[0], 16);
    const std::u32string text(codes.begin(), codes.end());
    if (text.find(U'\u2029') != std::u32string::npos) continue;  // two paragraphs: ours have none in them
    ++cases;
    std::optional<BidiLevel> base;
    if (fields[1] != "2") base = static_cast<BidiLevel>(std::stoi(fields[1]));
    Directions directions = directionsOf(text, base);
    ASSERT_EQ(int(directions.base), std::stoi(fields[2])) << line;
    const auto wanted = valuesOf<int>(fields[3], 10);
    std::vector<BidiLevel> kept;
    std::vector<std::size_t> places;
    bool isOther = false;
    const auto levels = levelsOnLine(text, directions, 0, text.size());
    for (std::size_t i = 0; i < wanted.size(); ++i) {
      if (wanted[i] < 0) continue;
      isOther = isOther || int(levels[i]) != wanted[i];
      kept.push_back(static_cast<BidiLevel>(wanted[i]));
      places.push_back(i);
    }
    otherLevels += isOther ? 1 : 0;
    // The order is ours, from the levels that are right.
    std::vector<std::size_t> order;
    for (const std::size_t i : visualOrder(kept)) order.push_back(places[i]);
    ASSERT_EQ(order, valuesOf<std::size_t>(fields[4], 10)) << line;
  }
  EXPECT_GT(cases, 90'000);
  // The levels are ICU's, of version 72: it differs from the file in a few lines, as with marks behind brackets, or
  // many brackets in one another.
  constexpr int knownOfIcu = 31;
  EXPECT_LE(otherLevels, knownOfIcu);
}

TEST(Bidi, LettersFromTheLeftAloneHaveNoLevels) {
  const Directions plain = directionsOf(U"the slow line", std::nullopt);
  EXPECT_EQ(plain.base, 0);
  EXPECT_EQ(plain.levels, std::vector<BidiLevel>(13, 0));
}

TEST(Bidi, SpacesAtTheEndOfALineAreReadAsTheParagraph) {
  const std::u32string text = U"\u05D0\u05D1 \u05D2";
  const Directions directions = directionsOf(text, BidiLevel{0});
  EXPECT_EQ(levelsOnLine(text, directions, 0, 4), (std::vector<BidiLevel>{1, 1, 1, 1}));
  EXPECT_EQ(levelsOnLine(text, directions, 0, 3), (std::vector<BidiLevel>{1, 1, 0}));
}

}  // namespace
}  // namespace widecut
