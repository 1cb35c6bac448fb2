// By itself, because its library takes long to compile.
#include <dlib/image_processing/frontal_face_detector.h>

#include "media/suggested_subjects.h"

namespace widecut {
namespace {

constexpr int mostSide = 1200;  // Larger pictures are made smaller first.
constexpr int leastSide = 700;  // Smaller ones larger: the detector knows faces from 80 pixels.
constexpr double surest = 0.1;  // What is less sure than this is left out.

}  // namespace

std::vector<Box> facesIn(const QImage& picture) {
  if (picture.isNull()) return {};
  const int side = std::max(picture.width(), picture.height());
  const double scale = double(std::clamp(side, leastSide, mostSide)) / side;
  const QImage grey = picture
                          .scaled(std::max(1, int(picture.width() * scale)), std::max(1, int(picture.height() * scale)),
                                  Qt::IgnoreAspectRatio, Qt::SmoothTransformation)
                          .convertToFormat(QImage::Format_Grayscale8);
  dlib::array2d<unsigned char> pixels(grey.height(), grey.width());
  for (int y = 0; y < grey.height(); ++y) std::copy_n(grey.constScanLine(y), grey.width(), &pixels[y][0]);
  // Its weights take a while to unpack; a detector is not for two threads at once, but a copy is.
  static const dlib::frontal_face_detector trained = dlib::get_frontal_face_detector();
  dlib::frontal_face_detector detector = trained;
  std::vector<Box> out;
  for (const dlib::rectangle& face : detector(pixels, surest))
    out.push_back(
        {{face.left() / scale, face.top() / scale}, {(face.right() + 1) / scale, (face.bottom() + 1) / scale}});
  return out;
}

}  // namespace widecut
