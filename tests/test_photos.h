// Small pictures for tests.
#pragma once

#include <QBuffer>
#include <QImage>
#include <QImageWriter>
#include <string>

namespace widecut {

/// Red on the left, blue on the right, with a green bar along the top.
inline QImage tones(int width, int height) {
  QImage image(width, height, QImage::Format_RGB32);
  for (int y = 0; y < height; ++y)
    for (int x = 0; x < width; ++x)
      image.setPixelColor(x, y,
                          y < height / 5  ? QColor(20, 160, 60)
                          : x < width / 2 ? QColor(200, 30, 30)
                                          : QColor(30, 30, 200));
  return image;
}

inline std::string encoded(const QImage& image, const char* format,
                           QImageIOHandler::Transformations turned = QImageIOHandler::TransformationNone) {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  QImageWriter writer(&buffer, format);
  writer.setTransformation(turned);
  if (!writer.write(image)) qFatal("cannot encode %s", format);
  return bytes.toStdString();
}

}  // namespace widecut
