#include "media/photo.h"

#include <cstddef>
#include <cstdint>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  const std::string text(reinterpret_cast<const char*>(data), size);
  if (const auto photo = widecut::photoFromBytes(text, "fuzz")) {
    widecut::PhotoStore store;
    (void)store.level(**photo, 0.5);
  }
  return 0;
}
