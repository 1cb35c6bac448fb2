// What a journal keeps: every state as it was, of which only what changed is written.
#include <gtest/gtest.h>

#include <QDir>
#include <QSysInfo>
#include <QTemporaryDir>

#include "media/files.h"
#include "media/photo.h"
#include "project/every_edit.h"
#include "storage/journal_state.h"
#include "storage/recovery.h"
#include "test_photos.h"
#include "text_of.h"

namespace widecut {
namespace {

struct JournalTest : testing::Test {
  QTemporaryDir folder;
  std::string path = folder.path().toStdString();
  JournalState journal{path};

  MediumPtr photo(int width) { return *photoFromBytes(encoded(tones(width, 80), "PNG"), "tones"); }
};

TEST_F(JournalTest, EveryStateIsKeptAsItIs) {
  Sample s;
  EveryEdit edits(5, s.project, s.sheet, photo(120));
  edits.project.otherFiles["notes/later.txt"] = std::make_shared<const std::string>("of a newer version");
  for (int step = 0; step < 60 && edits.sheetHere().items.size() < 40; ++step) {
    edits.project = edits.next();
    ASSERT_TRUE(journal.keep(edits.project));
    const auto kept = keptProject(path);
    ASSERT_TRUE(kept) << kept.error().message;
    EXPECT_EQ(textOf(*kept), textOf(edits.project)) << "step " << step << ", edit " << edits.last;
    EXPECT_EQ(*kept->otherFiles.at("notes/later.txt"), "of a newer version");
  }
}

TEST_F(JournalTest, OnlyTheSheetThatChangedIsWritten) {
  Sample s;
  Project project = withPhotoIn(s.project, s.box, photo(400));
  std::vector<SheetPtr> sheets = project.pieces[0]->sheets;
  for (Id id = 1000; id < 1100; ++id) {
    Sheet sheet = *sheets[0];
    sheet.id = id;
    sheet.items = {};
    sheet.name = std::string(800, 'n');
    sheets.push_back(std::make_shared<const Sheet>(std::move(sheet)));
  }
  Piece piece = *project.pieces[0];
  piece.sheets = sheets;
  project.pieces = {std::make_shared<const Piece>(std::move(piece))};
  ASSERT_TRUE(journal.keep(project));
  const auto first = journal.bytesWritten();
  const auto files = [&] { return QDir(folder.path()).entryList(QDir::Files).size(); };
  const auto before = files();
  for (int i = 0; i < 10; ++i) {
    project = withMapped(project, std::vector<Id>{s.box}, Affine::move({1, 0}));
    ASSERT_TRUE(journal.keep(project));
  }
  EXPECT_LT((journal.bytesWritten() - first) / 10, first / 4) << "neither the photo nor the other sheets";
  EXPECT_EQ(files(), before) << "what is not needed any more goes";
  EXPECT_EQ(textOf(*keptProject(path)), textOf(project));
}

TEST_F(JournalTest, WhatIsDamagedOrGoneIsSaid) {
  EXPECT_FALSE(keptProject(path)) << "nothing was kept";
  Sample s;
  ASSERT_TRUE(journal.keep(withPhotoIn(s.project, s.box, photo(120))));
  const std::string whole = *readFile(stateFile(path), 1 << 20);
  const auto with = [&](const std::string& text) {
    EXPECT_TRUE(writeFile(stateFile(path), text));
    const auto kept = keptProject(path);
    return kept ? std::string() : kept.error().message;
  };
  EXPECT_EQ(with(whole), "");
  for (const std::string& text : {whole.substr(0, whole.size() / 2), std::string("[]"), std::string("{}"),
                                  std::string(R"({"project": "", "sheets": 3, "media": [], "others": {}})")})
    EXPECT_NE(with(text).find("cannot open"), std::string::npos) << text;
  std::string astray = whole;
  astray.replace(astray.find("\"sheet"), 6, "\"../../sheet");
  EXPECT_NE(with(astray), "") << "a name cannot lead out of the folder";
  EXPECT_EQ(with(whole), "");
  for (const QString& name : QDir(folder.path()).entryList({"sheet*"})) QFile::remove(folder.filePath(name));
  EXPECT_NE(with(whole), "");
  journal.clear();
  EXPECT_FALSE(keptProject(path));
}

TEST(LeftBehind, WhateverStandsBesideTheWorkItIsOffered) {
  for (const char* about : {R"({"name":1,"path":2})", R"({"name":[],"path":{}})", "[]", "3", "", "{"}) {
    const QTemporaryDir home;
    const std::string folder = home.filePath("one").toStdString();
    ASSERT_TRUE(QDir().mkdir(QString::fromStdString(folder)));
    Sample s;
    JournalState journal(folder);
    ASSERT_TRUE(journal.keep(s.project));
    // The lock of a program that is gone: no machine has such a process.
    const std::string lock = "99999999\ngone\n" + QSysInfo::machineHostName().toStdString() + "\n";
    ASSERT_TRUE(writeFile(folder + "/lock", lock, Care::OnItsWay));
    ASSERT_TRUE(writeFile(folder + "/about.json", about, Care::OnItsWay));
    const auto left = leftBehind(home.path().toStdString());
    ASSERT_EQ(left.size(), 1U) << about;
    EXPECT_EQ(left.front().name, "");
    EXPECT_EQ(left.front().path, "");
    EXPECT_TRUE(left.front().project()) << about;
  }
}

}  // namespace
}  // namespace widecut
