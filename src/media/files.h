// Whole files in and out.
#pragma once

#include <string>

#include "geometry/problem.h"

namespace widecut {

/// The file's bytes. Refuses folders, unreadable files and files over `limit` bytes, naming the file.
Result<std::string> readFile(const std::string& path, std::size_t limit);
/// Writes all or nothing: on a problem an older file of that name is as it was, and no new one is there.
Result<void> writeFile(const std::string& path, const std::string& bytes);

}  // namespace widecut
