#include "output/deliver.h"

#include <algorithm>
#include <cctype>

#include "media/files.h"
#include "output/pdf.h"
#include "output/png.h"
#include "output/svg.h"
#include "project/edits/families.h"
#include "project/edits/templates.h"
#include "project/lookup.h"

namespace widecut {
namespace {

/// A line for each photo of the scene that cannot be decoded.
Notes notesOn(const Scene& scene, PhotoStore& store) {
  Notes notes;
  for (const MediumPtr& medium : photosIn(scene))
    if (const auto why = store.problemWith(*medium))
      notes.push_back(medium->name + " " + why->message + "; a cross stands in its place");
  return notes;
}

/// The font families that are missing where something is delivered.
std::string missingOn(const Project& project, const Delivery& delivery) {
  if (delivery.item != 0) {
    const ItemPtr item = findItem(project, delivery.item);
    return missingFamilies({&item, 1});
  }
  std::vector<ItemPtr> items;
  for (const ItemPtr& item : findSheet(project, delivery.sheet)->items) items.push_back(item);
  return missingFamilies(items);
}

}  // namespace

std::optional<DeliveryFormat> deliveryFormat(std::string_view word) {
  std::string lower(word);
  std::transform(lower.begin(), lower.end(), lower.begin(), [](unsigned char c) { return std::tolower(c); });
  if (lower == "png") return DeliveryFormat::Png;
  if (lower == "svg") return DeliveryFormat::Svg;
  if (lower == "pdf") return DeliveryFormat::Pdf;
  return std::nullopt;
}

Scene sceneFor(const Project& project, const Delivery& delivery) {
  if (delivery.item != 0) return sceneOfItem(project, delivery.item);
  const SheetPtr sheet = findSheet(project, delivery.sheet);
  if (!sheet) return {};
  const bool bleed = delivery.withBleed || delivery.format == DeliveryFormat::Pdf;
  return sceneOf(delivery.withTemplates ? *sheet : withoutTemplates(*sheet), bleed ? sheet->bleed : 0);
}

Result<Notes> deliver(const Project& project, const Delivery& delivery, PhotoStore& store, const std::string& path,
                      const Progress& progress) {
  if (delivery.item == 0 && !findSheet(project, delivery.sheet)) return problem("there is no such sheet");
  if (delivery.item != 0 && !findItem(project, delivery.item)) return problem("there is no such item");
  const Scene scene = sceneFor(project, delivery);
  // An item alone has no paper under it.
  const Ground ground = delivery.item != 0 ? Ground::Transparent : delivery.ground;
  Notes notes = notesOn(scene, store);
  if (const std::string missing = missingOn(project, delivery); !missing.empty())
    notes.push_back("fonts that are not here: " + missing + "; another one stands in");
  std::string svg;
  if (delivery.format == DeliveryFormat::Svg) {
    auto text = svgOf(scene, store, ground, notes, progress, delivery.ppi, delivery.words);
    if (!text) return tl::unexpected(text.error());
    svg = std::move(*text);
  }
  auto file = NewFile::at(path, svg.size());
  if (!file) return tl::unexpected(file.error());
  const Sink sink = [&](const char* bytes, std::size_t count) -> Result<void> {
    if (progress.isCancelled()) return problem("the delivery was stopped");
    return file->write(bytes, count);
  };
  Result<void> written;
  switch (delivery.format) {
    case DeliveryFormat::Png:
      written = writePng(scene, store, delivery.ppi, ground, sink, progress);
      break;
    case DeliveryFormat::Svg:
      written = sink(svg.data(), svg.size());
      break;
    case DeliveryFormat::Pdf:
      written = writePdf({&scene, 1}, store, ground, sink, progress, delivery.ppi);
      break;
  }
  if (written) written = file->commit();
  if (!written) return tl::unexpected(written.error());
  return notes;
}

}  // namespace widecut
