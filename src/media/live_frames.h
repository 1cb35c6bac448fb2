// The frames that videos show now, while they play or are looked through.
#pragma once

#include <atomic>
#include <map>
#include <mutex>
#include <optional>
#include <string>

#include "media/photo_level.h"
#include "project/adjustments.h"

namespace widecut {

/// Frames by what tells those of one video from another's (`frameKey`). From any thread.
class LiveFrames {
 public:
  /// The frame that shows from now on, a level of the video as photos have them.
  void show(const std::string& key, PhotoLevel frame);
  /// Its poster shows again.
  void drop(const std::string& key);
  /// Whether there is none at all.
  bool isEmpty() const { return count_ == 0; }
  /// Whether one shows in the place of a poster.
  bool shows(const std::string& key) const;
  /// The frame, adjusted where it is to be; `pixelsWide` the video is. Nothing where the poster shows.
  std::optional<PhotoLevel> frame(const std::string& key, int pixelsWide, const Adjustments* adjustments);

 private:
  struct Shown {
    PhotoLevel level;
    std::map<std::string, PhotoLevel> adjusted;  ///< What was made of it, by what it is adjusted by.
  };
  mutable std::mutex mutex_;
  std::map<std::string, Shown> shown_;
  std::atomic<std::size_t> count_ = 0;
};

}  // namespace widecut
