// What the files of fonts say of themselves, and parts of them for files that show them.
#include <hb-ot.h>
#include <hb-subset.h>
#include <hb.h>

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <string_view>

#include "words/destroyed_by.h"
#include "words/font.h"

namespace widecut {
namespace {

using Blob = OwnedBy<hb_blob_t, hb_blob_destroy>;

std::string_view bytesOf(hb_blob_t* blob) {
  unsigned length = 0;
  const char* data = hb_blob_get_data(blob, &length);
  return {data, data ? length : 0};
}
Blob table(hb_face_t* face, hb_tag_t tag) { return Blob(hb_face_reference_table(face, tag)); }
bool hasTable(hb_face_t* face, hb_tag_t tag) { return !bytesOf(table(face, tag).get()).empty(); }

int byteAt(std::string_view bytes, std::size_t at) {
  return at < bytes.size() ? static_cast<unsigned char>(bytes[at]) : 0;
}
int shortAt(std::string_view bytes, std::size_t at) {
  return static_cast<std::int16_t>((byteAt(bytes, at) << 8) | byteAt(bytes, at + 1));
}

// By OpenType's table OS/2, what the maker of the font allows. Of several uses the freest one counts; no bit allows
// all.
constexpr int forbidden = 0x2, forReading = 0x4, forEditing = 0x8, wholeOnly = 0x100, bitmapsOnly = 0x200;
int rightsOf(hb_face_t* face) {
  const Blob os2 = table(face, HB_TAG('O', 'S', '/', '2'));
  constexpr std::size_t atType = 8;
  return shortAt(bytesOf(os2.get()), atType);
}
bool allowsEmbedding(hb_face_t* face) {
  const int rights = rightsOf(face);
  const bool isForbidden = (rights & forbidden) != 0 && (rights & (forReading | forEditing)) == 0;
  return !isForbidden && (rights & (wholeOnly | bitmapsOnly)) == 0;
}

/// True for PostScript outlines whose glyphs have numbers of a collection, as its first operator says. By “The Compact
/// Font Format Specification”, 5: a header, an index of names, an index with the dictionary.
bool isKeyedByNumbers(std::string_view cff) {
  constexpr std::size_t atHeaderSize = 2;
  auto at = static_cast<std::size_t>(byteAt(cff, atHeaderSize));
  const auto number = [&](std::size_t from, int bytes) {
    std::size_t out = 0;
    for (int i = 0; i < bytes; ++i)
      out = (out << 8) | static_cast<std::size_t>(byteAt(cff, from + static_cast<std::size_t>(i)));
    return out;
  };
  /// Where the first entry of an index begins; where its last one ends.
  const auto index = [&](std::size_t from) {
    const std::size_t count = number(from, 2);
    const int size = byteAt(cff, from + 2);
    const std::size_t data = from + 2 + (count + 1) * static_cast<std::size_t>(size);
    return count == 0 ? std::pair(from + 2, from + 2)
                      : std::pair(data + 1, data + number(from + 3 + count * static_cast<std::size_t>(size), size));
  };
  at = index(at).second;
  const auto [begin, end] = index(at);
  constexpr int longNumber = 29, shortNumber = 28, real = 30, lastOperator = 21, escape = 12, collection = 30;
  for (at = begin; at < end && at < cff.size();) {
    const int byte = byteAt(cff, at);
    if (byte <= lastOperator) return byte == escape && byteAt(cff, at + 1) == collection;
    if (byte == real) {
      while (++at < end && (byteAt(cff, at) & 0xF) != 0xF) {
      }
      ++at;
    } else {
      constexpr int twoBytesFrom = 247;
      at += byte == shortNumber ? 3 : byte == longNumber ? 5 : byte >= twoBytesFrom ? 2 : 1;
    }
  }
  return false;
}

std::string nameIn(hb_face_t* face, hb_ot_name_id_t id) {
  char name[256] = "";
  unsigned length = sizeof name;
  hb_ot_name_get_utf8(face, id, HB_LANGUAGE_INVALID, &length, name);
  return name;
}

constexpr hb_tag_t cffTag = HB_TAG('C', 'F', 'F', ' '), glyfTag = HB_TAG('g', 'l', 'y', 'f');

}  // namespace

double Font::advance(std::uint32_t glyph) const {
  return hb_font_get_glyph_h_advance(font_.get(), glyph) / unitsPerEm_;
}

FontNames Font::names() const {
  hb_face_t* face = hb_font_get_face(font_.get());
  FontNames out;
  out.family = nameIn(face, HB_OT_NAME_ID_TYPOGRAPHIC_FAMILY);
  if (out.family.empty()) out.family = nameIn(face, HB_OT_NAME_ID_FONT_FAMILY);
  for (const char c : nameIn(face, HB_OT_NAME_ID_POSTSCRIPT_NAME))
    if ((c >= '0' && c <= '9') || (c >= 'A' && c <= 'Z') || (c >= 'a' && c <= 'z') || c == '-') out.postScript += c;
  if (out.postScript.empty()) out.postScript = "Font";
  out.weight = std::clamp(static_cast<int>(std::lround(hb_style_get_value(font_.get(), HB_STYLE_TAG_WEIGHT))), 1, 1000);
  out.italic = hb_style_get_value(font_.get(), HB_STYLE_TAG_ITALIC) > 0;
  return out;
}

bool Font::allowsSubsets() const {
  hb_face_t* face = hb_font_get_face(font_.get());
  if (!allowsEmbedding(face)) return false;
  if (hasTable(face, glyfTag)) return true;
  return hasTable(face, cffTag) && !isKeyedByNumbers(bytesOf(table(face, cffTag).get()));
}

bool Font::allowsKeeping() const {
  const int rights = rightsOf(hb_font_get_face(font_.get()));
  const bool isFree = (rights & (forbidden | forReading | forEditing)) == 0;
  return (isFree || (rights & forEditing) != 0) && (rights & bitmapsOnly) == 0;
}

std::optional<FontSubset> Font::subset(const std::set<std::uint32_t>& glyphs) const {
  if (!allowsSubsets()) return std::nullopt;
  hb_face_t* face = hb_font_get_face(font_.get());
  const OwnedBy<hb_subset_input_t, hb_subset_input_destroy> input(hb_subset_input_create_or_fail());
  if (!input) return std::nullopt;
  for (const std::uint32_t glyph : glyphs) hb_set_add(hb_subset_input_glyph_set(input.get()), glyph);
  hb_subset_input_set_flags(input.get(), HB_SUBSET_FLAGS_RETAIN_GIDS | HB_SUBSET_FLAGS_NOTDEF_OUTLINE);
  // What a reader that places glyphs itself has no need of.
  for (const char* tag : {"GSUB", "GPOS", "GDEF", "BASE", "JSTF", "MATH", "cmap", "name", "OS/2", "post", "kern",
                          "STAT", "DSIG", "LTSH", "VDMX", "hdmx", "gasp", "VORG", "vhea", "vmtx", "meta"})
    hb_set_add(hb_subset_input_set(input.get(), HB_SUBSET_SETS_DROP_TABLE_TAG), hb_tag_from_string(tag, -1));
  // A variable font becomes the instance that is shown.
  std::vector<hb_ot_var_axis_info_t> axes(hb_ot_var_get_axis_count(face));
  auto count = static_cast<unsigned>(axes.size());
  hb_ot_var_get_axis_infos(face, 0, &count, axes.data());
  unsigned length = 0;
  const float* now = hb_font_get_var_coords_design(font_.get(), &length);
  for (unsigned i = 0; i < count; ++i) {
    const bool isPinned = i < length ? hb_subset_input_pin_axis_location(input.get(), face, axes[i].tag, now[i]) != 0
                                     : hb_subset_input_pin_axis_to_default(input.get(), face, axes[i].tag) != 0;
    if (!isPinned) return std::nullopt;
  }
  const OwnedBy<hb_face_t, hb_face_destroy> made(hb_subset_or_fail(face, input.get()));
  if (!made) return std::nullopt;
  FontSubset out;
  out.isCff = hasTable(made.get(), cffTag);
  const Blob blob = out.isCff ? table(made.get(), cffTag) : Blob(hb_face_reference_blob(made.get()));
  out.bytes = bytesOf(blob.get());
  if (out.bytes.empty()) return std::nullopt;
  const Blob head = table(face, HB_TAG('h', 'e', 'a', 'd')), post = table(face, HB_TAG('p', 'o', 's', 't'));
  constexpr std::size_t atBox = 36, atAngle = 4;
  const auto corner = [&](std::size_t i) { return shortAt(bytesOf(head.get()), atBox + 2 * i) / unitsPerEm_; };
  out.box = {{corner(0), corner(1)}, {corner(2), corner(3)}};
  out.italicAngle = shortAt(bytesOf(post.get()), atAngle);
  return out;
}

}  // namespace widecut
