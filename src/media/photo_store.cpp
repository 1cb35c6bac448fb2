#include <QThreadPool>
#include <algorithm>
#include <list>
#include <map>
#include <mutex>
#include <set>

#include "media/area_scale.h"
#include "media/photo.h"
#include "media/photo_decode.h"

namespace widecut {
namespace {

/// A photo, and how often it is halved.
using Key = std::pair<std::string, int>;

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

PhotoLevel levelOf(QImage image, const Medium& medium) {
  const Affine toPixels =
      Affine::scale(double(medium.width) / (image.width() - 2), double(medium.height) / (image.height() - 2)) *
      Affine::move({-1, -1});
  return {std::move(image), toPixels};
}

Result<QImage> decoded(const Medium& medium, int halvings) {
  if (!medium.bytes) return problem("cannot be decoded: its file is missing");
  const auto header = photoHeader(*medium.bytes);
  if (!header) return tl::unexpected(header.error());
  return decodedPhoto(*medium.bytes, *header, halvings, true);
}

}  // namespace

struct PhotoStore::Inside {
  struct Held {
    PhotoLevel level;
    std::list<Key>::iterator use;
  };
  std::size_t most = 0;
  mutable std::mutex mutex;
  std::map<Key, Held> held;
  std::list<Key> uses;  // the last used one first
  std::size_t bytes = 0;
  std::set<Key> asked;
  std::map<std::string, Problem> broken;
  std::function<void()> call;
  std::mutex decoding;  // one photo is decoded at a time: a few large ones at once would be too much memory
  QThreadPool pool;     // of its own: painters wait for the global one

  /// Needs the mutex.
  const PhotoLevel* find(const Key& key) {
    const auto found = held.find(key);
    if (found == held.end()) return nullptr;
    uses.splice(uses.begin(), uses, found->second.use);
    return &found->second.level;
  }
  /// Needs the mutex. The newest stays, however large it is.
  void keep(const Key& key, PhotoLevel level) {
    if (held.contains(key)) return;
    bytes += static_cast<std::size_t>(level.image.sizeInBytes());
    uses.push_front(key);
    held[key] = {std::move(level), uses.begin()};
    while (bytes > most && uses.size() > 1) {
      const auto last = held.find(uses.back());
      bytes -= static_cast<std::size_t>(last->second.level.image.sizeInBytes());
      held.erase(last);
      uses.pop_back();
    }
  }
  /// The level from a finer one that is held already.
  std::optional<PhotoLevel> fromFiner(const Medium& medium, int halvings) {
    PhotoLevel finer;
    {
      const std::lock_guard lock(mutex);
      for (int n = halvings - 1; n >= 0 && finer.image.isNull(); --n)
        if (const PhotoLevel* level = find({medium.hash, n})) finer = *level;
    }
    if (finer.image.isNull()) return std::nullopt;
    const QRectF whole(1, 1, finer.image.width() - 2, finer.image.height() - 2);
    return levelOf(bordered(areaScaled(finer.image, whole, halved({medium.width, medium.height}, halvings))), medium);
  }
  PhotoLevel level(const Medium& medium, int halvings) {
    const Key key{medium.hash, halvings};
    const auto known = [&]() -> std::optional<PhotoLevel> {
      const std::lock_guard lock(mutex);
      if (broken.contains(medium.hash)) return PhotoLevel{};
      if (const PhotoLevel* level = find(key)) return *level;
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
      level = levelOf(std::move(*image), medium);
    }
    const std::lock_guard lock(mutex);
    keep(key, *level);
    return *level;
  }
};

PhotoStore::PhotoStore(std::size_t bytes) : inside_(std::make_shared<Inside>()) {
  inside_->most = bytes;
  inside_->pool.setMaxThreadCount(1);
}

PhotoStore::~PhotoStore() {
  whenReady({});
  inside_->pool.clear();
  inside_->pool.waitForDone();
}

PhotoLevel PhotoStore::level(const Medium& medium, double scale) {
  return inside_->level(medium, halvingsFor(medium, scale));
}

std::optional<PhotoStore::Ready> PhotoStore::levelIfReady(const std::shared_ptr<const Medium>& medium, double scale) {
  const int halvings = halvingsFor(*medium, scale);
  Inside* inside = inside_.get();
  const std::lock_guard lock(inside->mutex);
  if (inside->broken.contains(medium->hash)) return Ready{{}, true};
  if (const PhotoLevel* level = inside->find({medium->hash, halvings})) return Ready{*level, true};
  if (inside->asked.insert({medium->hash, halvings}).second)
    inside->pool.start([inside, medium, halvings] {
      inside->level(*medium, halvings);
      const std::lock_guard done(inside->mutex);
      inside->asked.erase({medium->hash, halvings});
      if (inside->call) inside->call();
    });
  for (int n = 0; n <= mostHalvings(*medium); ++n)
    if (const PhotoLevel* level = inside->find({medium->hash, n})) return Ready{*level, false};
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

bool PhotoStore::isDecoding() const {
  const std::lock_guard lock(inside_->mutex);
  return !inside_->asked.empty();
}

std::size_t PhotoStore::bytesHeld() const {
  const std::lock_guard lock(inside_->mutex);
  return inside_->bytes;
}

}  // namespace widecut
