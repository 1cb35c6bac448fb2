#include <QThreadPool>
#include <algorithm>
#include <list>
#include <map>
#include <mutex>
#include <set>

#include "media/adjusting.h"
#include "media/area_scale.h"
#include "media/photo.h"
#include "media/photo_decode.h"

namespace widecut {
namespace {

/// A photo, with what it is adjusted by, and how often it is halved.
using Key = std::pair<std::string, int>;
Key keyFor(const Medium& medium, int halvings, const Adjustments* adjustments) {
  const std::string adjusted = keyOf(adjustments);
  return {adjusted.empty() ? medium.hash : medium.hash + " " + adjusted, halvings};
}

/// Levels, as many as fit a number of bytes, the last used ones first.
class Levels {
 public:
  explicit Levels(std::size_t most) : most_(most) {}
  const PhotoLevel* find(const Key& key) {
    const auto found = held_.find(key);
    if (found == held_.end()) return nullptr;
    uses_.splice(uses_.begin(), uses_, found->second.use);
    return &found->second.level;
  }
  /// The newest stays, however large it is.
  void keep(const Key& key, PhotoLevel level) {
    if (held_.contains(key)) return;
    bytes_ += static_cast<std::size_t>(level.image.sizeInBytes());
    uses_.push_front(key);
    held_[key] = {std::move(level), uses_.begin()};
    while (bytes_ > most_ && uses_.size() > 1) {
      const auto last = held_.find(uses_.back());
      bytes_ -= static_cast<std::size_t>(last->second.level.image.sizeInBytes());
      held_.erase(last);
      uses_.pop_back();
    }
  }
  /// What was used last of those whose key begins so.
  const PhotoLevel* lastOf(const std::string& beginning) {
    for (const Key& key : uses_)
      if (key.first.starts_with(beginning)) return &held_.at(key).level;
    return nullptr;
  }
  /// All of those whose key begins so.
  void forget(const std::string& beginning) {
    for (auto use = uses_.begin(); use != uses_.end();) {
      const auto one = use++;
      if (!one->first.starts_with(beginning)) continue;
      const auto found = held_.find(*one);
      bytes_ -= static_cast<std::size_t>(found->second.level.image.sizeInBytes());
      held_.erase(found);
      uses_.erase(one);
    }
  }
  std::size_t bytes() const { return bytes_; }

 private:
  struct Held {
    PhotoLevel level;
    std::list<Key>::iterator use;
  };
  std::size_t most_;
  std::map<Key, Held> held_;
  std::list<Key> uses_;
  std::size_t bytes_ = 0;
};

int mostHalvings(const Medium& medium) {
  int n = 0;
  while ((std::max(medium.width, medium.height) >> n) > 32) ++n;
  return n;
}

int halvingsFor(const Medium& medium, double scale) {
  int n = 0;
  // A level may be used where its pixels are not enlarged.
  while (n < mostHalvings(medium) && std::ldexp(scale, n + 1) <= 1) ++n;
  return n;
}

Result<QImage> decoded(const Medium& medium, int halvings) {
  if (!medium.bytes) return problem("cannot be decoded: its file is missing");
  return decodedPhoto(*medium.bytes, halvings, true);
}

}  // namespace

struct PhotoStore::Inside {
  explicit Inside(std::size_t most) : plain(most), adjusted(most / 4) {}
  mutable std::mutex mutex;
  Levels plain, adjusted;
  std::set<Key> asked;
  std::map<Key, Key> wanted;  // of each level of a photo, the adjusted one that was asked for last
  std::map<std::string, Problem> broken;
  std::function<void()> call;
  std::mutex decoding;  // one photo is decoded at a time: a few large ones at once would be too much memory
  QThreadPool pool;     // of its own: painters wait for the global one

  /// The level from a finer one that is held already.
  std::optional<PhotoLevel> fromFiner(const Medium& medium, int halvings) {
    PhotoLevel finer;
    {
      const std::lock_guard lock(mutex);
      for (int n = halvings - 1; n >= 0 && finer.image.isNull(); --n)
        if (const PhotoLevel* level = plain.find({medium.hash, n})) finer = *level;
    }
    if (finer.image.isNull()) return std::nullopt;
    const QRectF whole(1, 1, finer.image.width() - 2, finer.image.height() - 2);
    return levelOf(bordered(areaScaled(finer.image, whole, halved({medium.width, medium.height}, halvings))),
                   medium.width, medium.height);
  }
  PhotoLevel level(const Medium& medium, int halvings) {
    const Key key{medium.hash, halvings};
    const auto known = [&]() -> std::optional<PhotoLevel> {
      const std::lock_guard lock(mutex);
      if (broken.contains(medium.hash)) return PhotoLevel{};
      if (const PhotoLevel* level = plain.find(key)) return *level;
      return std::nullopt;
    };
    if (const auto level = known()) return *level;
    const std::lock_guard turn(decoding);
    if (const auto level = known()) return *level;  // made while this one waited
    auto level = fromFiner(medium, halvings);
    if (!level) {
      auto image = decoded(medium, halvings);
      const std::lock_guard lock(mutex);
      if (!image) {
        broken[medium.hash] = image.error();
        return {};
      }
      level = levelOf(std::move(*image), medium.width, medium.height);
    }
    const std::lock_guard lock(mutex);
    plain.keep(key, *level);
    return *level;
  }
  PhotoLevel level(const Medium& medium, int halvings, const Adjustments* adjustments) {
    const Key key = keyFor(medium, halvings, adjustments);
    if (key.first == medium.hash) return level(medium, halvings);
    {
      const std::lock_guard lock(mutex);
      if (const PhotoLevel* known = adjusted.find(key)) return *known;
    }
    PhotoLevel made = level(medium, halvings);
    if (made.image.isNull()) return made;
    made.image = adjustedLevel(made.image, *adjustments, double(medium.width) / (made.image.width() - 2));
    const std::lock_guard lock(mutex);
    adjusted.keep(key, made);
    return made;
  }
  /// Needs the mutex. Makes a level on the other thread, unless another one of the photo is wanted by then.
  void ask(const MediumPtr& medium, int halvings, const AdjustmentsPtr& adjustments) {
    const Key photo{medium->hash, halvings}, key = keyFor(*medium, halvings, adjustments.get());
    wanted[photo] = key;
    if (!asked.insert(key).second) return;
    pool.start([this, medium, halvings, adjustments, photo, key] {
      const auto isWanted = [&] {
        const std::lock_guard lock(mutex);
        return key == photo || wanted[photo] == key;
      };
      if (isWanted()) level(*medium, halvings, adjustments.get());
      const std::lock_guard done(mutex);
      asked.erase(key);
      if (call) call();
    });
  }
};

PhotoStore::PhotoStore(std::size_t bytes) : inside_(std::make_shared<Inside>(bytes)) {
  inside_->pool.setMaxThreadCount(1);
}

PhotoStore::~PhotoStore() {
  whenReady({});
  inside_->pool.clear();
  inside_->pool.waitForDone();
}

PhotoLevel PhotoStore::level(const Medium& medium, double scale, const Adjustments* adjustments) {
  return inside_->level(medium, halvingsFor(medium, scale), adjustments);
}

std::optional<PhotoStore::Ready> PhotoStore::levelIfReady(const std::shared_ptr<const Medium>& medium, double scale,
                                                          const AdjustmentsPtr& adjustments) {
  const int halvings = halvingsFor(*medium, scale);
  const Key key = keyFor(*medium, halvings, adjustments.get());
  const bool isPlain = key.first == medium->hash;
  Inside* inside = inside_.get();
  std::unique_lock lock(inside->mutex);
  if (inside->broken.contains(medium->hash)) return Ready{{}, true};
  if (const PhotoLevel* level = (isPlain ? inside->plain : inside->adjusted).find(key)) return Ready{*level, true};
  constexpr qsizetype atOnce = 4 * 3'000'000;  // bytes
  if (const PhotoLevel* plain = inside->plain.find({medium->hash, halvings});
      plain && !isPlain && plain->image.sizeInBytes() < atOnce) {
    lock.unlock();
    return Ready{inside->level(*medium, halvings, adjustments.get()), true};
  }
  inside->ask(medium, halvings, adjustments);
  if (!isPlain)
    if (const PhotoLevel* level = inside->adjusted.lastOf(medium->hash + " ")) return Ready{*level, false};
  for (int n = 0; n <= mostHalvings(*medium); ++n)
    if (const PhotoLevel* level = inside->plain.find({medium->hash, n})) return Ready{*level, false};
  return std::nullopt;
}

void PhotoStore::whenReady(std::function<void()> call) {
  const std::lock_guard lock(inside_->mutex);
  inside_->call = std::move(call);
}

std::optional<Problem> PhotoStore::problemWith(const Medium& medium) {
  level(medium, 1e-9);
  const std::lock_guard lock(inside_->mutex);
  const auto broken = inside_->broken.find(medium.hash);
  if (broken == inside_->broken.end()) return std::nullopt;
  return broken->second;
}

void PhotoStore::forget(const std::string& hash) {
  const std::lock_guard lock(inside_->mutex);
  inside_->broken.erase(hash);
  inside_->plain.forget(hash);
  inside_->adjusted.forget(hash);
}

bool PhotoStore::isDecoding() const {
  const std::lock_guard lock(inside_->mutex);
  return !inside_->asked.empty();
}

std::size_t PhotoStore::bytesHeld() const {
  const std::lock_guard lock(inside_->mutex);
  return inside_->plain.bytes() + inside_->adjusted.bytes();
}

}  // namespace widecut
