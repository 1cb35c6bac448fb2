// A font that can be opened shapes words and draws glyphs that are finite; what is none is refused.
#include <cmath>
#include <cstddef>
#include <cstdint>

#include "words/font.h"

using namespace widecut;

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  const auto font = Font::of(std::as_bytes(std::span(data, size)));
  if (!font) return 0;
  Letters letters{U"Peak fi \u00C4\u05D0", {}};
  for (std::size_t i = 0; i <= letters.codes.size(); ++i) letters.bytes.push_back(i);
  const ShapedRun run = font->shaped(letters, 0, letters.codes.size(), {false, 0x4C61746E, "en", "onum", false});
  for (const ShapedGlyph& glyph : run.glyphs) {
    if (!std::isfinite(glyph.advance) || !isFinite(glyph.offset)) __builtin_trap();
    Outline outline;
    font->addOutline(glyph.glyph, {}, 12, outline);
    if (!isFinite(outline)) __builtin_trap();
  }
  std::set<std::uint32_t> glyphs;
  for (const ShapedGlyph& glyph : run.glyphs) glyphs.insert(glyph.glyph);
  if (const auto subset = font->subset(glyphs); subset && subset->bytes.empty()) __builtin_trap();
  const FontNames names = font->names();
  if (names.postScript.empty() || names.weight < 1 || names.weight > 1000) __builtin_trap();
  (void)font->allowsKeeping();
  return 0;
}
