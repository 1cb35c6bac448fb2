#include "words/font.h"

#include <hb-ot.h>
#include <hb.h>

#include <algorithm>
#include <map>
#include <mutex>
#include <unordered_map>

#include "words/destroyed_by.h"

namespace widecut {
namespace {

/// Where glyph drawing writes to, in font units; y turns down.
Contour& lastOf(void* outline) { return static_cast<Outline*>(outline)->contours.back(); }
Point turned(float x, float y) { return {x, -y}; }

hb_draw_funcs_t* makeDrawFunctions() {
  hb_draw_funcs_t* f = hb_draw_funcs_create();
  hb_draw_funcs_set_move_to_func(
      f,
      [](hb_draw_funcs_t*, void* data, hb_draw_state_t*, float x, float y, void*) {
        static_cast<Outline*>(data)->contours.push_back({turned(x, y), {}, true});
      },
      nullptr, nullptr);
  hb_draw_funcs_set_line_to_func(
      f,
      [](hb_draw_funcs_t*, void* data, hb_draw_state_t*, float x, float y, void*) {
        lastOf(data).segments.push_back(Segment::line(turned(x, y)));
      },
      nullptr, nullptr);
  hb_draw_funcs_set_quadratic_to_func(
      f,
      [](hb_draw_funcs_t*, void* data, hb_draw_state_t*, float hx, float hy, float x, float y, void*) {
        lastOf(data).segments.push_back(Segment::quadratic(turned(hx, hy), turned(x, y)));
      },
      nullptr, nullptr);
  hb_draw_funcs_set_cubic_to_func(
      f,
      [](hb_draw_funcs_t*, void* data, hb_draw_state_t*, float ax, float ay, float bx, float by, float x, float y,
         void*) { lastOf(data).segments.push_back(Segment::cubic(turned(ax, ay), turned(bx, by), turned(x, y))); },
      nullptr, nullptr);
  hb_draw_funcs_make_immutable(f);
  return f;
}

/// Calls `use` with each part of a list that commas part, without blanks at its ends.
template <class Use>
void eachPart(std::string_view list, const Use& use) {
  while (!list.empty()) {
    const std::size_t comma = std::min(list.find(','), list.size());
    std::string_view part = list.substr(0, comma);
    while (!part.empty() && part.front() == ' ') part.remove_prefix(1);
    while (!part.empty() && part.back() == ' ') part.remove_suffix(1);
    if (!part.empty()) use(std::string(part));
    list.remove_prefix(std::min(comma + 1, list.size()));
  }
}

std::vector<hb_feature_t> featuresOf(const Shaping& how) {
  std::vector<hb_feature_t> out;
  eachPart(how.features, [&](const std::string& part) {
    hb_feature_t feature{};
    if (hb_feature_from_string(part.c_str(), static_cast<int>(part.size()), &feature)) out.push_back(feature);
  });
  if (how.smallCaps) out.push_back({HB_TAG('s', 'm', 'c', 'p'), 1, HB_FEATURE_GLOBAL_START, HB_FEATURE_GLOBAL_END});
  return out;
}

/// HarfBuzz keeps a list of languages that grows; whoever asks first adds to it, one thread at a time.
hb_language_t languageOf(const std::string& name) {
  static std::mutex mutex;
  static std::map<std::string, hb_language_t> known;
  const std::lock_guard lock(mutex);
  const auto [found, fresh] = known.try_emplace(name, nullptr);
  if (fresh) found->second = hb_language_from_string(name.c_str(), -1);
  return found->second;
}

}  // namespace

/// As many as fit into some bytes; then begun anew.
class Font::Drawn {
 public:
  std::shared_ptr<const Outline> find(std::uint32_t glyph) {
    const std::lock_guard lock(mutex_);
    const auto found = glyphs_.find(glyph);
    return found == glyphs_.end() ? nullptr : found->second;
  }
  void keep(std::uint32_t glyph, std::shared_ptr<const Outline> outline) {
    constexpr std::size_t mostBytes = std::size_t{1} << 20;
    const std::size_t bytes = storedBytes(*outline);
    const std::lock_guard lock(mutex_);
    if (bytes_ + bytes > mostBytes) {
      glyphs_.clear();
      bytes_ = 0;
    }
    if (glyphs_.emplace(glyph, std::move(outline)).second) bytes_ += bytes;
  }

 private:
  std::mutex mutex_;
  std::unordered_map<std::uint32_t, std::shared_ptr<const Outline>> glyphs_;
  std::size_t bytes_ = 0;
};

std::shared_ptr<const Font> Font::of(hb_blob_t* given, unsigned index) {
  const OwnedBy<hb_blob_t, hb_blob_destroy> blob(given);
  constexpr unsigned faceBits = 16, faceMask = 0xffff;
  const OwnedBy<hb_face_t, hb_face_destroy> face(hb_face_create(blob.get(), index & faceMask));
  if (hb_face_get_glyph_count(face.get()) == 0) return nullptr;
  auto out = std::make_shared<Font>();
  out->font_ = {hb_font_create(face.get()), hb_font_destroy};
  if (const unsigned instance = index >> faceBits) hb_font_set_var_named_instance(out->font_.get(), instance - 1);
  out->measure();
  return out;
}

void Font::measure() {
  drawn_ = std::make_shared<Drawn>();
  unitsPerEm_ = hb_face_get_upem(hb_font_get_face(font_.get()));
  hb_font_extents_t extents{};
  hb_font_get_h_extents(font_.get(), &extents);
  ascent_ = extents.ascender / unitsPerEm_;
  descent_ = -extents.descender / unitsPerEm_;
  // What fonts may leave out; then as in most of them.
  constexpr double usualCapHeight = 0.7, usualXHeight = 0.5, usualDepth = 0.1, usualThickness = 0.05;
  const auto metric = [&](hb_ot_metrics_tag_t tag, double usual) {
    hb_position_t value = 0;
    const bool isKnown = hb_ot_metrics_get_position(font_.get(), tag, &value) != 0 && value != 0;
    return isKnown ? value / unitsPerEm_ : usual;
  };
  // What the font says of them is often not what its letters are.
  const auto height = [&](hb_codepoint_t letter, hb_ot_metrics_tag_t tag, double usual) {
    hb_codepoint_t glyph = 0;
    hb_glyph_extents_t box{};
    const bool isKnown = hb_font_get_nominal_glyph(font_.get(), letter, &glyph) != 0 &&
                         hb_font_get_glyph_extents(font_.get(), glyph, &box) != 0 && box.y_bearing > 0;
    return isKnown ? box.y_bearing / unitsPerEm_ : metric(tag, usual);
  };
  capHeight_ = height('H', HB_OT_METRICS_TAG_CAP_HEIGHT, usualCapHeight);
  xHeight_ = height('x', HB_OT_METRICS_TAG_X_HEIGHT, usualXHeight);
  underlineDepth_ = -metric(HB_OT_METRICS_TAG_UNDERLINE_OFFSET, -usualDepth);
  underlineThickness_ = metric(HB_OT_METRICS_TAG_UNDERLINE_SIZE, usualThickness);
  hb_font_make_immutable(font_.get());
}

std::shared_ptr<const Font> Font::of(std::span<const std::byte> bytes, unsigned index) {
  return of(hb_blob_create(reinterpret_cast<const char*>(bytes.data()), static_cast<unsigned>(bytes.size()),
                           HB_MEMORY_MODE_READONLY, nullptr, nullptr),
            index);
}

std::shared_ptr<const Font> Font::fromFile(const std::string& file, unsigned index) {
  return of(hb_blob_create_from_file(file.c_str()), index);
}

bool Font::has(char32_t letter) const { return glyphOf(letter) != 0; }

std::uint32_t Font::glyphOf(char32_t letter) const {
  hb_codepoint_t glyph = 0;
  return hb_font_get_nominal_glyph(font_.get(), letter, &glyph) != 0 ? glyph : 0;
}

ShapedRun Font::shaped(const Letters& text, std::size_t from, std::size_t to, const Shaping& how) const {
  const OwnedBy<hb_buffer_t, hb_buffer_destroy> buffer(hb_buffer_create());
  static_assert(sizeof(char32_t) == sizeof(hb_codepoint_t));
  hb_buffer_add_codepoints(buffer.get(), reinterpret_cast<const hb_codepoint_t*>(text.codes.data()),
                           static_cast<int>(text.codes.size()), static_cast<unsigned>(from),
                           static_cast<int>(to - from));
  hb_buffer_set_direction(buffer.get(), how.leftward ? HB_DIRECTION_RTL : HB_DIRECTION_LTR);
  hb_buffer_set_script(buffer.get(), static_cast<hb_script_t>(how.script));
  hb_buffer_set_language(buffer.get(), languageOf(how.language));
  const auto features = featuresOf(how);
  hb_shape(font_.get(), buffer.get(), features.data(), static_cast<unsigned>(features.size()));
  unsigned count = 0;
  const hb_glyph_info_t* infos = hb_buffer_get_glyph_infos(buffer.get(), &count);
  const hb_glyph_position_t* places = hb_buffer_get_glyph_positions(buffer.get(), &count);
  ShapedRun run;
  run.leftward = how.leftward;
  run.glyphs.reserve(count);
  for (unsigned i = 0; i < count; ++i)
    run.glyphs.push_back({infos[i].codepoint,
                          text.bytes[infos[i].cluster],
                          {places[i].x_offset / unitsPerEm_, -places[i].y_offset / unitsPerEm_},
                          places[i].x_advance / unitsPerEm_,
                          (hb_glyph_info_get_glyph_flags(&infos[i]) & HB_GLYPH_FLAG_UNSAFE_TO_BREAK) != 0});
  return run;
}

bool Font::hasSmallCaps(std::uint32_t script) const {
  hb_face_t* face = hb_font_get_face(font_.get());
  constexpr unsigned mostTags = 3;
  hb_tag_t tags[mostTags];
  unsigned count = mostTags, chosen = 0;
  hb_ot_tags_from_script_and_language(static_cast<hb_script_t>(script), nullptr, &count, tags, nullptr, nullptr);
  hb_tag_t tag = 0;
  hb_ot_layout_table_select_script(face, HB_OT_TAG_GSUB, count, tags, &chosen, &tag);
  unsigned feature = 0;
  return hb_ot_layout_language_find_feature(face, HB_OT_TAG_GSUB, chosen, HB_OT_LAYOUT_DEFAULT_LANGUAGE_INDEX,
                                            HB_TAG('s', 'm', 'c', 'p'), &feature) != 0;
}

FontPtr Font::at(const std::string& axes) const {
  std::vector<hb_variation_t> variations;
  eachPart(axes, [&](std::string part) {
    // HarfBuzz writes “wdth=80”.
    if (const auto space = part.find(' '); space != std::string::npos) part[space] = '=';
    hb_variation_t variation{};
    if (hb_variation_from_string(part.c_str(), static_cast<int>(part.size()), &variation))
      variations.push_back(variation);
  });
  auto out = std::make_shared<Font>();
  out->font_ = {hb_font_create(hb_font_get_face(font_.get())), hb_font_destroy};
  // Where the font stands already, and then what is asked for.
  unsigned count = 0;
  const hb_face_t* face = hb_font_get_face(font_.get());
  std::vector<hb_ot_var_axis_info_t> all(hb_ot_var_get_axis_count(const_cast<hb_face_t*>(face)));
  count = static_cast<unsigned>(all.size());
  hb_ot_var_get_axis_infos(const_cast<hb_face_t*>(face), 0, &count, all.data());
  unsigned length = 0;
  const float* now = hb_font_get_var_coords_design(font_.get(), &length);
  std::vector<hb_variation_t> whole;
  for (unsigned i = 0; i < length && i < all.size(); ++i) whole.push_back({all[i].tag, now[i]});
  whole.insert(whole.end(), variations.begin(), variations.end());
  hb_font_set_variations(out->font_.get(), whole.data(), static_cast<unsigned>(whole.size()));
  out->measure();
  return out;
}

Outline Font::inUnits(std::uint32_t glyph) const {
  static hb_draw_funcs_t* const draw = makeDrawFunctions();
  Outline out;
  hb_font_get_glyph_shape(font_.get(), glyph, draw, &out);
  return out;
}

void Font::addOutline(std::uint32_t glyph, Point origin, double size, Outline& outline) const {
  auto units = drawn_->find(glyph);
  if (!units) {
    units = std::make_shared<const Outline>(inUnits(glyph));
    drawn_->keep(glyph, units);
  }
  const double scale = size / unitsPerEm_;
  const auto placed = [&](Point p) { return Point{origin.x + p.x * scale, origin.y + p.y * scale}; };
  for (const Contour& contour : units->contours) {
    Contour& to = outline.contours.emplace_back();
    to.start = placed(contour.start);
    to.segments.reserve(contour.segments.size());
    for (const Segment& s : contour.segments)
      to.segments.push_back({s.kind, s.kind == SegmentKind::Line ? Point{} : placed(s.handle1),
                             s.kind == SegmentKind::Cubic ? placed(s.handle2) : Point{}, placed(s.end)});
  }
}

}  // namespace widecut
