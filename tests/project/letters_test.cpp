// What the pieces of divided words are called.
#include "project/edits/letters.h"

#include <gtest/gtest.h>

#include "project/edits/pieces.h"
#include "project/resolve.h"
#include "sample.h"

namespace widecut {
namespace {

struct Letters : testing::Test, Sample {
  Id words = 0;
  void add(const std::string& text, Point at = {20, 90}, double turn = 0) {
    Words::Content content;
    content.text = text;
    content.style = {{"League Spartan", 700}, 60, 66, Align::Left};
    Item item = plainItem(project.nextId, "words", {}, {});
    item.position = at;
    item.turn = turn;
    item.form = wordsForm(std::move(content));
    project = withItemsOnTop(project, sheet, {item});
    words = project.nextId - 1;
  }
  LettersOf letters() const {
    const ItemPtr item = findItem(project, words);
    return LettersOf({&item, 1});
  }
  /// The outlines of the letters, as they lie on the sheet.
  Outline ink(std::size_t from, std::size_t to) const {
    const ItemPtr item = findItem(project, words);
    return transformed(wordsOf(*item)->outlineBetween(from, to), item->toParent());
  }
  static Outline contourOf(const Outline& outline, std::size_t i) { return Outline{{outline.contours.at(i)}}; }
};

TEST_F(Letters, EachLetterIsKnownByItself) {
  add("Rail");
  EXPECT_FALSE(letters().isEmpty());
  for (std::size_t i = 0; i < 4; ++i)
    EXPECT_EQ(letters().nameOf(ink(i, i + 1), true), std::string("letter ") + "Rail"[i]) << i;
}

TEST_F(Letters, WhatIsInALetterIsItsCounter) {
  add("no");
  const Outline o = ink(1, 2);
  ASSERT_EQ(o.contours.size(), 2U);
  const bool isFirstLarger = std::abs(signedArea(contourOf(o, 0))) > std::abs(signedArea(contourOf(o, 1)));
  EXPECT_EQ(letters().nameOf(contourOf(o, isFirstLarger ? 1 : 0), false), "counter of o");
}

TEST_F(Letters, WhatIsNoneOfThemHasNoName) {
  add("no");
  EXPECT_EQ(letters().nameOf(polygon({{500, 500}, {600, 500}, {600, 600}}), true), "");
  EXPECT_EQ(letters().nameOf(polygon({{-500, -500}, {900, -500}, {900, 900}, {-500, 900}}), false), "");
  EXPECT_TRUE(LettersOf({}).isEmpty());
}

TEST_F(Letters, TheyAreFoundOnEveryLineAndWhereWordsAreTurned) {
  add("ab\ncd", {40, 90}, 0.3);
  EXPECT_EQ(letters().nameOf(ink(3, 4), true), "letter c");
  EXPECT_EQ(letters().nameOf(ink(4, 5), true), "letter d");
}

TEST_F(Letters, ALetterIsKnownByMoreThanOneByte) {
  add("caf\xC3\xA9");
  EXPECT_EQ(letters().nameOf(ink(3, 5), true), "letter \xC3\xA9");
}

TEST_F(Letters, APieceBetweenTwoIsTheOneItIsMoreOf) {
  add("HI");
  const Box h = bounds(ink(0, 1)), i = bounds(ink(1, 2));
  // All of the I, and a little of the H.
  const Outline piece = fitted(rectangleOutline(1, 1), Box{{h.high.x - 2, h.low.y}, i.high});
  EXPECT_EQ(letters().nameOf(piece, true), "letter I");
}

TEST_F(Letters, DividedWordsComeApartUnderTheirNames) {
  add("pad", {10, 95});
  std::vector<Id> made;
  const Project divided = withDivided(project, std::vector<Id>{box, words}, {box, 0}, made);
  std::vector<std::string> names;
  for (const Id id : made) names.push_back(findItem(divided, id)->name);
  for (const char* name : {"letter p", "letter a", "letter d", "counter of p", "counter of a", "counter of d"})
    EXPECT_NE(std::find(names.begin(), names.end(), name), names.end()) << name;
}

}  // namespace
}  // namespace widecut
