#include "words/font_library.h"

#include <fontconfig/fontconfig.h>

#include <algorithm>
#include <cmath>
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
  int fromUsualWidth = 0;  ///< By Fontconfig's count.
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
  static std::mutex mutex;
  static std::map<std::pair<const void*, std::string>, FontPtr> fonts;
  const std::lock_guard lock(mutex);
  const auto key = std::pair<const void*, std::string>(
      source.bytes.data(), source.bytes.empty() ? source.file + "#" + std::to_string(source.index) : "");
  const auto [known, fresh] = fonts.try_emplace(key, nullptr);
  if (fresh) known->second = source.bytes.empty() ? Font::fromFile(source.file, source.index) : Font::of(source.bytes);
  return known->second;
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

const std::vector<Source>* sourcesIn(const Families& families, const std::string& family) {
  const auto found = families.find(lowered(family));
  return found == families.end() ? nullptr : &found->second;
}
const std::vector<Source>* sourcesOf(const std::string& family) {
  const std::vector<Source>* own = sourcesIn(bundledFamilies(), family);
  return own ? own : sourcesIn(machine().sources, family);
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

const std::vector<FontFamily>& fontFamilies() {
  static const std::vector<FontFamily> families = [] {
    std::vector<std::string> names;
    for (const BundledFont& font : bundledFonts())
      if (names.empty() || names.back() != font.family) names.emplace_back(font.family);
    const auto own = static_cast<std::ptrdiff_t>(names.size());
    names.insert(names.end(), machine().names.begin(), machine().names.end());
    std::sort(names.begin() + own, names.end(),
              [](const std::string& a, const std::string& b) { return lowered(a) < lowered(b); });
    std::vector<FontFamily> out;
    out.reserve(names.size());
    for (const std::string& name : names) out.push_back({name, facesOf(*sourcesOf(name))});
    return out;
  }();
  return families;
}

const FontFamily* findFamily(const std::string& name) {
  const auto& all = fontFamilies();
  const auto found = std::find_if(all.begin(), all.end(),
                                  [&](const FontFamily& family) { return lowered(family.name) == lowered(name); });
  return found == all.end() ? nullptr : &*found;
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
  const auto nearestIn = [&](const std::vector<Source>& sources) {
    return *std::min_element(sources.begin(), sources.end(),
                             [&](const Source& a, const Source& b) { return away(a) < away(b); });
  };
  if (const std::vector<Source>* sources = sourcesOf(choice.family)) {
    const Source nearest = nearestIn(*sources);
    // A file that was taken away since, or is none, counts as a family that is not there.
    if (FontPtr font = loaded(nearest)) return {std::move(font), nearest.face, false};
  }
  const Source standIn = nearestIn(*sourcesOf(FaceChoice{}.family));
  return {loaded(standIn), standIn.face, true};
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
