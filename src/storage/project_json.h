// The project as JSON text: everything but the media's bytes.
#pragma once

#include <string>

#include "geometry/problem.h"
#include "project/model.h"

namespace widecut {

inline constexpr int projectFileVersion = 1;

/// Compact JSON with a line feed at the end.
std::string projectJson(const Project& project);
/// The project with media that have no bytes yet. Problems name the place, as in `pieces[0].sheets[1].items[4]`.
Result<Project> projectFromJson(const std::string& text);

}  // namespace widecut
