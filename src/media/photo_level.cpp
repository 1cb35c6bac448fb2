#include "media/photo_level.h"

#include <algorithm>

namespace widecut {

QSize halved(QSize size, int halvings) {
  for (int i = 0; i < halvings; ++i) size = {(size.width() + 1) / 2, (size.height() + 1) / 2};
  return size;
}

void fillBorder(QImage& image) {
  const int w = image.width(), h = image.height();
  for (int y = 1; y + 1 < h; ++y) {
    auto* line = reinterpret_cast<QRgb*>(image.scanLine(y));
    line[0] = line[1];
    line[w - 1] = line[w - 2];
  }
  const auto bytes = static_cast<std::size_t>(image.bytesPerLine());
  std::copy_n(image.constScanLine(1), bytes, image.scanLine(0));
  std::copy_n(image.constScanLine(h - 2), bytes, image.scanLine(h - 1));
}

QImage bordered(const QImage& picture) {
  QImage out(picture.size() + QSize(2, 2), picture.format());
  if (out.isNull()) return {};
  for (int y = 0; y < picture.height(); ++y)
    std::copy_n(reinterpret_cast<const QRgb*>(picture.constScanLine(y)), picture.width(),
                reinterpret_cast<QRgb*>(out.scanLine(y + 1)) + 1);
  fillBorder(out);
  return out;
}

}  // namespace widecut
