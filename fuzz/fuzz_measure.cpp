#include "geometry/measure.h"

#include <cstddef>
#include <cstdint>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  const std::string text(reinterpret_cast<const char*>(data), size);
  for (const auto unit : {widecut::Unit::Millimetre, widecut::Unit::Point, widecut::Unit::Plain})
    (void)widecut::parseMeasure(text, unit, 12.5);
  return 0;
}
