#include "painting/layer_cache.h"

#include <QElapsedTimer>
#include <QPainter>
#include <cmath>

#include "painting/blending.h"
#include "painting/raster.h"
#include "scene/change.h"

namespace widecut {
namespace {

constexpr int margin = 256;  // pixels kept beyond what is visible, so that small pans need no painting

/// Every frame asks this of every item, and mostly in vain: one branch at the end costs less than one at each step.
bool doTouch(const QRect& a, const QRect& b) {
  const int beside = std::max(a.left() - b.right(), b.left() - a.right());
  const int above = std::max(a.top() - b.bottom(), b.top() - a.bottom());
  const int emptiness = std::max(a.left() - a.right(), a.top() - a.bottom());
  return std::max({beside, above, emptiness}) <= 0;
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
  bool isMetBy(const ContentRaster& raster) const {
    return areClose(raster.linear, linear) && areClose(raster.phase, phase) && raster.held.contains(needed);
  }
};

void LayerCache::draw(QPainter& painter, const QRect& part) {
  QElapsedTimer watch;
  watch.start();
  allowedMs_ = trying_ ? 0 : frameMs_;
  for (std::size_t i = 0; i < placed_.size(); ++i) {
    if (!doTouch(boxes_[i], part)) continue;
    if (allowedMs_ > 0 && static_cast<double>(watch.nsecsElapsed()) > allowedMs_ * 1e6) allowedMs_ = 0;
    if (!drawOne(painter, placed_[i])) finer_ |= boxes_[i] & part;
  }
  sweep();
}

/// False when a stand-in was drawn.
bool LayerCache::drawOne(QPainter& painter, Placed& one) {
  if (one.corner) {
    drawRaster(painter, one, *one.corner);
    return true;
  }
  const Aim aim(one.layer, scale_, visible_);
  if (aim.needed.isEmpty()) return true;
  if (!one.raster || one.raster->content != one.layer.content || !aim.isMetBy(*one.raster)) {
    // What was painted of an earlier moment of a video is no use any more.
    RasterPtr exact = kept_.find(one.layer.content.get(), [&](const ContentRaster& r) {
      return aim.isMetBy(r) && (r.moment == 0 || r.moment == moment_);
    });
    if (!exact && mayWait(one)) {
      order(one, aim);
      drawLast(painter, one, aim);
      return true;
    }
    if (!exact && allowedMs_ <= 0 && drawStandIn(painter, one, aim)) return false;
    one.raster = exact ? exact : exactRaster(one, aim);
  }
  const QPoint corner = asPixels(aim.whole) + one.raster->held.topLeft();
  drawRaster(painter, one, corner);
  if (one.raster->isKept)
    one.corner = corner;
  else
    one.raster = nullptr;
  return true;
}

void LayerCache::drawRaster(QPainter& painter, const Placed& one, QPoint corner) const {
  kept_.use(*one.raster);
  if (one.layer.blend != Blend::Normal) {
    drawBlended(painter, painter.deviceTransform().map(corner), one.raster->image, one.layer.opacity, one.layer.blend);
    return;
  }
  if (one.layer.opacity < 1) painter.setOpacity(one.layer.opacity);
  painter.drawImage(corner, one.raster->image);
  if (one.layer.opacity < 1) painter.setOpacity(1);
}

/// A raster of the same content: half a pixel off at most, or turned and scaled.
bool LayerCache::drawStandIn(QPainter& painter, const Placed& one, const Aim& aim) const {
  if (!one.raster || one.raster->content != one.layer.content || one.raster->image.isNull()) return false;
  const ContentRaster& raster = *one.raster;
  if (areClose(raster.linear, aim.linear)) {
    const Point off = aim.whole + aim.phase - raster.phase;
    const QPoint corner = asPixels({std::round(off.x), std::round(off.y)});
    if (!raster.held.contains(raster.wanted & visible_.translated(-corner))) return false;
    drawRaster(painter, one, corner + raster.held.topLeft());
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

/// What is being tried follows the pointer, and is painted at once.
bool LayerCache::mayWait(const Placed& one) const {
  return queue_ && !trying_ && (allowedMs_ <= 0 || (one.raster && one.raster->milliseconds > frameMs_));
}

void LayerCache::order(const Placed& one, const Aim& aim) {
  const QPoint off = boxes_[static_cast<std::size_t>(&one - placed_.data())].center() - nearest_;
  ContentRaster wanted = unpainted(one, aim);
  wanted.body = bodyFrom(one.raster, one, aim);
  queue_->order(wanted, std::hypot(double(off.x()), double(off.y())));
}

/// What the item was drawn from last.
void LayerCache::drawLast(QPainter& painter, const Placed& one, const Aim& aim) const {
  if (drawStandIn(painter, one, aim) || !one.raster || one.raster->image.isNull()) return;
  if (areClose(one.raster->linear, aim.linear))
    drawRaster(painter, one, asPixels(aim.whole) + one.raster->held.topLeft());
}

QRect LayerCache::takeReady() {
  QRect box;
  for (const RasterPtr& raster : queue_->take()) {
    ++paintCount_;
    kept_.keep(raster);
    for (std::size_t i = 0; i < placed_.size(); ++i) {
      Placed& one = placed_[i];
      const bool isLater = one.raster && raster->moment > one.raster->moment;
      if (one.layer.content != raster->content || (one.corner && !isLater)) continue;
      const Aim aim(one.layer, scale_, visible_);
      // What stood in its place may have been larger.
      if (one.raster) box |= one.raster->held.translated(asPixels(aim.whole)).adjusted(-1, -1, 1, 1);
      box |= boxes_[i];
      // A later frame of a video that is being dragged may lie a fraction of a pixel beside it.
      if (!aim.isMetBy(*raster) && !(isLater && areClose(aim.linear, raster->linear))) continue;
      one.raster = raster;
      one.corner.reset();
    }
    if (raster->moment > 0) kept_.forgetOthers(raster->content.get(), raster);
  }
  return box;
}

/// A step of a drag, held by its item and by the cache alone: nobody goes back to it.
bool LayerCache::isStep(const RasterPtr& raster) const { return raster->isPatch && trying_ && raster.use_count() == 2; }

RasterPtr LayerCache::exactRaster(const Placed& one, const Aim& aim) {
  if (one.raster)
    if (auto raster = patched(one.raster, one, aim)) return raster;
  return painted(one, aim);
}

/// The raster of the item's content before, with what changed painted over; null when that saves nothing.
RasterPtr LayerCache::patched(const RasterPtr& patchedOver, const Placed& one, const Aim& aim) {
  ContentRaster& before = *patchedOver;
  if (before.image.isNull() || before.waitsForPhotos || before.content == one.layer.content) return nullptr;
  if (!areClose(before.linear, aim.linear) || !areClose(before.phase, aim.phase)) return nullptr;
  const auto box = changedBox(*before.content, *one.layer.content);
  if (!box) return nullptr;
  const QRect changed = pixelBox((Affine::move(aim.phase) * aim.linear)(*box)).adjusted(-1, -1, 1, 1);
  auto raster = std::make_shared<ContentRaster>(unpainted(one, aim));
  raster->held = (before.held | (changed & aim.needed)) & aim.wanted;
  if (!raster->held.contains(aim.needed)) return nullptr;
  // What the old content paints beyond its image would have to be painted too.
  if (!QRegion(raster->held).subtracted(before.held).subtracted(changed).intersected(before.wanted).isEmpty())
    return nullptr;
  const QRect part = changed & raster->held;
  constexpr double worthwhile = 0.7;
  if (static_cast<double>(part.width()) * part.height() > worthwhile * raster->held.width() * raster->held.height())
    return nullptr;
  ++paintCount_;
  raster->isPatch = true;
  if (raster->held != before.held) {
    raster->image = before.image.copy(raster->held.translated(-before.held.topLeft()));
  } else if (isStep(patchedOver)) {
    kept_.forget(patchedOver);
    raster->image = std::move(before.image);
  } else {
    raster->image = before.image.copy();
  }
  if (!part.isEmpty()) {
    // On an image of its own: what lies beyond costs painters less than beyond a clip.
    QImage image(part.size(), QImage::Format_ARGB32_Premultiplied);
    raster->waitsForPhotos = !paintPart(*raster, image, part.topLeft(), store_);
    QPainter painter(&raster->image);
    painter.setCompositionMode(QPainter::CompositionMode_Source);
    painter.drawImage(part.topLeft() - raster->held.topLeft(), image);
  }
  kept_.keep(raster);
  return raster;
}

RasterPtr LayerCache::painted(const Placed& one, const Aim& aim) {
  ++paintCount_;
  auto raster = std::make_shared<ContentRaster>(unpainted(one, aim));
  raster->body = bodyFrom(one.raster, one, aim);
  if (!raster->body.image.isNull()) {
    ++keptBodyCount_;
    raster->isPatch = true;
    if (one.raster && isStep(one.raster)) kept_.forget(one.raster);
  }
  paintWhole(*raster, store_);
  kept_.keep(raster);
  return raster;
}

BodyKeep LayerCache::bodyFrom(const RasterPtr& before, const Placed& one, const Aim& aim) {
  if (!before || before->waitsForPhotos || before->body.image.isNull() || one.layer.content->finish.empty()) return {};
  if (!areClose(before->linear, aim.linear) || !areClose(before->phase, aim.phase)) return {};
  const auto changed = changedBody(*before->content, *one.layer.content);
  return changed && changed->isEmpty() ? before->body : BodyKeep{};
}

ContentRaster LayerCache::unpainted(const Placed& one, const Aim& aim) const {
  ContentRaster raster;
  raster.content = one.layer.content;
  raster.linear = aim.linear;
  raster.phase = aim.phase;
  raster.wanted = aim.wanted;
  raster.moment = one.showsVideo ? moment_ : 0;
  raster.held = aim.wanted & visible_.translated(-asPixels(aim.whole)).adjusted(-margin, -margin, margin, margin);
  return raster;
}

QRect LayerCache::needsFiner() { return std::exchange(finer_, {}); }

void LayerCache::drawExactly(QPainter& painter, const Sheet& sheet, double scale, const QRect& visible) {
  follow(sheet, scale, visible);
  allowedMs_ = frameMs_;  // of which none is counted
  for (std::size_t i = 0; i < placed_.size(); ++i)
    if (doTouch(boxes_[i], visible)) drawOne(painter, placed_[i]);
  sweep();
}

QRect LayerCache::photosReady() {
  QRect box;
  kept_.forgetWaiting();
  for (std::size_t i = 0; i < placed_.size(); ++i)
    if (placed_[i].raster && placed_[i].raster->waitsForPhotos) {
      placed_[i].raster = nullptr;
      placed_[i].corner.reset();
      box |= boxes_[i];
    }
  return box;
}

void LayerCache::videosMoved() {
  ++moment_;
  for (std::size_t i = 0; i < placed_.size(); ++i) {
    Placed& one = placed_[i];
    if (!doTouch(boxes_[i], visible_)) continue;
    const Content* content = one.layer.content.get();
    if (std::exchange(one.lookedAt, content) != content) one.showsVideo = content && widecut::showsVideo(*content);
    const Aim aim(one.layer, scale_, visible_);
    if (!one.showsVideo || aim.needed.isEmpty()) continue;
    ContentRaster wanted = unpainted(one, aim);
    wanted.moment = moment_;
    queue_->order(wanted, 0);
  }
}

void LayerCache::clear() {
  kept_.clear();
  placed_.clear();
  boxes_.clear();
  shown_ = {};
  scale_ = 0;
}

void LayerCache::sweep() {
  if (!kept_.isSweepDue()) return;
  if (kept_.isCrowded())
    for (std::size_t i = 0; i < placed_.size(); ++i)
      if (!doTouch(boxes_[i], visible_)) {
        placed_[i].raster = nullptr;
        placed_[i].corner.reset();
      }
  kept_.sweep();
}

}  // namespace widecut
