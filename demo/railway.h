// The demo project: Skarrow Peak Railway, a brochure sheet and two slides.
#pragma once

#include <string>

#include "geometry/problem.h"
#include "project/model.h"

namespace skarrow {

/// Builds the project from the photos and the video in a folder.
widecut::Result<widecut::Project> railwayProject(const std::string& photoFolder);

}  // namespace skarrow
