// Letters with colours of their own.
#include <gtest/gtest.h>

#include "project/edits/words.h"
#include "sample.h"
#include "scene/drawing.h"

namespace widecut {
namespace {

struct ColouredLetters : testing::Test, Sample {
  Id words = 0;

  void lay(Words::Content content) {
    Style style;
    setColour(style, Colour{10, 20, 30});
    Item item = plainItem(project.nextId, "words", {}, style);
    item.position = {20, 60};
    item.form = wordsForm(std::move(content));
    project = withItemsOnTop(project, sheet, {item});
    words = project.nextId - 1;
  }
  static Words::Content withBlue(std::size_t from, std::size_t to) {
    Words::Content content;
    content.text = "steep line";
    content.looks = withLetters({}, from, to, [](OwnTextLook& own) { own.look = {{TextAspect::Colour, "#2b5c9e"}}; });
    return content;
  }
  /// The area of each colour that the words are painted in.
  std::map<std::string, double> areas() {
    std::map<std::string, double> out;
    for (const Mark& mark : layerOf(findItem(project, words)).content->under) {
      const auto& fill = std::get<FillOutline>(mark);
      out[colourText(std::get<Colour>(fill.brush))] += std::abs(signedArea(*fill.outline));
    }
    return out;
  }
};

TEST_F(ColouredLetters, AreFilledWithIt) {
  lay(withBlue(0, 5));
  const auto all = areas();
  ASSERT_EQ(all.size(), 2U);
  const Words& set = *wordsOf(*findItem(project, words));
  EXPECT_NEAR(all.at("#2b5c9e"), std::abs(signedArea(set.outlineBetween(0, 5))), 1e-6);
  EXPECT_NEAR(all.at("#0a141e"), std::abs(signedArea(set.outlineBetween(5, 10))), 1e-6) << "and not under them too";
}

TEST_F(ColouredLetters, AreNoOtherLettersThanBefore) {
  Words::Content plain;
  plain.text = "steep line";
  lay(plain);
  const double before = std::abs(signedArea(*wordsOf(*findItem(project, words))->outline()));
  lay(withBlue(6, 10));
  EXPECT_NEAR(std::abs(signedArea(*wordsOf(*findItem(project, words))->outline())), before, before * 1e-9);
}

TEST_F(ColouredLetters, KeepTheirColourWhenTheWordsAreScaled) {
  lay(withBlue(0, 5));
  project = withMapped(project, std::vector<Id>{words}, Affine::scale(2, 2));
  EXPECT_EQ(areas().size(), 2U);
}

TEST_F(ColouredLetters, WhatIsNoColourIsPaintedLikeTheRest) {
  Words::Content content = withBlue(0, 5);
  content.looks = withLetters({}, 0, 5, [](OwnTextLook& own) { own.look = {{TextAspect::Colour, "sky"}}; });
  lay(content);
  for (const auto& [colour, area] : areas()) EXPECT_EQ(colour, "#0a141e");
}

}  // namespace
}  // namespace widecut
