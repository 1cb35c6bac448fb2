// Whatever is read of an SVG can be kept: it is finite and within the limits, or is refused with a word.
#include "storage/parsing/svg_shapes.h"

#include <cstddef>
#include <cstdint>

#include "project/resolve.h"

using namespace widecut;

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  const auto shapes = parsing::shapesFromSvg({reinterpret_cast<const char*>(data), size});
  if (!shapes) {
    if (shapes.error().message.empty()) __builtin_trap();
    return 0;
  }
  for (const Item& item : shapes->items)
    if (!isFinite(resolved(item)->outline)) __builtin_trap();
  return 0;
}
