#include "project/edits/families.h"

#include <gtest/gtest.h>

#include "project/edits/text_styles.h"
#include "project/edits/words.h"
#include "sample.h"

namespace widecut {
namespace {

struct Families : testing::Test, Sample {
  Id add(const std::string& family, const std::string& text) {
    Words::Content content;
    content.text = text;
    content.style.face.family = family;
    Item item = plainItem(project.nextId, "words", {}, {});
    item.form = wordsForm(std::move(content));
    project = withItemsOnTop(project, sheet, {item});
    return project.nextId - 1;
  }
  const Words::Content& the(Id id) const { return wordsOf(*findItem(project, id))->content(); }
};

TEST_F(Families, AllAreListedWithTheirFacesAndWhatIsMissing) {
  const Id words = add("Cabin", "one two");
  add("Cabin", "three");
  add("No Such Family", "four");
  project = withLookBetween(project, words, 0, 3, {{TextAspect::Weight, 700.0}});
  std::uint32_t number = 0;
  project =
      withTextStyleAdded(project, {0, "Head", true, nullptr, {{TextAspect::Family, std::string("Gone")}}}, number);
  const auto uses = familiesIn(project);
  ASSERT_EQ(uses.size(), 3U);
  EXPECT_EQ(uses[0].family, "Cabin");
  EXPECT_EQ(uses[0].items, 2U);
  EXPECT_EQ(uses[0].faces.size(), 2U);
  EXPECT_FALSE(uses[0].isMissing);
  EXPECT_EQ(uses[1].family, "Gone");
  EXPECT_EQ(uses[1].items, 0U);
  EXPECT_EQ(missingFamilies(project), "Gone, No Such Family");
}

TEST_F(Families, OneIsReplacedEverywhere) {
  const Id whole = add("No Such Family", "four"), stretch = add("Cabin", "one two");
  project = withLookBetween(project, stretch, 0, 3, {{TextAspect::Family, std::string("No Such Family")}});
  std::uint32_t number = 0;
  project = withTextStyleAdded(
      project, {0, "Head", true, nullptr, {{TextAspect::Family, std::string("No Such Family")}}}, number);
  project = withFamilyReplaced(project, "No Such Family", "EB Garamond");
  EXPECT_EQ(missingFamilies(project), "");
  EXPECT_EQ(the(whole).style.face.family, "EB Garamond");
  EXPECT_EQ(the(stretch).style.face.family, "Cabin");
  EXPECT_EQ(styleAt("one two", the(stretch).looks, the(stretch).style, 0).face.family, "EB Garamond");
  EXPECT_EQ(findTextStyle(project, number)->look.front().second, AspectValue(std::string("EB Garamond")));
}

}  // namespace
}  // namespace widecut
