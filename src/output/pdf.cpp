#include "output/pdf.h"

#include <cairo-pdf.h>

#include <map>
#include <memory>

namespace widecut {
namespace {

struct SurfaceEnd {
  void operator()(cairo_surface_t* s) const { cairo_surface_destroy(s); }
};
using Surface = std::unique_ptr<cairo_surface_t, SurfaceEnd>;
struct ContextEnd {
  void operator()(cairo_t* c) const { cairo_destroy(c); }
};
using Context = std::unique_ptr<cairo_t, ContextEnd>;

void setColour(cairo_t* cairo, Colour c) {
  cairo_set_source_rgba(cairo, c.red / 255.0, c.green / 255.0, c.blue / 255.0, c.alpha / 255.0);
}

void setPath(cairo_t* cairo, const Outline& outline) {
  cairo_new_path(cairo);
  for (const Contour& contour : outline.contours) {
    cairo_move_to(cairo, contour.start.x, contour.start.y);
    Point at = contour.start;
    for (const Segment& s : contour.segments) {
      if (s.kind == SegmentKind::Line) {
        cairo_line_to(cairo, s.end.x, s.end.y);
      } else {
        const auto c = asCubic(at, s);
        cairo_curve_to(cairo, c[1].x, c[1].y, c[2].x, c[2].y, c[3].x, c[3].y);
      }
      at = s.end;
    }
    if (contour.closed) cairo_close_path(cairo);
  }
}

class PdfWriter {
 public:
  PdfWriter(const Media& media, PhotoStore& store) : media_(media), store_(store) {}

  Result<std::string> write(std::span<const Scene> scenes, Ground ground) {
    std::string bytes;
    {
      const Surface surface(cairo_pdf_surface_create_for_stream(append, &bytes, 1, 1));
      cairo_pdf_surface_set_metadata(surface.get(), CAIRO_PDF_METADATA_CREATOR, "Wide Cut");
      // Cairo stamps the time otherwise; the same project should deliver the same file.
      cairo_pdf_surface_set_metadata(surface.get(), CAIRO_PDF_METADATA_CREATE_DATE, "2026-01-01T00:00:00Z");
      const Context context(cairo_create(surface.get()));
      cairo_ = context.get();
      for (const Scene& scene : scenes) {
        if (!(scene.width > 0 && scene.height > 0)) return problem("there is nothing to deliver");
        cairo_pdf_surface_set_size(surface.get(), scene.width, scene.height);
        page(scene, ground);
        cairo_show_page(cairo_);
      }
      cairo_surface_finish(surface.get());
      const cairo_status_t status = cairo_surface_status(surface.get());
      if (status != CAIRO_STATUS_SUCCESS || cairo_status(cairo_) != CAIRO_STATUS_SUCCESS)
        return problem(std::string("the PDF could not be made: ") + cairo_status_to_string(status));
    }
    return bytes;
  }

 private:
  static cairo_status_t append(void* to, const unsigned char* data, unsigned length) {
    static_cast<std::string*>(to)->append(reinterpret_cast<const char*>(data), length);
    return CAIRO_STATUS_SUCCESS;
  }

  void page(const Scene& scene, Ground ground) {
    if (ground == Ground::Paper) {
      setColour(cairo_, scene.paper);
      cairo_paint(cairo_);
    }
    for (const Layer& layer : scene.layers)
      for (const DrawCommand& command : layer.commands) std::visit([&](const auto& c) { add(c); }, command);
  }

  void add(const FillOutline& fill) {
    setColour(cairo_, fill.colour);
    setPath(cairo_, *fill.outline);
    cairo_fill(cairo_);
  }
  void add(const StrokeOutline& stroke) {
    setColour(cairo_, stroke.line.colour);
    cairo_set_line_width(cairo_, stroke.line.width);
    cairo_set_line_join(cairo_, CAIRO_LINE_JOIN_MITER);
    cairo_set_miter_limit(cairo_, 4);
    setPath(cairo_, *stroke.outline);
    cairo_stroke(cairo_);
  }
  void add(const ImageInOutline& picture) {
    const auto medium = media_.find(picture.medium);
    if (medium == media_.end() || picture.outline->isEmpty()) return;
    cairo_save(cairo_);
    setPath(cairo_, *picture.outline);
    cairo_clip(cairo_);
    const Affine& m = picture.pixelsToSheet;
    const cairo_matrix_t matrix{m.xx, m.yx, m.xy, m.yy, m.dx, m.dy};
    cairo_transform(cairo_, &matrix);
    cairo_set_source_surface(cairo_, surfaceOf(*medium->second), 0, 0);
    cairo_pattern_set_extend(cairo_get_source(cairo_), CAIRO_EXTEND_PAD);
    cairo_rectangle(cairo_, 0, 0, medium->second->width, medium->second->height);
    cairo_fill(cairo_);
    cairo_restore(cairo_);
  }
  void add(const PushGroup& group) {
    opacities_.push_back(group.opacity);
    cairo_push_group(cairo_);
  }
  void add(const PopGroup&) {
    cairo_pop_group_to_source(cairo_);
    cairo_paint_with_alpha(cairo_, opacities_.back());
    opacities_.pop_back();
  }

  /// One surface a photo, so that the file holds each photo once.
  cairo_surface_t* surfaceOf(const Medium& medium) {
    Surface& known = photos_[medium.hash];
    if (known) return known.get();
    const QImage image = store_.whole(medium);
    const auto format = image.hasAlphaChannel() ? CAIRO_FORMAT_ARGB32 : CAIRO_FORMAT_RGB24;
    known.reset(cairo_image_surface_create(format, image.width(), image.height()));
    cairo_surface_flush(known.get());
    unsigned char* pixels = cairo_image_surface_get_data(known.get());
    const int stride = cairo_image_surface_get_stride(known.get());
    for (int y = 0; y < image.height(); ++y)
      std::copy_n(image.constScanLine(y), image.width() * 4, pixels + std::ptrdiff_t{y} * stride);
    cairo_surface_mark_dirty(known.get());
    if (isUprightJpeg(medium)) {
      auto* kept = new std::shared_ptr<const std::string>(medium.bytes);
      const auto* data = reinterpret_cast<const unsigned char*>((*kept)->data());
      const auto release = [](void* held) { delete static_cast<std::shared_ptr<const std::string>*>(held); };
      cairo_surface_set_mime_data(known.get(), CAIRO_MIME_TYPE_JPEG, data, (*kept)->size(), release, kept);
    }
    return known.get();
  }

  const Media& media_;
  PhotoStore& store_;
  cairo_t* cairo_ = nullptr;
  std::vector<double> opacities_;
  std::map<std::string, Surface> photos_;
};

}  // namespace

Result<std::string> pdfOf(std::span<const Scene> scenes, const Media& media, PhotoStore& store, Ground ground) {
  return PdfWriter(media, store).write(scenes, ground);
}

}  // namespace widecut
