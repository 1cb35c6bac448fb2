#include "cutting/formula.h"

#include <cstddef>
#include <cstdint>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  const std::string text(reinterpret_cast<const char*>(data), size);
  static const std::vector<std::string> names{"a", "b", "c d"};
  if (const auto formula = widecut::Formula::parse(text, names)) {
    const std::string written = formula->text(names);
    const auto again = widecut::Formula::parse(written, names);
    if (!again || again->text(names) != written) __builtin_trap();
  }
  return 0;
}
