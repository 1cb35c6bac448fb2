// Photos as image objects of a PDF.
#pragma once

#include <map>
#include <memory>
#include <qpdf/QPDF.hh>

#include "geometry/affine.h"
#include "project/model.h"

class QImage;

namespace widecut {

/// A photo in a PDF, and where it lies: an image object fills the unit square.
struct PdfPhoto {
  QPDFObjectHandle object;
  Affine unitToPixels;  ///< From the unit square, whose y points up, to the upright photo's pixels.
};

/// Embeds photos, each once.
class PdfPhotos {
 public:
  explicit PdfPhotos(QPDF& pdf) : pdf_(pdf) {}
  /// The photo's image object. JPEGs keep their bytes, whatever their orientation; other photos are compressed when the
  /// file is written, from their pixels without resampling, with their alpha as a mask.
  PdfPhoto photo(const std::shared_ptr<const Medium>& medium);

 private:
  PdfPhoto made(const std::shared_ptr<const Medium>& medium);
  struct Pixels;
  QPDF& pdf_;
  std::map<std::string, PdfPhoto> known_;
  std::shared_ptr<Pixels> pixels_;  ///< Of the photo that was needed last.
};

/// Pixels of our own as an image object, with their alpha as a mask.
QPDFObjectHandle pdfPicture(QPDF& pdf, const QImage& image);

}  // namespace widecut
