// Rasters painted off the window's thread.
#pragma once

#include <functional>
#include <memory>
#include <vector>

#include "painting/content_raster.h"

namespace widecut {

/// Paints what is ordered, one after another, the nearest first.
class RasterQueue {
 public:
  explicit RasterQueue(PhotoStore& store);
  /// Drops what waits, and waits for what is being painted.
  ~RasterQueue();
  RasterQueue(const RasterQueue&) = delete;
  RasterQueue& operator=(const RasterQueue&) = delete;

  /// `told` is called on the thread that paints, whenever something is done.
  void whenReady(std::function<void()> told);
  /// A raster that says what it is to hold. Takes the place of what waits for the same content; what is just being
  /// painted is not painted twice.
  void order(const ContentRaster& unpainted, double distance);
  /// What is done since it was last asked.
  std::vector<RasterPtr> take();
  /// True while something waits, is being painted or was not taken.
  bool isBusy() const;

 private:
  struct Inside;
  std::shared_ptr<Inside> inside_;
};

}  // namespace widecut
