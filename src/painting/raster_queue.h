// Rasters painted off the window's thread.
#pragma once

#include <QImage>
#include <QRect>
#include <functional>
#include <memory>
#include <vector>

#include "media/photo.h"
#include "scene/scene.h"

namespace widecut {

/// Paints what is ordered, one after another, the nearest first.
class RasterQueue {
 public:
  struct Order {
    std::shared_ptr<const Content> content;
    Affine linear;  ///< From the content's frame to pixels.
    Point phase;    ///< Where in its pixel the frame's origin lies.
    QRect wanted;   ///< Pixels in which the content paints.
    QRect held;     ///< Pixels that the image is to have.
    double distance = 0;
  };
  struct Done {
    Order order;
    QImage image;
    bool waitsForPhotos = false;  ///< Some were not ready.
    double milliseconds = 0;      ///< What it took.
  };

  explicit RasterQueue(PhotoStore& store);
  /// Drops what waits, and waits for what is being painted.
  ~RasterQueue();
  RasterQueue(const RasterQueue&) = delete;
  RasterQueue& operator=(const RasterQueue&) = delete;

  /// `told` is called on the thread that paints, whenever something is done.
  void whenReady(std::function<void()> told);
  /// Takes the place of what waits for the same content. What is just being painted is not painted twice.
  void order(const Order& order);
  /// Drops what waits.
  void dropWaiting();
  /// What is done since it was last asked.
  std::vector<Done> take();
  /// True while something waits, is being painted or was not taken.
  bool isBusy() const;

 private:
  struct Inside;
  std::shared_ptr<Inside> inside_;
};

/// Paints a content on an image whose corner lies there. True when every photo was ready.
bool paintContent(QImage& image, QPoint corner, const std::shared_ptr<const Content>& content, const Affine& map,
                  PhotoStore& store);

}  // namespace widecut
