// Batches: a file of JSON lines, answered line by line.
#pragma once

#include <functional>
#include <nlohmann/json.hpp>
#include <string>

#include "geometry/problem.h"

namespace widecut {

/// In the order in which they were written: parts of a batch are subtracted in the order given.
using OrderedJson = nlohmann::ordered_json;

/// Writes, for each line of the file, what `answer` makes of it or {"error": …} to standard output, with the line's id.
/// Lines are counted from 1. Refuses a file that cannot be read.
Result<void> answerLines(const std::string& path,
                         const std::function<Result<OrderedJson>(const OrderedJson& line, int number)>& answer);

}  // namespace widecut
