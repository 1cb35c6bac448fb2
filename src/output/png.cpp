#include "output/png.h"

#include <png.h>

#include <csetjmp>
#include <vector>

namespace widecut {
namespace {

/// libpng jumps out of its calls on an error: its calls are made in functions that hold nothing to be destroyed.
class PngWriter {
 public:
  explicit PngWriter(const Sink& sink) : sink_(sink) {
    png_ = png_create_write_struct(PNG_LIBPNG_VER_STRING, this, onError, [](png_structp, png_const_charp) {});
    if (png_) info_ = png_create_info_struct(png_);
  }
  ~PngWriter() { png_destroy_write_struct(&png_, &info_); }
  PngWriter(const PngWriter&) = delete;
  PngWriter& operator=(const PngWriter&) = delete;

  bool start(QSize size, bool opaque, double ppi) {
    if (!info_ || setjmp(png_jmpbuf(png_))) return false;
    png_set_write_fn(png_, this, onBytes, [](png_structp) {});
    png_set_IHDR(png_, info_, static_cast<png_uint_32>(size.width()), static_cast<png_uint_32>(size.height()), 8,
                 opaque ? PNG_COLOR_TYPE_RGB : PNG_COLOR_TYPE_RGB_ALPHA, PNG_INTERLACE_NONE,
                 PNG_COMPRESSION_TYPE_DEFAULT, PNG_FILTER_TYPE_DEFAULT);
    png_set_sRGB(png_, info_, PNG_sRGB_INTENT_RELATIVE);
    const auto perMetre = static_cast<png_uint_32>(std::lround(ppi / 0.0254));
    png_set_pHYs(png_, info_, perMetre, perMetre, PNG_RESOLUTION_METER);
    png_write_info(png_, info_);
    return true;
  }
  bool row(const unsigned char* bytes) {
    if (setjmp(png_jmpbuf(png_))) return false;
    png_write_row(png_, bytes);
    return true;
  }
  bool end() {
    if (setjmp(png_jmpbuf(png_))) return false;
    png_write_end(png_, info_);
    return true;
  }
  Problem why() const { return why_.message.empty() ? Problem{"the picture could not be written as PNG"} : why_; }

 private:
  static void onError(png_structp png, png_const_charp) { png_longjmp(png, 1); }
  static void onBytes(png_structp png, png_bytep bytes, png_size_t count) {
    auto* self = static_cast<PngWriter*>(png_get_io_ptr(png));
    bool sent = false;
    {
      const auto result = self->sink_(reinterpret_cast<const char*>(bytes), count);
      sent = result.has_value();
      if (!sent) self->why_ = result.error();
    }
    if (!sent) png_error(png, "not written");
  }

  const Sink& sink_;
  png_structp png_ = nullptr;
  png_infop info_ = nullptr;
  Problem why_;
};

/// The row as RGB or RGBA, not premultiplied.
void unpack(const QRgb* pixels, int count, bool opaque, unsigned char* out) {
  for (int i = 0; i < count; ++i) {
    const QRgb p = opaque ? pixels[i] : qUnpremultiply(pixels[i]);
    *out++ = static_cast<unsigned char>(qRed(p));
    *out++ = static_cast<unsigned char>(qGreen(p));
    *out++ = static_cast<unsigned char>(qBlue(p));
    if (!opaque) *out++ = static_cast<unsigned char>(qAlpha(p));
  }
}

}  // namespace

Result<void> writePng(const Scene& scene, PhotoStore& store, double ppi, Ground ground, const Sink& sink,
                      const Progress& progress) {
  const auto raster = Raster::of(scene, store, ppi, ground);
  if (!raster) return tl::unexpected(raster.error());
  const bool opaque = raster->isOpaque();
  PngWriter writer(sink);
  if (!writer.start(raster->size(), opaque, ppi)) return tl::unexpected(writer.why());
  std::vector<unsigned char> row(static_cast<std::size_t>(raster->size().width()) * 4);
  for (int y = 0; y < raster->size().height(); y += raster->bandRows()) {
    if (progress.isCancelled()) return problem("the picture was stopped");
    progress.report(static_cast<double>(y) / raster->size().height());
    const QImage band = raster->band(y, raster->bandRows());
    if (band.isNull()) return problem("there is not enough memory for the picture: choose fewer ppi");
    for (int i = 0; i < band.height(); ++i) {
      unpack(reinterpret_cast<const QRgb*>(band.constScanLine(i)), band.width(), opaque, row.data());
      if (!writer.row(row.data())) return tl::unexpected(writer.why());
    }
  }
  if (!writer.end()) return tl::unexpected(writer.why());
  return {};
}

Result<std::string> pngOf(const Scene& scene, PhotoStore& store, double ppi, Ground ground) {
  std::string bytes;
  if (const auto written = writePng(scene, store, ppi, ground, into(bytes)); !written)
    return tl::unexpected(written.error());
  return bytes;
}

}  // namespace widecut
