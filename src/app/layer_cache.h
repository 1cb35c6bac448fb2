// Rasters of items, so that only what changed is painted again.
#pragma once

#include <QImage>
#include <QRect>
#include <unordered_map>

#include "media/photo.h"
#include "scene/scene.h"

class QPainter;

namespace widecut {

/// Keeps a raster for each item node. A node that is the same object at the same scale is never painted twice
/// while it stays in use.
class LayerCache {
 public:
  explicit LayerCache(PhotoStore& store) : store_(store) {}

  /// Draws the sheet's visible items with a painter in pixels whose origin is the sheet's. `scale` is pixels
  /// per point; only what lies in `visible` (pixels) needs to show.
  void draw(QPainter& painter, const Sheet& sheet, double scale, const QRect& visible);
  /// Rasters made while photos were still being decoded are made anew.
  void photosReady();
  /// Forgets every raster.
  void clear() { rasters_.clear(); }
  /// How many rasters were painted so far: what tests of "only what changed" count.
  int paintCount() const { return paintCount_; }

 private:
  struct Raster {
    ItemPtr item;
    double scale = 0;
    QRect wanted;  ///< Pixels in which the item paints.
    QRect held;    ///< Pixels that the image holds.
    QImage image;
    unsigned lastUse = 0;
    bool waitsForPhotos = false;
  };
  void paint(Raster& raster, const QRect& visible);
  void sweep();

  PhotoStore& store_;
  std::unordered_map<const Item*, Raster> rasters_;
  unsigned frame_ = 0;
  int paintCount_ = 0;
};

}  // namespace widecut
