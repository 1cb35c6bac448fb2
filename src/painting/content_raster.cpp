#include "painting/content_raster.h"

#include <QElapsedTimer>
#include <QPainter>

#include "media/pixel_buffers.h"
#include "painting/raster.h"
#include "project/budgets.h"

namespace widecut {
namespace {

constexpr unsigned framesKept = 120;  // for flicking back and forth
constexpr std::size_t sweepWorth = 64;

}  // namespace

bool paintPart(const ContentRaster& raster, QImage& image, QPoint topLeft, PhotoStore& store, BodyKeep* keep) {
  image.fill(Qt::transparent);
  QPainter painter(&image);
  painter.translate(-topLeft);
  Layer layer;
  layer.content = raster.content;
  layer.place = Affine::move(raster.phase) * raster.linear;
  return paintLayer(painter, layer, store, Photos::WhenReady, keep);
}

void paintWhole(ContentRaster& raster, PhotoStore& store) {
  QElapsedTimer watch;
  watch.start();
  raster.image = unpaintedImage(raster.held.size());
  if (!raster.image.isNull()) {
    raster.body.at -= raster.held.topLeft();
    raster.waitsForPhotos = !paintPart(raster, raster.image, raster.held.topLeft(), store, &raster.body);
    raster.body.at += raster.held.topLeft();
  }
  raster.milliseconds = static_cast<double>(watch.nsecsElapsed()) * 1e-6;
}

void KeptRasters::keep(const RasterPtr& raster) {
  use(*raster);
  if (bytes_ + raster->bytes() > budgets::rasterBytes) sweep();
  if (bytes_ + raster->bytes() > budgets::rasterBytes) return;
  raster->isKept = true;
  rasters_.emplace(raster->content.get(), raster);
  bytes_ += raster->bytes();
}

void KeptRasters::forget(const RasterPtr& raster) {
  const auto [first, last] = rasters_.equal_range(raster->content.get());
  for (auto entry = first; entry != last; ++entry)
    if (entry->second == raster) {
      bytes_ -= raster->bytes();
      rasters_.erase(entry);
      return;
    }
}

template <class Condition>
void KeptRasters::eraseIf(const Condition& goes) {
  std::erase_if(rasters_, [&](const auto& entry) {
    const bool does = goes(entry.second);
    if (does) bytes_ -= entry.second->bytes();
    return does;
  });
}

void KeptRasters::forgetWaiting() {
  eraseIf([](const RasterPtr& raster) { return raster->waitsForPhotos; });
}

void KeptRasters::forgetOthers(const Content* content, const RasterPtr& but) {
  const auto [first, last] = rasters_.equal_range(content);
  for (auto entry = first; entry != last;) {
    const bool goes = entry->second != but;
    if (goes) bytes_ -= entry->second->bytes();
    entry = goes ? rasters_.erase(entry) : std::next(entry);
  }
}

void KeptRasters::clear() {
  rasters_.clear();
  bytes_ = 0;
}

bool KeptRasters::isCrowded() const { return bytes_ > budgets::rasterBytes - budgets::rasterBytes / 8; }

bool KeptRasters::isSweepDue() const {
  return isCrowded() || (frame_ >= sweepAt_ && rasters_.size() >= keptAfterSweep_ + sweepWorth);
}

void KeptRasters::sweep() {
  sweepAt_ = frame_ + framesKept / 4;
  const bool crowded = isCrowded();
  eraseIf([&](const RasterPtr& raster) {
    const unsigned age = frame_ - raster->lastUse;
    return raster.use_count() == 1 && (age > framesKept || (crowded && age > 0));
  });
  keptAfterSweep_ = rasters_.size();
}

}  // namespace widecut
