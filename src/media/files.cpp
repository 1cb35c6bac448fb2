#include "media/files.h"

#include <QFile>
#include <QFileInfo>
#include <QSaveFile>

namespace widecut {

Result<std::string> readFile(const std::string& path, std::size_t limit) {
  QFile file(QString::fromStdString(path));
  if (QFileInfo(file).isDir()) return problem(path + " is a folder");
  if (!file.open(QIODevice::ReadOnly)) return problem("cannot read " + path + ": " + file.errorString().toStdString());
  if (file.size() > static_cast<qint64>(limit))
    return problem(path + " is larger than " + std::to_string(limit >> 20) + " MiB");
  std::string bytes = file.read(static_cast<qint64>(limit)).toStdString();
  if (file.error() != QFileDevice::NoError)
    return problem("cannot read " + path + ": " + file.errorString().toStdString());
  return bytes;
}

Result<void> writeFile(const std::string& path, const std::string& bytes) {
  QSaveFile file(QString::fromStdString(path));
  const bool written =
      file.open(QIODevice::WriteOnly) &&
      file.write(bytes.data(), static_cast<qint64>(bytes.size())) == static_cast<qint64>(bytes.size()) && file.commit();
  if (!written) {
    file.cancelWriting();
    return problem("cannot write " + path + ": " + file.errorString().toStdString());
  }
  return {};
}

}  // namespace widecut
