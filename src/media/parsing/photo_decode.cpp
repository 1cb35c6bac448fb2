#include "media/parsing/photo_decode.h"

#include <jpeglib.h>

#include <QBuffer>
#include <QColorSpace>
#include <QImageReader>
#include <csetjmp>
#include <cstring>
#include <vector>

#include "media/area_scale.h"
#include "media/photo_colours.h"
#include "media/photo_level.h"

namespace widecut::parsing {
namespace {

/// Takes rows as they are stored and puts their pixels in their upright places.
class UprightImage {
 public:
  /// `stored` is the size as stored, at the scale that is decoded.
  UprightImage(QSize stored, int orientation, QImage::Format format, bool border, const PixelRoom& room)
      : border_(border ? 1 : 0) {
    const QSize size = (orientation >= 5 ? stored.transposed() : stored) + QSize(2 * border_, 2 * border_);
    image = room ? room(size, format) : QImage(size, format);
    PhotoHeader h;
    h.storedWidth = stored.width();
    h.storedHeight = stored.height();
    h.orientation = orientation;
    map_ = h.toUpright();
  }

  void putRow(int y, const QRgb* pixels, int count) {
    // By the middles of pixels, which the map takes to middles.
    const Point first = map_(Point{0.5, y + 0.5});
    const int x0 = static_cast<int>(std::floor(first.x)) + border_,
              y0 = static_cast<int>(std::floor(first.y)) + border_;
    const std::ptrdiff_t step = static_cast<int>(map_.xx) + static_cast<int>(map_.yx) * (image.bytesPerLine() / 4);
    auto* to = reinterpret_cast<QRgb*>(image.bits()) + std::ptrdiff_t{y0} * (image.bytesPerLine() / 4) + x0;
    for (int x = 0; x < count; ++x, to += step) *to = pixels[x];
  }

  void fillBorder() {
    if (border_ != 0) widecut::fillBorder(image);
  }

  QImage image;

 private:
  int border_;
  Affine map_;
};

struct JpegError {
  jpeg_error_mgr manager;
  std::jmp_buf back;
  char text[JMSG_LENGTH_MAX] = "";
};

void onJpegError(j_common_ptr jpeg) {
  auto* error = reinterpret_cast<JpegError*>(jpeg->err);
  jpeg->err->format_message(jpeg, error->text);
  std::longjmp(error->back, 1);
}
void onJpegWarning(j_common_ptr, int) {}  // a file that was cut off shows what there is of it

/// libjpeg jumps out of its calls on an error; nothing with a destructor may be made between setjmp and the jump, so
/// the rows go through a buffer that is held outside.
class JpegReader {
 public:
  explicit JpegReader(std::string_view bytes) : bytes_(bytes) {
    jpeg_.err = jpeg_std_error(&error_.manager);
    error_.manager.error_exit = onJpegError;
    error_.manager.emit_message = onJpegWarning;
  }
  ~JpegReader() { jpeg_destroy_decompress(&jpeg_); }
  JpegReader(const JpegReader&) = delete;
  JpegReader& operator=(const JpegReader&) = delete;

  /// Ready to read rows at 1/2^halvings, up to 1/8. Refuses another size than was looked at before.
  bool start(QSize stored, int halvings) {
    if (setjmp(error_.back)) return false;
    jpeg_create_decompress(&jpeg_);
    jpeg_mem_src(&jpeg_, reinterpret_cast<const unsigned char*>(bytes_.data()), bytes_.size());
    jpeg_read_header(&jpeg_, TRUE);
    if (QSize(static_cast<int>(jpeg_.image_width), static_cast<int>(jpeg_.image_height)) != stored) {
      std::strcpy(error_.text, "it has another size than its header says");
      return false;
    }
    jpeg_.scale_num = 1;
    jpeg_.scale_denom = 1u << halvings;
    const bool inks = jpeg_.jpeg_color_space == JCS_CMYK || jpeg_.jpeg_color_space == JCS_YCCK;
    jpeg_.out_color_space = inks ? JCS_CMYK : JCS_EXT_BGRX;
    jpeg_start_decompress(&jpeg_);
    return true;
  }
  bool readRow(unsigned char* row) {
    if (setjmp(error_.back)) return false;
    JSAMPROW rows[1] = {row};
    jpeg_read_scanlines(&jpeg_, rows, 1);
    return true;
  }
  QSize size() const { return {static_cast<int>(jpeg_.output_width), static_cast<int>(jpeg_.output_height)}; }
  bool isCmyk() const { return jpeg_.out_color_space == JCS_CMYK; }
  std::string why() const { return error_.text; }

 private:
  std::string_view bytes_;
  jpeg_decompress_struct jpeg_{};
  JpegError error_{};
};

Result<QImage> decodedJpeg(std::string_view bytes, const PhotoHeader& header, int halvings, bool border,
                           const PixelRoom& room) {
  JpegReader reader(bytes);
  if (!reader.start({header.storedWidth, header.storedHeight}, halvings))
    return problem("cannot be decoded: " + reader.why());
  const QSize size = reader.size();
  UprightImage out(size, header.orientation, QImage::Format_RGB32, border, room);
  if (out.image.isNull()) return problem("cannot be decoded: there is not enough memory");
  const auto colours = ToSrgb::from(header.icc, inksOf(header.components));
  std::vector<QRgb> row(static_cast<std::size_t>(size.width()));
  auto* raw = reinterpret_cast<unsigned char*>(row.data());
  for (int y = 0; y < size.height(); ++y) {
    if (!reader.readRow(raw)) return problem("cannot be decoded: " + reader.why());
    if (reader.isCmyk() && header.isAdobe)
      for (std::size_t i = 0; i < 4 * row.size(); ++i) raw[i] = static_cast<unsigned char>(255 - raw[i]);
    if (colours)
      colours->row(raw, row.data(), size.width());
    else if (reader.isCmyk())
      for (std::size_t i = 0; i < row.size(); ++i) {
        const unsigned char* ink = raw + 4 * i;
        row[i] = printed(ink[0] / 255.0, ink[1] / 255.0, ink[2] / 255.0, ink[3] / 255.0);
      }
    for (QRgb& pixel : row) pixel |= 0xff000000u;
    out.putRow(y, row.data(), size.width());
  }
  out.fillBorder();
  return std::move(out.image);
}

/// PNG, WebP and TIFF, whole and as stored.
Result<QImage> readByQt(std::string_view bytes, const PhotoHeader& header) {
  QByteArray view = QByteArray::fromRawData(bytes.data(), static_cast<qsizetype>(bytes.size()));
  QBuffer buffer(&view);
  buffer.open(QIODevice::ReadOnly);
  QImageReader::setAllocationLimit(1024);  // MiB; the limit on pixels is ours
  QImageReader reader(&buffer, formatName(header.kind));
  reader.setAutoTransform(false);
  QImage image = reader.read();
  if (image.isNull()) return problem("cannot be decoded: " + reader.errorString().toStdString());
  if (image.size() != QSize(header.storedWidth, header.storedHeight))
    return problem("cannot be decoded: it has another size than its header says");
  return image;
}

Result<QImage> decodedByQt(std::string_view bytes, const PhotoHeader& header, bool border, const PixelRoom& room) {
  auto read = readByQt(bytes, header);
  if (!read) return read;
  const bool grey = read->format() == QImage::Format_Grayscale8 || read->format() == QImage::Format_Grayscale16;
  const QByteArray icc = read->colorSpace().iccProfile();
  const bool alpha = read->hasAlphaChannel();
  const QImage image = std::move(*read).convertToFormat(alpha ? QImage::Format_ARGB32 : QImage::Format_RGB32);
  *read = {};
  const auto colours = ToSrgb::from({icc.data(), static_cast<std::size_t>(icc.size())}, grey ? Inks::Grey : Inks::Rgb);
  UprightImage out(image.size(), header.orientation, alpha ? QImage::Format_ARGB32_Premultiplied : QImage::Format_RGB32,
                   border, room);
  if (image.isNull() || out.image.isNull()) return problem("cannot be decoded: there is not enough memory");
  std::vector<QRgb> row(static_cast<std::size_t>(image.width()));
  for (int y = 0; y < image.height(); ++y) {
    const auto* line = reinterpret_cast<const QRgb*>(image.constScanLine(y));
    std::copy(line, line + image.width(), row.begin());
    if (colours) colours->row(row.data(), row.data(), image.width());
    for (QRgb& pixel : row) pixel = alpha ? qPremultiply(pixel) : pixel | 0xff000000u;
    out.putRow(y, row.data(), image.width());
  }
  out.fillBorder();
  return std::move(out.image);
}

}  // namespace

Result<QImage> decodedPhoto(std::string_view bytes, const PhotoHeader& header, int halvings, bool border,
                            const PixelRoom& room) {
  // libjpeg scales while it decodes; what it does not do is done by areas.
  const int byReader = header.kind == PhotoKind::Jpeg ? std::min(halvings, 3) : 0;
  const bool direct = byReader == halvings;
  const PixelRoom& last = direct ? room : PixelRoom();
  auto image = header.kind == PhotoKind::Jpeg ? decodedJpeg(bytes, header, byReader, border && direct, last)
                                              : decodedByQt(bytes, header, border && direct, last);
  if (!image || direct) return image;
  const QSize size = halved({header.width(), header.height()}, halvings);
  QImage small = areaScaled(*image, QRectF(QPointF(0, 0), image->size()), size);
  *image = {};
  return border ? bordered(small) : small;
}

}  // namespace widecut::parsing
