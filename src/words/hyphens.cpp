#include "words/hyphens.h"

#include <hyphen.h>
#include <unicode/ucnv.h>
#include <unicode/ustring.h>

#include <algorithm>
#include <cstdlib>
#include <filesystem>
#include <map>
#include <mutex>

#include "words/destroyed_by.h"

namespace widecut {
namespace {

namespace fs = std::filesystem;
constexpr int leastBefore = 2, leastBehind = 3;

/// Files of patterns are called hyph_de_AT.dic.
constexpr std::string_view before = "hyph_", behind = ".dic";

std::string spelled(std::string name) {
  std::replace(name.begin(), name.end(), '_', '-');
  return name;
}

struct Patterns {
  OwnedBy<HyphenDict, hnj_hyphen_free> dictionary;
  OwnedBy<UConverter, ucnv_close> converter;  ///< To their letters, of one byte each; null for UTF-8.
};

/// Loads each once. Null where there is none, or it cannot be read.
const Patterns* patternsOf(const std::string& language) {
  static std::mutex mutex;
  static std::map<std::string, Patterns> known;
  const std::lock_guard lock(mutex);
  const auto [found, fresh] = known.try_emplace(language);
  if (fresh) {
    std::string name = language;
    std::replace(name.begin(), name.end(), '-', '_');
    const fs::path file = fs::path(WIDECUT_HYPHENS) / (std::string(before) + name + std::string(behind));
    found->second.dictionary.reset(hnj_hyphen_load(file.c_str()));
    if (const HyphenDict* dictionary = found->second.dictionary.get(); dictionary && dictionary->utf8 == 0) {
      UErrorCode error = U_ZERO_ERROR;
      found->second.converter.reset(ucnv_open(dictionary->cset, &error));
      if (U_FAILURE(error) != 0) found->second.dictionary.reset();
    }
  }
  return found->second.dictionary ? &found->second : nullptr;
}

bool isContinuation(char c) { return (c & '\xC0') == '\x80'; }

/// The word in the letters of the patterns; empty where they have not all of them.
std::string converted(std::string_view word, const Patterns& patterns) {
  if (!patterns.converter) return std::string(word);
  UErrorCode error = U_ZERO_ERROR;
  std::u16string units(word.size(), u'\0');
  std::int32_t count = 0;
  u_strFromUTF8(units.data(), static_cast<std::int32_t>(units.size()), &count, word.data(),
                static_cast<std::int32_t>(word.size()), &error);
  ucnv_setFromUCallBack(patterns.converter.get(), UCNV_FROM_U_CALLBACK_STOP, nullptr, nullptr, nullptr, &error);
  std::string out(word.size(), '\0');
  const auto bytes = ucnv_fromUChars(patterns.converter.get(), out.data(), static_cast<std::int32_t>(out.size()),
                                     units.data(), count, &error);
  if (U_FAILURE(error) != 0) return {};
  out.resize(static_cast<std::size_t>(bytes));
  return out;
}

}  // namespace

const std::vector<std::string>& hyphenLanguages() {
  static const std::vector<std::string> languages = [] {
    std::vector<std::string> out;
    std::error_code error;
    for (const auto& entry : fs::directory_iterator(WIDECUT_HYPHENS, error)) {
      const std::string name = entry.path().filename().string();
      if (!name.starts_with(before) || !name.ends_with(behind)) continue;
      out.push_back(spelled(name.substr(before.size(), name.size() - before.size() - behind.size())));
    }
    std::sort(out.begin(), out.end());
    return out;
  }();
  return languages;
}

std::string hyphensFor(const std::string& language) {
  const auto& all = hyphenLanguages();
  const auto has = [&](const std::string& name) { return std::find(all.begin(), all.end(), name) != all.end(); };
  if (has(language)) return language;
  const std::string plain = language.substr(0, language.find('-'));
  if (has(plain)) return plain;
  const auto near =
      std::find_if(all.begin(), all.end(), [&](const auto& name) { return name.starts_with(plain + "-"); });
  return near == all.end() || plain.empty() ? "" : *near;
}

std::vector<std::size_t> hyphenPlaces(std::string_view word, const std::string& language) {
  constexpr std::size_t longest = 200;  // bytes: what is longer is no word
  const std::string nearest = hyphensFor(language);
  if (nearest.empty() || word.size() > longest) return {};
  const Patterns* patterns = patternsOf(nearest);
  if (!patterns) return {};
  static std::mutex mutex;  // the converters have a state
  const std::lock_guard lock(mutex);
  const std::string text = converted(word, *patterns);
  if (text.empty()) return {};
  std::string marks(text.size() + 5, '\0');
  char** replaced = nullptr;
  int *at = nullptr, *cut = nullptr;
  const int failed =
      hnj_hyphen_hyphenate3(patterns->dictionary.get(), text.c_str(), static_cast<int>(text.size()), marks.data(),
                            nullptr, &replaced, &at, &cut, leastBefore, leastBehind, leastBefore, leastBehind);
  std::vector<std::size_t> places;
  std::size_t letters = 0;
  if (failed == 0) {
    for (std::size_t byte = 0; byte < word.size(); ++byte) {
      if (byte > 0 && !isContinuation(word[byte])) {
        // Odd after a letter that may end a line. Where letters would change there, the word stays whole.
        const bool changes = replaced && replaced[letters];
        if (letters < marks.size() && (marks[letters] & 1) != 0 && !changes) places.push_back(byte);
        ++letters;
      }
    }
  }
  if (replaced)
    for (std::size_t i = 0; i + 1 < text.size(); ++i) free(replaced[i]);
  free(replaced);
  free(at);
  free(cut);
  return places;
}

}  // namespace widecut
