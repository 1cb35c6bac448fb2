// Blurring by a true Gaussian, at a cost that grows with the pixels and not with how wide it is.
#pragma once

#include <cstddef>
#include <vector>

namespace widecut {

/// Numbers on pixels, row after row.
struct Plane {
  int width = 0, height = 0;
  std::vector<float> values;

  Plane() = default;
  Plane(int w, int h) : width(w), height(h), values(static_cast<std::size_t>(w) * static_cast<std::size_t>(h)) {}
  float* row(int y) { return values.data() + static_cast<std::ptrdiff_t>(y) * width; }
  const float* row(int y) const { return values.data() + static_cast<std::ptrdiff_t>(y) * width; }
};

/// The plane, 0 beyond its edges, convolved with a Gaussian of this standard deviation in pixels. For values of 0…1
/// within 1 / 255 of the exact convolution. Narrow ones are convolved as they are. For wide ones the means of blocks
/// are, and what is between them comes from a cubic through them; the variances of both are taken off.
Plane blurred(const Plane& plane, double deviation);

}  // namespace widecut
