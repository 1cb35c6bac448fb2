// Repeats in the file.
#pragma once

#include "project/forms/repeat.h"
#include "storage/form_json.h"

namespace widecut {

void write(const Repeat& repeat, nlohmann::json& item);
/// Throws Wrong.
Form readRepeat(Members m, ItemReader& reader, int depth);

}  // namespace widecut
