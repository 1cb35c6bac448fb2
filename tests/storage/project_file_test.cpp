#include "storage/project_file.h"

#include <gtest/gtest.h>

#include <QImage>
#include <QTemporaryDir>
#include <random>

#include "media/files.h"
#include "media/photo.h"
#include "project/cutouts.h"
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
