// Projects as the first version wrote them.
#pragma once

#include <nlohmann/json.hpp>

namespace widecut {

/// Brings the project.json of version 1, where sheets stand inside, to what today's reader takes: one fill, one photo
/// and one line an item become lists, and what a photo covered stays covered. What is not as it should be stays as it
/// is, for the reader to refuse.
void fromVersion1(nlohmann::json& project);

}  // namespace widecut
