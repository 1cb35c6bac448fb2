// Where the bytes of a delivery go, piece by piece.
#pragma once

#include <functional>
#include <string>

#include "geometry/problem.h"

namespace widecut {

/// Takes the next bytes; on a problem no more are sent.
using Sink = std::function<Result<void>(const char* bytes, std::size_t count)>;

/// A sink that gathers all in a text.
inline Sink into(std::string& text) {
  return [&text](const char* bytes, std::size_t count) -> Result<void> {
    text.append(bytes, count);
    return {};
  };
}

}  // namespace widecut
