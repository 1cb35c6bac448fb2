// Which layers a cache shows, and where: it follows the sheet.
#include "painting/layer_cache.h"
#include "painting/raster.h"
#include "scene/change.h"
#include "scene/flush.h"

namespace widecut {

QRect LayerCache::follow(const Sheet& sheet, double scale, const QRect& visible) {
  kept_.next();
  const bool anew = scale != scale_ || around_.sheet != aroundOf(sheet).sheet;
  scale_ = scale;
  if (visible != visible_)
    for (Placed& one : placed_) one.corner.reset();
  visible_ = visible;
  const ItemList before = std::exchange(shown_, sheet.items);
  around_ = aroundOf(sheet);
  bool sameOrder = before.size() == shown_.size();
  eachDifference(before, shown_, [&](std::size_t i) { sameOrder = sameOrder && before[i]->id == shown_[i]->id; });
  QRect changed;
  const auto placeAnew = [&](std::size_t i) {
    changed |= boxes_[i];
    place(i, shown_[i]);
    changed |= boxes_[i];
  };
  if (sameOrder && !anew) {
    eachDifference(before, shown_, placeAnew);
  } else {
    if (!sameOrder) changed = followOrder();
    for (std::size_t i = 0; i < shown_.size(); ++i)
      if (anew || placed_[i].item != shown_[i]) placeAnew(i);
  }
  if (hasPieces_) changed |= followPieces();
  return anew ? visible : changed;
}

/// What flush pieces paint depends on one another.
QRect LayerCache::followPieces() {
  std::vector<std::size_t> places;
  std::vector<Layer> layers;
  for (std::size_t i = 0; i < shown_.size(); ++i) {
    if (!shown_[i]->isShown()) continue;
    places.push_back(i);
    layers.push_back(shown_[i]->division == 0 ? placed_[i].layer : layerOf(shown_[i], around_));
  }
  paintWithoutSeams(layers);
  QRect changed;
  hasPieces_ = false;
  for (std::size_t k = 0; k < places.size(); ++k) {
    const std::size_t i = places[k];
    if (shown_[i]->division == 0) continue;
    hasPieces_ = true;
    if (placed_[i].layer.content == layers[k].content) continue;
    changed |= boxes_[i];
    placed_[i].layer = layers[k];
    placed_[i].corner.reset();
    boxes_[i] = boxOf(layers[k]);
    changed |= boxes_[i];
  }
  return changed;
}

QRect LayerCache::boxOf(const Layer& layer) const {
  return pixelBox((Affine::scale(scale_, scale_) * layer.place)(layer.content->box));
}

/// Puts what is placed into the order of the sheet. New items have no box yet.
QRect LayerCache::followOrder() {
  QRect changed;
  std::unordered_map<Id, std::size_t> places;
  for (std::size_t k = 0; k < placed_.size(); ++k) places.emplace(placed_[k].item->id, k);
  std::vector<Placed> placed(shown_.size());
  std::vector<QRect> boxes(shown_.size());
  std::size_t furthest = 0;
  for (std::size_t i = 0; i < shown_.size(); ++i) {
    const auto known = places.find(shown_[i]->id);
    if (known == places.end()) continue;
    const std::size_t at = known->second;
    // What lies behind something that it lay in front of before shows otherwise.
    if (at < furthest) changed |= boxes_[at];
    furthest = std::max(furthest, at);
    placed[i] = std::move(placed_[at]);
    boxes[i] = boxes_[at];
    places.erase(known);
  }
  for (const auto& [id, at] : places) changed |= boxes_[at];
  placed_ = std::move(placed);
  boxes_ = std::move(boxes);
  return changed;
}

void LayerCache::place(std::size_t at, const ItemPtr& item) {
  Placed& one = placed_[at];
  one.item = item;
  one.corner.reset();
  one.layer = item->isShown() ? layerOf(item, around_) : Layer{};
  boxes_[at] = item->isShown() ? boxOf(one.layer) : QRect();
  hasPieces_ = hasPieces_ || item->division != 0;
}

}  // namespace widecut
