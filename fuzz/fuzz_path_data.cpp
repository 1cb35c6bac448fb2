#include "geometry/path_data.h"

#include <cstddef>
#include <cstdint>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  const std::string text(reinterpret_cast<const char*>(data), size);
  if (const auto outline = widecut::parsePathData(text)) {
    // What was read is written so that it reads back the same.
    const auto again = widecut::parsePathData(widecut::pathData(*outline));
    if (!again || !(*again == *outline)) __builtin_trap();
  }
  return 0;
}
