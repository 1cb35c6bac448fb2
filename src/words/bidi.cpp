#include "words/bidi.h"

#include <unicode/ubidi.h>
#include <unicode/uchar.h>
#include <unicode/ustring.h>

#include <algorithm>
#include <numeric>

#include "words/destroyed_by.h"

namespace widecut {
namespace {

/// What rule L1 sets back to the paragraph's level.
bool isSpaceOfLine(char32_t code) {
  switch (u_charDirection(static_cast<UChar32>(code))) {
    case U_WHITE_SPACE_NEUTRAL:
    case U_LEFT_TO_RIGHT_ISOLATE:
    case U_RIGHT_TO_LEFT_ISOLATE:
    case U_FIRST_STRONG_ISOLATE:
    case U_POP_DIRECTIONAL_ISOLATE:
    case U_LEFT_TO_RIGHT_EMBEDDING:
    case U_RIGHT_TO_LEFT_EMBEDDING:
    case U_LEFT_TO_RIGHT_OVERRIDE:
    case U_RIGHT_TO_LEFT_OVERRIDE:
    case U_POP_DIRECTIONAL_FORMAT:
    case U_BOUNDARY_NEUTRAL:
      return true;
    default:
      return false;
  }
}
bool isSeparator(char32_t code) {
  const UCharDirection direction = u_charDirection(static_cast<UChar32>(code));
  return direction == U_SEGMENT_SEPARATOR || direction == U_BLOCK_SEPARATOR;
}
bool isFromTheLeft(char32_t code) {
  constexpr char32_t firstOther = 0x0590;  // no letter before it is read from the right, nor changes directions
  return code < firstOther;
}

}  // namespace

Directions directionsOf(std::u32string_view paragraph, std::optional<BidiLevel> base) {
  Directions out;
  if (base.value_or(0) == 0 && std::all_of(paragraph.begin(), paragraph.end(), isFromTheLeft)) {
    out.levels.assign(paragraph.size(), 0);
    return out;
  }
  std::u16string units;
  units.reserve(paragraph.size());
  for (const char32_t code : paragraph) {
    char16_t pair[2];
    std::int32_t count = 0;
    U16_APPEND_UNSAFE(pair, count, static_cast<UChar32>(code));
    units.append(pair, static_cast<std::size_t>(count));
  }
  UErrorCode error = U_ZERO_ERROR;
  const OwnedBy<UBiDi, ubidi_close> bidi(ubidi_open());
  ubidi_setPara(bidi.get(), units.data(), static_cast<std::int32_t>(units.size()), base.value_or(UBIDI_DEFAULT_LTR),
                nullptr, &error);
  const UBiDiLevel* levels = ubidi_getLevels(bidi.get(), &error);
  if (U_FAILURE(error) != 0 || !levels) {
    out.levels.assign(paragraph.size(), out.base);
    return out;
  }
  out.base = static_cast<BidiLevel>(ubidi_getParaLevel(bidi.get()) & 1);
  out.levels.reserve(paragraph.size());
  std::size_t unit = 0;
  for (const char32_t code : paragraph) {
    out.levels.push_back(levels[unit]);
    unit += static_cast<std::size_t>(U16_LENGTH(code));
  }
  return out;
}

std::vector<BidiLevel> levelsOnLine(std::u32string_view paragraph, const Directions& directions, std::size_t from,
                                    std::size_t to) {
  std::vector<BidiLevel> levels(directions.levels.begin() + static_cast<std::ptrdiff_t>(from),
                                directions.levels.begin() + static_cast<std::ptrdiff_t>(to));
  bool isReset = true;  // from the line's end backwards
  for (std::size_t i = to; i > from; --i) {
    const char32_t code = paragraph[i - 1];
    if (isSeparator(code))
      isReset = true;
    else if (!isSpaceOfLine(code))
      isReset = false;
    if (isReset) levels[i - 1 - from] = directions.base;
  }
  return levels;
}

std::vector<std::size_t> visualOrder(const std::vector<BidiLevel>& levels) {
  std::vector<std::size_t> order(levels.size());
  std::iota(order.begin(), order.end(), std::size_t{0});
  if (levels.empty()) return order;
  const auto highest = *std::max_element(levels.begin(), levels.end());
  for (int level = highest; level > 0; --level)
    for (std::size_t i = 0; i < order.size();) {
      std::size_t end = i;
      while (end < order.size() && levels[order[end]] >= level) ++end;
      std::reverse(order.begin() + static_cast<std::ptrdiff_t>(i), order.begin() + static_cast<std::ptrdiff_t>(end));
      i = end + 1;
    }
  return order;
}

}  // namespace widecut
