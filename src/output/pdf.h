// The scene as PDF, by Cairo.
#pragma once

#include "media/photo.h"
#include "output/raster.h"
#include "scene/scene.h"

namespace widecut {

/// A PDF with one page a scene, each of its scene's size. Outlines stay vectors; photos are clipped by their
/// outline, and JPEGs embedded as they are. Refuses empty scenes.
Result<std::string> pdfOf(std::span<const Scene> scenes, const Media& media, PhotoStore& store, Ground ground);

}  // namespace widecut
