#include "words/font.h"

#include <hb-ot.h>
#include <hb.h>

#include "words/destroyed_by.h"

namespace widecut {
namespace {

/// Where glyph drawing writes to; font units become points and y turns down.
struct Pen {
  Outline* outline;
  double scale;
  Point origin;
  Point at(float x, float y) const { return {origin.x + x * scale, origin.y - y * scale}; }
  Contour& last() const { return outline->contours.back(); }
};

Pen& penOf(void* data) { return *static_cast<Pen*>(data); }

hb_draw_funcs_t* makeDrawFunctions() {
  hb_draw_funcs_t* f = hb_draw_funcs_create();
  hb_draw_funcs_set_move_to_func(
      f,
      [](hb_draw_funcs_t*, void* data, hb_draw_state_t*, float x, float y, void*) {
        penOf(data).outline->contours.push_back({penOf(data).at(x, y), {}, true});
      },
      nullptr, nullptr);
  hb_draw_funcs_set_line_to_func(
      f,
      [](hb_draw_funcs_t*, void* data, hb_draw_state_t*, float x, float y, void*) {
        penOf(data).last().segments.push_back(Segment::line(penOf(data).at(x, y)));
      },
      nullptr, nullptr);
  hb_draw_funcs_set_quadratic_to_func(
      f,
      [](hb_draw_funcs_t*, void* data, hb_draw_state_t*, float hx, float hy, float x, float y, void*) {
        const Pen& pen = penOf(data);
        pen.last().segments.push_back(Segment::quadratic(pen.at(hx, hy), pen.at(x, y)));
      },
      nullptr, nullptr);
  hb_draw_funcs_set_cubic_to_func(
      f,
      [](hb_draw_funcs_t*, void* data, hb_draw_state_t*, float ax, float ay, float bx, float by, float x, float y,
         void*) {
        const Pen& pen = penOf(data);
        pen.last().segments.push_back(Segment::cubic(pen.at(ax, ay), pen.at(bx, by), pen.at(x, y)));
      },
      nullptr, nullptr);
  hb_draw_funcs_make_immutable(f);
  return f;
}

}  // namespace

std::shared_ptr<const Font> Font::of(hb_blob_t* given, unsigned index) {
  const OwnedBy<hb_blob_t, hb_blob_destroy> blob(given);
  constexpr unsigned faceBits = 16, faceMask = 0xffff;
  const OwnedBy<hb_face_t, hb_face_destroy> face(hb_face_create(blob.get(), index & faceMask));
  if (hb_face_get_glyph_count(face.get()) == 0) return nullptr;
  auto out = std::make_shared<Font>();
  out->font_ = {hb_font_create(face.get()), hb_font_destroy};
  if (const unsigned instance = index >> faceBits) hb_font_set_var_named_instance(out->font_.get(), instance - 1);
  out->unitsPerEm_ = hb_face_get_upem(face.get());
  hb_font_extents_t extents{};
  hb_font_get_h_extents(out->font_.get(), &extents);
  out->ascent_ = extents.ascender / out->unitsPerEm_;
  out->descent_ = -extents.descender / out->unitsPerEm_;
  hb_font_make_immutable(out->font_.get());
  return out;
}

std::shared_ptr<const Font> Font::of(std::span<const std::byte> bytes) {
  return of(hb_blob_create(reinterpret_cast<const char*>(bytes.data()), static_cast<unsigned>(bytes.size()),
                           HB_MEMORY_MODE_READONLY, nullptr, nullptr),
            0);
}

std::shared_ptr<const Font> Font::fromFile(const std::string& file, unsigned index) {
  return of(hb_blob_create_from_file(file.c_str()), index);
}

bool Font::has(char32_t letter) const {
  hb_codepoint_t glyph = 0;
  return hb_font_get_nominal_glyph(font_.get(), letter, &glyph) != 0;
}

ShapedRun Font::shaped(std::string_view text, std::size_t from, std::size_t to) const {
  const OwnedBy<hb_buffer_t, hb_buffer_destroy> buffer(hb_buffer_create());
  hb_buffer_add_utf8(buffer.get(), text.data(), static_cast<int>(text.size()), static_cast<unsigned>(from),
                     static_cast<int>(to - from));
  // Asked once: the first time of all is not for several threads at once, and what is guessed asks each time.
  static const hb_language_t language = hb_language_get_default();
  hb_buffer_set_language(buffer.get(), language);
  hb_buffer_guess_segment_properties(buffer.get());
  hb_shape(font_.get(), buffer.get(), nullptr, 0);
  unsigned count = 0;
  const hb_glyph_info_t* infos = hb_buffer_get_glyph_infos(buffer.get(), &count);
  const hb_glyph_position_t* places = hb_buffer_get_glyph_positions(buffer.get(), &count);
  ShapedRun run;
  run.leftward = HB_DIRECTION_IS_BACKWARD(hb_buffer_get_direction(buffer.get()));
  run.glyphs.reserve(count);
  for (unsigned i = 0; i < count; ++i)
    run.glyphs.push_back({infos[i].codepoint,
                          infos[i].cluster,
                          {places[i].x_offset / unitsPerEm_, -places[i].y_offset / unitsPerEm_},
                          places[i].x_advance / unitsPerEm_});
  return run;
}

void Font::addOutline(std::uint32_t glyph, Point origin, double size, Outline& outline) const {
  static hb_draw_funcs_t* const draw = makeDrawFunctions();
  Pen pen{&outline, size / unitsPerEm_, origin};
  hb_font_get_glyph_shape(font_.get(), glyph, draw, &pen);
}

}  // namespace widecut
