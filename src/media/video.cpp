#include "media/video.h"

#include <QBuffer>
#include <QFileInfo>
#include <QImageWriter>
#include <algorithm>

#include "media/files.h"
#include "media/video_reader.h"
#include "project/limits.h"

namespace widecut {
namespace {

/// A picture as a JPEG, with a comment.
std::string jpegOf(const QImage& picture, const QString& comment) {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  QImageWriter writer(&buffer, "jpeg");
  constexpr int fine = 94;
  writer.setQuality(fine);
  writer.setText("Comment", comment);
  writer.write(picture);
  return bytes.toStdString();
}

Result<MediumPtr> posterFrom(const VideoPtr& video, const VideoReader& reader, double at) {
  const QImage still = reader.image(reader.size());
  if (still.isNull()) return problem(video->file.name + " has a frame that cannot be shown");
  const QString names = QString::fromStdString(video->file.hash) + " at " + QString::number(at, 'f', 6) + " s";
  auto poster = photoFromBytes(jpegOf(still, names), video->file.name);
  if (!poster) return tl::unexpected(poster.error());
  Medium made = **poster;
  made.video = video;
  made.videoAt = at;
  made.credit = video->file.credit;
  return std::make_shared<const Medium>(std::move(made));
}

Result<VideoReader> readerOf(const Video& video) {
  if (!video.file.bytes) return problem(video.file.name + " cannot be read: its file is missing");
  auto reader = VideoReader::of(video.file.bytes);
  if (!reader) return problem(video.file.name + " " + reader.error().message);
  return reader;
}

/// Whether a frame is a plain one to begin or end with: nearly all of it as dark, or as light, as can be.
bool isBlank(const QImage& frame) {
  const QImage small = frame.scaled(24, 24, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
  constexpr int dark = 24, light = 240;
  int darks = 0, lights = 0;
  for (int y = 0; y < small.height(); ++y)
    for (int x = 0; x < small.width(); ++x) {
      const int grey = qGray(small.pixel(x, y));
      darks += grey < dark ? 1 : 0;
      lights += grey > light ? 1 : 0;
    }
  const int most = small.width() * small.height() * 97 / 100;
  return darks > most || lights > most;
}

}  // namespace

bool looksLikeVideo(std::string_view bytes) {
  using namespace std::string_view_literals;
  return bytes.starts_with("\x1A\x45\xDF\xA3"sv) || bytes.starts_with("OggS"sv) ||
         (bytes.size() > 12 && bytes.substr(4, 4) == "ftyp"sv);
}

Result<VideoPtr> videoFromBytes(std::string bytes, const std::string& name) {
  if (!looksLikeVideo(bytes)) return problem(name + " is no video that is read here");
  auto kept = std::make_shared<const std::string>(std::move(bytes));
  auto reader = VideoReader::of(kept);
  if (!reader) return problem(name + " " + reader.error().message);
  if (!reader->next()) return problem(name + " holds no frame that can be decoded");
  auto video = std::make_shared<Video>();
  video->file.name = shortened(name);
  video->file.width = reader->size().width();
  video->file.height = reader->size().height();
  video->file.hash = sha256(*kept);
  video->file.bytes = std::move(kept);
  video->seconds = reader->seconds();
  video->framesPerSecond = reader->framesPerSecond();
  video->hasSound = reader->hasSound();
  return video;
}

Result<MediumPtr> posterAt(const VideoPtr& video, double seconds) {
  auto reader = readerOf(*video);
  if (!reader) return tl::unexpected(reader.error());
  reader->seek(std::clamp(seconds, 0.0, video->seconds));
  const auto at = reader->next();
  if (!at) return problem(video->file.name + " has no frame there that can be decoded");
  return posterFrom(video, *reader, std::max(0.0, *at));
}

Result<MediumPtr> usualPoster(const VideoPtr& video) {
  auto reader = readerOf(*video);
  if (!reader) return tl::unexpected(reader.error());
  constexpr int places = 20;
  for (int i = 0; i < places; ++i) {
    reader->seek(video->seconds * i / places);
    const auto at = reader->next();
    if (at && !isBlank(reader->image(reader->size()))) return posterFrom(video, *reader, std::max(0.0, *at));
  }
  return posterAt(video, 0);
}

const char* pictureEndings() {
  return "*.png *.jpg *.jpeg *.webp *.tif *.tiff *.webm *.mp4 *.m4v *.mov *.mkv *.ogv *.ogg";
}

Result<MediumPtr> pictureFromFile(const std::string& path, const reading::Patience& patience) {
  auto bytes = readFile(path, limits::mostPhotoBytes);
  if (!bytes) return tl::unexpected(bytes.error());
  const std::string name = QFileInfo(QString::fromStdString(path)).fileName().toStdString();
  if (!looksLikeVideo(*bytes)) return photoFromBytes(std::move(*bytes), name, patience);
  const auto video = videoFromBytes(std::move(*bytes), name);
  if (!video) return tl::unexpected(video.error());
  return usualPoster(*video);
}

}  // namespace widecut
