// Rasters of layers, so that only what changed is painted again.
#pragma once

#include <QImage>
#include <QRect>
#include <unordered_map>

#include "media/photo.h"
#include "painting/raster_queue.h"
#include "scene/scene.h"

class QPainter;

namespace widecut {

/// Draws a sheet from rasters of its layers. A raster is of a content: fading and reordering items, and moving
/// them by whole pixels, paints none anew, and where only a part of a content changed, only that part is painted.
class LayerCache {
 public:
  /// With a queue, what takes longer than a frame may is painted there, and what was there before stands meanwhile.
  explicit LayerCache(PhotoStore& store, RasterQueue* queue = nullptr) : store_(store), queue_(queue) {}

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
  /// Forgets every raster.
  void clear();
  /// How many rasters were painted so far, whole or in part: what tests of "only what changed" count.
  int paintCount() const { return paintCount_; }
  /// Bytes of all rasters that are kept: 400 MB at most.
  std::size_t bytes() const { return bytes_; }

 private:
  /// A content painted through a linear map. Its pixels are counted from the whole pixel below the frame's origin.
  struct Raster {
    std::shared_ptr<const Content> content;
    Affine linear;
    Point phase;   ///< Where in its pixel the frame's origin lies: 0…1.
    QRect wanted;  ///< Pixels in which the content paints.
    QRect held;    ///< Pixels that the image holds.
    QImage image;
    bool waitsForPhotos = false;
    bool isKept = false;   ///< Counted, and there to be found again.
    bool isPatch = false;  ///< Made from the raster of the content before.
    unsigned lastUse = 0;
    double milliseconds = 0;  ///< What painting it took.
  };
  using RasterPtr = std::shared_ptr<Raster>;
  struct Placed {
    ItemPtr item;
    Layer layer;
    RasterPtr raster;
    /// Where the raster's image lies, once it was found to be the exact one for what is visible.
    std::optional<QPoint> corner;
  };
  struct Aim;  ///< How a layer is to be painted now.

  QRect followOrder();
  void place(std::size_t at, const ItemPtr& item);
  bool drawOne(QPainter& painter, Placed& one);
  void drawRaster(QPainter& painter, const Placed& one, QPoint corner) const;
  bool drawStandIn(QPainter& painter, const Placed& one, const Aim& aim) const;
  /// What a raster is to hold: what can be seen, and some more.
  QRect heldFor(const Aim& aim) const;
  bool mayWait(const Placed& one) const;
  void order(const Placed& one, const Aim& aim);
  void drawLast(QPainter& painter, const Placed& one, const Aim& aim) const;
  RasterPtr known(const Placed& one, const Aim& aim) const;
  RasterPtr exactRaster(const Placed& one, const Aim& aim);
  RasterPtr patched(const RasterPtr& before, const Placed& one, const Aim& aim);
  RasterPtr painted(const Placed& one, const Aim& aim);
  bool paintOn(QImage& image, QPoint corner, const Placed& one, const Aim& aim);
  void keep(const RasterPtr& raster);
  void forget(const RasterPtr& raster);
  void sweep();

  PhotoStore& store_;
  RasterQueue* queue_;
  QPoint nearest_;
  // In the order of the sheet's items; boxes apart, since every frame looks at all of them.
  ItemList shown_;
  std::vector<QRect> boxes_;  ///< Pixels in which each paints; empty when it is hidden.
  std::vector<Placed> placed_;
  /// Rasters by content, those of earlier states too: flicking between outcomes comes back to the same nodes.
  std::unordered_multimap<const Content*, RasterPtr> kept_;
  double scale_ = 0;
  QRect visible_;
  QRect finer_;
  bool trying_ = false;
  double allowedMs_ = 0;
  unsigned frame_ = 0, sweepAt_ = 0;
  std::size_t keptAfterSweep_ = 0;
  std::size_t bytes_ = 0;
  int paintCount_ = 0;
};

}  // namespace widecut
