// Laying a picture on what is painted, by the modes of the W3C's Compositing and Blending Level 1.
#pragma once

#include <QImage>

#include "project/blend.h"

class QPainter;

namespace widecut {

/// One pixel, as opaque as that, over another; both premultiplied.
QRgb blended(QRgb over, QRgb under, Blend blend, float opacity = 1);
/// Lays the picture with its top left there, in the pixels of the painter's image, whatever its transform.
void drawBlended(QPainter& painter, QPoint at, const QImage& picture, double opacity, Blend blend);

}  // namespace widecut
