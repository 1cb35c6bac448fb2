// Pictures as PNG files.
#pragma once

#include "geometry/progress.h"
#include "output/sink.h"
#include "painting/raster.h"

namespace widecut {

/// The scene as a PNG that carries its resolution, sent band by band. RGB where nothing can be see-through, else RGBA.
/// The same refusals as Raster::of.
Result<void> writePng(const Scene& scene, PhotoStore& store, double ppi, Ground ground, const Sink& sink,
                      const Progress& progress = {});
/// The same as bytes.
Result<std::string> pngOf(const Scene& scene, PhotoStore& store, double ppi, Ground ground);

}  // namespace widecut
