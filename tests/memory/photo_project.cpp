// Makes a project of one sheet with many photos, to measure what they take.
//   photo_project FILE COUNT WIDTH HEIGHT [png]
#include <QBuffer>
#include <QCoreApplication>
#include <QImage>
#include <cmath>
#include <cstdio>

#include "media/photo.h"
#include "memory/grainy_photo.h"
#include "project/edits/fills.h"
#include "project/edits/tree.h"
#include "storage/parsing/tasks.h"
#include "storage/project_file.h"

using namespace widecut;

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
    grainyPhoto(width, height, static_cast<unsigned>(i)).save(&buffer, format, 90);
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
