#include "output/deliver.h"

#include <algorithm>
#include <cctype>
#include <set>

#include "media/files.h"
#include "output/pdf.h"
#include "output/png.h"
#include "output/svg.h"
#include "project/edits/families.h"
#include "project/edits/templates.h"
#include "project/lookup.h"

namespace widecut {
namespace {

/// A line for each photo of the scenes that cannot be decoded.
Notes notesOn(std::span<const Scene> scenes, PhotoStore& store) {
  Notes notes;
  std::set<std::string> seen;
  for (const Scene& scene : scenes)
    for (const MediumPtr& medium : photosIn(scene)) {
      if (!seen.insert(medium->hash).second) continue;
      if (const auto why = store.problemWith(*medium))
        notes.push_back(medium->name + " " + why->message + "; a cross stands in its place");
    }
  return notes;
}

void addMissingFonts(std::span<const ItemPtr> items, Notes& notes) {
  if (const std::string missing = missingFamilies(items); !missing.empty())
    notes.push_back("fonts that are not here: " + missing + "; another one stands in");
}

/// Writes scenes; more than one only as a PDF.
Result<void> written(std::span<const Scene> scenes, const Delivery& delivery, PhotoStore& store,
                     const std::string& path, Notes& notes, const Progress& progress) {
  // An item alone has no paper under it.
  const Ground ground = delivery.item != 0 ? Ground::Transparent : delivery.ground;
  std::string svg;
  if (delivery.format == DeliveryFormat::Svg) {
    auto text = svgOf(scenes.front(), store, ground, notes, progress, delivery.ppi, delivery.words);
    if (!text) return tl::unexpected(text.error());
    svg = std::move(*text);
  }
  auto file = NewFile::at(path, svg.size());
  if (!file) return tl::unexpected(file.error());
  const Sink sink = [&](const char* bytes, std::size_t count) -> Result<void> {
    if (progress.isCancelled()) return problem("the delivery was stopped");
    return file->write(bytes, count);
  };
  Result<void> all;
  switch (delivery.format) {
    case DeliveryFormat::Png:
      all = writePng(scenes.front(), store, delivery.ppi, ground, sink, progress);
      break;
    case DeliveryFormat::Svg:
      all = sink(svg.data(), svg.size());
      break;
    case DeliveryFormat::Pdf:
      all = writePdf(scenes, store, ground, sink, progress, delivery.ppi);
      break;
  }
  return all ? file->commit() : all;
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
  Notes notes = notesOn({&scene, 1}, store);
  if (delivery.item != 0) {
    const ItemPtr item = findItem(project, delivery.item);
    addMissingFonts({&item, 1}, notes);
  } else {
    const ItemList& items = findSheet(project, delivery.sheet)->items;
    addMissingFonts(std::vector<ItemPtr>(items.begin(), items.end()), notes);
  }
  const auto done = written({&scene, 1}, delivery, store, path, notes, progress);
  if (!done) return tl::unexpected(done.error());
  return notes;
}

Result<Notes> deliverPages(const Project& project, std::span<const Id> sheets, const Delivery& delivery,
                           PhotoStore& store, const std::string& path, const Progress& progress) {
  std::vector<Scene> scenes;
  std::vector<ItemPtr> items;
  Delivery page = delivery;
  page.item = 0;
  page.format = DeliveryFormat::Pdf;
  for (const Id id : sheets) {
    const SheetPtr sheet = findSheet(project, id);
    if (!sheet) return problem("there is no such sheet");
    page.sheet = id;
    scenes.push_back(sceneFor(project, page));
    items.insert(items.end(), sheet->items.begin(), sheet->items.end());
  }
  if (scenes.empty()) return problem("there is no sheet to deliver");
  Notes notes = notesOn(scenes, store);
  addMissingFonts(items, notes);
  const auto done = written(scenes, page, store, path, notes, progress);
  if (!done) return tl::unexpected(done.error());
  return notes;
}

}  // namespace widecut
