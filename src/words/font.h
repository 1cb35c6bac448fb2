// One font: its measures, shaping a run of text with it, and the outlines of its glyphs.
#pragma once

#include <cstdint>
#include <memory>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "geometry/outline.h"

struct hb_blob_t;
struct hb_font_t;

namespace widecut {

/// A glyph where shaping put it. Lengths in ems; y points down.
struct ShapedGlyph {
  std::uint32_t glyph = 0;  ///< Its number in the font.
  std::size_t at = 0;       ///< The byte of the text at which its cluster begins.
  Point offset;             ///< From where it would stand.
  double advance = 0;       ///< From its place to that of the next one.
  bool isJoined = false;    ///< The text cannot be parted before it without shaping it anew.
};
/// A stretch of text in one font.
struct ShapedRun {
  std::vector<ShapedGlyph> glyphs;  ///< As they stand, from left to right.
  bool leftward = false;            ///< Read from right to left.
};
/// A text letter by letter, each with the byte at which it is written.
struct Letters {
  std::u32string codes;
  std::vector<std::size_t> bytes;  ///< One more than there are letters: the end.
};
/// What letters are, that shaping goes by.
struct Shaping {
  bool leftward = false;
  std::uint32_t script = 0;  ///< Its four letters by ISO 15924, as HarfBuzz packs them.
  std::string language;      ///< By BCP 47.
  std::string features;      ///< As “onum, liga=0”; what is none is passed over.
  bool smallCaps = false;    ///< The font's own.
  bool operator==(const Shaping&) const = default;
};

/// Safe from several threads.
class Font {
 public:
  /// Bytes that outlive the font; `index` is the face's number in a collection, and in its upper 16 bits that of the
  /// instance of a variable font, from 1. Null when it is no font.
  static std::shared_ptr<const Font> of(std::span<const std::byte> bytes);
  static std::shared_ptr<const Font> fromFile(const std::string& file, unsigned index);

  /// Above and below the base line, in ems, both counted positive.
  double ascent() const { return ascent_; }
  double descent() const { return descent_; }
  bool has(char32_t letter) const;
  /// How high its capitals and its small letters without ascenders are, in ems; estimated where the font does not say.
  double capHeight() const { return capHeight_; }
  double xHeight() const { return xHeight_; }
  /// Where an underline lies below the base line, and how thick it is, in ems.
  double underlineDepth() const { return underlineDepth_; }
  double underlineThickness() const { return underlineThickness_; }
  /// Whether it has small capitals for letters of this script.
  bool hasSmallCaps(std::uint32_t script) const;
  /// The letters from … to of a text, with kerning and ligatures. What stands round them is looked at, not shaped.
  ShapedRun shaped(const Letters& text, std::size_t from, std::size_t to, const Shaping& how) const;
  /// The same font at other places of its axes, as “wdth 80, slnt -5”; itself where it has none of them.
  std::shared_ptr<const Font> at(const std::string& axes) const;
  /// Adds a glyph whose base line starts at the origin; `size` is the em in points.
  void addOutline(std::uint32_t glyph, Point origin, double size, Outline& outline) const;

 private:
  static std::shared_ptr<const Font> of(hb_blob_t* blob, unsigned index);
  std::shared_ptr<hb_font_t> font_;
  double unitsPerEm_ = 1000, ascent_ = 0, descent_ = 0, capHeight_ = 0, xHeight_ = 0;
  double underlineDepth_ = 0, underlineThickness_ = 0;
  void measure();
};
using FontPtr = std::shared_ptr<const Font>;

}  // namespace widecut
