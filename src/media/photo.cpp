#include "media/photo.h"

#include <QCryptographicHash>
#include <QFile>
#include <QFileInfo>

#include "media/files.h"
#include "media/photo_decode.h"
#include "media/photo_level.h"
#include "project/limits.h"

namespace widecut {

std::string sha256(const std::string& bytes) {
  const auto view = QByteArray::fromRawData(bytes.data(), static_cast<qsizetype>(bytes.size()));
  return QCryptographicHash::hash(view, QCryptographicHash::Sha256).toHex().toStdString();
}

Result<SmallPhoto> smallPhoto(const std::string& bytes, QSize size) {
  const auto header = photoHeader(bytes);
  if (!header) return tl::unexpected(header.error());
  const QSize whole(header->width(), header->height()), wanted = whole.scaled(size, Qt::KeepAspectRatio);
  int halvings = 0;
  while (halved(whole, halvings + 1).width() >= wanted.width() && halved(whole, halvings + 1).height() > 1) ++halvings;
  auto picture = decodedPhoto(bytes, halvings, false);
  if (!picture) return tl::unexpected(picture.error());
  return SmallPhoto{
      picture->scaled(wanted.boundedTo(whole).expandedTo({1, 1}), Qt::IgnoreAspectRatio, Qt::SmoothTransformation),
      whole.width(), whole.height()};
}

Result<SmallPhoto> smallPhotoOfFile(const std::string& path, QSize size) {
  const auto bytes = readFile(path, limits::mostPhotoBytes);
  if (!bytes) return tl::unexpected(bytes.error());
  return smallPhoto(*bytes, size);
}

Result<PhotoHeader> headerOfFile(const std::string& path) {
  QFile file(QString::fromStdString(path));
  if (!file.open(QIODevice::ReadOnly)) return problem("cannot be opened");
  constexpr qint64 beginning = 1 << 20;
  const auto header = photoHeader(file.read(beginning).toStdString());
  if (header || file.size() <= beginning) return header;
  // Some have it at their end.
  const auto bytes = readFile(path, limits::mostPhotoBytes);
  if (!bytes) return tl::unexpected(bytes.error());
  return photoHeader(*bytes);
}

Result<std::shared_ptr<const Medium>> photoFromBytes(std::string bytes, const std::string& name,
                                                     const reading::Patience& patience) {
  const auto header = checkedPhoto(bytes, patience);
  if (!header) return problem(name + " " + header.error().message);
  auto medium = std::make_shared<Medium>();
  medium->name = shortened(name);
  medium->width = header->width();
  medium->height = header->height();
  medium->hash = sha256(bytes);
  medium->bytes = std::make_shared<const std::string>(std::move(bytes));
  return medium;
}

Result<std::shared_ptr<const Medium>> photoFromFile(const std::string& path) {
  auto bytes = readFile(path, limits::mostPhotoBytes);
  if (!bytes) return tl::unexpected(bytes.error());
  return photoFromBytes(std::move(*bytes), QFileInfo(QString::fromStdString(path)).fileName().toStdString());
}

}  // namespace widecut
