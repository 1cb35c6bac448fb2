#include "words/font_library.h"

#include <fontconfig/fontconfig.h>

#include <algorithm>
#include <cmath>
#include <fstream>
#include <map>
#include <mutex>

#include "words/bundled_fonts.h"
#include "words/destroyed_by.h"

namespace widecut {
namespace {

using PatternPtr = OwnedBy<FcPattern, FcPatternDestroy>;
using FontSetPtr = OwnedBy<FcFontSet, FcFontSetDestroy>;

/// Where a face comes from: bytes of the program, or a file.
struct Source {
  FontFace face;
  std::span<const std::byte> bytes;
  std::string file;
  unsigned index = 0;
  int fromUsualWidth = 0;                              ///< By Fontconfig's count.
  std::shared_ptr<const std::string> owner = nullptr;  ///< Of bytes that a project has with it,
  FontPtr font = nullptr;                              ///< and what was made of them.
};

std::string lowered(std::string text) {
  for (char& c : text)
    if (c >= 'A' && c <= 'Z') c = static_cast<char>(c - 'A' + 'a');
  return text;
}

std::string textOf(FcPattern* pattern, const char* what) {
  FcChar8* text = nullptr;
  if (FcPatternGetString(pattern, what, 0, &text) != FcResultMatch) return {};
  return reinterpret_cast<const char*>(text);
}
int numberOf(FcPattern* pattern, const char* what, int usual) {
  int number = usual;
  FcPatternGetInteger(pattern, what, 0, &number);
  return number;
}

Source sourceOf(FcPattern* pattern) {
  double weight = FC_WEIGHT_REGULAR;
  FcPatternGetDouble(pattern, FC_WEIGHT, 0, &weight);
  Source source;
  source.face = {static_cast<int>(std::lround(FcWeightToOpenTypeDouble(weight))),
                 numberOf(pattern, FC_SLANT, FC_SLANT_ROMAN) != FC_SLANT_ROMAN};
  source.file = textOf(pattern, FC_FILE);
  source.fromUsualWidth = std::abs(numberOf(pattern, FC_WIDTH, FC_WIDTH_NORMAL) - FC_WIDTH_NORMAL);
  source.index = static_cast<unsigned>(numberOf(pattern, FC_INDEX, 0));
  return source;
}

/// Loads each font once.
FontPtr loaded(const Source& source) {
  if (source.font) return source.font;
  static std::mutex mutex;
  static std::map<std::pair<const void*, std::string>, FontPtr> fonts;
  const std::lock_guard lock(mutex);
  const auto key =
      std::pair<const void*, std::string>(source.bytes.data(), source.file + "#" + std::to_string(source.index));
  const auto [known, fresh] = fonts.try_emplace(key, nullptr);
  if (fresh)
    known->second =
        source.bytes.empty() ? Font::fromFile(source.file, source.index) : Font::of(source.bytes, source.index);
  return known->second;
}

/// A font file as it lies on the machine; null for collections of fonts, and for what cannot be read. Each is read
/// once.
std::shared_ptr<const std::string> wholeFile(const std::string& path) {
  static std::mutex mutex;
  static std::map<std::string, std::weak_ptr<const std::string>> known;
  const std::lock_guard lock(mutex);
  if (auto there = known[path].lock()) return there;
  std::ifstream file(path, std::ios::binary);
  std::string bytes{std::istreambuf_iterator<char>(file), {}};
  if (bytes.empty() || bytes.starts_with("ttcf")) return nullptr;
  auto out = std::make_shared<const std::string>(std::move(bytes));
  known[path] = out;
  return out;
}

using Families = std::map<std::string, std::vector<Source>>;  // by name in small letters

const Families& bundledFamilies() {
  static const Families families = [] {
    Families out;
    for (const BundledFont& font : bundledFonts())
      out[lowered(font.family)].push_back({{font.weight, font.italic}, font.bytes, {}, 0});
    return out;
  }();
  return families;
}

struct Machine {
  Families sources;
  std::vector<std::string> names;  ///< As they are written.
};

const Machine& machine() {
  static const Machine found = [] {
    Machine out;
    const PatternPtr wanted(FcPatternCreate());
    FcPatternAddBool(wanted.get(), FC_OUTLINE, FcTrue);
    FcPatternAddBool(wanted.get(), FC_VARIABLE, FcFalse);  // of variable fonts their named instances
    const OwnedBy<FcObjectSet, FcObjectSetDestroy> asked(
        FcObjectSetBuild(FC_FAMILY, FC_WEIGHT, FC_SLANT, FC_WIDTH, FC_FILE, FC_INDEX, nullptr));
    const FontSetPtr set(FcFontList(nullptr, wanted.get(), asked.get()));
    for (int i = 0; set && i < set->nfont; ++i) {
      const std::string name = textOf(set->fonts[i], FC_FAMILY);
      if (name.empty() || bundledFamilies().contains(lowered(name))) continue;
      auto& sources = out.sources[lowered(name)];
      if (sources.empty()) out.names.push_back(name);
      const Source source = sourceOf(set->fonts[i]);
      const auto alike = [&](const Source& s) { return s.face == source.face; };
      // Narrow and wide faces that go by the same name give way to the usual one.
      const auto known = std::find_if(sources.begin(), sources.end(), alike);
      if (known == sources.end())
        sources.push_back(source);
      else if (source.fromUsualWidth < known->fromUsualWidth)
        *known = source;
    }
    return out;
  }();
  return found;
}

using SourcesPtr = std::shared_ptr<const std::vector<Source>>;

SourcesPtr sourcesIn(const Families& families, const std::string& lowered) {
  const auto found = families.find(lowered);
  return found == families.end() ? nullptr : SourcesPtr(SourcesPtr(), &found->second);
}
SourcesPtr sourcesOf(const std::string& family, const OwnFontsPtr& own) {
  const std::string name = lowered(family);
  if (auto bundled = sourcesIn(bundledFamilies(), name)) return bundled;
  if (auto there = sourcesIn(machine().sources, name)) return there;
  std::vector<Source> out;
  for (const std::size_t place : own ? own->of(family) : std::vector<std::size_t>{}) {
    const KeptFont& font = own->all()[place];
    Source source;
    source.face = font.face;
    source.bytes = std::as_bytes(std::span(*font.bytes));
    source.index = font.index;
    source.owner = font.bytes;
    source.font = own->font(place);
    out.push_back(std::move(source));
  }
  return out.empty() ? nullptr : std::make_shared<const std::vector<Source>>(std::move(out));
}

/// The names of a project's families that the program and the machine have not, each once, as they are written.
std::vector<std::string> namesIn(const OwnFontsPtr& own) {
  std::vector<std::string> out;
  for (const KeptFont& font : own ? own->all() : std::vector<KeptFont>{}) {
    const std::string name = lowered(font.family);
    const auto isSame = [&](const std::string& known) { return lowered(known) == name; };
    if (!bundledFamilies().contains(name) && !machine().sources.contains(name) &&
        std::none_of(out.begin(), out.end(), isSame))
      out.push_back(font.family);
  }
  return out;
}

std::vector<FontFace> facesOf(const std::vector<Source>& sources) {
  std::vector<FontFace> faces;
  faces.reserve(sources.size());
  for (const Source& source : sources) faces.push_back(source.face);
  std::sort(faces.begin(), faces.end(), [](const FontFace& a, const FontFace& b) {
    return std::pair(a.italic, a.weight) < std::pair(b.italic, b.weight);
  });
  return faces;
}

}  // namespace

OwnFontsPtr OwnFonts::with(const OwnFontsPtr& fonts, const KeptFont& font) {
  if (!font.bytes) return fonts;
  auto out = fonts ? std::make_shared<OwnFonts>(*fonts) : std::make_shared<OwnFonts>();
  FontPtr made;
  for (std::size_t i = 0; i < out->fonts_.size(); ++i) {
    const KeptFont& known = out->fonts_[i];
    if (known.face == font.face && lowered(known.family) == lowered(font.family)) return fonts;
    if (known.bytes == font.bytes && known.index == font.index) made = out->loaded_[i];
  }
  if (!made) {
    const FontPtr read = Font::of(std::as_bytes(std::span(*font.bytes)), font.index);
    if (!read) return fonts;
    // Whoever has the font has its bytes.
    made = FontPtr(read.get(), [read, bytes = font.bytes](const Font*) {});
  }
  out->fonts_.push_back(font);
  out->loaded_.push_back(std::move(made));
  return out;
}

std::vector<std::size_t> OwnFonts::of(const std::string& family) const {
  std::vector<std::size_t> out;
  for (std::size_t i = 0; i < fonts_.size(); ++i)
    if (lowered(fonts_[i].family) == lowered(family)) out.push_back(i);
  return out;
}

std::vector<FontFamily> fontFamilies(const OwnFontsPtr& own) {
  std::vector<std::string> names;
  for (const BundledFont& font : bundledFonts())
    if (names.empty() || names.back() != font.family) names.emplace_back(font.family);
  const auto first = static_cast<std::ptrdiff_t>(names.size());
  names.insert(names.end(), machine().names.begin(), machine().names.end());
  const auto others = namesIn(own);
  names.insert(names.end(), others.begin(), others.end());
  std::sort(names.begin() + first, names.end(),
            [](const std::string& a, const std::string& b) { return lowered(a) < lowered(b); });
  std::vector<FontFamily> out;
  out.reserve(names.size());
  for (const std::string& name : names) out.push_back({name, facesOf(*sourcesOf(name, own))});
  return out;
}

std::optional<FontFamily> findFamily(const std::string& name, const OwnFontsPtr& own) {
  const auto sources = sourcesOf(name, own);
  if (!sources) return std::nullopt;
  // As it is written there.
  for (const BundledFont& font : bundledFonts())
    if (lowered(std::string(font.family)) == lowered(name))
      return FontFamily{std::string(font.family), facesOf(*sources)};
  for (const auto& names : {machine().names, namesIn(own)})
    for (const std::string& known : names)
      if (lowered(known) == lowered(name)) return FontFamily{known, facesOf(*sources)};
  return std::nullopt;
}

FontHome homeOf(const std::string& family, const OwnFontsPtr& own) {
  const std::string name = lowered(family);
  if (bundledFamilies().contains(name)) return FontHome::Program;
  if (machine().sources.contains(name)) return FontHome::Machine;
  return own && !own->of(family).empty() ? FontHome::Project : FontHome::Nowhere;
}

std::string nameOf(const FontFace& face) {
  constexpr std::pair<int, const char*> words[] = {{100, "Thin"},    {200, "Extra light"}, {300, "Light"},
                                                   {400, "Regular"}, {500, "Medium"},      {600, "Semibold"},
                                                   {700, "Bold"},    {800, "Extra bold"},  {900, "Black"}};
  const auto away = [&](const auto& word) { return std::abs(word.first - face.weight); };
  const auto* nearest = std::min_element(std::begin(words), std::end(words),
                                         [&](const auto& a, const auto& b) { return away(a) < away(b); });
  if (!face.italic) return nearest->second;
  return face.weight == 400 ? "Italic" : std::string(nearest->second) + " italic";
}

FoundFont fontFor(const FaceChoice& choice) {
  constexpr int otherSlant = 10'000;
  const auto away = [&](const Source& s) {
    return std::abs(s.face.weight - choice.weight) + (s.face.italic != choice.italic ? otherSlant : 0);
  };
  const auto nearestIn = [&](const std::vector<Source>& sources) -> const Source& {
    return *std::min_element(sources.begin(), sources.end(),
                             [&](const Source& a, const Source& b) { return away(a) < away(b); });
  };
  if (const SourcesPtr sources = sourcesOf(choice.family, choice.own)) {
    const Source& nearest = nearestIn(*sources);
    // A file that was taken away since, or is none, counts as a family that is not there.
    if (FontPtr font = loaded(nearest)) return {std::move(font), nearest.face, false};
  }
  const SourcesPtr usual = sourcesOf(FaceChoice{}.family, nullptr);
  const Source& standIn = nearestIn(*usual);
  return {loaded(standIn), standIn.face, true};
}

std::optional<KeptFont> fontToKeep(const FaceChoice& choice) {
  const FontHome home = homeOf(choice.family, choice.own);
  if (home == FontHome::Program || home == FontHome::Nowhere) return std::nullopt;
  const FoundFont found = fontFor(choice);
  if (found.isStandIn || !found.font->allowsKeeping()) return std::nullopt;
  const SourcesPtr sources = sourcesOf(choice.family, choice.own);
  for (const Source& source : *sources) {
    if (source.face != found.face) continue;
    KeptFont out{findFamily(choice.family, choice.own)->name, source.face, source.index, source.owner};
    if (out.bytes) return out;
    out.bytes = wholeFile(source.file);
    return out.bytes ? std::optional(out) : std::nullopt;
  }
  return std::nullopt;
}

FoundFont fontFor(const FaceChoice& choice, const std::string& axes) {
  FoundFont found = fontFor(choice);
  if (axes.empty()) return found;
  static std::mutex mutex;
  static std::map<std::pair<FontPtr, std::string>, FontPtr> known;
  const std::lock_guard lock(mutex);
  constexpr std::size_t most = 500;
  if (known.size() > most) known.clear();
  FontPtr& font = known[{found.font, axes}];
  if (!font) font = found.font->at(axes);
  found.font = font;
  return found;
}

FontPtr fontWith(char32_t letter, const FaceChoice& like) {
  static std::mutex mutex;
  static std::map<std::pair<char32_t, int>, FontPtr> known;
  const std::lock_guard lock(mutex);
  const auto [found, fresh] = known.try_emplace({letter, like.weight}, nullptr);
  if (!fresh) return found->second;
  const PatternPtr wanted(FcPatternCreate());
  const OwnedBy<FcCharSet, FcCharSetDestroy> letters(FcCharSetCreate());
  FcCharSetAddChar(letters.get(), letter);
  FcPatternAddCharSet(wanted.get(), FC_CHARSET, letters.get());
  FcPatternAddBool(wanted.get(), FC_OUTLINE, FcTrue);
  FcPatternAddDouble(wanted.get(), FC_WEIGHT, FcWeightFromOpenTypeDouble(like.weight));
  FcConfigSubstitute(nullptr, wanted.get(), FcMatchPattern);
  FcDefaultSubstitute(wanted.get());
  FcResult result = FcResultMatch;
  const FontSetPtr set(FcFontSort(nullptr, wanted.get(), FcTrue, nullptr, &result));
  for (int i = 0; set && i < set->nfont; ++i) {
    FcBool outlines = FcFalse;
    FcPatternGetBool(set->fonts[i], FC_OUTLINE, 0, &outlines);
    FontPtr font = outlines ? loaded(sourceOf(set->fonts[i])) : nullptr;
    if (font && font->has(letter)) return found->second = font;
  }
  return nullptr;
}

}  // namespace widecut
