// The fonts that come with the program, inside it.
#pragma once

#include <cstddef>
#include <span>

namespace widecut {

struct BundledFont {
  const char* family;
  int weight;
  bool italic;
  std::span<const std::byte> bytes;
};
std::span<const BundledFont> bundledFonts();

}  // namespace widecut
