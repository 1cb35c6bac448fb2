#include "storage/version1.h"

namespace widecut {
namespace {

using nlohmann::json;

/// Takes a member out of an object.
json taken(json& object, const char* name) {
  const auto found = object.find(name);
  if (found == object.end()) return nullptr;
  json value = std::move(*found);
  object.erase(found);
  return value;
}

json* listIn(json& object, const char* name) {
  const auto found = object.is_object() ? object.find(name) : object.end();
  return found != object.end() && found->is_array() ? &*found : nullptr;
}

void itemFrom1(json& item) {
  if (!item.is_object()) return;
  const auto recipe = item.find("recipe");
  json photoOf;
  if (recipe != item.end() && recipe->is_object()) {
    photoOf = taken(*recipe, "photoFrom");
    if (json* parts = listIn(*recipe, "parts"))
      for (json& part : *parts) itemFrom1(part);
  }
  json fill = taken(item, "fill"), photo = taken(item, "photo"), line = taken(item, "line");
  // A photo covered the colour, and the item's own covered a part's.
  if (!fill.is_null()) {
    json colour{{"colour", std::move(fill)}};
    if (!photo.is_null() || !photoOf.is_null()) colour["shown"] = false;
    item["fills"].push_back(std::move(colour));
  }
  if (!photoOf.is_null()) {
    json part{{"photoOf", std::move(photoOf)}};
    if (!photo.is_null()) part["shown"] = false;
    item["fills"].push_back(std::move(part));
  }
  if (!photo.is_null()) item["fills"].push_back({{"photo", std::move(photo)}});
  if (!line.is_null()) item["lines"].push_back(std::move(line));
  // Anything but true meant false.
  if (const auto hidden = item.find("hidden"); hidden != item.end() && !hidden->is_boolean()) item.erase(hidden);
}

}  // namespace

void fromVersion1(json& project) {
  if (json* pieces = listIn(project, "pieces"))
    for (json& piece : *pieces)
      if (json* sheets = listIn(piece, "sheets"))
        for (json& sheet : *sheets)
          if (json* items = listIn(sheet, "items"))
            for (json& item : *items) itemFrom1(item);
}

}  // namespace widecut
