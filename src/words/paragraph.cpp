#include "words/paragraph.h"

#include <unicode/uchar.h>
#include <unicode/uscript.h>
#include <unicode/ustring.h>

#include <algorithm>
#include <span>

#include "words/font_library.h"
#include "words/text_breaks.h"

#pragma GCC diagnostic ignored "-Wconversion"  // in the library's macros

namespace widecut {
namespace {

constexpr double smallCapital = 0.78;  // of the size, where the font has none of its own

/// The letters that one becomes in another case; mostly one.
std::u32string inCase(char32_t code, bool upper, const std::string& language) {
  char16_t from[2], to[8];
  std::int32_t length = 0;
  U16_APPEND_UNSAFE(from, length, static_cast<UChar32>(code));
  UErrorCode error = U_ZERO_ERROR;
  const auto count = upper ? u_strToUpper(to, std::size(to), from, length, language.c_str(), &error)
                           : u_strToLower(to, std::size(to), from, length, language.c_str(), &error);
  if (U_FAILURE(error) != 0 || count > static_cast<std::int32_t>(std::size(to))) return {code};
  std::u32string out;
  for (std::int32_t i = 0; i < count;) {
    UChar32 c = 0;
    U16_NEXT(to, i, count, c);
    out += static_cast<char32_t>(c);
  }
  return out;
}

/// Four letters by ISO 15924, packed.
std::uint32_t packedName(UScriptCode script) {
  const char* name = uscript_getShortName(script);
  std::uint32_t out = 0;
  for (int i = 0; i < 4; ++i) out = out << 8U | static_cast<unsigned char>(name[i]);
  return out;
}

UScriptCode scriptOf(char32_t code) {
  UErrorCode error = U_ZERO_ERROR;
  return uscript_getScript(static_cast<UChar32>(code), &error);
}
bool hasOwnScript(UScriptCode script) { return script > USCRIPT_INHERITED; }

/// The script of each letter; what belongs to all is of the one before it, at the beginning of the one after it.
std::vector<UScriptCode> scriptsOf(std::u32string_view letters) {
  std::vector<UScriptCode> out;
  out.reserve(letters.size());
  const auto first = std::find_if(letters.begin(), letters.end(), [](char32_t c) { return hasOwnScript(scriptOf(c)); });
  UScriptCode now = first == letters.end() ? USCRIPT_COMMON : scriptOf(*first);
  for (const char32_t code : letters) {
    const UScriptCode own = scriptOf(code);
    if (hasOwnScript(own)) now = own;
    out.push_back(now);
  }
  return out;
}

bool isWhite(char32_t code) { return u_isUWhiteSpace(static_cast<UChar32>(code)) != 0; }
bool holdsTogether(char32_t code) { return code == 0xA0 || code == 0x2007 || code == 0x202F; }

/// The share of its width by which a letter hangs out of a line that it ends, or begins.
double hangingShare(char32_t code, bool ends) {
  constexpr char32_t full[] = U".,\u2019\u201D\u00BB'\"", half[] = U"-\u2010\u2013\u2014:;\u00AD!?";
  constexpr char32_t opening[] = U"\u2018\u201C\u201E\u201A\u00AB'\"(";
  const std::u32string_view all(full), some(half), before(opening);
  if (!ends) return before.find(code) != std::u32string_view::npos ? 0.6 : 0;
  if (all.find(code) != std::u32string_view::npos) return 0.7;
  return some.find(code) != std::u32string_view::npos ? 0.4 : 0;
}

/// The glyphs of the clusters from one byte to another. Clusters rise from left to right, or fall in runs read from the
/// right.
std::span<const ShapedGlyph> glyphsBetween(const ShapedRun& run, std::size_t from, std::size_t to) {
  const auto& glyphs = run.glyphs;
  const auto upTo = [&](std::size_t byte) {  // the first glyph that is not before a byte, as the run goes
    const auto isBefore = [&](const ShapedGlyph& g) { return run.leftward ? g.at >= byte : g.at < byte; };
    return std::partition_point(glyphs.begin(), glyphs.end(), isBefore);
  };
  const auto first = upTo(run.leftward ? to : from), last = upTo(run.leftward ? from : to);
  return {first, last};
}

/// Letters of scripts without spaces: justified lines part them from one another.
bool standsFree(char32_t code) {
  const int kind = u_getIntPropertyValue(static_cast<UChar32>(code), UCHAR_LINE_BREAK);
  return kind == U_LB_IDEOGRAPHIC || kind == U_LB_CONDITIONAL_JAPANESE_STARTER || kind == U_LB_COMPLEX_CONTEXT;
}

}  // namespace

Paragraph::Paragraph(std::string text, std::vector<StyledStretch> stretches, TextStyle whole)
    : text_(std::move(text)), stretches_(std::move(stretches)), whole_(std::move(whole)) {
  const TextStyle& first = stretches_.empty() ? whole_ : stretches_.front().style;
  const FontPtr font = fontFor(first.face, first.axes).font;
  ascent_ = font->ascent() * first.size;
  descent_ = font->descent() * first.size;
  capHeight_ = font->capHeight() * first.size;
  readLetters();
  directions_ = directionsOf(letters_.codes);
  shapePieces();
  letterPlaces_ = letterStops(text_);
}

void Paragraph::readLetters() {
  std::size_t stretch = 0;
  for (std::size_t byte = 0; byte < text_.size();) {
    while (stretch + 1 < stretches_.size() && byte >= stretches_[stretch].to) ++stretch;
    const Letter letter = letterAt(text_, byte);
    addLetter(letter.code, byte, stretch);
    byte += letter.bytes;
  }
  letters_.bytes.push_back(text_.size());
}

void Paragraph::addLetter(char32_t code, std::size_t byte, std::size_t stretch) {
  const TextStyle& style = stretches_.empty() ? whole_ : stretches_[stretch].style;
  std::u32string codes{code};
  bool isSmall = false;
  switch (style.letterCase) {
    case LetterCase::AsTyped:
      break;
    case LetterCase::Capitals:
      codes = inCase(code, true, style.language);
      break;
    case LetterCase::SmallLetters:
      codes = inCase(code, false, style.language);
      break;
    case LetterCase::SmallCapitals:
      isSmall = u_islower(static_cast<UChar32>(code)) != 0 &&
                !fontFor(style.face, style.axes).font->hasSmallCaps(packedName(scriptOf(code)));
      if (isSmall) codes = inCase(code, true, style.language);
  }
  for (const char32_t one : codes) {
    letters_.codes += one;
    letters_.bytes.push_back(byte);
    stretchOf_.push_back(static_cast<std::uint32_t>(stretch));
    isSmall_.push_back(isSmall);
  }
}

void Paragraph::shapePieces() {
  const auto scripts = scriptsOf(letters_.codes);
  const std::size_t count = letters_.codes.size();
  const auto styleOf = [&](std::size_t i) -> const TextStyle& {
    return stretches_.empty() ? whole_ : stretches_[stretchOf_[i]].style;
  };
  // The chosen font of each letter, or one that has it.
  std::vector<FontPtr> fonts;
  fonts.reserve(count);
  FontPtr chosen;
  for (std::size_t i = 0; i < count; ++i) {
    const TextStyle& style = styleOf(i);
    if (i == 0 || stretchOf_[i] != stretchOf_[i - 1]) chosen = fontFor(style.face, style.axes).font;
    const char32_t code = letters_.codes[i];
    FontPtr font = chosen;
    if (i > 0 && isAttached(code) && stretchOf_[i] == stretchOf_[i - 1])
      font = fonts[i - 1];
    else if (!isWhite(code) && !chosen->has(code))
      if (FontPtr other = fontWith(code, style.face)) font = std::move(other);
    fonts.push_back(std::move(font));
  }
  const auto continues = [&](std::size_t i) {
    return stretchOf_[i] == stretchOf_[i - 1] && isSmall_[i] == isSmall_[i - 1] && fonts[i] == fonts[i - 1] &&
           scripts[i] == scripts[i - 1] && directions_.levels[i] == directions_.levels[i - 1] &&
           letters_.codes[i] != '\t' && letters_.codes[i - 1] != '\t';
  };
  for (std::size_t from = 0; from < count;) {
    std::size_t to = from + 1;
    while (to < count && continues(to)) ++to;
    const TextStyle& style = styleOf(from);
    Piece piece;
    piece.from = from;
    piece.to = to;
    piece.level = directions_.levels[from];
    piece.font = fonts[from];
    piece.style = &style;
    piece.size = style.size * (isSmall_[from] ? smallCapital : 1);
    piece.how = {(piece.level & 1) != 0, packedName(scripts[from]), style.language, style.features,
                 style.letterCase == LetterCase::SmallCapitals && !isSmall_[from]};
    // Letters that are drawn apart are not joined.
    if (style.tracking != 0) piece.how.features += ", liga=0, clig=0";
    piece.run = piece.font->shaped(letters_, from, to, piece.how);
    addClusters(piece);
    pieces_.push_back(std::move(piece));
    from = to;
  }
}

void Paragraph::addCluster(const Piece& piece, std::size_t from, std::size_t to, double width) {
  const char32_t first = letterAt(text_, from).code;
  Cluster out;
  out.from = from;
  out.to = to;
  out.isTab = first == '\t';
  out.width = out.isTab ? 0 : width;
  out.isSpace = isWhite(first) && !holdsTogether(first);
  if (out.isSpace || holdsTogether(first)) {
    out.stretch = width / 2;
    out.shrink = width / 3;
  } else if (standsFree(first)) {
    constexpr double share = 0.12;  // of its width
    out.stretch = width * share;
  }
  if (piece.style->hanging) {
    out.hangsBefore = hangingShare(first, false) * width;
    out.hangsAfter = hangingShare(first, true) * width;
  }
  clusters_.push_back(out);
}

void Paragraph::addClusters(const Piece& piece) {
  const auto& glyphs = piece.run.glyphs;
  const auto count = static_cast<std::ptrdiff_t>(glyphs.size());
  const double between = piece.style->tracking / 1000 * piece.size;
  const std::ptrdiff_t step = piece.run.leftward ? -1 : 1;
  for (std::ptrdiff_t i = step > 0 ? 0 : count - 1; i >= 0 && i < count;) {
    const std::size_t at = glyphs[static_cast<std::size_t>(i)].at;
    double width = between;
    for (; i >= 0 && i < count && glyphs[static_cast<std::size_t>(i)].at == at; i += step)
      width += glyphs[static_cast<std::size_t>(i)].advance * piece.size;
    const std::size_t to = i >= 0 && i < count ? glyphs[static_cast<std::size_t>(i)].at : letters_.bytes[piece.to];
    if (to > at) addCluster(piece, at, to, width);
  }
}

const TextStyle& Paragraph::styleAt(std::size_t byte) const {
  const std::size_t letter = letterAtByte(byte);
  return stretches_.empty() || letter >= stretchOf_.size() ? whole_ : stretches_[stretchOf_[letter]].style;
}

std::size_t Paragraph::clusterAt(std::size_t byte) const {
  const auto found = std::lower_bound(clusters_.begin(), clusters_.end(), byte,
                                      [](const Cluster& c, std::size_t at) { return c.from < at; });
  return static_cast<std::size_t>(found - clusters_.begin());
}

std::size_t Paragraph::letterAtByte(std::size_t byte) const {
  const auto found = std::lower_bound(letters_.bytes.begin(), letters_.bytes.end(), byte);
  return std::min(static_cast<std::size_t>(found - letters_.bytes.begin()), letters_.codes.size());
}

SetRun Paragraph::runOf(const Piece& piece, std::size_t from, std::size_t to, BidiLevel level) const {
  const auto isSafe = [&](std::size_t letter) {
    if (letter == piece.from || letter == piece.to) return true;
    const std::size_t byte = letters_.bytes[letter];
    const auto cluster = glyphsBetween(piece.run, byte, byte + 1);
    return !cluster.empty() && std::none_of(cluster.begin(), cluster.end(), [](const auto& g) { return g.isJoined; });
  };
  SetRun out;
  out.font = piece.font;
  out.size = piece.size;
  out.raised = piece.style->shift;
  out.leftward = (level & 1) != 0;
  out.underlined = piece.style->underlined;
  out.colour = piece.style->colour;
  out.from = letters_.bytes[from];
  out.to = letters_.bytes[to];
  const bool isWhole = (level & 1) == (piece.level & 1) && isSafe(from) && isSafe(to);
  ShapedRun anew;
  if (!isWhole) {
    Shaping how = piece.how;
    how.leftward = out.leftward;
    anew = piece.font->shaped(letters_, from, to, how);
  }
  if (letters_.codes[from] == '\t') return out;
  const auto glyphs = glyphsBetween(isWhole ? piece.run : anew, out.from, out.to);
  const double between = piece.style->tracking / 1000 * piece.size;
  out.glyphs.reserve(glyphs.size());
  for (std::size_t i = 0; i < glyphs.size(); ++i) {
    const ShapedGlyph& g = glyphs[i];
    // What is between letters stands behind the last glyph of each.
    const bool isLast = i + 1 == glyphs.size() || glyphs[i + 1].at != g.at;
    const double advance = g.advance * piece.size + (isLast ? between : 0);
    out.glyphs.push_back({g.glyph, g.at, g.offset * piece.size, advance});
    out.width += advance;
  }
  return out;
}

std::vector<SetRun> Paragraph::line(std::size_t from, std::size_t to) const {
  const std::size_t first = letterAtByte(from), last = letterAtByte(to);
  const auto levels = levelsOnLine(letters_.codes, directions_, first, last);
  std::vector<SetRun> runs;
  std::vector<BidiLevel> levelOf;
  auto piece = std::upper_bound(pieces_.begin(), pieces_.end(), first,
                                [](std::size_t letter, const Piece& p) { return letter < p.to; });
  for (std::size_t at = first; at < last;) {
    while (piece != pieces_.end() && piece->to <= at) ++piece;
    std::size_t end = at + 1;
    while (end < last && end < piece->to && levels[end - first] == levels[at - first]) ++end;
    runs.push_back(runOf(*piece, at, end, levels[at - first]));
    levelOf.push_back(levels[at - first]);
    at = end;
  }
  std::vector<SetRun> out;
  out.reserve(runs.size());
  double x = 0;
  for (const std::size_t i : visualOrder(levelOf)) {
    runs[i].x = x;
    x += runs[i].width;
    out.push_back(std::move(runs[i]));
  }
  return out;
}

SetRun Paragraph::hyphenBefore(std::size_t byte) const {
  const std::size_t letter = letterAtByte(byte);
  const TextStyle& style = stretches_.empty() || letter == 0 ? whole_ : stretches_[stretchOf_[letter - 1]].style;
  TextStyle plain = style;
  plain.letterCase = LetterCase::AsTyped;
  const FontPtr font = fontFor(style.face, style.axes).font;
  const char* sign = font->has(0x2010) ? "\xE2\x80\x90" : "-";
  const auto hyphen = paragraphFor(sign, {}, plain);
  SetRun run = hyphen->line(0, hyphen->text().size()).front();
  run.leftward = isLeftward();
  return run;
}

std::vector<SetRun> Paragraph::words(const std::string& text) const {
  const auto made = paragraphFor(text, {}, stretches_.empty() ? whole_ : stretches_.front().style);
  return made->line(0, text.size());
}

}  // namespace widecut
