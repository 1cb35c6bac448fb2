// What a tool says beside the pointer.
#pragma once

#include <QPointF>
#include <QString>

class QPainter;

namespace widecut {

class Mat;

/// A dark label to the lower right of a place on the mat, but never off it.
void paintPointerLabel(QPainter& painter, const Mat& mat, QPointF at, const QString& text);
/// Why what is dragged comes to rest: an amber label to the upper right.
void paintReasonLabel(QPainter& painter, const Mat& mat, QPointF at, const QString& text);

}  // namespace widecut
