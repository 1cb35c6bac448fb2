// Adjustments on the pixels of a photo.
#pragma once

#include <QImage>

#include "media/photo.h"
#include "project/adjustments.h"

namespace widecut {

/// A photo, or a level of it whose pixels are so many of the photo's wide, adjusted: of the same size and format, RGB32
/// or ARGB32_Premultiplied. On coded sRGB values v of 0…1, in this order:
/// - blur and sharpness: a Gaussian whose deviation is that share of the longer side, its edge pixels counting on; and
///   v + sharpness · (v − softened v), softened by a 1500th of the longer side, 0.7 of the photo's pixels at least;
/// - black and white point: (v − black) / (white − black);
/// - brightness b: v to the power of 2^(−1.6 b), so that black and white stay;
/// - contrast c: for c > 0 the logistic curve of steepness 10 c about the middle, scaled to keep 0 and 1, for c < 0
///   v drawn to 0.5 by 0.9 |c|;
/// - warmth w: red times 2^(0.35 w), blue times 2^(−0.35 w);
/// - saturation s and grey g: away from, or to, the luma y of Rec. 709: y + (v − y)(1 + s)(1 − g);
/// - two tones: mixed, by as much, with the colour at y of the way from dark to light in OKLab;
/// - vignette: from 0.35 of the way to the corners on, smoothly, to 1 − vignette of the light there, or to white.
QImage adjustedPhoto(const QImage& photo, const Adjustments& adjustments, double pixelsWide = 1);

/// The same for a level that carries a border of one repeated pixel.
QImage adjustedLevel(const QImage& level, const Adjustments& adjustments, double pixelsWide);

}  // namespace widecut
