// Projects with videos, in files and in journals.
#include <gtest/gtest.h>

#include <QTemporaryDir>

#include "media/video.h"
#include "project/edits/colours.h"
#include "project/edits/sharing.h"
#include "project/edits/videos.h"
#include "project/lookup.h"
#include "project/resolve.h"
#include "sample.h"
#include "storage/journal_state.h"
#include "storage/project_file.h"
#include "storage/project_json.h"
#include "test_videos.h"

namespace widecut {
namespace {

/// A box and a disc with two posters of one video, which plays in its own way in each.
struct VideoFile : testing::Test, Sample {
  VideoPtr video;
  void SetUp() override {
    TestVideo how;
    how.hasSound = true;
    video = *videoFromBytes(encodedVideo(how), "numbers.webm");
    project = withPhotoIn(withPhotoIn(project, box, *posterAt(video, 0.2)), disc, *posterAt(video, 1.2));
    const Id items[] = {disc};
    project = withPlaying(project, items, [](Playing& p) {
      p = {.from = 0.25, .to = 1.5, .speed = 1.25, .loops = true, .startsItself = true, .isMuted = true};
    });
  }
  static void expectSame(const Project& read, const Project& written) {
    EXPECT_TRUE(isSame(read, written));
    const auto found = mediaOf(read), before = mediaOf(written);
    ASSERT_EQ(found.size(), before.size());
    for (const auto& [hash, medium] : before) {
      ASSERT_TRUE(found.contains(hash));
      EXPECT_EQ(*found.at(hash)->bytes, *medium->bytes);
    }
  }
};

TEST_F(VideoFile, IsSavedOnceAndReadAsItWas) {
  const auto bytes = bytesOfProject(project, {});
  ASSERT_TRUE(bytes) << bytes.error().message;
  EXPECT_LT(bytes->size(), video->file.bytes->size() + 60'000) << "once, beside two posters";
  const auto read = projectFromBytes(*bytes);
  ASSERT_TRUE(read) << read.error().message;
  expectSame(*read, project);
  EXPECT_EQ(*bytesOfProject(*read, {}), *bytes);
  const auto first = shownPhoto(*findItem(*read, box)), second = shownPhoto(*findItem(*read, disc));
  ASSERT_TRUE(first->medium->video);
  EXPECT_EQ(first->medium->video, second->medium->video) << "one node";
  EXPECT_EQ(first->medium->video->seconds, video->seconds);
  EXPECT_EQ(first->medium->video->framesPerSecond, video->framesPerSecond);
  EXPECT_TRUE(first->medium->video->hasSound);
  EXPECT_EQ(first->medium->videoAt, 0.2);
  EXPECT_EQ(first->playing, nullptr);
  ASSERT_TRUE(second->playing);
  EXPECT_EQ(second->playing->to, 1.5);
  EXPECT_TRUE(second->playing->startsItself && second->playing->loops && second->playing->isMuted);
  EXPECT_TRUE(posterAt(first->medium->video, 1)) << "it can be decoded";
}

TEST_F(VideoFile, IsKeptInTheJournal) {
  QTemporaryDir folder;
  JournalState state(folder.path().toStdString());
  ASSERT_TRUE(state.keep(project));
  const auto kept = keptProject(folder.path().toStdString());
  ASSERT_TRUE(kept) << kept.error().message;
  expectSame(*kept, project);
}

TEST_F(VideoFile, WrongFactsAreRefusedWithTheirPlace) {
  const ProjectTexts texts = projectTexts(project);
  const auto problemWith = [&](const std::string& was, const std::string& now) -> std::string {
    ProjectTexts changed = texts;
    bool isThere = false;
    const auto change = [&](std::string& text) {
      if (const auto at = text.find(was); at != std::string::npos) {
        text.replace(at, was.size(), now);
        isThere = true;
      }
    };
    change(changed.project);
    for (auto& [name, text] : changed.sheets) change(text);
    EXPECT_TRUE(isThere) << was;
    const auto read = projectFrom(changed);
    return read ? "" : read.error().message;
  };
  EXPECT_NE(problemWith("\"framesPerSecond\": 25", "\"framesPerSecond\": 0").find("videos[0]"), std::string::npos);
  EXPECT_NE(problemWith("\"video\": \"" + video->file.hash, "\"video\": \"" + std::string(64, '0')).find("media["),
            std::string::npos);
  EXPECT_NE(problemWith("\"speed\": 1.25", "\"speed\": 99").find("speed"), std::string::npos);
  EXPECT_NE(problemWith("\"from\": 0.25", "\"from\": 1.75"), "") << "it would begin after its end";
  EXPECT_NE(problemWith("\"to\": 1.5", "\"to\": \"late\"").find("to"), std::string::npos);
}

TEST_F(VideoFile, LevelsAlongLinesAndPhotosOverSheetsAreReadAsTheyWere) {
  const Id items[] = {box};
  project = withPhotosOverSheets(project, items, true);
  project = withStyle(project, items, [](Style& style) {
    const Contour line{{0, 1}, {Segment::cubic({0.2, 0.1}, {0.7, 0.9}, {1, 0})}, false};
    style.fills.front().shown = true;
    style.fills.front().level = FillLevel{LevelBy::Along, 0.3, std::make_shared<const Contour>(line)};
  });
  const auto read = projectFromBytes(*bytesOfProject(project, {}));
  ASSERT_TRUE(read) << read.error().message;
  expectSame(*read, project);
  const Style& style = *findItem(*read, box)->style;
  EXPECT_TRUE(pictureOf(style)->isOverSheets);
  ASSERT_TRUE(style.fills.front().level && style.fills.front().level->line);
  EXPECT_EQ(style.fills.front().level->line->segments.size(), 1U);
}

TEST_F(VideoFile, HashesOfVideosAreTheirOwn) {
  ProjectTexts texts = projectTexts(project);
  const std::string poster = shownPhoto(*findItem(project, box))->medium->hash;
  for (auto at = texts.project.find(poster); at != std::string::npos; at = texts.project.find(poster, at + 1))
    texts.project.replace(at, poster.size(), video->file.hash);
  const auto read = projectFrom(texts);
  ASSERT_FALSE(read);
  EXPECT_NE(read.error().message.find("is that of a video"), std::string::npos) << read.error().message;
}

}  // namespace
}  // namespace widecut
