// The scene as PDF.
#pragma once

#include <span>

#include "geometry/progress.h"
#include "media/photo.h"
#include "output/sink.h"
#include "painting/raster.h"
#include "scene/scene.h"

namespace widecut {

/// A PDF with one page a scene: as large as its sheet with its bleed, with TrimBox and BleedBox. Outlines stay vectors,
/// and words in one flat colour letters of their fonts, of which the part that shows is embedded; photos are clipped by
/// their outline, JPEGs embedded as they are, other photos as their pixels, each once and without resampling. Gradients
/// are shadings, blend modes and soft masks those of PDF; effects on pixels, and gradients round a middle, are pictures
/// of `ppi` pixels per inch. Colours are sRGB by the output intent. Refuses empty scenes. One photo is in memory at a
/// time.
Result<void> writePdf(std::span<const Scene> scenes, PhotoStore& store, Ground ground, const Sink& sink,
                      const Progress& progress = {}, double ppi = usualPpi);

}  // namespace widecut
