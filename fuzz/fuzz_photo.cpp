#include <cstddef>
#include <cstdint>

#include "media/parsing/photo_decode.h"
#include "media/parsing/photo_header.h"

using namespace widecut;

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  const std::string_view text(reinterpret_cast<const char*>(data), size);
  const auto header = parsing::photoHeader(text);
  if (!header) {
    if (header.error().message.empty()) __builtin_trap();
    return 0;
  }
  (void)parsing::decodedPhoto(text, *header, 1, true);
  return 0;
}
