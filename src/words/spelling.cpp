#include "words/spelling.h"

#include <unicode/ubrk.h>
#include <unicode/ucnv.h>
#include <unicode/utext.h>

#include <algorithm>
#include <filesystem>
#include <hunspell/hunspell.hxx>
#include <map>
#include <memory>
#include <mutex>
#include <unordered_map>

#include "words/destroyed_by.h"

namespace widecut {
namespace {

namespace fs = std::filesystem;

/// A dictionary, and what it said of words lately.
struct Dictionary {
  std::unique_ptr<Hunspell> words;
  std::string letters;  ///< The encoding of its words.
  std::unordered_map<std::string, bool> known;
};

/// Files are called de_AT.dic, with de_AT.aff beside.
std::string fileName(std::string language) {
  std::replace(language.begin(), language.end(), '-', '_');
  return language;
}

/// The language itself, or one of a country where it is spoken: that of the same letters, as de-DE, or the first.
std::string nearest(const std::string& language) {
  const auto& all = spelledLanguages();
  if (std::find(all.begin(), all.end(), language) != all.end()) return language;
  if (language == "en") {
    for (const char* usual : {"en-US", "en-GB"})
      if (std::find(all.begin(), all.end(), usual) != all.end()) return usual;
  }
  const std::string root = language.substr(0, language.find('-'));
  for (const std::string& one : all)
    if (one == root || one.starts_with(root + "-")) return one;
  return {};
}

Dictionary* dictionaryOf(const std::string& language) {
  static std::map<std::string, Dictionary> loaded;
  const auto [found, fresh] = loaded.try_emplace(language);
  Dictionary& one = found->second;
  if (fresh) {
    const std::string name = nearest(language);
    if (!name.empty()) {
      const std::string path = (fs::path(WIDECUT_SPELLING) / fileName(name)).string();
      one.words = std::make_unique<Hunspell>((path + ".aff").c_str(), (path + ".dic").c_str());
      one.letters = one.words->get_dict_encoding();
    }
  }
  return one.words ? &one : nullptr;
}

bool isRight(Dictionary& dictionary, const std::string& word) {
  constexpr std::size_t most = 100'000;
  if (dictionary.known.size() > most) dictionary.known.clear();
  const auto [found, fresh] = dictionary.known.try_emplace(word, true);
  if (!fresh) return found->second;
  std::string written = word;
  if (dictionary.letters != "UTF-8") {
    UErrorCode error = U_ZERO_ERROR;
    const auto count =
        ucnv_convert(dictionary.letters.c_str(), "UTF-8", written.data(), static_cast<std::int32_t>(written.size()),
                     word.data(), static_cast<std::int32_t>(word.size()), &error);
    written.resize(static_cast<std::size_t>(std::max(count, 0)));
    if (U_FAILURE(error) != 0) return true;
  }
  return found->second = dictionary.words->spell(written);
}

}  // namespace

const std::vector<std::string>& spelledLanguages() {
  static const std::vector<std::string> all = [] {
    std::vector<std::string> out;
    std::error_code error;
    for (const auto& file : fs::directory_iterator(WIDECUT_SPELLING, error)) {
      if (file.path().extension() != ".dic") continue;
      fs::path rules = file.path();
      if (!fs::exists(rules.replace_extension(".aff"), error)) continue;
      std::string name = file.path().stem().string();
      std::replace(name.begin(), name.end(), '_', '-');
      out.push_back(std::move(name));
    }
    std::sort(out.begin(), out.end());
    return out;
  }();
  return all;
}

std::vector<std::pair<std::size_t, std::size_t>> misspelled(std::string_view text, const std::string& language) {
  static std::mutex mutex;
  const std::lock_guard lock(mutex);
  std::vector<std::pair<std::size_t, std::size_t>> out;
  Dictionary* dictionary = dictionaryOf(language);
  if (!dictionary || text.empty()) return out;
  UErrorCode error = U_ZERO_ERROR;
  const OwnedBy<UText, utext_close> letters(
      utext_openUTF8(nullptr, text.data(), static_cast<std::int64_t>(text.size()), &error));
  const OwnedBy<UBreakIterator, ubrk_close> breaks(ubrk_open(UBRK_WORD, "", nullptr, 0, &error));
  if (!breaks || U_FAILURE(error) != 0) return out;
  ubrk_setUText(breaks.get(), letters.get(), &error);
  std::size_t from = 0;
  for (std::int32_t at = ubrk_next(breaks.get()); at != UBRK_DONE; at = ubrk_next(breaks.get())) {
    const auto to = static_cast<std::size_t>(at);
    const std::int32_t kind = ubrk_getRuleStatus(breaks.get());
    const std::string word(text.substr(from, to - from));
    const bool isWord = kind >= UBRK_WORD_LETTER && kind < UBRK_WORD_LETTER_LIMIT &&
                        std::none_of(word.begin(), word.end(), [](char c) { return c >= '0' && c <= '9'; });
    if (isWord && !isRight(*dictionary, word)) out.emplace_back(from, to);
    from = to;
  }
  return out;
}

}  // namespace widecut
