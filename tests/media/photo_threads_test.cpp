// The photo store from several threads at once: run under the thread sanitizer too.
#include <gtest/gtest.h>

#include <atomic>
#include <thread>

#include "media/photo.h"
#include "test_photos.h"

namespace widecut {
namespace {

TEST(PhotoStore, SeveralThreadsAtOnceGetTheSame) {
  PhotoStore store(4'000'000);
  std::vector<std::shared_ptr<const Medium>> photos;
  for (int i = 0; i < 4; ++i) photos.push_back(*photoFromBytes(encoded(tones(400 + i, 300), "JPEG"), "p"));
  std::atomic<int> wrong = 0, calls = 0;
  store.whenReady([&] { ++calls; });
  std::vector<std::thread> threads;
  for (int t = 0; t < 4; ++t)
    threads.emplace_back([&, t] {
      for (int i = 0; i < 40; ++i) {
        const auto& photo = photos[static_cast<std::size_t>((i + t) % 4)];
        const double scale = i % 3 == 0 ? 1 : 0.2;
        if (i % 2 == 0)
          wrong += store.level(*photo, scale).image.isNull();
        else if (const auto ready = store.levelIfReady(photo, scale))
          wrong += ready->level.image.isNull();
      }
    });
  for (std::thread& t : threads) t.join();
  EXPECT_EQ(wrong, 0);
}

}  // namespace
}  // namespace widecut
