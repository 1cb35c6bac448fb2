// Work that may take long, on the command line.
#pragma once

#include <functional>
#include <optional>
#include <string>

#include "cli/json_lines.h"

namespace widecut {

/// Does the work, tells on standard error every few seconds how long it has been at it, and stops it after so many
/// seconds, if any, at its next stopPoint(); then that is the error.
Result<OrderedJson> withinTime(const std::string& name, std::optional<double> seconds,
                               const std::function<Result<OrderedJson>()>& work);

}  // namespace widecut
