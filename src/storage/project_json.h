// The project as JSON texts: everything but the media's bytes.
#pragma once

#include <functional>
#include <map>
#include <string>

#include "geometry/problem.h"
#include "geometry/progress.h"
#include "project/model.h"

namespace widecut {

inline constexpr int projectFileVersion = 2;

/// The texts of a project, each with a line feed at the end.
struct ProjectTexts {
  std::string project;                        ///< project.json
  std::map<std::string, std::string> sheets;  ///< By entry, as in sheets/12.json.
  bool operator==(const ProjectTexts&) const = default;
};
/// The text of one sheet, the name of its entry, and the text of project.json, which lists these media.
std::string sheetText(const Sheet& sheet);
std::string sheetEntry(Id sheet);
std::string projectText(const Project& project, const Media& media);
/// All of them.
ProjectTexts projectTexts(const Project& project, const Media& media);
inline ProjectTexts projectTexts(const Project& project) { return projectTexts(project, mediaOf(project)); }

/// Where a reader finds what project.json names.
struct ProjectSources {
  /// The text of an entry, of at most so many bytes.
  std::function<Result<std::string>(const std::string& entry, std::size_t most)> text;
  /// Fills in a medium's bytes, or leaves it without.
  std::function<Result<void>(Medium& medium)> fill;
  /// So many sheets are read, from the first on; the others, and pieces without any, are left out.
  std::size_t mostSheets = static_cast<std::size_t>(-1);
  /// What the project has with it; null for none.
  std::shared_ptr<const OwnFonts> fonts = nullptr;
  /// Is told how far reading has come, and may stop it.
  Progress progress = {};
};
/// The project of a project.json of this version or an older one. Problems name the place, as in `pieces[0].name` or
/// `sheets/12.json: items[4].at`.
Result<Project> projectFrom(const std::string& projectText, const ProjectSources& sources);
/// The same from texts alone; media have no bytes.
Result<Project> projectFrom(const ProjectTexts& texts);

}  // namespace widecut
