// The scene as pixels, by QPainter.
#pragma once

#include <QImage>
#include <QPainterPath>

#include "media/photo.h"
#include "scene/scene.h"

class QPainter;

namespace widecut {

QPainterPath painterPath(const Outline& outline);
QTransform painterTransform(const Affine& map);
QColor painterColour(Colour colour);

/// Whether to decode photos on the spot, or to paint a plain tone until they are ready.
enum class Photos : unsigned char { Wait, WhenReady };

/// Paints one layer with a painter whose coordinates are sheet points.
void paintLayer(QPainter& painter, const Layer& layer, const Media& media, PhotoStore& store, Photos photos);

enum class Ground : unsigned char { Paper, Transparent };

/// The sheet as an image of ceil(points · ppi / 72) pixels. Refuses a ppi outside 1…4800, an empty scene
/// and images over 250 megapixels.
Result<QImage> rasterOf(const Scene& scene, const Media& media, PhotoStore& store, double ppi, Ground ground);
/// The same as the bytes of a PNG file that carries its resolution.
Result<std::string> pngOf(const Scene& scene, const Media& media, PhotoStore& store, double ppi, Ground ground);

}  // namespace widecut
