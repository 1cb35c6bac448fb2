// Photos for the tray, made up from noise.
#pragma once

#include <string>
#include <vector>

namespace skarrow {

/// A photo of 800 × 533 pixels, and what the catalogue says of it.
struct StockShot {
  std::string file, title, words;
};
/// What there is.
std::vector<StockShot> stockShots();
/// The JPEG of one; empty for a number that there is not.
std::string stockJpeg(std::size_t number);

}  // namespace skarrow
