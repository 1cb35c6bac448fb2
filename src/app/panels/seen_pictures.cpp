#include "app/panels/seen_pictures.h"

#include <algorithm>
#include <utility>

namespace widecut {

SeenPictures::SeenPictures(std::size_t most, QObject* parent) : QObject(parent), most_(most) {
  painters_.setMaxThreadCount(1);
}

SeenPictures::~SeenPictures() {
  painters_.clear();
  painters_.waitForDone();
}

QImage SeenPictures::of(Id id, const Node& node, const std::function<QImage()>& paint) {
  Picture& picture = pictures_[id];
  picture.lastUse = ++uses_;
  if (picture.of != node && picture.wanted != node) {
    picture.wanted = node;
    painters_.start([this, id, node, paint] {
      QImage image = paint();
      QMetaObject::invokeMethod(
          this, [this, id, node, image = std::move(image)] { take(id, node, image); }, Qt::QueuedConnection);
    });
  }
  return picture.image;
}

void SeenPictures::take(Id id, const Node& node, QImage image) {
  const auto found = pictures_.find(id);
  if (found == pictures_.end() || found->second.wanted != node) return;
  found->second.of = node;
  found->second.wanted = nullptr;
  found->second.image = std::move(image);
  while (pictures_.size() > most_)
    pictures_.erase(std::min_element(pictures_.begin(), pictures_.end(),
                                     [](const auto& a, const auto& b) { return a.second.lastUse < b.second.lastUse; }));
  emit ready(id);
}

}  // namespace widecut
