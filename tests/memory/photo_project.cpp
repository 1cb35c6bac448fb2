// Makes a project of one sheet with many photos, to measure what they take.
//   photo_project FILE COUNT WIDTH HEIGHT [png]
#include <QBuffer>
#include <QCoreApplication>
#include <QImage>
#include <cmath>
#include <cstdio>
#include <random>

#include "media/photo.h"
#include "project/edits/fills.h"
#include "project/edits/tree.h"
#include "storage/parsing/tasks.h"
#include "storage/project_file.h"

using namespace widecut;

namespace {

/// Slopes with some grain: compresses about as a photo does.
QImage grainy(int width, int height, unsigned seed) {
  std::mt19937 random(seed);
  QImage image(width, height, QImage::Format_RGB32);
  for (int y = 0; y < height; ++y) {
    auto* line = reinterpret_cast<QRgb*>(image.scanLine(y));
    for (int x = 0; x < width; ++x) {
      const unsigned grain = random();
      const double wave = 60 * std::sin(x * 0.004 + seed) + 50 * std::cos(y * 0.006 - seed);
      const int tone = static_cast<int>(128 + wave) + static_cast<int>(grain & 7);
      line[x] = qRgb(std::clamp(tone, 0, 255), std::clamp(tone + static_cast<int>(grain >> 8 & 7), 0, 255),
                     std::clamp(240 - tone, 0, 255));
    }
  }
  return image;
}

}  // namespace

int main(int count, char** words) {
  if (reading::isReadingProcess(count, words)) return parsing::serveAll(count, words);
  const QCoreApplication app(count, words);
  if (count < 5) return 2;
  const int photos = std::atoi(words[2]), width = std::atoi(words[3]), height = std::atoi(words[4]);
  const char* format = count > 5 ? words[5] : "JPEG";
  Project project;
  project.name = "Photos";
  Sheet sheet;
  sheet.id = 2;
  sheet.name = "Sheet";
  project.pieces = {std::make_shared<const Piece>(Piece{1, "Piece", {std::make_shared<const Sheet>(sheet)}})};
  project.nextId = 3;
  const int across = static_cast<int>(std::ceil(std::sqrt(photos)));
  for (int i = 0; i < photos; ++i) {
    QByteArray bytes;
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    grainy(width, height, static_cast<unsigned>(i)).save(&buffer, format, 90);
    const auto medium = photoFromBytes(bytes.toStdString(), "photo " + std::to_string(i) + ".jpg");
    if (!medium) return 1;
    const double w = sheet.width / across, h = sheet.height / across;
    const Point at{(i % across) * w, (i / across) * h};
    Id made = 0;
    project = withPhotoItem(project, 2, *medium, {at, at + Point{w, h}}, made);
  }
  const auto saved = saveProject(project, "", words[1]);
  if (!saved) std::fprintf(stderr, "%s\n", saved.error().message.c_str());
  return saved ? 0 : 1;
}
