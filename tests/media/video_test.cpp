// Videos read, their posters, and their frames as they play.
#include "media/video.h"

#include <gtest/gtest.h>
#include <signal.h>
#include <unistd.h>

#include <atomic>
#include <cmath>
#include <filesystem>
#include <fstream>
#include <mutex>
#include <sstream>
#include <thread>

#include "media/sound_reader.h"
#include "media/video_player.h"
#include "media/video_reader.h"
#include "output/video_writer.h"
#include "test_photos.h"
#include "test_videos.h"

namespace widecut {
namespace {

std::shared_ptr<const std::string> shared(std::string bytes) {
  return std::make_shared<const std::string>(std::move(bytes));
}
VideoPtr video(const TestVideo& how = {}) {
  const auto made = videoFromBytes(encodedVideo(how), "numbers");
  EXPECT_TRUE(made) << made.error().message;
  return *made;
}

TEST(Video, SaysWhatItIs) {
  TestVideo how;
  how.hasSound = true;
  const VideoPtr read = video(how);
  EXPECT_EQ(read->file.width, 160);
  EXPECT_EQ(read->file.height, 120);
  EXPECT_NEAR(read->seconds, 2, 0.05);
  EXPECT_NEAR(read->framesPerSecond, 25, 1e-6);
  EXPECT_TRUE(read->hasSound);
  EXPECT_FALSE(video()->hasSound);
}

TEST(Video, AllKindsOfFilesGiveAllTheirFrames) {
  const std::pair<const char*, const char*> kinds[] = {
      {"webm", "libvpx"}, {"webm", "libvpx-vp9"}, {"matroska", "libvpx"}, {"mp4", "mpeg4"},
      {"mov", "mpeg4"},   {"mp4", "libx264"},     {"ogg", "libtheora"}};
  for (const auto& [container, coder] : kinds) {
    SCOPED_TRACE(std::string(container) + " " + coder);
    TestVideo how;
    how.container = container;
    how.coder = coder;
    how.frames = 30;
    auto reader = VideoReader::of(shared(encodedVideo(how)));
    ASSERT_TRUE(reader) << reader.error().message;
    for (int i = 0; i < how.frames; ++i) {
      const auto at = reader->next();
      ASSERT_TRUE(at) << i;
      EXPECT_NEAR(*at, i / 25.0, 0.002);
      EXPECT_EQ(numberOf(reader->image(reader->size())), i);
    }
    EXPECT_FALSE(reader->next());
  }
}

TEST(Video, TheFrameThatShowsAtATimeIsFoundInAnyOrder) {
  auto reader = VideoReader::of(shared(encodedVideo()));
  ASSERT_TRUE(reader);
  for (const double at : {1.5, 0.0, 0.039, 0.04, 1.99, 0.7301, 0.0396, 1.2, 60.0}) {
    reader->seek(at);
    ASSERT_TRUE(reader->next()) << at;
    EXPECT_EQ(numberOf(reader->image(reader->size())), std::min(49, static_cast<int>(at * 25 + 1e-6))) << at;
    if (at < 1.9) {
      ASSERT_TRUE(reader->next());
      EXPECT_EQ(numberOf(reader->image(reader->size())), static_cast<int>(at * 25 + 1e-6) + 1) << "after " << at;
    }
  }
}

TEST(Video, FramesAreScaledWithABorderOfTheirEdge) {
  auto reader = VideoReader::of(shared(encodedVideo()));
  ASSERT_TRUE(reader && reader->next());
  const QImage small = reader->image({40, 30}, true);
  ASSERT_EQ(small.size(), QSize(42, 32));
  for (int y = 0; y < 32; ++y) {
    EXPECT_EQ(small.pixel(0, y), small.pixel(1, y));
    EXPECT_EQ(small.pixel(41, y), small.pixel(40, y));
  }
  EXPECT_GT(qRed(small.pixel(5, 25)), 150);
  EXPECT_GT(qBlue(small.pixel(36, 25)), 150);
}

TEST(Video, IsTurnedUprightAndItsPixelsAreMadeSquare) {
  TestVideo how;
  how.container = "mp4";
  how.coder = "mpeg4";
  how.quarterTurns = 1;
  auto turned = VideoReader::of(shared(encodedVideo(how)));
  ASSERT_TRUE(turned && turned->next());
  EXPECT_EQ(turned->size(), QSize(120, 160));
  // What was below is on the left, and what was on the left above.
  const QImage seen = turned->image(turned->size());
  EXPECT_EQ(seen.size(), QSize(120, 160));
  EXPECT_GT(qRed(seen.pixel(20, 30)), 150);
  EXPECT_GT(qBlue(seen.pixel(20, 130)), 150);
  EXPECT_LT(qRed(seen.pixel(100, 30)), 60);

  how.quarterTurns = 0;
  how.pixelWidth = 2;
  auto wide = VideoReader::of(shared(encodedVideo(how)));
  ASSERT_TRUE(wide);
  EXPECT_EQ(wide->size(), QSize(320, 120));
}

TEST(Video, WhatIsNoVideoIsRefusedByName) {
  const std::string good = encodedVideo();
  const auto refused = [](std::string bytes) {
    const auto read = videoFromBytes(std::move(bytes), "climb.webm");
    EXPECT_FALSE(read);
    EXPECT_TRUE(!read && read.error().message.starts_with("climb.webm "));
  };
  refused("");
  refused("a letter");
  refused(encoded(tones(40, 30), "PNG"));
  refused(good.substr(0, 60));
  std::string junk = good.substr(0, 300);
  junk.append(20'000, '\x5a');
  refused(junk);
  EXPECT_TRUE(looksLikeVideo(good));
  EXPECT_FALSE(looksLikeVideo(encoded(tones(40, 30), "JPEG")));
}

TEST(Video, WhatIsCutShortGivesTheFramesThatThereAre) {
  const std::string good = encodedVideo();
  auto reader = VideoReader::of(shared(good.substr(0, good.size() / 2)));
  ASSERT_TRUE(reader);
  int count = 0;
  while (reader->next()) ++count;
  EXPECT_GT(count, 5);
  EXPECT_LT(count, 49);
}

TEST(Video, PostersNameTheirVideo) {
  const VideoPtr read = video();
  const auto poster = posterAt(read, 0.5);
  ASSERT_TRUE(poster);
  EXPECT_EQ((*poster)->video, read);
  EXPECT_NEAR((*poster)->videoAt, 0.48, 1e-3);
  EXPECT_EQ((*poster)->width, 160);
  PhotoStore store;
  EXPECT_EQ(numberOf(store.level(**poster, 1).image), 12);
  // The same picture in another video is another poster, and the same one the same.
  TestVideo longer;
  longer.frames = 40;
  const auto other = posterAt(video(longer), 0.5);
  ASSERT_TRUE(other);
  EXPECT_NE((*other)->hash, (*poster)->hash);
  EXPECT_EQ((*posterAt(video(), 0.5))->hash, (*poster)->hash);
}

TEST(Video, TheUsualPosterIsNoBlackBeginning) {
  TestVideo how;
  const std::string bytes = encodedVideo(how, [&](int number) {
    QImage frame = numberedFrame(number, how.width, how.height);
    if (number < 20) frame.fill(Qt::black);
    return frame;
  });
  const auto read = videoFromBytes(bytes, "fades");
  ASSERT_TRUE(read);
  const auto poster = usualPoster(*read);
  ASSERT_TRUE(poster);
  EXPECT_GE((*poster)->videoAt, 0.8);
  EXPECT_LE((*poster)->videoAt, 1.0);
}

TEST(Sound, IsReadFromAnyPlaceAndAtAnySpeed) {
  TestVideo how;
  how.hasSound = true;
  for (const auto& [container, coder] : {std::pair{"webm", "libvpx"}, std::pair{"mp4", "mpeg4"}}) {
    how.container = container;
    how.coder = coder;
    const auto bytes = shared(encodedVideo(how));
    const auto samplesOf = [&](double from, double speed) {
      auto reader = SoundReader::of(bytes, speed);
      EXPECT_TRUE(reader);
      if (from > 0) reader->seek(from);
      std::vector<std::int16_t> all, part(2048);
      while (const int n = reader->read(part.data(), 1024)) all.insert(all.end(), part.begin(), part.begin() + 2 * n);
      return all;
    };
    const auto all = samplesOf(0, 1);
    EXPECT_NEAR(static_cast<double>(all.size()) / 2 / SoundReader::rate, 2, 0.08) << container;
    int crossings = 0, loudest = 0;
    for (std::size_t i = 48'000; i + 2 < 144'000; i += 2) {
      crossings += (all[i] < 0) != (all[i + 2] < 0) ? 1 : 0;
      loudest = std::max(loudest, std::abs(int{all[i]}));
    }
    EXPECT_NEAR(crossings, 880, 8) << "a tone of 440 Hz, for a second";
    EXPECT_NEAR(loudest, 16384, 2500);
    EXPECT_NEAR(static_cast<double>(samplesOf(1.5, 1).size()) / 2 / SoundReader::rate, 0.5, 0.08);
    EXPECT_NEAR(static_cast<double>(samplesOf(0, 2).size()) / 2 / SoundReader::rate, 1, 0.08);
  }
  EXPECT_FALSE(SoundReader::of(shared(encodedVideo())));
}

/// What a player shows.
struct Watched {
  std::mutex mutex;
  std::vector<int> frames;
  std::atomic<int> ended = 0;
  VideoPlayer player;

  explicit Watched(const VideoPtr& video, const Playing& playing = {})
      : player(
            video, widecut::shared(playing),
            [this](const PhotoLevel& frame) {
              const std::lock_guard lock(mutex);
              frames.push_back(numberOf(frame.image));
            },
            [this] { ++ended; }) {}
  template <class Condition>
  bool until(const Condition& isMet) {
    for (int i = 0; i < 20'000; ++i) {
      {
        const std::lock_guard lock(mutex);
        if (isMet()) return true;
      }
      std::this_thread::sleep_for(std::chrono::milliseconds(1));
    }
    return false;
  }
};

TEST(VideoPlayer, PlaysItsPartInOrderAndSaysWhenItEnds) {
  Playing part;
  part.from = 0.4;
  part.to = 0.8;
  Watched seen(video(), part);
  EXPECT_FALSE(seen.player.isPlaying());
  seen.player.play();
  ASSERT_TRUE(seen.until([&] { return seen.ended > 0; }));
  EXPECT_FALSE(seen.player.isPlaying());
  ASSERT_FALSE(seen.frames.empty());
  EXPECT_EQ(seen.frames.front(), 10);
  EXPECT_LE(seen.frames.back(), 19);
  EXPECT_TRUE(std::is_sorted(seen.frames.begin(), seen.frames.end()));
  EXPECT_EQ(static_cast<int>(seen.frames.size()), seen.player.shownCount());
  EXPECT_EQ(seen.player.shownCount() + seen.player.leftOutCount(), 10);
  // Asked again it begins again.
  seen.player.play();
  ASSERT_TRUE(seen.until([&] { return seen.ended > 1; }));
  EXPECT_NEAR(seen.player.place(), 0.8, 1e-9);
}

/// Ends all reading processes of this one.
void killReaders() {
  for (const auto& entry : std::filesystem::directory_iterator("/proc")) {
    const std::string name = entry.path().filename();
    if (name.find_first_not_of("0123456789") != std::string::npos) continue;
    std::ifstream words(entry.path() / "cmdline"), facts(entry.path() / "stat");
    std::string line, all, stat;
    std::getline(words, all, '\n');
    std::getline(facts, stat);
    int parent = 0;
    std::istringstream(stat.substr(std::min(stat.rfind(')') + 4, stat.size()))) >> parent;
    if (parent == getpid() && all.find("--read") != std::string::npos) kill(std::stoi(name), SIGKILL);
  }
}

TEST(VideoPlayer, SaysWhyItStoppedWhenItsReadingProcessEndsAndPlaysOnWhenAskedTo) {
  TestVideo how;
  how.frames = 150;
  std::atomic<int> shown = 0, ends = 0;
  VideoPlayer player(
      video(how), nullptr, [&](const PhotoLevel&) { ++shown; }, [&] { ++ends; });
  const auto until = [](const auto& is) {
    for (int i = 0; i < 1000 && !is(); ++i) std::this_thread::sleep_for(std::chrono::milliseconds(10));
    return is();
  };
  player.play();
  ASSERT_TRUE(until([&] { return shown > 3; }));
  killReaders();
  ASSERT_TRUE(until([&] { return ends > 0; }));
  EXPECT_FALSE(player.isPlaying());
  ASSERT_TRUE(player.failure());
  EXPECT_EQ(player.failure()->message, "cannot be read: reading it failed (signal 9)");
  const int before = shown;
  player.play();
  EXPECT_TRUE(until([&] { return shown > before + 3; }));
  EXPECT_FALSE(player.failure());
}

TEST(VideoPlayer, BeginsAgainWhereItLoops) {
  Playing part;
  part.to = 0.2;
  part.speed = 4;
  part.loops = true;
  Watched seen(video(), part);
  seen.player.play();
  EXPECT_TRUE(seen.until([&] { return std::count(seen.frames.begin(), seen.frames.end(), 0) >= 3; }));
  EXPECT_EQ(seen.ended, 0);
  EXPECT_TRUE(seen.player.isPlaying());
  for (const int frame : seen.frames) EXPECT_LT(frame, 5);
}

TEST(VideoPlayer, GoesWhereItIsSentAndStaysThere) {
  Watched seen(video());
  for (const double at : {0.3, 1.7, 0.9, 1.21}) seen.player.goTo(at);
  ASSERT_TRUE(seen.until([&] { return !seen.frames.empty() && seen.frames.back() == 30; }));
  EXPECT_NEAR(seen.player.place(), 1.21, 1e-9);
  EXPECT_FALSE(seen.player.isPlaying());
  // From there on it plays, and halts.
  seen.player.play();
  ASSERT_TRUE(seen.until([&] { return seen.frames.back() > 33; }));
  seen.player.pause();
  EXPECT_FALSE(seen.player.isPlaying());
  seen.player.goTo(0);
  ASSERT_TRUE(seen.until([&] { return seen.frames.back() == 0; }));
}

TEST(VideoPlayer, ShowsHalvedFramesThatLieWhereTheWholeOnesDo) {
  std::mutex mutex;
  std::optional<PhotoLevel> level;
  const VideoPtr read = video();
  VideoPlayer player(read, nullptr, [&](PhotoLevel frame) {
    const std::lock_guard lock(mutex);
    level = std::move(frame);
  });
  player.setHalvings(2);
  player.goTo(1);
  for (int i = 0; i < 20'000; ++i) {
    {
      const std::lock_guard lock(mutex);
      if (level) break;
    }
    std::this_thread::sleep_for(std::chrono::milliseconds(1));
  }
  const std::lock_guard lock(mutex);
  ASSERT_TRUE(level);
  EXPECT_EQ(level->image.size(), QSize(42, 32));
  EXPECT_NEAR(distance(level->toPixels(Point{41, 31}), Point{160, 120}), 0, 1e-9);
  EXPECT_NEAR(distance(level->toPixels(Point{1, 1}), Point{0, 0}), 0, 1e-9);
}

TEST(VideoWriter, WritesWhatIsReadAgain) {
  VideoFormat format;
  format.width = 160;
  format.height = 120;
  format.framesPerSecond = 30;
  format.hasSound = true;
  const auto written = [&]() -> std::string {
    auto writer = VideoWriter::of(format);
    EXPECT_TRUE(writer);
    const std::vector<std::int16_t> silence(2 * 1600);
    for (int i = 0; i < 20; ++i) {
      EXPECT_TRUE(writer->add(numberedFrame(i, 160, 120)));
      EXPECT_TRUE(writer->addSound(silence.data(), 1600));
    }
    return *writer->finish();
  };
  const std::string bytes = written();
  EXPECT_EQ(written(), bytes) << "the same frames give the same bytes";
  auto reader = VideoReader::of(shared(bytes));
  ASSERT_TRUE(reader);
  EXPECT_TRUE(reader->hasSound());
  EXPECT_NEAR(reader->framesPerSecond(), 30, 1e-6);
  for (int i = 0; i < 20; ++i) {
    ASSERT_TRUE(reader->next());
    EXPECT_EQ(numberOf(reader->image(reader->size())), i);
  }
  format.width = 161;
  EXPECT_FALSE(VideoWriter::of(format));
}

}  // namespace
}  // namespace widecut
