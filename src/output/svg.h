// The scene as SVG 1.1 with href as in SVG 2.
#pragma once

#include "geometry/progress.h"
#include "media/photo.h"
#include "painting/raster.h"
#include "scene/scene.h"

namespace widecut {

/// How words are written: as the paths of their letters, which look alike everywhere; or as text, where that says all
/// that shows, for readers that have the fonts.
enum class WordsAs : unsigned char { Outlines, Letters };

/// One self-contained SVG file: outlines are paths with four decimals, each once; photos are embedded once each and
/// clipped by their outline. Every element is short enough for the readers that limit them. Refuses an empty scene, and
/// what cannot go into such an element, before anything is written. `notes` receives what the person should know.
/// Effects on pixels, and gradients round a middle, are pictures of `ppi` pixels per inch.
Result<std::string> svgOf(const Scene& scene, PhotoStore& store, Ground ground, std::vector<std::string>& notes,
                          const Progress& progress = {}, double ppi = usualPpi, WordsAs words = WordsAs::Outlines);

}  // namespace widecut
