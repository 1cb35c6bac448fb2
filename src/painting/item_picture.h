// Small pictures of items, for the bench, the stack and the sheets panel.
#pragma once

#include <QImage>

#include "painting/raster.h"
#include "scene/scene.h"

namespace widecut {

/// The items (sheet space) drawn as large as fits `size` (logical pixels), on nothing. `around` is the box, in
/// points, that is brought to the picture's middle; when empty, the items' own.
QImage pictureOf(const std::vector<ItemPtr>& items, PhotoStore& store, QSize size, double ratio, Box around = {},
                 Photos photos = Photos::WhenReady);
/// The sheet on its paper. Waits for photos: not for the window's thread.
QImage pictureOfSheet(const Sheet& sheet, PhotoStore& store, QSize size, double ratio);

}  // namespace widecut
