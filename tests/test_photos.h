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

/// A JPEG as a camera held upright writes it: stored lying down, with a note to turn it by 90° clockwise.
inline std::string turnedJpeg(const QImage& stored, char orientation = 6) {
  std::string bytes = encoded(stored, "JPEG");
  const unsigned char note[] = {0xFF, 0xE1, 0, 34,   'E', 'x', 'i', 'f', 0, 0, 'M', 'M', 0, 42, 0, 0, 0, 8,
                                0,    1,    1, 0x12, 0,   3,   0,   0,   0, 1, 0,   6,   0, 0,  0, 0, 0, 0};
  bytes.insert(2, reinterpret_cast<const char*>(note), sizeof note);
  bytes[2 + 29] = orientation;
  return bytes;
}

/// A JPEG of one tone of four inks, stored inverted as is usual; 255 is full ink.
std::string cmykJpeg(int width, int height, int cyan, int magenta, int yellow, int black);

}  // namespace widecut
