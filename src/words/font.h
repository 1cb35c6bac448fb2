// One font: its measures, shaping a run of text with it, and the outlines of its glyphs.
#pragma once

#include <cstdint>
#include <memory>
#include <optional>
#include <set>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "geometry/box.h"
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

/// What a font says that it is.
struct FontNames {
  std::string family, postScript;
  int weight = 400;
  bool italic = false;
};

/// A part of a font for a file that shows it. Its glyphs have the numbers that they have in the whole font.
struct FontSubset {
  std::string bytes;       ///< A font file; of PostScript outlines its CFF table alone.
  bool isCff = false;      ///< PostScript outlines.
  Box box;                 ///< Of all of its glyphs, in ems, y up.
  double italicAngle = 0;  ///< Degrees against the clock, from upright.
};

/// Safe from several threads.
class Font {
 public:
  /// Bytes that outlive the font; `index` is the face's number in a collection, and in its upper 16 bits that of the
  /// instance of a variable font, from 1. Null when it is no font.
  static std::shared_ptr<const Font> of(std::span<const std::byte> bytes, unsigned index = 0);
  static std::shared_ptr<const Font> fromFile(const std::string& file, unsigned index);

  /// Above and below the base line, in ems, both counted positive.
  double ascent() const { return ascent_; }
  double descent() const { return descent_; }
  bool has(char32_t letter) const;
  /// The glyph of a letter that stands by itself; 0 where there is none.
  std::uint32_t glyphOf(char32_t letter) const;
  FontNames names() const;
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
  /// What a glyph takes up, in ems.
  double advance(std::uint32_t glyph) const;
  /// What of the font draws these glyphs and no more; nothing where it does not allow it, or it cannot be done.
  std::optional<FontSubset> subset(const std::set<std::uint32_t>& glyphs) const;
  /// Whether `subset` is allowed, and has a chance, without making one.
  bool allowsSubsets() const;
  /// Whether its maker allows the whole font to be kept in documents that others edit.
  bool allowsKeeping() const;
  /// Adds a glyph whose base line starts at the origin; `size` is the em in points.
  void addOutline(std::uint32_t glyph, Point origin, double size, Outline& outline) const;

 private:
  static std::shared_ptr<const Font> of(hb_blob_t* blob, unsigned index);
  std::shared_ptr<hb_font_t> font_;
  double unitsPerEm_ = 1000, ascent_ = 0, descent_ = 0, capHeight_ = 0, xHeight_ = 0;
  double underlineDepth_ = 0, underlineThickness_ = 0;
  /// Glyphs that were drawn, in font units: a text has the same few over and over.
  class Drawn;
  std::shared_ptr<Drawn> drawn_;
  void measure();
  Outline inUnits(std::uint32_t glyph) const;
};
using FontPtr = std::shared_ptr<const Font>;

}  // namespace widecut
