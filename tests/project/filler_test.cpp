#include "project/edits/filler.h"

#include <gtest/gtest.h>

#include "sample.h"

namespace widecut {
namespace {

struct Filler : testing::Test, Sample {
  Id add(Words::Content content) {
    Item item = plainItem(project.nextId, "words", {}, {});
    item.form = wordsForm(std::move(content));
    project = withItemsOnTop(project, sheet, {item});
    return project.nextId - 1;
  }
  const Words& the(Id id) const { return *wordsOf(*findItem(project, id)); }
};

TEST_F(Filler, AFrameIsFilledUpToItsLastLine) {
  Words::Content content;
  content.text = "As it was typed.";
  content.style.size = 8;
  content.style.leading = 10;
  content.frame = TextFrame{120, 103};
  const Id words = add(content);
  project = withFiller(project, words);
  EXPECT_TRUE(the(words).set().fits());
  EXPECT_EQ(the(words).set().lines.size(), 10U);
  EXPECT_EQ(the(words).content().text.rfind("As it was typed. These words keep", 0), 0U);
  // Nothing more fits.
  const std::string before = the(words).content().text;
  project = withFiller(project, words);
  EXPECT_EQ(the(words).content().text, before);
}

TEST_F(Filler, LinesOfTheirOwnStay) {
  Words::Content content;
  content.text = "a line";
  const Id words = add(content);
  EXPECT_EQ(the(words).content().text, wordsOf(*findItem(withFiller(project, words), words))->content().text);
}

TEST_F(Filler, ItIsAsLongAsIsAskedFor) {
  EXPECT_EQ(fillerWords(0), "");
  EXPECT_EQ(fillerWords(3), "These words keep");
  const std::string many = fillerWords(1000);
  EXPECT_EQ(std::count(many.begin(), many.end(), ' '), 999);
}

}  // namespace
}  // namespace widecut
