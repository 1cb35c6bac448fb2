// One layer by QPainter.
#pragma once

#include <QPainter>

#include "painting/finish.h"
#include "painting/raster.h"

namespace widecut {

/// Paints layers with painters whose coordinates are the space that the layers lie in.
class LayerPainter {
 public:
  LayerPainter(PhotoStore& store, Photos photos, BodyKeep* keep = nullptr)
      : store_(store), photos_(photos), keep_(keep) {}

  /// True when every photo was there.
  bool paint(QPainter& painter, const Layer& layer);
  /// What the content paints without its finish, on these pixels of a device to which `toDevice` maps its space.
  PlacedPicture bodyOn(const Content& content, const QTransform& toDevice, const QRect& on);
  bool isFinal() const { return isFinal_; }

 private:
  void content(QPainter& painter, const Layer& layer);
  void bodyOf(QPainter& painter, const Content& content);
  void asOne(QPainter& painter, const Layer& layer);
  void finished(QPainter& painter, const Content& content, const QTransform& toDevice, const QRect& wanted);
  void one(QPainter& painter, const Mark& mark);
  void one(QPainter& painter, const FillOutline& filling);
  void one(QPainter& painter, const MarkGroup& group);
  void one(QPainter& painter, const StrokeOutline& stroke);
  void one(QPainter& painter, const FillLetters& letters);
  void plainly(QPainter& painter, const FillOutline& filling);
  std::optional<PhotoLevel> liveFrame(const PictureBrush& shown);
  void picture(QPainter& painter, const FillOutline& filling, const PictureBrush& shown);
  void reduced(QPainter& painter, const FillOutline& filling, const PictureBrush& shown, const QTransform& toDevice);
  void missing(QPainter& painter, const FillOutline& filling);
  template <class Draw>
  void onItsOwn(QPainter& painter, const Box& box, double opacity, Blend blend, const Draw& draw);

  PhotoStore& store_;
  Photos photos_;
  BodyKeep* keep_;
  bool isFinal_ = true;
};

/// The box of a content's body on a device.
QRectF bodyBoxOn(const Content& content, const QTransform& toDevice);

}  // namespace widecut
