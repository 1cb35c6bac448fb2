// Work that outlives the program: a journal of what is open, and claims on files.
#pragma once

#include <memory>
#include <string>
#include <vector>

#include "geometry/problem.h"
#include "project/model.h"

namespace widecut {

/// What is open in one window, kept in a folder of its own while it is not saved. The folder goes when the journal ends
/// in an orderly way; when the program was ended otherwise it stays, for the next start to find. For one thread at a
/// time.
class Journal {
 public:
  /// Begins a journal in a new folder below `home`, which is made when it is not there.
  static Result<std::unique_ptr<Journal>> begin(const std::string& home);
  ~Journal();
  Journal(const Journal&) = delete;
  Journal& operator=(const Journal&) = delete;

  /// Keeps a state in the place of the one before, all or nothing; each photo once. `path` is the file that the project
  /// was opened from, or empty.
  Result<void> keep(const Project& project, const std::string& path);
  /// A picture of what is kept, as PNG.
  void keepPicture(const std::string& png);
  /// What is open is saved: nothing is kept any more.
  void clear();

 private:
  struct Inside;
  explicit Journal(std::unique_ptr<Inside> inside);
  std::unique_ptr<Inside> inside_;
};

/// The journal of a program that ended without saving.
class LeftBehind {
 public:
  std::string name;         ///< Of the project.
  std::string path;         ///< Of the file it was opened from; empty for work that never was a file.
  std::string picture;      ///< PNG; may be empty.
  std::int64_t keptAt = 0;  ///< Seconds since 1970.

  /// The work itself.
  Result<Project> project() const;
  /// Deletes the journal.
  void putAway();

 private:
  friend std::vector<LeftBehind> leftBehind(const std::string& home);
  struct Inside;
  std::shared_ptr<Inside> inside_;  ///< Holds the folder, so that no other window offers it meanwhile.
};
/// Journals below `home` whose programs are gone, the newest first.
std::vector<LeftBehind> leftBehind(const std::string& home);

/// A claim of one window on a project file, for as long as it lives.
class FileClaim {
 public:
  /// Null when another running program has it.
  static std::unique_ptr<FileClaim> on(const std::string& path, const std::string& home);
  ~FileClaim();

 private:
  struct Inside;
  explicit FileClaim(std::unique_ptr<Inside> inside);
  std::unique_ptr<Inside> inside_;
};

/// Changes whenever the file is written: to see whether somebody else did. Empty when there is no file.
std::string fileStamp(const std::string& path);

}  // namespace widecut
