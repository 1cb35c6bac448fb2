// Delivering: what to write, in which format, to which file.
#pragma once

#include "media/photo.h"
#include "output/raster.h"
#include "project/model.h"

namespace widecut {

enum class DeliveryFormat : unsigned char { Png, Svg, Pdf };
/// png, svg or pdf, in any case; nothing for other words.
std::optional<DeliveryFormat> deliveryFormat(std::string_view word);

struct Delivery {
  Id sheet = 0;
  Id item = 0;  ///< This item alone instead of the sheet; 0 for the sheet.
  DeliveryFormat format = DeliveryFormat::Png;
  double ppi = 144;  ///< Pixels per inch of a PNG.
  Ground ground = Ground::Paper;
};

/// Writes the file, all or nothing.
Result<void> deliver(const Project& project, const Delivery& delivery, PhotoStore& store, const std::string& path);

}  // namespace widecut
