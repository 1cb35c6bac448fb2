// The project file: a zip with project.json, sheets, media and a preview. docs/project-file.md describes it.
#pragma once

#include <string>

#include "geometry/problem.h"
#include "geometry/progress.h"
#include "project/model.h"

namespace widecut {

/// Reads the bytes of a project file. Foreign, damaged and newer files give a problem that says what is wrong.
Result<Project> projectFromBytes(const std::string& bytes);
/// The bytes of a project file; `previewPng` may be empty. The same project gives the same bytes.
Result<std::string> bytesOfProject(const Project& project, const std::string& previewPng);

/// The same for files; problems name the file. Saving writes all or nothing. Once it is cancelled, the problem says so.
Result<Project> openProject(const std::string& path, const Progress& progress = {});
/// A project of the first sheet alone with its photos: what can be shown while the rest is read.
Result<Project> openFirstSheet(const std::string& path);
/// The picture of its first sheet, as PNG; empty when the file has none.
Result<std::string> previewOf(const std::string& path);
/// The photos that nothing shows are left out, and those that are referred to stay where they are: in the file their
/// places are from its folder, where they lie in there. What was written is read again before it replaces an older
/// file.
Result<void> saveProject(const Project& project, const std::string& previewPng, const std::string& path,
                         const Progress& progress = {});

}  // namespace widecut
