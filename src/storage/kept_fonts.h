// Fonts that a project file has with it, so that words look the same on a machine without them.
#pragma once

#include <functional>
#include <memory>
#include <string>
#include <vector>

#include "geometry/problem.h"
#include "project/model.h"
#include "words/font_library.h"

namespace widecut {

/// An entry of the project file.
struct FontEntry {
  std::string name;
  std::shared_ptr<const std::string> bytes;
};
/// The fonts that its words are in and that are not the program's own, where their makers allow it, and the list of
/// them; nothing where there are none.
std::vector<FontEntry> fontEntries(const Project& project);
/// Reads an entry of at most so many bytes.
using ReadEntry = std::function<Result<std::string>(const std::string& name, std::size_t most)>;
/// The fonts of the file; null for none. What is no font, or wrongly listed, is passed over: its family is missing
/// then, as it says where words are.
OwnFontsPtr fontsIn(const ReadEntry& read);

}  // namespace widecut
