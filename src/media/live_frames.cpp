#include "media/live_frames.h"

#include "media/adjusting.h"

namespace widecut {

void LiveFrames::show(const std::string& key, PhotoLevel frame) {
  const std::lock_guard lock(mutex_);
  shown_[key] = {std::move(frame), {}};
  count_ = shown_.size();
}

void LiveFrames::drop(const std::string& key) {
  const std::lock_guard lock(mutex_);
  shown_.erase(key);
  count_ = shown_.size();
}

bool LiveFrames::shows(const std::string& key) const {
  const std::lock_guard lock(mutex_);
  return shown_.contains(key);
}

std::optional<PhotoLevel> LiveFrames::frame(const std::string& key, int pixelsWide, const Adjustments* adjustments) {
  PhotoLevel level;
  const std::string how = keyOf(adjustments);
  {
    const std::lock_guard lock(mutex_);
    const auto found = shown_.find(key);
    if (found == shown_.end()) return std::nullopt;
    if (how.empty()) return found->second.level;
    const auto made = found->second.adjusted.find(how);
    if (made != found->second.adjusted.end()) return made->second;
    level = found->second.level;
  }
  const qint64 of = level.image.cacheKey();
  PhotoLevel made{adjustedLevel(level.image, *adjustments, double(pixelsWide) / (level.image.width() - 2)),
                  level.toPixels};
  const std::lock_guard lock(mutex_);
  // Meanwhile another frame may show.
  const auto found = shown_.find(key);
  if (found != shown_.end() && found->second.level.image.cacheKey() == of) found->second.adjusted[how] = made;
  return made;
}

}  // namespace widecut
