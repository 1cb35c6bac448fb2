#include "media/files.h"

#include <sys/stat.h>
#include <unistd.h>
#include <QFile>
#include <QFileInfo>
#include <QTemporaryFile>
#include <cerrno>
#include <cstring>
#include <filesystem>

namespace widecut {
namespace {

namespace fs = std::filesystem;

std::string megabytes(std::uint64_t bytes) {
  constexpr std::uint64_t few = 100'000;
  if (bytes < few) return std::to_string((bytes + 999) / 1000) + " kB";
  const double mb = static_cast<double>(bytes) / 1e6;
  return QString::number(mb, 'f', mb < 10 ? 1 : 0).toStdString() + " MB";
}

std::string osReason() { return std::strerror(errno); }

}  // namespace

Result<void> mayBeRead(const std::string& path) {
  std::error_code error;
  const fs::file_status status = fs::status(path, error);
  if (error) return problem("cannot read " + path + ": " + error.message());
  if (fs::is_directory(status)) return problem(path + " is a folder");
  if (!fs::is_regular_file(status)) return problem(path + " is not a plain file but a device or a pipe");
  return {};
}

Result<std::string> readFile(const std::string& path, std::size_t limit) {
  if (const auto may = mayBeRead(path); !may) return tl::unexpected(may.error());
  QFile file(QString::fromStdString(path));
  if (!file.open(QIODevice::ReadOnly)) return problem("cannot read " + path + ": " + file.errorString().toStdString());
  const qint64 size = file.size();
  if (size > static_cast<qint64>(limit))
    return problem(path + " is larger than " + std::to_string(limit >> 20) + " MiB");
  std::string bytes(static_cast<std::size_t>(size), '\0');
  qint64 got = 0;
  while (got < size) {
    const qint64 more = file.read(bytes.data() + got, size - got);
    if (more <= 0) break;
    got += more;
  }
  if (file.error() != QFileDevice::NoError)
    return problem("cannot read " + path + ": " + file.errorString().toStdString());
  bytes.resize(static_cast<std::size_t>(got));
  return bytes;
}

struct NewFile::Inside {
  std::string path;    ///< As it was asked for; what problems name.
  std::string target;  ///< The same with links followed.
  std::string work;
  std::unique_ptr<QTemporaryFile> file;
};

NewFile::NewFile(std::unique_ptr<Inside> inside) : inside_(std::move(inside)) {}
NewFile::NewFile(NewFile&&) noexcept = default;
NewFile& NewFile::operator=(NewFile&&) noexcept = default;
NewFile::~NewFile() = default;

const std::string& NewFile::workPath() const { return inside_->work; }

Result<NewFile> NewFile::at(const std::string& path, std::uint64_t bytesNeeded) {
  const auto refused = [&](const std::string& why) { return problem("cannot write " + path + ": " + why); };
  std::error_code error;
  const fs::file_status status = fs::status(path, error);
  if (error && error != std::errc::no_such_file_or_directory) return refused(error.message());
  if (fs::is_directory(status)) return refused("it is a folder");
  if (fs::exists(status) && !fs::is_regular_file(status)) return refused("it is a device or a pipe, not a file");
  if (fs::exists(status) && ::access(path.c_str(), W_OK) != 0) return refused("it may not be changed");
  auto inside = std::make_unique<Inside>();
  inside->path = path;
  const fs::path target = fs::is_symlink(fs::symlink_status(path)) ? fs::weakly_canonical(path, error) : fs::path(path);
  inside->target = target.string();
  const std::string folder = target.has_parent_path() ? target.parent_path().string() : ".";
  if (const fs::space_info disk = fs::space(folder, error); !error && disk.available < bytesNeeded)
    return refused("the disk has " + megabytes(disk.available) + " left, and " + megabytes(bytesNeeded) +
                   " are needed");
  inside->file = std::make_unique<QTemporaryFile>(QString::fromStdString(folder + "/.widecut"));
  if (!inside->file->open()) return refused(inside->file->errorString().toStdString());
  inside->work = inside->file->fileName().toStdString();
  return NewFile(std::move(inside));
}

Result<void> NewFile::write(const char* bytes, std::size_t count) {
  // Straight to the system, which says why when it cannot.
  while (count > 0) {
    const ssize_t written = ::write(inside_->file->handle(), bytes, count);
    if (written < 0 && errno == EINTR) continue;
    if (written <= 0) return problem("cannot write " + inside_->path + ": " + osReason());
    bytes += written;
    count -= static_cast<std::size_t>(written);
  }
  return {};
}

Result<void> NewFile::commit(Care care) {
  QTemporaryFile& file = *inside_->file;
  const auto failed = [&](const std::string& why) { return problem("cannot write " + inside_->path + ": " + why); };
  // A library may have put another file in the place of the work file: what counts is what has its name now.
  QFile work(QString::fromStdString(inside_->work));
  if (!work.open(QIODevice::ReadWrite)) return failed(work.errorString().toStdString());
  if (care == Care::OnDisk && ::fsync(work.handle()) != 0) return failed(osReason());
  std::error_code error;
  const fs::file_status older = fs::status(inside_->target, error);
  const mode_t mask = ::umask(0);
  ::umask(mask);
  const auto rights = fs::exists(older) ? older.permissions() : static_cast<fs::perms>(0666 & ~mask);
  fs::permissions(inside_->work, rights, error);
  if (std::rename(inside_->work.c_str(), inside_->target.c_str()) != 0) return failed(osReason());
  file.setAutoRemove(false);
  return {};
}

Result<void> writeFile(const std::string& path, const std::string& bytes, Care care) {
  auto file = NewFile::at(path, bytes.size());
  if (!file) return tl::unexpected(file.error());
  if (const auto written = file->write(bytes.data(), bytes.size()); !written) return written;
  return file->commit(care);
}

}  // namespace widecut
