// The scene as pixels, by QPainter.
#pragma once

#include <QImage>
#include <QPainterPath>

#include "media/photo.h"
#include "painting/finish.h"
#include "scene/scene.h"

class QPainter;

namespace widecut {

QPainterPath painterPath(const Outline& outline);
QTransform painterTransform(const Affine& map);
QColor painterColour(Colour colour);
/// The pixels that a box of theirs touches, and one more all round.
QRect pixelBox(const Box& box);

/// Pixels per inch where nobody says otherwise.
inline constexpr double usualPpi = 144;

/// Whether photos are decoded on the spot, and every pixel of them is the mean of what it covers; or what is ready is
/// painted, smoothly enough for the screen.
enum class Photos : unsigned char { Wait, WhenReady };

/// The body of the outermost layer, without its finish, kept from one painting to the next: numbers of its effects may
/// change meanwhile. In pixels of the painter's device.
struct BodyKeep {
  QImage image;
  QPoint at;
  std::vector<KeptSoft> softs;
  std::size_t bytes() const;
  bool fits(const QRect& needed) const { return !image.isNull() && QRect(at, image.size()).contains(needed); }
};

/// Paints one layer with a painter whose coordinates are sheet points. True when it was painted as it will stay; false
/// while photos are still being decoded. With a body to be kept the painter's image has to be its layer's alone, and
/// blank.
bool paintLayer(QPainter& painter, const Layer& layer, PhotoStore& store, Photos photos, BodyKeep* keep = nullptr);

enum class Ground : unsigned char { Paper, Transparent };

/// A picture of a scene, in bands, so that it need not be in memory as a whole.
class Raster {
 public:
  /// The sheet, with its bleed, as ceil(points · ppi / 72) pixels. Refuses a ppi outside 1…4800, an empty scene and
  /// pictures over 250 megapixels or 32000 pixels a side.
  static Result<Raster> of(const Scene& scene, PhotoStore& store, double ppi, Ground ground);

  QSize size() const { return size_; }
  /// True when no pixel of it can be see-through.
  bool isOpaque() const;
  /// How many rows a band has; the last one may have fewer.
  int bandRows() const;
  /// The rows from `y` on, as an ARGB32_Premultiplied or RGB32 image.
  QImage band(int y, int rows) const;

 private:
  Raster(const Scene& scene, PhotoStore& store) : scene_(scene), store_(store) {}
  const Scene& scene_;
  PhotoStore& store_;
  QSize size_;
  double scale_ = 1;
  Ground ground_ = Ground::Paper;
};

/// The whole of it at once.
Result<QImage> rasterOf(const Scene& scene, PhotoStore& store, double ppi, Ground ground);

}  // namespace widecut
