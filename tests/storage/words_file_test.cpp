// Words with all their looks, in files.
#include <gtest/gtest.h>

#include <QTemporaryDir>

#include "project/edits/families.h"
#include "project/edits/places.h"
#include "project/edits/tree.h"
#include "project/edits/words.h"
#include "project/edits/words_clear.h"
#include "project/edits/words_following.h"
#include "project/limits.h"
#include "sample.h"
#include "storage/journal_state.h"
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
  project.fonts = fontsIn(read);
  project = withWordsFollowing({}, project);
  EXPECT_EQ(missingFamilies(project), "");
  for (const char* other : {"Broken Family", "Outside Family", "Odd Family"})
    EXPECT_EQ(homeOf(other, project.fonts), FontHome::Nowhere) << other;
  const auto saved = fontEntries(project);
  ASSERT_EQ(saved.size(), 2U);
  EXPECT_EQ(*saved[0].bytes, bytes);
  EXPECT_NE(saved[1].bytes->find(family), std::string::npos);
  expectReadAsWritten();
  // It goes with the file, and not when no words are in it any more.
  EXPECT_GT(bytesOfProject(project, {})->size(), 20'000U);
  EXPECT_LT(bytesOfProject(withFamilyReplaced(project, family, "Cabin"), {})->size(), 20'000U);
  // Lists that are none are passed over.
  for (const char* list : {"", "{", "3", "{}"}) {
    entries["fonts/list.json"] = list;
    EXPECT_EQ(fontsIn(read), nullptr);
  }
}

/// A project whose words are in a family of a name, that is one of the program's fonts.
Project inFamily(const Project& empty, Id sheet, const BundledFont& bundled) {
  Project out = empty;
  out.fonts = OwnFonts::with(nullptr, {"Same Name",
                                       {},
                                       0,
                                       std::make_shared<const std::string>(
                                           reinterpret_cast<const char*>(bundled.bytes.data()), bundled.bytes.size())});
  Words::Content content;
  content.text = "one name, two fonts";
  content.style.face.family = "Same Name";
  Item item = plainItem(out.nextId, "words", {}, Style{});
  item.form = wordsForm(std::move(content));
  return withWordsFollowing(empty, withItemsOnTop(out, sheet, {item}));
}

TEST_F(WordsFile, TwoProjectsWithFontsOfOneNameKeepTheirOwn) {
  const Project a = inFamily(project, sheet, bundledFonts().front());
  const Project b = inFamily(project, sheet, bundledFonts().back());
  const auto readA = projectFromBytes(*bytesOfProject(a, {}));
  const auto readB = projectFromBytes(*bytesOfProject(b, {}));
  ASSERT_TRUE(readA && readB);
  // Opened after one another, each saves what it had.
  EXPECT_EQ(*fontEntries(*readA)[0].bytes, *fontEntries(a)[0].bytes);
  EXPECT_EQ(*fontEntries(*readB)[0].bytes, *fontEntries(b)[0].bytes);
  EXPECT_NE(*fontEntries(*readA)[0].bytes, *fontEntries(*readB)[0].bytes);
  EXPECT_EQ(*bytesOfProject(*readB, {}), *bytesOfProject(b, {}));
  // Words of the one in the other are in the fonts of that; where it has none of the name, theirs come along.
  const ItemPtr words = allWords(a).front();
  std::vector<Id> made;
  const Project pasted = withWordsFollowing(b, withCopiesOnTop(b, sheet, std::vector<ItemPtr>{words}, {}, made));
  EXPECT_EQ(wordsOf(*findItem(pasted, made.front()))->content().style.face.own, b.fonts);
  const Project fresh =
      withWordsFollowing(project, withCopiesOnTop(project, sheet, std::vector<ItemPtr>{words}, {}, made));
  EXPECT_EQ(missingFamilies(fresh), "");
  EXPECT_EQ(*fontEntries(fresh)[0].bytes, *fontEntries(a)[0].bytes);
}

TEST_F(WordsFile, AStoryFlowsOnInAFontThatComesLater) {
  Words::Content content;
  for (int i = 0; i < 40; ++i) content.text += "the slow line above the clouds ";
  content.frame = TextFrame{100, 60};
  content.style.face.family = "Same Name";
  const Id a = add(content);
  content.text.clear();
  const Id b = add(content);
  project = withFlow(project, a, b);
  const BundledFont bundled = bundledFonts().back();
  Project later = project;
  later.fonts = OwnFonts::with(
      nullptr,
      {"Same Name",
       {},
       0,
       std::make_shared<const std::string>(reinterpret_cast<const char*>(bundled.bytes.data()), bundled.bytes.size())});
  later = withWordsFollowing(project, later);
  const Words& next = *wordsOf(*findItem(later, b));
  EXPECT_GT(next.set().lines.front().from, 0U) << "it goes on where the first frame ends";
  EXPECT_EQ(next.story(), wordsOf(*findItem(later, a))->content().text);
  EXPECT_EQ(missingFamilies(later), "");
}

TEST_F(WordsFile, OneFileForManyFacesIsReadOnce) {
  const BundledFont bundled = bundledFonts().front();
  const std::string bytes(reinterpret_cast<const char*>(bundled.bytes.data()), bundled.bytes.size());
  std::string list = "[";
  for (int i = 0; i < 40; ++i)
    list += (i > 0 ? "," : "") + std::string(R"({"file":"fonts/1","family":"Many )") + std::to_string(i) +
            R"(","weight":400})";
  int reads = 0;
  const OwnFontsPtr fonts = fontsIn([&](const std::string& name, std::size_t) -> Result<std::string> {
    if (name == "fonts/list.json") return list + "]";
    ++reads;
    return bytes;
  });
  EXPECT_EQ(reads, 1);
  ASSERT_EQ(fonts->all().size(), 40U);
  EXPECT_EQ(fonts->all().front().bytes, fonts->all().back().bytes);
}

TEST_F(WordsFile, FontsTogetherAreNoLargerThanSixtyFourMegabytes) {
  const std::string large(limits::mostFontBytes / 2 + 1, 'x');
  std::vector<std::size_t> rooms;
  (void)fontsIn([&](const std::string& name, std::size_t most) -> Result<std::string> {
    if (name == "fonts/list.json")
      return std::string(
          R"([{"file":"fonts/1","family":"A","weight":400},{"file":"fonts/2","family":"B","weight":400}])");
    rooms.push_back(most);
    return large;
  });
  EXPECT_EQ(rooms, (std::vector<std::size_t>{limits::mostFontBytes, limits::mostFontBytes - large.size()}));
}

TEST_F(WordsFile, AJournalHasTheFontsToo) {
  const QTemporaryDir folder;
  const Project a = inFamily(project, sheet, bundledFonts().front());
  JournalState journal(folder.path().toStdString());
  ASSERT_TRUE(journal.keep(a));
  const auto once = journal.bytesWritten();
  ASSERT_TRUE(journal.keep(withMapped(a, std::vector<Id>{box}, Affine::move({1, 0}))));
  EXPECT_LT(journal.bytesWritten() - once, 20'000U) << "the font is written once";
  const auto kept = keptProject(folder.path().toStdString());
  ASSERT_TRUE(kept) << kept.error().message;
  EXPECT_EQ(missingFamilies(*kept), "");
  EXPECT_EQ(*fontEntries(*kept)[0].bytes, *fontEntries(a)[0].bytes);
}

}  // namespace
}  // namespace widecut
