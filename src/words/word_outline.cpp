#include "words/word_outline.h"

#include <hb-ot.h>
#include <hb.h>

#include <memory>

namespace widecut {
namespace {

template <auto Destroy>
struct Destroyer {
  template <class T>
  void operator()(T* object) const {
    Destroy(object);
  }
};

/// Where glyph drawing writes to; font units become points and y turns down.
struct Pen {
  Outline* outline;
  double scale;
  Point origin;
  Point at(float x, float y) const { return {origin.x + x * scale, origin.y - y * scale}; }
  Contour& last() const { return outline->contours.back(); }
};

Pen& penOf(void* data) { return *static_cast<Pen*>(data); }

using DrawFunctions = std::unique_ptr<hb_draw_funcs_t, Destroyer<hb_draw_funcs_destroy>>;

DrawFunctions drawFunctions() {
  DrawFunctions f(hb_draw_funcs_create());
  hb_draw_funcs_set_move_to_func(
      f.get(),
      [](hb_draw_funcs_t*, void* data, hb_draw_state_t*, float x, float y, void*) {
        penOf(data).outline->contours.push_back({penOf(data).at(x, y), {}, true});
      },
      nullptr, nullptr);
  hb_draw_funcs_set_line_to_func(
      f.get(),
      [](hb_draw_funcs_t*, void* data, hb_draw_state_t*, float x, float y, void*) {
        penOf(data).last().segments.push_back(Segment::line(penOf(data).at(x, y)));
      },
      nullptr, nullptr);
  hb_draw_funcs_set_quadratic_to_func(
      f.get(),
      [](hb_draw_funcs_t*, void* data, hb_draw_state_t*, float hx, float hy, float x, float y, void*) {
        const Pen& pen = penOf(data);
        pen.last().segments.push_back(Segment::quadratic(pen.at(hx, hy), pen.at(x, y)));
      },
      nullptr, nullptr);
  hb_draw_funcs_set_cubic_to_func(
      f.get(),
      [](hb_draw_funcs_t*, void* data, hb_draw_state_t*, float ax, float ay, float bx, float by, float x, float y,
         void*) {
        const Pen& pen = penOf(data);
        pen.last().segments.push_back(Segment::cubic(pen.at(ax, ay), pen.at(bx, by), pen.at(x, y)));
      },
      nullptr, nullptr);
  return f;
}

}  // namespace

Result<Outline> wordOutline(const std::string& fontFile, std::string_view text, double size) {
  const std::unique_ptr<hb_blob_t, Destroyer<hb_blob_destroy>> blob(hb_blob_create_from_file_or_fail(fontFile.c_str()));
  if (!blob) return problem("cannot read the font file " + fontFile);
  const std::unique_ptr<hb_face_t, Destroyer<hb_face_destroy>> face(hb_face_create(blob.get(), 0));
  if (hb_face_get_glyph_count(face.get()) == 0) return problem("not a font: " + fontFile);
  const std::unique_ptr<hb_font_t, Destroyer<hb_font_destroy>> font(hb_font_create(face.get()));
  const std::unique_ptr<hb_buffer_t, Destroyer<hb_buffer_destroy>> buffer(hb_buffer_create());
  hb_buffer_add_utf8(buffer.get(), text.data(), static_cast<int>(text.size()), 0, -1);
  hb_buffer_guess_segment_properties(buffer.get());
  hb_shape(font.get(), buffer.get(), nullptr, 0);

  Outline outline;
  const DrawFunctions draw = drawFunctions();
  Pen pen{&outline, size / hb_face_get_upem(face.get()), {}};
  unsigned count = 0;
  const hb_glyph_info_t* infos = hb_buffer_get_glyph_infos(buffer.get(), &count);
  const hb_glyph_position_t* places = hb_buffer_get_glyph_positions(buffer.get(), &count);
  Point advance;
  for (unsigned i = 0; i < count; ++i) {
    pen.origin = advance + Point{places[i].x_offset * pen.scale, -places[i].y_offset * pen.scale};
    hb_font_get_glyph_shape(font.get(), infos[i].codepoint, draw.get(), &pen);
    advance = advance + Point{places[i].x_advance * pen.scale, -places[i].y_advance * pen.scale};
  }
  return outline;
}

}  // namespace widecut
