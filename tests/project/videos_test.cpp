// How videos play, in the model.
#include "project/edits/videos.h"

#include <gtest/gtest.h>

#include "project/edits/media.h"
#include "project/edits/sharing.h"
#include "project/edits/subjects.h"
#include "project/history.h"
#include "project/limits.h"
#include "project/lookup.h"
#include "project/resolve.h"
#include "sample.h"
#include "scene/scene.h"

namespace widecut {
namespace {

/// A video of ten seconds at 25 frames each, whose poster fills a box; a disc beside it has none.
struct Videos : testing::Test, Sample {
  VideoPtr video;
  static VideoPtr videoOf(char letter, double seconds) {
    auto made = std::make_shared<Video>();
    made->file.hash = std::string(64, letter);
    made->file.name = "climb.webm";
    made->file.width = 640;
    made->file.height = 480;
    made->file.bytes = std::make_shared<const std::string>(1000, 'v');
    made->seconds = seconds;
    made->framesPerSecond = 25;
    return made;
  }
  static MediumPtr posterOf(const VideoPtr& video, char letter, double at) {
    auto made = std::make_shared<Medium>();
    made->hash = std::string(64, letter);
    made->name = video->file.name;
    made->width = video->file.width;
    made->height = video->file.height;
    made->video = video;
    made->videoAt = at;
    return made;
  }
  void SetUp() override {
    video = videoOf('e', 10);
    project = withPhotoIn(project, box, posterOf(video, 'a', 0));
  }
  Playing playing(Id id) const {
    const auto shown = shownPhoto(*findItem(project, id));
    return shown->playing ? *shown->playing : Playing{};
  }
  void play(Id id, const std::function<void(Playing&)>& change) {
    const Id items[] = {id};
    project = withPlaying(project, items, change);
  }
};

TEST_F(Videos, APartStaysWithinTheVideoAndIsNeverEmpty) {
  EXPECT_EQ(pictureOf(*findItem(project, box)->style)->playing, nullptr);
  play(box, [](Playing& p) {
    p.from = 2;
    p.to = 5;
    p.loops = true;
  });
  EXPECT_EQ(playing(box).from, 2);
  EXPECT_EQ(playing(box).to, 5);
  play(box, [](Playing& p) { p.from = 7; });
  EXPECT_EQ(playing(box).from, 7);
  EXPECT_NEAR(*playing(box).to, 7.04, 1e-12) << "a frame at least";
  play(box, [](Playing& p) {
    p.from = -3;
    p.to = 99;
  });
  EXPECT_EQ(playing(box).from, 0);
  EXPECT_FALSE(playing(box).to) << "to its end";
  play(box, [](Playing& p) { p.from = 50; });
  EXPECT_NEAR(playing(box).from, 9.96, 1e-12);
  play(box, [](Playing& p) { p = {}; });
  EXPECT_EQ(pictureOf(*findItem(project, box)->style)->playing, nullptr) << "nothing is kept of what is usual";
  const Project before = project;
  play(disc, [](Playing& p) { p.loops = true; });
  EXPECT_TRUE(isSame(project, before)) << "what shows no video stays";
}

TEST_F(Videos, FramesThatShareAVideoPlayItAlike) {
  const Id both[] = {box, disc};
  project = withSharedPhoto(project, both, box);
  play(disc, [](Playing& p) { p.speed = 2; });
  EXPECT_EQ(playing(box).speed, 2);
  EXPECT_EQ(playing(disc).speed, 2);
  project = withPoster(project, disc, posterOf(video, 'b', 3));
  EXPECT_EQ(shownPhoto(*findItem(project, box))->medium->videoAt, 3);
  EXPECT_EQ(playing(box).speed, 2) << "another poster plays as the one before";
  const Scene scene = sceneOf(sheetOf(project));
  const auto seen = videosIn(scene);
  ASSERT_EQ(seen.size(), 1U) << "one video, however many frames look at it";
  EXPECT_EQ(seen.begin()->second.poster->video, video);
}

TEST_F(Videos, AnotherPosterKeepsTheSubjects) {
  const MediumPtr first = shownPhoto(*findItem(project, box))->medium, second = posterOf(video, 'b', 4);
  project = withSubject(project, *first, {"driver", transformed(ellipseOutline(50, 50), Affine::move({300, 200}))});
  project = withPoster(project, box, second);
  ASSERT_EQ(subjectsOf(project, *second).size(), 1U);
  EXPECT_EQ(subjectsOf(project, *second)[0].name, "driver");
  EXPECT_EQ(subjectsOf(project, *first).size(), 1U) << "and the first one has them still";
}

TEST_F(Videos, TheFileIsAmongTheMediaAndCountedOnce) {
  project = withPhotoIn(project, disc, posterOf(video, 'b', 4));
  const Media media = mediaOf(project);
  EXPECT_EQ(media.size(), 3U) << "two posters and their video";
  ASSERT_TRUE(media.contains(video->file.hash));
  EXPECT_EQ(media.at(video->file.hash)->bytes, video->file.bytes);
  EXPECT_FALSE(beyondLimits(project, nullptr));
}

TEST_F(Videos, WhatTellsFramesApart) {
  play(box, [](Playing& p) { p.isMuted = true; });
  const MediumPtr poster = shownPhoto(*findItem(project, box))->medium;
  const std::string quiet = frameKey(*poster, pictureOf(*findItem(project, box)->style)->playing);
  play(box, [](Playing& p) {
    p.isMuted = false;
    p.startsItself = true;
  });
  EXPECT_EQ(frameKey(*poster, pictureOf(*findItem(project, box)->style)->playing), quiet);
  play(box, [](Playing& p) { p.from = 1; });
  EXPECT_NE(frameKey(*poster, pictureOf(*findItem(project, box)->style)->playing), quiet);
  EXPECT_TRUE(showsVideo(*layerOf(findItem(project, box)).content));
  EXPECT_FALSE(showsVideo(*layerOf(findItem(project, disc)).content));
}

TEST_F(Videos, AnotherOneInItsPlacePlaysFromItsOwnBeginning) {
  play(box, [](Playing& p) {
    p.from = 6;
    p.loops = true;
  });
  const MediumPtr was = shownPhoto(*findItem(project, box))->medium;
  project = withMediumReplaced(project, *was, posterOf(videoOf('f', 3), 'c', 0));
  EXPECT_EQ(playing(box).from, 0);
  EXPECT_TRUE(playing(box).loops);
  EXPECT_FALSE(beyondLimits(project, nullptr));
  addPhoto(300, 300);
  project = withMediumReplaced(project, *shownPhoto(*findItem(project, box))->medium, posterOf(video, 'b', 2));
  project = withMediumReplaced(project, *shownPhoto(*findItem(project, box))->medium, [] {
    auto plain = std::make_shared<Medium>();
    plain->hash = std::string(64, 'd');
    plain->width = plain->height = 300;
    return plain;
  }());
  EXPECT_EQ(pictureOf(*findItem(project, box)->style)->playing, nullptr) << "a photo does not play";
}

TEST_F(Videos, WhatIsBeyondTheLimitsIsRefused) {
  const auto isRefused = [&](const Playing& how) {
    const Id items[] = {box};
    const Project changed = withPictures(
        project, items, [&](Picture& picture, const Item&) { picture.playing = std::make_shared<const Playing>(how); });
    return beyondLimits(changed, nullptr).has_value();
  };
  Playing how;
  EXPECT_FALSE(isRefused(how));
  how.from = 11;
  EXPECT_TRUE(isRefused(how));
  how = {};
  how.to = 10.5;
  EXPECT_TRUE(isRefused(how));
  how = {.from = 4, .to = 4};
  EXPECT_TRUE(isRefused(how));
  how = {};
  how.speed = 100;
  EXPECT_TRUE(isRefused(how));
  how.speed = std::numeric_limits<double>::quiet_NaN();
  EXPECT_TRUE(isRefused(how));
}

TEST_F(Videos, PicturesThatPlayOtherwiseAreNotTheSame) {
  const Project before = project;
  play(box, [](Playing& p) { p.loops = true; });
  EXPECT_FALSE(isSame(before, project));
  play(box, [](Playing& p) { p.loops = false; });
  EXPECT_TRUE(isSame(before, project));
}

}  // namespace
}  // namespace widecut
