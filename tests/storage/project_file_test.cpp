#include "storage/project_file.h"

#include <gtest/gtest.h>

#include <sys/resource.h>
#include <sys/stat.h>
#include <unistd.h>
#include <QDir>
#include <QImage>
#include <QTemporaryDir>
#include <csignal>
#include <random>

#include "media/files.h"
#include "media/photo.h"
#include "project/cutouts.h"
#include "project/every_edit.h"
#include "project/limits.h"
#include "project/resolve.h"
#include "sample.h"
#include "storage/project_json.h"
#include "test_photos.h"

namespace widecut {
namespace {

/// A project with everything that a file can hold.
Project fullProject() {
  Sample s;
  const auto medium = *photoFromBytes(encoded(tones(40, 30), "PNG"), "tones.png");
  Project p = withMedium(s.project, medium);
  Id made = 0, photo = 0;
  p = withPhotoItem(p, s.sheet, medium->hash, {{10, 10}, {150, 140}}, photo);
  p = withMapped(p, std::vector<Id>{photo}, Affine::turn(0.3).about({50, 50}));
  const std::vector<Id> parts{s.disc, photo};
  p = combined(p, parts, Outcome::Intersect, usualLook(p, parts, Outcome::Intersect), made);
  p = withPhotoIn(p, s.box, medium->hash);
  p = withItem(p, s.box, [](const Item& before) {
    Item after = before;
    after.style.line = Line{{1, 2, 3, 200}, 2.5};
    after.style.opacity = 0.75;
    after.hidden = true;
    return after;
  });
  return p;
}

TEST(ProjectFile, SavedOpenedAndSavedAgainIsTheSameToTheByte) {
  const Project before = fullProject();
  const auto bytes = bytesOfProject(before, "");
  ASSERT_TRUE(bytes) << bytes.error().message;
  const auto after = projectFromBytes(*bytes);
  ASSERT_TRUE(after) << after.error().message;
  EXPECT_EQ(*bytesOfProject(*after, ""), *bytes);
  EXPECT_EQ(after->nextId, before.nextId);
  const auto sheets = sheetsOf(*after);
  ASSERT_EQ(sheets[0]->items.size(), 2U);
  EXPECT_EQ(sheets[0]->items[0]->style, sheetsOf(before)[0]->items[0]->style);
  // Turns are kept in degrees to 13 digits, and cuts no longer round to a grid that would hide the last of them.
  const Box kept = resolved(*sheets[0]->items[1])->box, was = resolved(*sheetsOf(before)[0]->items[1])->box;
  EXPECT_LT(std::max(distance(kept.low, was.low), distance(kept.high, was.high)), 1e-10);
}

TEST(ProjectFile, UnknownMembersAndFilesSurvive) {
  std::string text = projectJson(Sample().project);
  text.replace(text.find("\"name\": \"box\""), 13, "\"glow\": {\"size\": 4}, \"name\": \"box\"");
  text.replace(text.find("\"pieces\""), 8, "\"shelf\": [1, 2], \"pieces\"");
  auto project = projectFromJson(text);
  ASSERT_TRUE(project) << project.error().message;
  project->otherFiles["fonts/one.otf"] = std::make_shared<const std::string>("not known yet");
  const auto again = projectFromBytes(*bytesOfProject(*project, ""));
  ASSERT_TRUE(again) << again.error().message;
  const std::string written = projectJson(*again);
  EXPECT_NE(written.find("\"glow\""), std::string::npos);
  EXPECT_NE(written.find("\"shelf\""), std::string::npos);
  EXPECT_EQ(*again->otherFiles.at("fonts/one.otf"), "not known yet");
}

/// The problem's message; empty when the bytes were read after all.
std::string refusal(const std::string& bytes) {
  const auto project = projectFromBytes(bytes);
  return project ? "" : project.error().message;
}

TEST(ProjectFile, TruncatedFilesAreRefused) {
  const std::string bytes = *bytesOfProject(fullProject(), "");
  for (std::size_t length = 0; length < bytes.size(); length += 37)
    EXPECT_NE(refusal(bytes.substr(0, length)), "") << "cut to " << length;
  EXPECT_NE(refusal(bytes.substr(0, 200)).find("damaged or truncated"), std::string::npos);
}

TEST(ProjectFile, ForeignFilesAreNamedAsSuch) {
  EXPECT_NE(refusal("").find("not a Wide Cut project"), std::string::npos);
  EXPECT_NE(refusal("just some text").find("not a Wide Cut project"), std::string::npos);
  std::mt19937 random(1);
  std::string noise(5000, ' ');
  for (char& c : noise) c = static_cast<char>(random());
  EXPECT_NE(refusal(noise), "");
}

TEST(ProjectFile, FlippedBitsNeverCrashAndNeverPassUnseen) {
  const std::string bytes = *bytesOfProject(fullProject(), "");
  const std::string text = projectJson(*projectFromBytes(bytes));
  std::mt19937 random(7);
  int refused = 0;
  for (int i = 0; i < 400; ++i) {
    std::string broken = bytes;
    broken[random() % broken.size()] ^= static_cast<char>(1 << (random() % 8));
    const auto project = projectFromBytes(broken);
    refused += !project;
    // What opens all the same (a flipped date, say) is the same project.
    if (project) {
      EXPECT_EQ(projectJson(*project), text);
    }
  }
  EXPECT_GT(refused, 300);
}

TEST(ProjectFile, AbsurdSizesInTheZipAreRefused) {
  std::string bytes = *bytesOfProject(Sample().project, "");
  // The central directory's record of project.json: its uncompressed size stands 24 bytes in.
  const std::size_t record = bytes.rfind("PK\x01\x02");
  ASSERT_NE(record, std::string::npos);
  for (int i = 0; i < 4; ++i)
    bytes[record + 24 + static_cast<std::size_t>(i)] = static_cast<char>(i == 3 ? 0x7f : 0xff);
  EXPECT_NE(refusal(bytes), "");
}

TEST(ProjectJson, WrongValuesAreRefusedWithTheirPlace) {
  const std::string good = projectJson(Sample().project);
  struct Case {
    const char *from, *to, *says;
  };
  for (const Case& c :
       {Case{"\"width\": 200.0", "\"width\": -3", "pieces[0].sheets[0].width is out of range"},
        Case{"\"width\": 200.0", "\"width\": 1e308", "width is out of range"},
        Case{"\"width\": 200.0", "\"width\": \"wide\"", "width is not a number"},
        Case{"\"id\": 4", "\"id\": 3", "id is used twice"}, Case{"\"version\": 1", "\"version\": 9", "newer Wide Cut"},
        Case{"\"format\": \"widecut\"", "\"format\": \"other\"", "not a Wide Cut project"},
        Case{"\"fill\": \"#c8281e\"", "\"fill\": \"reddish\"", "items[0].fill is not a colour"},
        Case{"\"outline\": \"M", "\"outline\": \"MNaN", "items[0].outline cannot be read"},
        Case{"\"outline\": \"M", "\"outline\": \"M1e308 0M", "cannot be read"},
        Case{"\"at\": [", "\"at\": [1, ", "not a pair"}}) {
    std::string text = good;
    const std::size_t at = text.find(c.from);
    ASSERT_NE(at, std::string::npos) << c.from;
    text.replace(at, std::string(c.from).size(), c.to);
    const auto project = projectFromJson(text);
    ASSERT_FALSE(project) << c.to;
    EXPECT_NE(project.error().message.find(c.says), std::string::npos) << project.error().message;
  }
  EXPECT_FALSE(projectFromJson(std::string(100000, '[')));
}

TEST(ProjectJson, AMissingPhotoIsSaid) {
  std::string text = projectJson(fullProject());
  text.replace(text.find("\"medium\": \"") + 11, 4, "0000");
  const auto project = projectFromJson(text);
  ASSERT_FALSE(project);
  EXPECT_NE(project.error().message.find("photo"), std::string::npos) << project.error().message;
}

TEST(ProjectFile, WhateverIsMadeIsSavedAndOpensEqual) {
  Sample sample;
  const auto medium = *photoFromBytes(encoded(tones(40, 30), "PNG"), "tones.png");
  const Project start = withMedium(sample.project, medium);
  const QTemporaryDir folder;
  const std::string path = folder.filePath("any.widecut").toStdString();
  for (unsigned seed = 0; seed < 25; ++seed) {
    EveryEdit edits(seed, start, sample.sheet);
    for (int step = 0; step < 14 && edits.sheetHere().items.size() < 30; ++step) {
      const Project next = edits.next();
      if (!beyondLimits(next, nullptr)) edits.project = next;
    }
    const auto saved = saveProject(edits.project, "", path);
    ASSERT_TRUE(saved) << "seed " << seed << ": " << saved.error().message;
    auto opened = openProject(path);
    ASSERT_TRUE(opened) << "seed " << seed << ": " << opened.error().message;
    Project kept = edits.project;
    kept.media = mediaInUse(kept);
    EXPECT_EQ(projectJson(*opened), projectJson(kept)) << "seed " << seed;
    EXPECT_EQ(opened->media.size(), kept.media.size());
  }
}

TEST(ProjectFile, AnyNumberOfCutsInARowThatCanBeMadeIsSaved) {
  Project p = Sample().project;
  std::vector<Id> items{sheetsOf(p)[0]->items[0]->id, sheetsOf(p)[0]->items[1]->id};
  for (int i = 0; i < 60; ++i) {
    Id made = 0;
    p = combined(p, items, Outcome::SubtractFront, usualLook(p, items, Outcome::SubtractFront), made);
    p = withItemsOnTop(p, sheetsOf(p)[0]->id, {plainItem(p.nextId, "disc", ellipseOutline(3, 3), {})});
    items = {made, p.nextId - 1};
  }
  ASSERT_FALSE(beyondLimits(p, nullptr));
  const auto again = projectFromBytes(*bytesOfProject(p, ""));
  ASSERT_TRUE(again) << again.error().message;
  EXPECT_EQ(projectJson(*again), projectJson(p));
}

TEST(ProjectFile, ReplacedAndDeletedPhotosAreNotInTheFile) {
  const auto first = *photoFromBytes(encoded(tones(40, 30), "PNG"), "first.png");
  const auto second = *photoFromBytes(encoded(tones(50, 30), "PNG"), "second.png");
  Sample s;
  Project p = withPhotoIn(withMedium(s.project, first), s.box, first->hash);
  p = withPhotoIn(withMedium(p, second), s.box, second->hash);
  EXPECT_EQ(p.media.size(), 2U) << "undo may still need it";
  const std::string bytes = *bytesOfProject(p, "");
  EXPECT_EQ(bytes.find("first.png"), std::string::npos);
  EXPECT_EQ(bytes.find(*first->bytes), std::string::npos);
  EXPECT_EQ(projectFromBytes(bytes)->media.size(), 1U);
}

TEST(ProjectFile, AMediumOfAnotherSizeThanStatedIsRefused) {
  std::string bytes = *bytesOfProject(fullProject(), "");
  Project p = *projectFromBytes(bytes);
  Medium lying = *p.media.begin()->second;
  lying.width = 4000;
  p.media.begin()->second = std::make_shared<const Medium>(lying);
  const std::string says = refusal(*bytesOfProject(p, ""));
  EXPECT_NE(says.find("has 40 × 30 pixels, not the 4000 × 30"), std::string::npos) << says;
}

TEST(ProjectFile, APhotoThatCannotBeDecodedOpensAllTheSame) {
  Project p = fullProject();
  Medium odd = *p.media.begin()->second;
  const std::string hash = odd.hash;
  odd.bytes = std::make_shared<const std::string>("<svg xmlns='http://www.w3.org/2000/svg' width='40' height='30'/>");
  odd.hash = sha256(*odd.bytes);
  std::string text = projectJson(p);
  for (std::size_t at = text.find(hash); at != std::string::npos; at = text.find(hash)) text.replace(at, 64, odd.hash);
  p = *projectFromJson(text);
  p.media.begin()->second = std::make_shared<const Medium>(odd);
  const auto again = projectFromBytes(*bytesOfProject(p, ""));
  ASSERT_TRUE(again) << again.error().message;
  PhotoStore store;
  EXPECT_TRUE(store.problemWith(*again->media.begin()->second));
}

TEST(ProjectJson, BombsAreRefusedBeforeTheyAreInMemory) {
  std::string many = "{\"format\": \"widecut\", \"version\": 1, \"name\": \"x\", \"bomb\": [";
  for (std::size_t i = 0; i < limits::mostJsonValues; ++i) many += "[],";
  many += "[]]}";
  const auto refused = projectFromJson(many);
  ASSERT_FALSE(refused);
  EXPECT_NE(refused.error().message.find("more values"), std::string::npos) << refused.error().message;
}

TEST(ProjectFile, EntriesThatNobodyKnowsHaveALimitTogether) {
  Project p = Sample().project;
  const auto large = std::make_shared<const std::string>(limits::mostOtherBytes / 2 + 1, '\0');
  p.otherFiles["a"] = large;
  EXPECT_EQ(refusal(*bytesOfProject(p, "")), "");
  p.otherFiles["b"] = large;
  EXPECT_NE(refusal(*bytesOfProject(p, "")), "");
}

TEST(ProjectFile, ASaveThatCannotBeReadAgainLeavesTheOldFile) {
  const QTemporaryDir folder;
  const std::string path = folder.filePath("kept.widecut").toStdString();
  ASSERT_TRUE(saveProject(Sample().project, "", path));
  const std::string before = *readFile(path, 1 << 20);
  Project bad = Sample().project;
  bad = withItem(bad, sheetsOf(bad)[0]->items[0]->id, [](const Item& item) {
    Item out = item;
    out.position.x = 5e6;
    return out;
  });
  const auto refused = saveProject(bad, "", path);
  ASSERT_FALSE(refused);
  EXPECT_NE(refused.error().message.find("cannot save"), std::string::npos);
  EXPECT_EQ(*readFile(path, 1 << 20), before);
  EXPECT_EQ(QDir(folder.path()).entryList(QDir::Files | QDir::Hidden).size(), 1) << "no work file stays";
}

TEST(Files, PipesDevicesAndFoldersAreRefusedAtOnce) {
  const QTemporaryDir folder;
  const std::string pipe = folder.filePath("pipe").toStdString();
  ASSERT_EQ(::mkfifo(pipe.c_str(), 0600), 0);
  for (const std::string& path : {pipe, std::string("/dev/zero")}) {
    const auto read = readFile(path, 1 << 20);
    ASSERT_FALSE(read);
    EXPECT_NE(read.error().message.find("a device or a pipe"), std::string::npos) << read.error().message;
    EXPECT_FALSE(openProject(path));
    const auto wrote = writeFile(path, "x");
    ASSERT_FALSE(wrote);
    EXPECT_NE(wrote.error().message.find("a device or a pipe"), std::string::npos) << wrote.error().message;
  }
  EXPECT_FALSE(writeFile(folder.path().toStdString(), "x"));
}

TEST(Files, NamesOfTheLongestKindAreSavedAgainAndAgain) {
  const QTemporaryDir folder;
  const std::string longest = folder.path().toStdString() + "/" + std::string(255, 'n');
  EXPECT_TRUE(writeFile(longest, "one"));
  EXPECT_TRUE(writeFile(longest, "two"));
  EXPECT_EQ(*readFile(longest, 10), "two");
  const auto longer = writeFile(longest + "n", "x");
  ASSERT_FALSE(longer);
  EXPECT_NE(longer.error().message.find("too long"), std::string::npos) << longer.error().message;
}

TEST(Files, AFullDiskIsNamedWithWhatIsNeeded) {
  const QTemporaryDir folder;
  const auto refused = NewFile::at(folder.filePath("x").toStdString(), std::uint64_t{1} << 60);
  ASSERT_FALSE(refused);
  EXPECT_NE(refused.error().message.find("are needed"), std::string::npos) << refused.error().message;
  // A limit on the size of files ends a write as a full disk does.
  rlimit before{};
  getrlimit(RLIMIT_FSIZE, &before);
  const rlimit small{1000, before.rlim_max};
  std::signal(SIGXFSZ, SIG_IGN);
  setrlimit(RLIMIT_FSIZE, &small);
  const auto failed = writeFile(folder.filePath("y").toStdString(), std::string(100000, 'x'));
  setrlimit(RLIMIT_FSIZE, &before);
  ASSERT_FALSE(failed);
  EXPECT_NE(failed.error().message.find("File too large"), std::string::npos) << failed.error().message;
  EXPECT_TRUE(QDir(folder.path()).isEmpty(QDir::AllEntries | QDir::Hidden | QDir::NoDotAndDotDot));
}

TEST(Files, LinksAndRightsOfTheOlderFileStay) {
  const QTemporaryDir folder;
  const std::string real = folder.filePath("real").toStdString(), link = folder.filePath("link").toStdString();
  ASSERT_TRUE(writeFile(real, "old"));
  ASSERT_EQ(::chmod(real.c_str(), 0640), 0);
  ASSERT_EQ(::symlink("real", link.c_str()), 0);
  ASSERT_TRUE(writeFile(link, "new"));
  EXPECT_EQ(*readFile(real, 10), "new");
  struct stat s {};
  ASSERT_EQ(::lstat(link.c_str(), &s), 0);
  EXPECT_TRUE(S_ISLNK(s.st_mode));
  ASSERT_EQ(::stat(real.c_str(), &s), 0);
  EXPECT_EQ(s.st_mode & 0777, 0640U);
}

TEST(Files, AFailedWriteLeavesTheOldFileAlone) {
  const QTemporaryDir folder;
  const std::string path = folder.filePath("kept.txt").toStdString();
  ASSERT_TRUE(writeFile(path, "old"));
  const auto failed = writeFile(folder.filePath("no/such/folder.txt").toStdString(), "new");
  ASSERT_FALSE(failed);
  EXPECT_NE(failed.error().message.find("folder.txt"), std::string::npos);
  EXPECT_EQ(*readFile(path, 100), "old");
  EXPECT_FALSE(readFile(path, 2)) << "larger than the limit";
  EXPECT_FALSE(readFile(folder.path().toStdString(), 100)) << "a folder";
}

}  // namespace
}  // namespace widecut
