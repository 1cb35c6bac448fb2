#include "media/photo.h"

#include <QCryptographicHash>
#include <QFileInfo>

#include "media/files.h"
#include "media/photo_decode.h"
#include "project/limits.h"

namespace widecut {

std::string sha256(const std::string& bytes) {
  const auto view = QByteArray::fromRawData(bytes.data(), static_cast<qsizetype>(bytes.size()));
  return QCryptographicHash::hash(view, QCryptographicHash::Sha256).toHex().toStdString();
}

Result<std::shared_ptr<const Medium>> photoFromBytes(std::string bytes, const std::string& name) {
  const auto header = checkedPhoto(bytes);
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
