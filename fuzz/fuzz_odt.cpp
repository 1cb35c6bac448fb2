// Whatever is read of it is a clean text whose looks lie within it, or is refused with a word.
#include "fuzz_text.h"

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  return widecut::readAnyText(data, size, widecut::TextKind::OpenDocument);
}
