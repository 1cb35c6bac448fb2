#include "storage/project_json.h"

#include <cstddef>
#include <cstdint>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  const std::string text(reinterpret_cast<const char*>(data), size);
  if (const auto project = widecut::projectFromJson(text)) {
    const std::string written = widecut::projectJson(*project);
    const auto again = widecut::projectFromJson(written);
    if (!again || widecut::projectJson(*again) != written) __builtin_trap();
  }
  return 0;
}
