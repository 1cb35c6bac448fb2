// Filling photos in with their bytes, wherever those are kept.
#pragma once

#include <functional>
#include <string>

#include "geometry/problem.h"
#include "project/model.h"

namespace widecut {

/// Reads a medium's bytes, at most so many.
using MediumBytes = std::function<Result<std::string>(const Medium& medium, std::size_t most)>;

/// What fills media in from bytes that are checked against their hashes; all of them together stay within the limits.
/// Those that are referred to, and cannot be read or are other files by now, are left without bytes.
std::function<Result<void>(Medium&)> filledBy(const MediumBytes& bytesOf);

}  // namespace widecut
