// A content painted through a linear map, and those that are kept.
#pragma once

#include <QImage>
#include <QRect>
#include <memory>
#include <unordered_map>

#include "media/photo.h"
#include "painting/raster.h"
#include "scene/scene.h"

namespace widecut {

/// Its pixels are counted from the whole pixel below the frame's origin.
struct ContentRaster {
  std::shared_ptr<const Content> content;
  Affine linear;
  Point phase;   ///< Where in its pixel the frame's origin lies: 0…1.
  QRect wanted;  ///< Pixels in which the content paints.
  QRect held;    ///< Pixels that the image holds.
  QImage image;
  /// Without its finish, where it has one; in pixels from the whole pixel below the frame's origin, as `held`.
  BodyKeep body;
  double milliseconds = 0;  ///< What painting it took.
  unsigned lastUse = 0;     ///< The frame in which it was drawn last.
  unsigned moment = 0;      ///< Of the videos that it shows; 0 where it shows none.
  bool waitsForPhotos = false;
  bool isKept = false;   ///< Counted, and there to be found again.
  bool isPatch = false;  ///< Made from the raster of the content before.

  std::size_t bytes() const { return static_cast<std::size_t>(image.sizeInBytes()) + body.bytes(); }
};
using RasterPtr = std::shared_ptr<ContentRaster>;

/// Paints its content on an image whose top left is that pixel. True when every photo was ready.
bool paintPart(const ContentRaster& raster, QImage& image, QPoint topLeft, PhotoStore& store, BodyKeep* keep = nullptr);
/// Makes the image of a raster that says what it is to hold, from the body that it has, or it is given one.
void paintWhole(ContentRaster& raster, PhotoStore& store);

/// Rasters by their content, those of earlier states too: flicking between outcomes comes back to the same nodes.
class KeptRasters {
 public:
  /// A frame begins.
  void next() { ++frame_; }
  void use(ContentRaster& raster) const { raster.lastUse = frame_; }
  /// Beyond the budget a raster is drawn, and gone.
  void keep(const RasterPtr& raster);
  void forget(const RasterPtr& raster);
  void forgetWaiting();
  /// Those of a content, but for one.
  void forgetOthers(const Content* content, const RasterPtr& but);
  void clear();
  /// The first of a content's that meets a condition; null when there is none.
  template <class Condition>
  RasterPtr find(const Content* content, const Condition& isMetBy) const {
    const auto [first, last] = rasters_.equal_range(content);
    for (auto entry = first; entry != last; ++entry)
      if (isMetBy(*entry->second)) return entry->second;
    return nullptr;
  }
  bool isCrowded() const;
  bool isSweepDue() const;
  /// Forgets what nobody holds and was not used lately; when it is crowded, what was not used in this frame.
  void sweep();
  std::size_t bytes() const { return bytes_; }

 private:
  template <class Condition>
  void eraseIf(const Condition& goes);

  std::unordered_multimap<const Content*, RasterPtr> rasters_;
  std::size_t bytes_ = 0, keptAfterSweep_ = 0;
  unsigned frame_ = 0, sweepAt_ = 0;
};

}  // namespace widecut
