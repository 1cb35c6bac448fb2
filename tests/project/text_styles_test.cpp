#include "project/edits/text_styles.h"

#include <gtest/gtest.h>

#include "project/edits/families.h"
#include "project/edits/groups.h"
#include "project/edits/words.h"
#include "project/resolve.h"
#include "sample.h"

namespace widecut {
namespace {

struct TextStyles : testing::Test, Sample {
  Id words = 0;
  TextStyles() {
    Words::Content content;
    content.text = "The slow line\nclimbs from the lake\nto the ridge";
    Item item = plainItem(project.nextId, "words", {}, {});
    item.form = wordsForm(std::move(content));
    project = withItemsOnTop(project, sheet, {item});
    words = project.nextId - 1;
  }
  std::uint32_t add(const std::string& name, const Look& look, NamedLookPtr base = nullptr, bool ofParagraphs = true) {
    std::uint32_t number = 0;
    project = withTextStyleAdded(project, {0, name, ofParagraphs, std::move(base), look}, number);
    return number;
  }
  NamedLookPtr named(std::uint32_t number) const { return findTextStyle(project, number); }
  void give(std::uint32_t number, std::size_t from, std::size_t to) {
    const NamedLookPtr style = named(number);
    project = withTextStyleGiven(project, words, from, to, style->isOfParagraphs, style);
  }
  TextStyle at(std::size_t place) const {
    const Words::Content& c = wordsOf(*findItem(project, words))->content();
    return styleAt(c.text, c.looks, c.style, place);
  }
};

TEST_F(TextStyles, AStyleThatIsChangedChangesAllWordsThatHaveIt) {
  const auto heading = add("Heading", {{TextAspect::Size, 40.0}});
  give(heading, 0, 5);
  EXPECT_EQ(at(0).size, 40);
  EXPECT_EQ(at(20).size, 24);
  project = withTextStyleChanged(project, heading, [](NamedLook& s) { s.look = {{TextAspect::Size, 50.0}}; });
  EXPECT_EQ(at(0).size, 50);
  EXPECT_EQ(textStyleAt(wordsOf(*findItem(project, words))->content(), 3, true), named(heading));
}

TEST_F(TextStyles, WhatIsBasedOnAStyleFollowsIt) {
  const auto body = add("Body", {{TextAspect::Size, 10.0}, {TextAspect::Weight, 500.0}});
  const auto lead = add("Lead", {{TextAspect::Size, 14.0}}, named(body));
  const auto small = add("Small lead", {{TextAspect::Tracking, 20.0}}, named(lead));
  give(small, 0, 0);
  EXPECT_EQ(at(0).size, 14);
  EXPECT_EQ(at(0).face.weight, 500);
  project = withTextStyleChanged(project, body, [](NamedLook& s) {
    s.look = {{TextAspect::Size, 9.0}, {TextAspect::Weight, 700.0}};
  });
  EXPECT_EQ(at(0).size, 14);
  EXPECT_EQ(at(0).face.weight, 700);
  EXPECT_EQ(at(0).tracking, 20);
  EXPECT_EQ(named(small)->basedOn, named(lead));
  EXPECT_EQ(named(lead)->basedOn, named(body));
  // Those that others are based on stand before them.
  for (std::size_t i = 0; i < project.textStyles.size(); ++i) EXPECT_EQ(project.textStyles[i]->number, i + 1);
}

TEST_F(TextStyles, NoStyleIsBasedOnItself) {
  const auto body = add("Body", {{TextAspect::Size, 10.0}});
  const auto lead = add("Lead", {{TextAspect::Size, 14.0}}, named(body));
  const NamedLookPtr child = named(lead);
  project = withTextStyleChanged(project, body, [&](NamedLook& s) { s.basedOn = child; });
  EXPECT_EQ(named(body)->basedOn, nullptr);
  // One that comes first may be based on a later one: the order changes.
  const auto late = add("Late", {{TextAspect::Size, 30.0}, {TextAspect::Italic, 1.0}});
  const NamedLookPtr base = named(late);
  project = withTextStyleChanged(project, body, [&](NamedLook& s) { s.basedOn = base; });
  EXPECT_EQ(named(body)->basedOn, named(late));
  EXPECT_EQ(project.textStyles.front()->number, late);
}

TEST_F(TextStyles, WithoutItsStyleEverythingLooksAsBefore) {
  const auto body = add("Body", {{TextAspect::Size, 10.0}, {TextAspect::Weight, 500.0}});
  const auto lead = add("Lead", {{TextAspect::Leading, 18.0}}, named(body));
  give(body, 0, 0);
  give(lead, 20, 20);
  const TextStyle first = at(0), second = at(20);
  project = withoutTextStyle(project, body);
  EXPECT_EQ(at(0), first);
  EXPECT_EQ(at(20), second);
  EXPECT_EQ(named(body), nullptr);
  EXPECT_EQ(named(lead)->basedOn, nullptr);
  EXPECT_EQ(textStyleAt(wordsOf(*findItem(project, words))->content(), 0, true), nullptr);
}

TEST_F(TextStyles, GivenToWordsItShowsWhereTheyHadALookOfTheirOwn) {
  project = withLookBetween(project, words, 0, 5, {{TextAspect::Size, 30.0}, {TextAspect::Align, 1.0}});
  const auto body = add("Body", {{TextAspect::Align, 2.0}});
  give(body, 0, 0);
  EXPECT_EQ(at(0).align, Align::Right);
  EXPECT_EQ(at(0).size, 30) << "of that it says nothing";
  const auto strong = add("Strong", {{TextAspect::Size, 12.0}}, nullptr, false);
  give(strong, 0, 5);
  EXPECT_EQ(at(0).size, 12);
  EXPECT_EQ(at(6).size, 24);
}

TEST_F(TextStyles, AStyleMadeOfALookLooksLikeItElsewhere) {
  TextStyle look;
  look.face = {"EB Garamond", 700, false};
  look.size = 18;
  look.leading = 20;
  look.tracking = 30;
  look.align = Align::Justified;
  EXPECT_EQ(with(TextStyle{}, lookOfParagraph(look, nullptr)), look);
  // On a base it says only what is otherwise.
  const auto body = add("Body", {{TextAspect::Size, 18.0}, {TextAspect::Leading, 20.0}});
  const Look more = lookOfParagraph(look, named(body));
  EXPECT_EQ(with(with(TextStyle{}, wholeLook(named(body))), more), look);
  EXPECT_TRUE(std::none_of(more.begin(), more.end(), [](const auto& one) { return one.first == TextAspect::Size; }));
  TextStyle letters = look;
  letters.face.italic = true;
  EXPECT_EQ(lookOfLetters(letters, look, nullptr), (Look{{TextAspect::Italic, 1.0}}));
  EXPECT_EQ(lookOfLetters(look, look, nullptr).size(), 2U);
}

TEST_F(TextStyles, WhatIsBeyondTheTextGetsNone) {
  const auto strong = add("Strong", {{TextAspect::Weight, 700.0}}, nullptr, false);
  give(strong, 40, 5000);
  const Words::Content& c = wordsOf(*findItem(project, words))->content();
  ASSERT_EQ(c.looks.letters.size(), 1U);
  EXPECT_EQ(c.looks.letters.front().to, c.text.size());
  project = withTextStyleGiven(project, words, 9000, 9001, false, named(strong));
  EXPECT_EQ(wordsOf(*findItem(project, words))->content().looks.letters.size(), 1U);
}

TEST_F(TextStyles, APhotoInWordsGoesOnCoveringThem) {
  addPhoto(400, 300);
  project = withPhotoIn(project, words, photo);
  const auto heading = add("Heading", {{TextAspect::Size, 30.0}});
  give(heading, 0, 40);
  const auto covers = [&](const Project& p) {
    const ItemPtr item = findItem(p, words);
    const auto shown = shownPhoto(*item);
    if (!shown) return false;
    const auto back = shown->pixelsToFrame.inverse();
    return Box{{-1, -1}, {401, 301}}.contains((*back)(boxInFrame(*item)));
  };
  ASSERT_TRUE(covers(project));
  const Project larger = withTextStyleChanged(project, heading, [](NamedLook& s) {
    s.look = {{TextAspect::Size, 90.0}};
  });
  EXPECT_GT(boxInFrame(*findItem(larger, words)).width(), 2 * boxInFrame(*findItem(project, words)).width());
  EXPECT_TRUE(covers(larger));
  EXPECT_TRUE(covers(withFamilyReplaced(larger, "Cabin", "Comfortaa")));
}

TEST_F(TextStyles, WordsInsideGroupsAndCutoutsFollowToo) {
  const auto heading = add("Heading", {{TextAspect::Size, 40.0}});
  give(heading, 0, 40);
  Id group = 0;
  project = grouped(project, std::vector<Id>{words, disc}, group);
  ASSERT_NE(group, 0U);
  project = withTextStyleChanged(project, heading, [](NamedLook& s) { s.look = {{TextAspect::Size, 44.0}}; });
  EXPECT_EQ(at(0).size, 44);
  EXPECT_EQ(allWords(project).size(), 1U);
}

TEST_F(TextStyles, AStyleThatIsNotThereChangesNothing) {
  const Project same = withTextStyleChanged(project, 99, [](NamedLook& s) { s.name = "never"; });
  EXPECT_TRUE(isSame(same, project));
  EXPECT_TRUE(isSame(withoutTextStyle(project, 99), project));
  EXPECT_EQ(findTextStyle(project, 0), nullptr);
  const auto body = add("Body", {{TextAspect::Size, 10.0}});
  // Of the other sort, or for what are no words.
  const Project other = withTextStyleGiven(project, words, 0, 5, false, named(body));
  EXPECT_TRUE(isSame(other, project));
  EXPECT_TRUE(isSame(withTextStyleGiven(project, disc, 0, 5, true, named(body)), project));
}

TEST_F(TextStyles, TakenAwayFromWordsTheyLookAsTheWholeAgain) {
  const auto body = add("Body", {{TextAspect::Size, 10.0}});
  give(body, 0, 40);
  project = withTextStyleGiven(project, words, 0, 5, true, nullptr);
  EXPECT_EQ(at(0).size, 24);
  EXPECT_EQ(at(20).size, 10) << "the other paragraphs keep it";
}

TEST_F(TextStyles, NamesAreToldApart) {
  add("Body", {});
  const auto second = add("Body", {});
  EXPECT_EQ(named(second)->name, "Body 2");
  project = withTextStyleChanged(project, second, [](NamedLook& s) { s.name = "Lead"; });
  EXPECT_EQ(named(second)->name, "Lead");
}

}  // namespace
}  // namespace widecut
