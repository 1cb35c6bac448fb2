#include "shapes/pattern.h"

namespace widecut {
namespace {

std::size_t size(int count) { return static_cast<std::size_t>(count); }

std::vector<Affine> places(const Row& row, Point about) {
  std::vector<Affine> out;
  out.reserve(size(row.count));
  for (int i = 0; i < row.count; ++i)
    out.push_back(Affine::move(row.step * i) * Affine::turn(row.turnEach * i).about(about));
  return out;
}

std::vector<Affine> places(const Grid& grid, Point) {
  std::vector<Affine> out;
  out.reserve(size(grid.columns) * size(grid.rows));
  for (int y = 0; y < grid.rows; ++y)
    for (int x = 0; x < grid.columns; ++x)
      out.push_back(Affine::move(grid.across * (x + (y % 2) * grid.shift) + grid.down * y));
  return out;
}

std::vector<Affine> places(const Ring& ring, Point about) {
  std::vector<Affine> out;
  out.reserve(size(ring.count));
  for (int i = 0; i < ring.count; ++i) {
    const Affine turned = Affine::turn(ring.sweep * i / ring.count).about(ring.centre);
    out.push_back(ring.turning ? turned : Affine::move(turned(about) - about));
  }
  return out;
}

}  // namespace

std::size_t countOf(const Pattern& pattern) {
  if (const auto* grid = std::get_if<Grid>(&pattern)) return size(grid->columns) * size(grid->rows);
  if (const auto* row = std::get_if<Row>(&pattern)) return size(row->count);
  return size(std::get<Ring>(pattern).count);
}

std::vector<Affine> placesOf(const Pattern& pattern, Point about) {
  return std::visit([&](const auto& p) { return places(p, about); }, pattern);
}

Pattern mapped(const Pattern& pattern, const Affine& linear) {
  const double way = linear.determinant() < 0 ? -1 : 1;  // a mirror turns turns round
  Pattern out = pattern;
  if (auto* row = std::get_if<Row>(&out)) {
    row->step = linear.vector(row->step);
    row->turnEach *= way;
  } else if (auto* grid = std::get_if<Grid>(&out)) {
    grid->across = linear.vector(grid->across);
    grid->down = linear.vector(grid->down);
  } else {
    auto& ring = std::get<Ring>(out);
    ring.centre = linear(ring.centre);
    ring.sweep *= way;
  }
  return out;
}

}  // namespace widecut
