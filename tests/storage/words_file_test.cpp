// Words with all their looks, in files.
#include <gtest/gtest.h>

#include "project/edits/families.h"
#include "project/edits/words_clear.h"
#include "project/edits/words_following.h"
#include "sample.h"
#include "storage/kept_fonts.h"
#include "storage/project_file.h"
#include "words/bundled_fonts.h"
#include "words/font_library.h"

namespace widecut {
namespace {

struct WordsFile : testing::Test, Sample {
  Id add(Words::Content content) {
    Item item = plainItem(project.nextId, "words", {}, {});
    item.form = wordsForm(std::move(content));
    project = withItemsOnTop(project, sheet, {item});
    return project.nextId - 1;
  }
  void expectReadAsWritten() {
    const auto bytes = bytesOfProject(project, {});
    ASSERT_TRUE(bytes) << bytes.error().message;
    const auto read = projectFromBytes(*bytes);
    ASSERT_TRUE(read) << read.error().message;
    EXPECT_TRUE(isSame(*read, project));
    EXPECT_EQ(*bytesOfProject(*read, {}), *bytes);
  }
};

TEST_F(WordsFile, EveryAspectIsReadAsItWasWritten) {
  const auto body = std::make_shared<const NamedLook>(
      NamedLook{3, "Body", true, nullptr, {{TextAspect::Leading, 14.5}, {TextAspect::Hyphens, 1.0}}});
  const auto lead = std::make_shared<const NamedLook>(NamedLook{7, "Lead", true, body, {{TextAspect::DropLines, 3.0}}});
  project.textStyles = {body, lead};
  Words::Content content;
  content.text = "one two\nthree\tfour";
  for (int i = 0; i < countOfTextAspects; ++i) {
    const AspectEntry& entry = entryOf(static_cast<TextAspect>(i));
    if (entry.kind == AspectKind::Words)
      setValue(content.style, entry.aspect, std::string(entry.aspect == TextAspect::Family ? "EB Garamond" : "de"));
    else
      setValue(content.style, entry.aspect, entry.kind == AspectKind::Length ? 6.5 : entry.least + 1);
  }
  content.frame = TextFrame{120, 80};
  content.frame->outline = std::make_shared<const Outline>(fitted(ellipseOutline(10, 10), {{0, 0}, {120, 80}}));
  content.frame->inset = 3;
  content.frame->columns = 2;
  content.frame->gutter = 9;
  content.frame->isBalanced = true;
  content.frame->upright = Upright::Middle;
  content.frame->first = FirstLine::Capitals;
  content.looks.letters = {{0, 3, nullptr, {{TextAspect::Weight, 700.0}, {TextAspect::Case, 1.0}}}};
  content.looks.paragraphs = {{0, body, {}}, {8, lead, {{TextAspect::Align, 3.0}}}};
  add(content);
  Words::Content along;
  along.text = "along";
  along.along = AlongLine{std::make_shared<const Outline>(ellipseOutline(50, 50)), 4, -2, true, true};
  along.on = box;
  add(along);
  project = withWordsFollowing({}, project);
  expectReadAsWritten();
}

TEST_F(WordsFile, AStoryFlowsOnAsItDid) {
  Words::Content content;
  for (int i = 0; i < 40; ++i) content.text += "the slow line above the clouds ";
  content.frame = TextFrame{100, 60};
  const Id a = add(content);
  content.text.clear();
  const Id b = add(content);
  project = withFlow(project, a, b);
  expectReadAsWritten();
  const auto read = projectFromBytes(*bytesOfProject(project, {}));
  const auto firstByte = [](const Project& p, Id id) { return wordsOf(*findItem(p, id))->set().lines.front().from; };
  EXPECT_EQ(firstByte(*read, b), firstByte(project, b));
  EXPECT_GT(firstByte(*read, b), 10U);
}

TEST_F(WordsFile, WhatWordsKeepClearOfIsReadAsItWasWritten) {
  Words::Content content;
  content.text = "a few words that have to go round something";
  content.style.size = 8;
  content.frame = TextFrame{180, 120};
  const Id words = add(content);
  for (const ClearSide side : {ClearSide::Both, ClearSide::AboveAndBelow}) {
    project = withWordsFollowing(project, withKeptClear(project, {&disc, 1}, KeepClear{side, 4.25}));
    ASSERT_FALSE(wordsOf(*findItem(project, words))->content().frame->clear.empty());
    expectReadAsWritten();
  }
}

TEST_F(WordsFile, FontsThatAreNotTheProgramsOwnAreSavedWithIt) {
  const BundledFont bundled = bundledFonts().front();
  const std::string bytes(reinterpret_cast<const char*>(bundled.bytes.data()), bundled.bytes.size());
  const std::string family = "Family Of A File";
  std::map<std::string, std::string> entries{{"fonts/1", bytes},
                                             {"fonts/2", "no font"},
                                             {"fonts/list.json",
                                              R"([{"file":"fonts/1","family":"Family Of A File","weight":700},
           {"file":"fonts/2","family":"Broken Family","weight":400},
           {"file":"../etc/passwd","family":"Outside Family","weight":400},
           {"file":"fonts/1","family":"Odd Family","weight":"heavy"}, 3, {}])"}};
  const auto read = [&](const std::string& name, std::size_t most) -> Result<std::string> {
    const auto found = entries.find(name);
    if (found == entries.end() || found->second.size() > most) return problem("it is not there");
    return found->second;
  };
  Words::Content content;
  content.text = "words";
  content.style.face = {family, 400, false};
  add(content);
  EXPECT_EQ(missingFamilies(project), family);
  EXPECT_TRUE(fontEntries(project).empty()) << "what is not there cannot be saved along";
  takeFonts(read);
  EXPECT_EQ(missingFamilies(project), "");
  for (const char* other : {"Broken Family", "Outside Family", "Odd Family"})
    EXPECT_EQ(homeOf(other), FontHome::Nowhere) << other;
  const auto saved = fontEntries(project);
  ASSERT_EQ(saved.size(), 2U);
  EXPECT_EQ(saved[0].bytes, bytes);
  EXPECT_NE(saved[1].bytes.find(family), std::string::npos);
  expectReadAsWritten();
  // It goes with the file, and not when no words are in it any more.
  EXPECT_GT(bytesOfProject(project, {})->size(), 20'000U);
  EXPECT_LT(bytesOfProject(withFamilyReplaced(project, family, "Cabin"), {})->size(), 20'000U);
  // Lists that are none are passed over.
  for (const char* list : {"", "{", "3", "{}"}) {
    entries["fonts/list.json"] = list;
    takeFonts(read);
  }
}

}  // namespace
}  // namespace widecut
