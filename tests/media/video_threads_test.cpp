// Videos that play while others look at their frames, for the thread sanitizer.
#include <gtest/gtest.h>

#include <chrono>
#include <thread>

#include "media/photo.h"
#include "media/video.h"
#include "media/video_player.h"
#include "test_videos.h"

namespace widecut {
namespace {

TEST(VideoThreads, FramesAreShownAdjustedAndLookedAtAtOnce) {
  const auto video = videoFromBytes(encodedVideo(), "numbers.webm");
  ASSERT_TRUE(video);
  PhotoStore store;
  Playing playing;
  playing.loops = true;
  playing.speed = 3;
  Adjustments grey;
  grey.set(Adjusting::Grey, 1);
  std::atomic<int> shown = 0;
  {
    VideoPlayer player(*video, shared(playing), [&](PhotoLevel frame) {
      store.live().show("numbers", std::move(frame));
      ++shown;
    });
    player.play();
    int looked = 0;
    for (int i = 0; i < 4000 && (shown < 40 || looked < 100); ++i) {
      if (const auto frame = store.live().frame("numbers", 160, i % 2 == 0 ? &grey : nullptr)) ++looked;
      if (i % 50 == 0) player.goTo(i % 100 == 0 ? 0.3 : 1.2);
      if (i % 70 == 0) player.setHalvings(i % 3);
      if (i % 90 == 0) player.pause();
      if (i % 90 == 20 || !player.isPlaying()) player.play();
      (void)player.place();
      std::this_thread::sleep_for(std::chrono::milliseconds(1));
    }
    EXPECT_GE(looked, 100);
  }
  const int before = shown;
  store.live().drop("numbers");
  EXPECT_TRUE(store.live().isEmpty());
  EXPECT_EQ(shown, before) << "nothing is shown once the player is gone";
}

}  // namespace
}  // namespace widecut
