// What a journal holds: a project as files in a folder, of which only those that changed are written.
#pragma once

#include <cstdint>
#include <map>
#include <string>

#include "geometry/problem.h"
#include "project/model.h"

namespace widecut {

/// Keeps states of a project in a folder, each in the place of the one before, all or nothing. Sheets that are the same
/// nodes as before, and photos, are not written again. What is written outlives the program, but perhaps not the
/// machine. For one thread at a time.
class JournalState {
 public:
  explicit JournalState(std::string folder) : folder_(std::move(folder)) {}

  Result<void> keep(const Project& project);
  /// Nothing is kept any more.
  void clear();
  /// Of all that was written so far.
  std::uint64_t bytesWritten() const { return bytesWritten_; }

 private:
  struct KeptSheet {
    SheetPtr sheet;
    std::string file;
  };
  Result<std::string> write(const std::string& kind, const std::string& bytes);

  std::string folder_;
  std::map<Id, KeptSheet> sheets_;
  std::map<std::string, std::string>
      files_;  ///< Photos by their hashes and foreign files by their names: where they are.
  std::map<std::shared_ptr<const std::string>, std::string> fonts_;  ///< Where they are.
  std::map<std::string, std::string> fontLists_;
  unsigned count_ = 0;
  std::uint64_t bytesWritten_ = 0;
};

/// The file in a journal's folder that makes its state: without it nothing is kept there.
std::string stateFile(const std::string& folder);
/// The state that is kept in a folder.
Result<Project> keptProject(const std::string& folder);

}  // namespace widecut
