// Rasters of layers, so that only what changed is painted again.
#pragma once

#include <QImage>
#include <QRect>

#include "painting/raster_queue.h"

class QPainter;

namespace widecut {

/// Draws a sheet from rasters of its layers. A raster is of a content: fading and reordering items, and moving
/// them by whole pixels, paints none anew, and where only a part of a content changed, only that part is painted.
class LayerCache {
 public:
  /// With a queue, what takes longer than a frame may is painted there, and what was there before stands meanwhile.
  explicit LayerCache(PhotoStore& store, RasterQueue* queue = nullptr, double frameMs = 12)
      : store_(store), queue_(queue), frameMs_(frameMs) {}

  /// Brings the cache to a state of the sheet. Everything here is in pixels whose origin is the sheet's; `scale` is
  /// pixels per point, `visible` what can be seen. Returns the box in which it will draw something else than before.
  QRect follow(const Sheet& sheet, double scale, const QRect& visible);
  /// Draws what lies in a part. Where painting exactly takes longer than a frame may, rasters made for another fraction
  /// of a pixel, or another turn or scale, stand in: needsFiner() tells where.
  void draw(QPainter& painter, const QRect& part);
  /// Where the last drawing was not as fine as it will be. Asking for it makes it be drawn exactly next time.
  QRect needsFiner();
  bool isRough() const { return !finer_.isEmpty(); }
  /// While something is being tried, stand-ins are good enough.
  void setTrying(bool trying) { trying_ = trying; }

  /// What the queue has painted is taken in: the box in which it shows.
  QRect takeReady();
  /// Around here the queue paints first.
  void setNearest(QPoint place) { nearest_ = place; }

  /// Both at once, as fine as it can be.
  void drawExactly(QPainter& painter, const Sheet& sheet, double scale, const QRect& visible);

  /// Rasters made while photos were still being decoded are made anew: the box of them.
  QRect photosReady();
  /// Videos show other frames: what shows one is painted anew in the queue, and what was there before stands meanwhile.
  /// Needs a queue.
  void videosMoved();
  /// Forgets every raster.
  void clear();
  /// How many rasters were painted so far, whole or in part: what tests of "only what changed" count.
  int paintCount() const { return paintCount_; }
  /// And how many of them were made of a body that was there.
  int keptBodyCount() const { return keptBodyCount_; }
  /// Bytes of all rasters that are kept: 400 MB at most.
  std::size_t bytes() const { return kept_.bytes(); }

 private:
  struct Placed {
    ItemPtr item;
    Layer layer;
    RasterPtr raster;
    /// Where the raster's image lies, once it was found to be the exact one for what is visible.
    std::optional<QPoint> corner;
    const Content* lookedAt = nullptr;  ///< For videos.
    bool showsVideo = false;
  };
  struct Aim;  ///< How a layer is to be painted now.

  QRect followOrder();
  QRect followPieces();
  QRect boxOf(const Layer& layer) const;
  void place(std::size_t at, const ItemPtr& item);
  bool drawOne(QPainter& painter, Placed& one);
  void drawRaster(QPainter& painter, const Placed& one, QPoint corner) const;
  bool drawStandIn(QPainter& painter, const Placed& one, const Aim& aim) const;
  /// What is still to be painted, of what can be seen and some more.
  ContentRaster unpainted(const Placed& one, const Aim& aim) const;
  bool mayWait(const Placed& one) const;
  void order(const Placed& one, const Aim& aim);
  void drawLast(QPainter& painter, const Placed& one, const Aim& aim) const;
  bool isStep(const RasterPtr& raster) const;
  RasterPtr exactRaster(const Placed& one, const Aim& aim);
  RasterPtr patched(const RasterPtr& before, const Placed& one, const Aim& aim);
  RasterPtr painted(const Placed& one, const Aim& aim);
  /// What the item's raster before is made of, where only its finish changed.
  static BodyKeep bodyFrom(const RasterPtr& before, const Placed& one, const Aim& aim);
  void sweep();

  PhotoStore& store_;
  RasterQueue* queue_;
  double frameMs_;  ///< Of painting, before something stands in.
  QPoint nearest_;
  // In the order of the sheet's items; boxes apart, since every frame looks at all of them.
  ItemList shown_;
  Around around_;
  std::vector<QRect> boxes_;  ///< Pixels in which each paints; empty when it is hidden.
  std::vector<Placed> placed_;
  KeptRasters kept_;
  double scale_ = 0;
  QRect visible_;
  QRect finer_;
  bool trying_ = false;
  bool hasPieces_ = false;  ///< Of a division, on the sheet.
  double allowedMs_ = 0;
  int paintCount_ = 0, keptBodyCount_ = 0;
  unsigned moment_ = 0;  ///< Counts how often videos showed other frames.
};

}  // namespace widecut
