// The outlines of many selected items.
#pragma once

#include <QImage>

#include "app/desk/desk.h"

class QPainter;

namespace widecut {

class Mat;

/// Painted once, and laid down again while the items and the mat stay as they are, or the items move together.
class SelectionPicture {
 public:
  /// Paints the outlines of the items of a project, shifted by pixels of the mat.
  void paint(QPainter& painter, const Mat& mat, const Project& project, const std::vector<Id>& items, QPointF shift);

 private:
  SheetPtr sheet_;
  std::vector<Id> items_;
  QPointF origin_;
  double zoom_ = 0;
  QImage image_;
  QPointF corner_;  ///< Of the image on the mat.
};

}  // namespace widecut
