#include "output/pdf_photos.h"

#include <zlib.h>

#include <QImage>
#include <algorithm>
#include <qpdf/QPDFObjectHandle.hh>
#include <stdexcept>

#include "media/photo_colours.h"
#include "media/photo_decode.h"

namespace widecut {
namespace {

using Object = QPDFObjectHandle;

/// Compresses rows of samples, each by its differences from its left neighbour (PNG's filter 1): half the size for
/// photos.
class RowCompressor {
 public:
  RowCompressor(Pipeline& out, int channels) : out_(out), channels_(static_cast<std::size_t>(channels)) {
    // On differences this is both faster and smaller than zlib's usual level is on the samples themselves.
    constexpr int level = 4, windowBits = 15, memoryLevel = 8;
    if (deflateInit2(&stream_, level, Z_DEFLATED, windowBits, memoryLevel, Z_FILTERED) != Z_OK)
      throw std::runtime_error("zlib could not be started");
  }
  ~RowCompressor() { deflateEnd(&stream_); }
  RowCompressor(const RowCompressor&) = delete;
  RowCompressor& operator=(const RowCompressor&) = delete;

  void row(const std::vector<unsigned char>& samples) {
    filtered_.resize(samples.size() + 1);
    filtered_[0] = 1;
    for (std::size_t i = 0; i < samples.size(); ++i)
      filtered_[i + 1] = static_cast<unsigned char>(samples[i] - (i < channels_ ? 0 : samples[i - channels_]));
    run(filtered_.data(), filtered_.size(), Z_NO_FLUSH);
  }
  void end() {
    run(nullptr, 0, Z_FINISH);
    out_.finish();
  }

 private:
  void run(unsigned char* bytes, std::size_t count, int flush) {
    stream_.next_in = bytes;
    stream_.avail_in = static_cast<uInt>(count);
    do {
      stream_.next_out = chunk_;
      stream_.avail_out = sizeof chunk_;
      deflate(&stream_, flush);
      out_.write(chunk_, sizeof chunk_ - stream_.avail_out);
    } while (stream_.avail_out == 0);
  }

  Pipeline& out_;
  std::size_t channels_;
  z_stream stream_{};
  std::vector<unsigned char> filtered_;
  unsigned char chunk_[1 << 15];
};

/// Colours under clear pixels, which are as good as any, taken from neighbours that show, so that readers that
/// interpolate never mix in black at the edge of what shows. Four sweeps reach every clear pixel in a row or column
/// with one that shows.
void spreadColours(QImage& image) {
  const int w = image.width(), h = image.height();
  const auto at = [&](int x, int y) -> QRgb& { return reinterpret_cast<QRgb*>(image.scanLine(y))[x]; };
  const auto take = [](QRgb& pixel, QRgb& last, bool& have) {
    if (qAlpha(pixel) > 0 || (pixel & 0x00ffffffu) != 0) {
      last = pixel;
      have = true;
    } else if (have) {
      pixel = last & 0x00ffffffu;
    }
  };
  for (int y = 0; y < h; ++y) {
    QRgb last = 0;
    bool have = false;
    for (int x = 0; x < w; ++x) take(at(x, y), last, have);
    have = false;
    for (int x = w - 1; x >= 0; --x) take(at(x, y), last, have);
  }
  std::vector<QRgb> last(static_cast<std::size_t>(w));
  std::vector<char> have(static_cast<std::size_t>(w));
  const auto sweep = [&](int y) {
    for (int x = 0; x < w; ++x) {
      const auto i = static_cast<std::size_t>(x);
      bool known = have[i] != 0;
      take(at(x, y), last[i], known);
      have[i] = known;
    }
  };
  for (int y = 0; y < h; ++y) sweep(y);
  std::fill(have.begin(), have.end(), 0);
  for (int y = h - 1; y >= 0; --y) sweep(y);
}

Object imageDictionary(int width, int height, const Object& colours) {
  Object d = Object::newDictionary();
  d.replaceKey("/Type", Object::newName("/XObject"));
  d.replaceKey("/Subtype", Object::newName("/Image"));
  d.replaceKey("/Width", Object::newInteger(width));
  d.replaceKey("/Height", Object::newInteger(height));
  d.replaceKey("/BitsPerComponent", Object::newInteger(8));
  d.replaceKey("/ColorSpace", colours);
  return d;
}

}  // namespace

/// The pixels of one photo, decoded when they are first needed and again when another photo came between.
struct PdfPhotos::Pixels {
  std::string hash;
  QImage image;  ///< RGB32, or ARGB32 with colours spread under its clear pixels.

  const QImage& of(const Medium& medium) {
    if (hash == medium.hash && !image.isNull()) return image;
    image = {};
    hash = medium.hash;
    auto decoded = decodedPhoto(*medium.bytes, 0, false);
    if (!decoded) throw std::runtime_error(medium.name + " " + decoded.error().message);
    image = std::move(*decoded);
    if (image.hasAlphaChannel()) {
      image.convertTo(QImage::Format_ARGB32);
      spreadColours(image);
    }
    return image;
  }
};

PdfPhoto PdfPhotos::photo(const std::shared_ptr<const Medium>& medium) {
  const auto known = known_.find(medium->hash);
  if (known != known_.end()) return known->second;
  return known_[medium->hash] = made(medium);
}

PdfPhoto PdfPhotos::made(const std::shared_ptr<const Medium>& medium) {
  const auto known = photoHeader(*medium->bytes);
  if (!known) throw std::runtime_error(medium->name + " " + known.error().message);
  const PhotoHeader& header = *known;
  const auto unit = [](double w, double h) { return Affine{w, 0, 0, -h, 0, h}; };
  if (header.kind == PhotoKind::Jpeg) {
    const Inks inks = inksOf(header.components);
    Object colours = Object::newName(inks == Inks::Cmyk   ? "/DeviceCMYK"
                                     : inks == Inks::Grey ? "/DeviceGray"
                                                          : "/DeviceRGB");
    if (ToSrgb::from(header.icc, inks)) {
      Object profile = Object::newStream(&pdf_, header.icc);
      profile.getDict().replaceKey("/N", Object::newInteger(header.components));
      profile.getDict().replaceKey("/Alternate", colours);
      colours = Object::newArray();
      colours.appendItem(Object::newName("/ICCBased"));
      colours.appendItem(pdf_.makeIndirectObject(profile));
    }
    Object image = Object::newStream(&pdf_);
    image.replaceDict(imageDictionary(header.storedWidth, header.storedHeight, colours));
    if (inks == Inks::Cmyk && header.isAdobe)
      image.getDict().replaceKey("/Decode", Object::parse("[ 1 0 1 0 1 0 1 0 ]"));
    image.replaceStreamData(
        [medium](Pipeline* out) {
          out->write(reinterpret_cast<const unsigned char*>(medium->bytes->data()), medium->bytes->size());
          out->finish();
        },
        Object::newName("/DCTDecode"), Object::newNull());
    return {image, header.toUpright() * unit(header.storedWidth, header.storedHeight)};
  }
  if (!pixels_) pixels_ = std::make_shared<Pixels>();
  const int width = header.width(), height = header.height();
  const auto stream = [&](int channels, const char* colours, auto samplesOf) {
    Object object = Object::newStream(&pdf_);
    object.replaceDict(imageDictionary(width, height, Object::newName(colours)));
    Object filter = Object::newDictionary();
    filter.replaceKey("/Predictor", Object::newInteger(15));
    filter.replaceKey("/Colors", Object::newInteger(channels));
    filter.replaceKey("/Columns", Object::newInteger(width));
    object.replaceStreamData(
        [medium, channels, samplesOf, pixels = pixels_](Pipeline* out) {
          const QImage& image = pixels->of(*medium);
          RowCompressor compressor(*out, channels);
          std::vector<unsigned char> samples;
          for (int y = 0; y < image.height(); ++y) {
            samples.clear();
            const auto* line = reinterpret_cast<const QRgb*>(image.constScanLine(y));
            for (int x = 0; x < image.width(); ++x) samplesOf(line[x], samples);
            compressor.row(samples);
          }
          compressor.end();
        },
        Object::newName("/FlateDecode"), filter);
    return object;
  };
  Object image = stream(3, "/DeviceRGB", [](QRgb p, std::vector<unsigned char>& out) {
    out.push_back(static_cast<unsigned char>(qRed(p)));
    out.push_back(static_cast<unsigned char>(qGreen(p)));
    out.push_back(static_cast<unsigned char>(qBlue(p)));
  });
  if (header.mayHaveAlpha && pixels_->of(*medium).hasAlphaChannel())
    image.getDict().replaceKey("/SMask", stream(1, "/DeviceGray", [](QRgb p, std::vector<unsigned char>& out) {
                                 out.push_back(static_cast<unsigned char>(qAlpha(p)));
                               }));
  return {image, unit(width, height)};
}

QPDFObjectHandle pdfPicture(QPDF& pdf, const QImage& picture) {
  QImage image = picture.convertToFormat(QImage::Format_ARGB32);
  spreadColours(image);
  std::string colours, alpha;
  colours.reserve(static_cast<std::size_t>(image.width()) * static_cast<std::size_t>(image.height()) * 3);
  for (int y = 0; y < image.height(); ++y) {
    const auto* line = reinterpret_cast<const QRgb*>(image.constScanLine(y));
    for (int x = 0; x < image.width(); ++x) {
      for (const int v : {qRed(line[x]), qGreen(line[x]), qBlue(line[x])}) colours += static_cast<char>(v);
      alpha += static_cast<char>(qAlpha(line[x]));
    }
  }
  // The writer compresses them.
  const auto stream = [&](const std::string& samples, const char* space) {
    Object object = Object::newStream(&pdf, samples);
    Object d = imageDictionary(image.width(), image.height(), Object::newName(space));
    for (const auto& [key, value] : d.getDictAsMap()) object.getDict().replaceKey(key, value);
    return object;
  };
  Object object = stream(colours, "/DeviceRGB");
  object.getDict().replaceKey("/SMask", stream(alpha, "/DeviceGray"));
  return object;
}

}  // namespace widecut
