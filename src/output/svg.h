// The scene as SVG 1.1 with href as in SVG 2.
#pragma once

#include "media/photo.h"
#include "output/raster.h"
#include "scene/scene.h"

namespace widecut {

/// One self-contained SVG file: outlines are paths, photos are embedded once each and clipped by their outline.
/// Refuses an empty scene.
Result<std::string> svgOf(const Scene& scene, const Media& media, PhotoStore& store, Ground ground);

}  // namespace widecut
