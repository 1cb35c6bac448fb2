#include "words/text_breaks.h"

#include <unicode/ubrk.h>
#include <unicode/uchar.h>
#include <unicode/utext.h>
#include <unicode/utf8.h>

#include <algorithm>

#include "words/destroyed_by.h"

#pragma GCC diagnostic ignored "-Wconversion"  // in the library's macros

namespace widecut {
namespace {

/// The boundaries of one kind in a text.
class Breaks {
 public:
  Breaks(UBreakIteratorType type, std::string_view text) {
    UErrorCode error = U_ZERO_ERROR;
    text_.reset(utext_openUTF8(nullptr, text.data(), static_cast<std::int64_t>(text.size()), &error));
    breaks_.reset(ubrk_open(type, "", nullptr, 0, &error));
    if (breaks_) ubrk_setUText(breaks_.get(), text_.get(), &error);
  }
  std::vector<std::size_t> all() const {
    std::vector<std::size_t> places;
    for (std::int32_t at = ubrk_first(breaks_.get()); at != UBRK_DONE; at = ubrk_next(breaks_.get()))
      places.push_back(static_cast<std::size_t>(at));
    return places;
  }

 private:
  OwnedBy<UText, utext_close> text_;
  OwnedBy<UBreakIterator, ubrk_close> breaks_;
};

void append(std::string& out, char32_t code) {
  char bytes[U8_MAX_LENGTH];
  std::int32_t count = 0;
  U8_APPEND_UNSAFE(bytes, count, code);
  out.append(bytes, static_cast<std::size_t>(count));
}

bool isSpace(std::string_view text, std::size_t at) {
  return u_isUWhiteSpace(static_cast<UChar32>(letterAt(text, at).code));
}

}  // namespace

std::string cleanText(std::string_view text) {
  constexpr char32_t lineSeparator = 0x2028, paragraphSeparator = 0x2029, nextLine = 0x85, replacement = 0xFFFD;
  std::string out;
  out.reserve(text.size());
  const auto size = static_cast<std::int32_t>(text.size());
  for (std::int32_t at = 0; at < size;) {
    UChar32 code = 0;
    U8_NEXT(text.data(), at, size, code);
    if (code == '\r') {
      if (at < size && text[static_cast<std::size_t>(at)] == '\n') ++at;
      out += '\n';
    } else if (code == '\n' || code == '\v' || code == '\f' || code == nextLine || code == lineSeparator ||
               code == paragraphSeparator) {
      out += '\n';
    } else if (code == '\t') {
      out += '\t';
    } else if (code < 0) {
      append(out, replacement);
    } else if (u_charType(code) != U_CONTROL_CHAR) {
      append(out, static_cast<char32_t>(code));
    }
  }
  return out;
}

std::vector<std::size_t> letterStops(std::string_view text) {
  if (text.empty()) return {0};
  return Breaks(UBRK_CHARACTER, text).all();
}

std::vector<std::size_t> lineStops(std::string_view text) {
  auto places = Breaks(UBRK_LINE, text).all();
  std::erase(places, std::size_t{0});
  if (places.empty() || places.back() != text.size()) places.push_back(text.size());
  return places;
}

std::size_t stepped(std::string_view text, std::size_t from, int direction, Stride stride) {
  auto places = Breaks(stride == Stride::Letter ? UBRK_CHARACTER : UBRK_WORD, text).all();
  // Words begin where no white space is.
  if (stride == Stride::Word)
    std::erase_if(places, [&](std::size_t at) { return at > 0 && at < text.size() && isSpace(text, at); });
  if (direction > 0) {
    const auto next = std::upper_bound(places.begin(), places.end(), from);
    return next == places.end() ? text.size() : *next;
  }
  const auto here = std::lower_bound(places.begin(), places.end(), from);
  return here == places.begin() ? 0 : *(here - 1);
}

std::pair<std::size_t, std::size_t> wordAt(std::string_view text, std::size_t at) {
  if (text.empty()) return {0, 0};
  const auto places = Breaks(UBRK_WORD, text).all();
  auto end = std::upper_bound(places.begin(), places.end(), std::min(at, text.size() - 1));
  if (end == places.end()) --end;
  return {end == places.begin() ? 0 : *(end - 1), *end};
}

Letter letterAt(std::string_view text, std::size_t at) {
  UChar32 code = 0;
  auto next = static_cast<std::int32_t>(at);
  U8_NEXT(text.data(), next, static_cast<std::int32_t>(text.size()), code);
  return {static_cast<char32_t>(std::max(code, 0)), static_cast<std::size_t>(next) - at};
}

bool isAttached(char32_t code) {
  const auto c = static_cast<UChar32>(code);
  return (U_GET_GC_MASK(c) & U_GC_M_MASK) != 0 || u_hasBinaryProperty(c, UCHAR_JOIN_CONTROL) ||
         u_hasBinaryProperty(c, UCHAR_VARIATION_SELECTOR);
}

}  // namespace widecut
