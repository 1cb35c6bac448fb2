// Whole files in and out.
#pragma once

#include <cstdint>
#include <memory>
#include <string>

#include "geometry/problem.h"

namespace widecut {

/// The file's bytes. Refuses folders, devices and pipes, unreadable files and files over `limit` bytes, naming the
/// file.
Result<std::string> readFile(const std::string& path, std::size_t limit);
/// Nothing when the path names a plain file that can be read; otherwise why not, naming the file.
Result<void> mayBeRead(const std::string& path);
/// Whether a file must be on the disk before it takes its place, or may be on its way there: then it outlives the
/// program, but perhaps not the machine.
enum class Care : unsigned char { OnDisk, OnItsWay };

/// Writes all or nothing: on a problem an older file of that name is as it was, and no new one is there.
Result<void> writeFile(const std::string& path, const std::string& bytes, Care care = Care::OnDisk);

/// A file in the making, beside the place where it is to be. Nothing is at its place, and an older file there is as it
/// was, until commit(); without one nothing stays.
class NewFile {
 public:
  /// Refuses folders, devices and pipes in that place, and disks with less room than `bytesNeeded`.
  static Result<NewFile> at(const std::string& path, std::uint64_t bytesNeeded);
  Result<void> write(const char* bytes, std::size_t count);
  /// Puts the file in its place once all of it is on the disk, with the rights of the older one.
  Result<void> commit(Care care = Care::OnDisk);
  /// Where it is being made, for libraries that write files themselves.
  const std::string& workPath() const;

  NewFile(NewFile&&) noexcept;
  NewFile& operator=(NewFile&&) noexcept;
  ~NewFile();

 private:
  struct Inside;
  explicit NewFile(std::unique_ptr<Inside> inside);
  std::unique_ptr<Inside> inside_;
};

}  // namespace widecut
