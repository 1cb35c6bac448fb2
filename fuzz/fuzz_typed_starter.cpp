// A starter as it is typed; what can be read is drawn, within its frame.
#include <cstddef>
#include <cstdint>
#include <cstdlib>

#include "shapes/typed_starter.h"

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  using namespace widecut;
  const std::string text(reinterpret_cast<const char*>(data), size);
  const auto typed = parseTyped(text, Unit::Millimetre, starterKind("star"));
  if (!typed) return 0;
  const StarterSize frame{120, 80};
  const Outline outline = starterOutline(*typed->kind, frame, typed->numbers);
  if (!isFinite(outline) || !Box{{-60.001, -40.001}, {60.001, 40.001}}.contains(bounds(outline))) std::abort();
  return 0;
}
