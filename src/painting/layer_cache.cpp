#include "painting/layer_cache.h"

#include <QElapsedTimer>
#include <QPainter>
#include <cmath>

#include "painting/raster.h"
#include "scene/change.h"

namespace widecut {
namespace {

constexpr int margin = 256;  // pixels kept beyond what is visible, so that small pans need no painting
constexpr std::size_t mostBytes = 400u << 20;
constexpr double frameMs = 12;        // of painting before stand-ins are taken
constexpr unsigned framesKept = 120;  // for flicking back and forth

QRect pixelBox(const Box& box) {
  if (box.isEmpty()) return {};
  const QRectF r(box.low.x, box.low.y, box.width(), box.height());
  constexpr double most = 1e8;
  return (r & QRectF(-most, -most, 2 * most, 2 * most)).toAlignedRect().adjusted(-1, -1, 1, 1);
}

Point wholeBelow(Point p) { return {std::floor(p.x), std::floor(p.y)}; }
QPoint asPixels(Point whole) {
  const auto within = [](double v) { return static_cast<int>(std::clamp(v, -1e9, 1e9)); };
  return {within(whole.x), within(whole.y)};
}

bool areClose(Point a, Point b) {
  constexpr double unseen = 1e-3;  // of a pixel
  return std::abs(a.x - b.x) < unseen && std::abs(a.y - b.y) < unseen;
}
bool areClose(const Affine& a, const Affine& b) {
  const double unseen = 1e-9 * (std::abs(a.xx) + std::abs(a.xy));
  return std::abs(a.xx - b.xx) <= unseen && std::abs(a.xy - b.xy) <= unseen && std::abs(a.yx - b.yx) <= unseen &&
         std::abs(a.yy - b.yy) <= unseen;
}

}  // namespace

struct LayerCache::Aim {
  Affine linear;
  Point whole;  ///< The whole pixel below the frame's origin.
  Point phase;
  QRect wanted;  ///< From there.
  QRect needed;  ///< What of it can be seen.

  Aim(const Layer& layer, double scale, const QRect& visible) {
    const Affine toPixels = Affine::scale(scale, scale) * layer.place;
    linear = toPixels.linear();
    const Point origin{toPixels.dx, toPixels.dy};
    whole = wholeBelow(origin);
    phase = origin - whole;
    wanted = pixelBox((Affine::move(phase) * linear)(layer.content->box));
    needed = wanted & visible.translated(-asPixels(whole));
  }
  bool isMetBy(const Raster& raster) const {
    return areClose(raster.linear, linear) && areClose(raster.phase, phase) && raster.held.contains(needed);
  }
};

QRect LayerCache::follow(const Sheet& sheet, double scale, const QRect& visible) {
  ++frame_;
  const bool anew = scale != scale_;
  scale_ = scale;
  visible_ = visible;
  QRect changed;
  std::unordered_map<Id, std::size_t> places;  // of what was placed; worked out when the order changed
  std::vector<Placed> next;
  next.reserve(sheet.items.size());
  std::size_t furthest = 0;
  for (std::size_t i = 0; i < sheet.items.size(); ++i) {
    const ItemPtr& item = sheet.items[i];
    std::size_t at = i;
    if (at >= placed_.size() || placed_[at].item->id != item->id) {
      if (places.empty())
        for (std::size_t k = 0; k < placed_.size(); ++k) places.emplace(placed_[k].item->id, k);
      const auto known = places.find(item->id);
      at = known == places.end() ? placed_.size() : known->second;
    }
    const bool known = at < placed_.size();
    // What lies behind something that it lay in front of before shows otherwise.
    const bool fellBehind = known && at < furthest;
    if (known) furthest = std::max(furthest, at);
    if (known && placed_[at].item == item && !anew) {
      if (fellBehind) changed |= placed_[at].box;
      next.push_back(std::move(placed_[at]));
      placed_[at].box = {};
      placed_[at].item = next.back().item;
      continue;
    }
    if (known) changed |= placed_[at].box;
    next.push_back(placed(item, known ? &placed_[at] : nullptr));
    if (known) placed_[at].box = {};
    changed |= next.back().box;
  }
  for (const Placed& gone : placed_) changed |= gone.box;
  placed_ = std::move(next);
  return anew ? visible : changed;
}

LayerCache::Placed LayerCache::placed(const ItemPtr& item, const Placed* before) const {
  Placed out{item, {}, {}, before ? before->raster : nullptr};
  if (item->hidden) return out;
  out.layer = layerOf(item);
  out.box = pixelBox((Affine::scale(scale_, scale_) * out.layer.place)(out.layer.content->box));
  return out;
}

void LayerCache::draw(QPainter& painter, const QRect& part) {
  QElapsedTimer watch;
  watch.start();
  allowedMs_ = trying_ ? 0 : frameMs;
  for (Placed& one : placed_) {
    if (!one.box.intersects(part)) continue;
    if (allowedMs_ > 0 && static_cast<double>(watch.nsecsElapsed()) > allowedMs_ * 1e6) allowedMs_ = 0;
    drawOne(painter, one, part);
  }
  sweep();
}

void LayerCache::drawOne(QPainter& painter, Placed& one, const QRect& part) {
  const Aim aim(one.layer, scale_, visible_);
  if (aim.needed.isEmpty()) return;
  if (!one.raster || one.raster->content != one.layer.content || !aim.isMetBy(*one.raster)) {
    if (allowedMs_ <= 0 && drawStandIn(painter, one, aim)) {
      finer_ |= one.box & part;
      return;
    }
    one.raster = exactRaster(one, aim);
  }
  one.raster->lastUse = frame_;
  painter.setOpacity(one.layer.opacity);
  painter.drawImage(asPixels(aim.whole) + one.raster->held.topLeft(), one.raster->image);
  painter.setOpacity(1);
}

/// A raster of the same content: half a pixel off at most, or turned and scaled.
bool LayerCache::drawStandIn(QPainter& painter, const Placed& one, const Aim& aim) const {
  if (!one.raster || one.raster->content != one.layer.content || one.raster->image.isNull()) return false;
  const Raster& raster = *one.raster;
  if (areClose(raster.linear, aim.linear)) {
    const Point off = aim.whole + aim.phase - raster.phase;
    const QPoint corner = asPixels({std::round(off.x), std::round(off.y)});
    if (!raster.held.contains(raster.wanted & visible_.translated(-corner))) return false;
    painter.setOpacity(one.layer.opacity);
    painter.drawImage(corner + raster.held.topLeft(), raster.image);
    painter.setOpacity(1);
    return true;
  }
  const auto back = (Affine::move(raster.phase) * raster.linear).inverse();
  if (!back || raster.held != raster.wanted) return false;
  painter.save();
  painter.setOpacity(one.layer.opacity);
  painter.setRenderHint(QPainter::SmoothPixmapTransform);
  painter.setTransform(painterTransform(Affine::move(aim.whole + aim.phase) * aim.linear * *back), true);
  painter.drawImage(raster.held.topLeft(), raster.image);
  painter.restore();
  return true;
}

LayerCache::RasterPtr LayerCache::exactRaster(const Placed& one, const Aim& aim) {
  const auto [first, last] = kept_.equal_range(one.layer.content.get());
  for (auto entry = first; entry != last; ++entry)
    if (aim.isMetBy(*entry->second)) return entry->second;
  if (one.raster)
    if (auto raster = patched(*one.raster, one, aim)) return raster;
  return painted(one, aim);
}

/// The raster of the item's content before, with what changed painted over; null when that saves nothing.
LayerCache::RasterPtr LayerCache::patched(const Raster& before, const Placed& one, const Aim& aim) {
  if (before.image.isNull() || before.waitsForPhotos || before.content == one.layer.content) return nullptr;
  if (!areClose(before.linear, aim.linear) || !areClose(before.phase, aim.phase)) return nullptr;
  const auto box = changedBox(*before.content, *one.layer.content);
  if (!box) return nullptr;
  const QRect changed = pixelBox((Affine::move(aim.phase) * aim.linear)(*box)).adjusted(-1, -1, 1, 1);
  auto raster = std::make_shared<Raster>();
  raster->wanted = aim.wanted;
  raster->held = (before.held | (changed & aim.needed)) & aim.wanted;
  if (!raster->held.contains(aim.needed)) return nullptr;
  // What is neither in the old image nor changed would have to be painted too.
  for (const QRect& beyond : QRegion(raster->held).subtracted(before.held).subtracted(changed))
    if (!beyond.isEmpty()) return nullptr;
  const QRect part = changed & raster->held;
  constexpr double worthwhile = 0.7;
  if (static_cast<double>(part.width()) * part.height() > worthwhile * raster->held.width() * raster->held.height())
    return nullptr;
  ++paintCount_;
  raster->content = one.layer.content;
  raster->linear = aim.linear;
  raster->phase = aim.phase;
  raster->image = raster->held == before.held ? before.image.copy()
                                              : before.image.copy(raster->held.translated(-before.held.topLeft()));
  if (!part.isEmpty()) {
    QPainter painter(&raster->image);
    painter.translate(-raster->held.topLeft());
    painter.setCompositionMode(QPainter::CompositionMode_Source);
    painter.fillRect(part, Qt::transparent);
    painter.setCompositionMode(QPainter::CompositionMode_SourceOver);
    painter.setClipRect(part);
    Layer bare = one.layer;
    bare.place = Affine::move(aim.phase) * aim.linear;
    bare.opacity = 1;
    raster->waitsForPhotos = !paintLayer(painter, bare, store_, Photos::WhenReady);
  }
  keep(raster);
  return raster;
}

LayerCache::RasterPtr LayerCache::painted(const Placed& one, const Aim& aim) {
  ++paintCount_;
  auto raster = std::make_shared<Raster>();
  raster->content = one.layer.content;
  raster->linear = aim.linear;
  raster->phase = aim.phase;
  raster->wanted = aim.wanted;
  raster->held = aim.wanted & visible_.translated(-asPixels(aim.whole)).adjusted(-margin, -margin, margin, margin);
  raster->image = QImage(raster->held.size(), QImage::Format_ARGB32_Premultiplied);
  raster->image.fill(Qt::transparent);
  if (!raster->image.isNull()) {
    QPainter painter(&raster->image);
    painter.translate(-raster->held.topLeft());
    Layer bare = one.layer;
    bare.place = Affine::move(aim.phase) * aim.linear;
    bare.opacity = 1;
    raster->waitsForPhotos = !paintLayer(painter, bare, store_, Photos::WhenReady);
  }
  keep(raster);
  return raster;
}

QRect LayerCache::needsFiner() { return std::exchange(finer_, {}); }

void LayerCache::drawExactly(QPainter& painter, const Sheet& sheet, double scale, const QRect& visible) {
  follow(sheet, scale, visible);
  allowedMs_ = frameMs;  // of which none is counted
  for (Placed& one : placed_)
    if (one.box.intersects(visible)) drawOne(painter, one, visible);
  sweep();
}

QRect LayerCache::photosReady() {
  QRect box;
  std::erase_if(kept_, [&](const auto& entry) {
    if (entry.second->waitsForPhotos) bytes_ -= static_cast<std::size_t>(entry.second->image.sizeInBytes());
    return entry.second->waitsForPhotos;
  });
  for (Placed& one : placed_)
    if (one.raster && one.raster->waitsForPhotos) {
      one.raster = nullptr;
      box |= one.box;
    }
  return box;
}

void LayerCache::clear() {
  kept_.clear();
  placed_.clear();
  bytes_ = 0;
  scale_ = 0;
}

void LayerCache::keep(const RasterPtr& raster) {
  raster->lastUse = frame_;
  kept_.emplace(raster->content.get(), raster);
  bytes_ += static_cast<std::size_t>(raster->image.sizeInBytes());
}

void LayerCache::sweep() {
  const bool tooMuch = bytes_ > mostBytes;
  if (!tooMuch && frame_ < sweepAt_) return;
  sweepAt_ = frame_ + framesKept / 4;
  if (tooMuch)
    for (Placed& one : placed_)
      if (!one.box.intersects(visible_)) one.raster = nullptr;
  std::erase_if(kept_, [&](const auto& entry) {
    const unsigned age = frame_ - entry.second->lastUse;
    const bool goes = entry.second.use_count() == 1 && (age > framesKept || (tooMuch && age > 0));
    if (goes) bytes_ -= static_cast<std::size_t>(entry.second->image.sizeInBytes());
    return goes;
  });
}

}  // namespace widecut
