#include "output/deliver.h"

#include <algorithm>
#include <cctype>

#include "media/files.h"
#include "output/pdf.h"
#include "output/svg.h"

namespace widecut {

std::optional<DeliveryFormat> deliveryFormat(std::string_view word) {
  std::string lower(word);
  std::transform(lower.begin(), lower.end(), lower.begin(), [](unsigned char c) { return std::tolower(c); });
  if (lower == "png") return DeliveryFormat::Png;
  if (lower == "svg") return DeliveryFormat::Svg;
  if (lower == "pdf") return DeliveryFormat::Pdf;
  return std::nullopt;
}

Result<void> deliver(const Project& project, const Delivery& delivery, PhotoStore& store, const std::string& path) {
  const SheetPtr sheet = findSheet(project, delivery.sheet);
  if (delivery.item == 0 && !sheet) return problem("there is no such sheet");
  if (delivery.item != 0 && !findItem(project, delivery.item)) return problem("there is no such item");
  const Scene scene = delivery.item != 0 ? sceneOfItem(project, delivery.item) : sceneOf(project, *sheet);
  // An item alone has no paper under it.
  const Ground ground = delivery.item != 0 ? Ground::Transparent : delivery.ground;
  Result<std::string> bytes;
  switch (delivery.format) {
    case DeliveryFormat::Png:
      bytes = pngOf(scene, project.media, store, delivery.ppi, ground);
      break;
    case DeliveryFormat::Svg:
      bytes = svgOf(scene, project.media, store, ground);
      break;
    case DeliveryFormat::Pdf:
      bytes = pdfOf({&scene, 1}, project.media, store, ground);
      break;
  }
  if (!bytes) return tl::unexpected(bytes.error());
  return writeFile(path, *bytes);
}

}  // namespace widecut
