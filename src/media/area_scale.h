// Pictures made smaller without losing what lies between sampled pixels.
#pragma once

#include <QImage>
#include <QRectF>

namespace widecut {

/// The part `from` of a picture (in its pixels; may reach beyond it, where edge pixels count on) as an image of `size`:
/// every pixel is the mean of the area that it covers. For 32-bit pictures, premultiplied where they have alpha; the
/// result has the same format.
QImage areaScaled(const QImage& picture, const QRectF& from, QSize size);

}  // namespace widecut
