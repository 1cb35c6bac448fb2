// Delivering: what to write, in which format, to which file.
#pragma once

#include <span>

#include "geometry/progress.h"
#include "media/photo.h"
#include "output/svg.h"
#include "painting/raster.h"
#include "project/model.h"

namespace widecut {

enum class DeliveryFormat : unsigned char { Png, Svg, Pdf };
/// png, svg or pdf, in any case; nothing for other words.
std::optional<DeliveryFormat> deliveryFormat(std::string_view word);

struct Delivery {
  Id sheet = 0;
  Id item = 0;  ///< This item alone instead of the sheet; 0 for the sheet.
  DeliveryFormat format = DeliveryFormat::Png;
  double ppi = usualPpi;  ///< Pixels per inch of a PNG, and of what other formats show as pixels.
  Ground ground = Ground::Paper;
  bool withBleed = false;             ///< The sheet's bleed too. A PDF always has it.
  WordsAs words = WordsAs::Outlines;  ///< Of an SVG.
  bool withTemplates = false;         ///< What is pale, to draw over, as pale as it is.
};

/// What the person should know of a delivery that was made, a line each: photos that could not be decoded, say.
using Notes = std::vector<std::string>;

/// The scene that is delivered; empty when there is no such sheet or item.
Scene sceneFor(const Project& project, const Delivery& delivery);
/// Writes the file, all or nothing. Once it is cancelled, the problem says so.
Result<Notes> deliver(const Project& project, const Delivery& delivery, PhotoStore& store, const std::string& path,
                      const Progress& progress = {});
/// Several sheets as the pages of one PDF. What is said of a sheet or an item in `delivery` is not looked at.
Result<Notes> deliverPages(const Project& project, std::span<const Id> sheets, const Delivery& delivery,
                           PhotoStore& store, const std::string& path, const Progress& progress = {});

}  // namespace widecut
