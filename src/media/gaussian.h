// Blurring by a true Gaussian, at a cost that grows with the pixels and not with how wide it is.
#pragma once

#include <cstddef>
#include <functional>
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

/// Numbers on pixels, 0 beyond them, convolved with a Gaussian of this standard deviation in pixels. For values of 0…1
/// within 1 / 255 of the exact convolution. Narrow ones are convolved as they are. For wide ones the means of blocks
/// are, and what is between them comes from a cubic through them; the variances of both are taken off.
class Softened {
 public:
  /// Writes the numbers of a row, as many as the pixels are wide; asked for each row once, from the first one on.
  using RowOf = std::function<void(int y, float* to)>;
  Softened(int width, int height, double deviation, const RowOf& rowOf);
  std::size_t bytes() const { return cells_.values.size() * sizeof(float); }

 private:
  friend class SoftRows;
  Plane cells_;  ///< Of `block_` pixels a side, the first pixel's after `margin_` others.
  int block_ = 1, margin_ = 0;
};

/// Reads it row by row, wherever its pixels are to lie: between pixels evenly.
class SoftRows {
 public:
  /// Rows of so many pixels, the first of which lies there in the softened ones.
  SoftRows(const Softened& softened, double left, double top, int count);
  /// Goes to a row, of which any stretch can be read then, to the same places of what it is given.
  void toRow(int y);
  void read(int begin, int end, float* row) const;

 private:
  /// Pixels between the same cells.
  struct Run {
    int begin, end;
    int cell;     ///< The one before them.
    float first;  ///< Where the first of them lies on the way to the next cell; others a pixel on.
  };
  const Softened& softened_;
  double top_;
  std::vector<Run> runs_;
  std::vector<float> line_;  ///< What the rows of cells come to, with empty cells around.
};

}  // namespace widecut
