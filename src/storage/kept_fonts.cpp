#include "storage/kept_fonts.h"

#include <algorithm>
#include <map>
#include <nlohmann/json.hpp>

#include "project/edits/families.h"
#include "project/limits.h"

namespace widecut {
namespace {

using nlohmann::json;

constexpr const char* listName = "fonts/list.json";
constexpr std::size_t mostListBytes = 1 << 20, mostFonts = 1000;

std::vector<KeptFont> fontsToKeep(const Project& project) {
  std::vector<KeptFont> out;
  for (const FamilyUse& use : familiesIn(project))
    for (const FaceChoice& choice : use.faces) {
      auto font = fontToKeep(choice);
      const auto isSame = [&](const KeptFont& one) { return one.family == font->family && one.face == font->face; };
      if (font && std::none_of(out.begin(), out.end(), isSame)) out.push_back(std::move(*font));
    }
  return out;
}

/// Reads the entries that fonts are in, each once, whatever the list says, and so many bytes of all of them.
class Entries {
 public:
  explicit Entries(const ReadEntry& read) : read_(read) {}

  std::shared_ptr<const std::string> bytes(const std::string& name) {
    const auto known = known_.find(name);
    if (known != known_.end()) return known->second;
    auto read = name.starts_with("fonts/") ? read_(name, limits::mostFontBytes - total_) : problem("it is no font");
    auto& bytes = known_[name];
    if (!read) return nullptr;
    total_ += read->size();
    return bytes = std::make_shared<const std::string>(std::move(*read));
  }

 private:
  const ReadEntry& read_;
  std::map<std::string, std::shared_ptr<const std::string>> known_;
  std::size_t total_ = 0;
};

/// What the list says of one font; throws what json throws.
KeptFont listed(const json& one, Entries& entries) {
  KeptFont out;
  out.family = one.at("family").get<std::string>();
  out.face = {std::clamp(one.at("weight").get<int>(), 1, 1000), one.value("italic", false)};
  out.index = one.value("index", 0U);
  out.bytes = entries.bytes(one.at("file").get<std::string>());
  return out;
}

}  // namespace

std::vector<FontEntry> fontEntries(const Project& project) {
  std::vector<FontEntry> out;
  json list = json::array();
  std::map<const void*, std::string> names;  // several faces may be of one file
  for (const KeptFont& font : fontsToKeep(project)) {
    std::string& name = names[font.bytes.get()];
    if (name.empty()) {
      name = "fonts/" + std::to_string(names.size());
      out.push_back({name, font.bytes});
    }
    json one{{"file", name}, {"family", font.family}, {"weight", font.face.weight}};
    if (font.face.italic) one["italic"] = true;
    if (font.index != 0) one["index"] = font.index;
    list.push_back(std::move(one));
  }
  if (!list.empty()) out.push_back({listName, std::make_shared<const std::string>(list.dump(1) + "\n")});
  return out;
}

OwnFontsPtr fontsIn(const ReadEntry& read) {
  const auto text = read(listName, mostListBytes);
  const json list = text ? json::parse(*text, nullptr, false) : json();
  if (!list.is_array() || list.size() > mostFonts) return nullptr;
  Entries entries(read);
  OwnFontsPtr out;
  for (const json& one : list) {
    try {
      out = OwnFonts::with(out, listed(one, entries));
    } catch (const json::exception&) {
      continue;
    }
  }
  return out;
}

}  // namespace widecut
