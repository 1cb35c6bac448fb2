#include "cutting/edge_field.h"

#include <limits>

namespace widecut {
namespace {

double squaredDistance(Point p, const EdgeField::Edge& edge) {
  const Point along = edge.to - edge.from, away = p - edge.from;
  const double length = dot(along, along);
  const double t = length > 0 ? std::clamp(dot(away, along) / length, 0.0, 1.0) : 0;
  const Point off = away - along * t;
  return dot(off, off);
}

/// Without the care for huge numbers that `distance` takes: this is asked millions of times.
double plainDistance(Point a, Point b) { return std::sqrt(dot(b - a, b - a)); }

}  // namespace

EdgeField::EdgeField(const Outline& outline, double tolerance, int cells) {
  for (const std::vector<Point>& run : flattened(outline, tolerance))
    for (std::size_t i = 0; i < run.size(); ++i) {
      const Edge edge{run[i], run[(i + 1) % run.size()]};
      if (edge.from != edge.to) edges_.push_back(edge);
      box_.add(run[i]);
    }
  if (box_.isEmpty()) return;
  cellSize_ = {box_.width() / cells, box_.height() / cells};
  std::vector<Cell> table;
  for (int y = 0; y < cells; ++y)
    for (int x = 0; x < cells; ++x)
      table.push_back(
          cellAround(box_.low + Point{(x + 0.5) * cellSize_.x, (y + 0.5) * cellSize_.y}, length(cellSize_) / 2));
  cells_ = std::move(table);
  across_ = cells;
}

/// Distances change by no more than one is moved: a place within `reach` has its nearest edge among those that are no
/// further from the middle than the nearest one there, by twice as much.
EdgeField::Cell EdgeField::cellAround(Point middle, double reach) const {
  Cell cell{middle, distanceAt(middle), {}};
  const double most = std::abs(cell.distance) + 2 * reach;
  for (std::uint32_t i = 0; i < edges_.size(); ++i)
    if (squaredDistance(middle, edges_[i]) <= most * most) cell.nearest.push_back(i);
  return cell;
}

const EdgeField::Cell* EdgeField::cellOf(Point p) const {
  if (across_ == 0 || !box_.contains(p)) return nullptr;
  const auto along = [&](double at, double low, double size) {
    return size > 0 ? std::clamp(static_cast<int>((at - low) / size), 0, across_ - 1) : 0;
  };
  const int x = along(p.x, box_.low.x, cellSize_.x), y = along(p.y, box_.low.y, cellSize_.y);
  return &cells_[static_cast<std::size_t>(y * across_ + x)];
}

bool EdgeField::isIn(Point p) const {
  bool inside = false;
  for (const auto& [a, b] : edges_)
    if ((a.y > p.y) != (b.y > p.y) && p.x < a.x + (b.x - a.x) * (p.y - a.y) / (b.y - a.y)) inside = !inside;
  return inside;
}

double EdgeField::distanceAt(Point p) const {
  double least = std::numeric_limits<double>::infinity();
  const Cell* cell = cellOf(p);
  if (cell)
    for (const std::uint32_t i : cell->nearest) least = std::min(least, squaredDistance(p, edges_[i]));
  else
    for (const Edge& edge : edges_) least = std::min(least, squaredDistance(p, edge));
  const double far = std::sqrt(least);
  // No edge lies between the cell's middle and a place that is nearer to it than that is to any.
  const bool asMiddle = cell && std::abs(cell->distance) > plainDistance(p, cell->middle);
  return (asMiddle ? cell->distance > 0 : isIn(p)) ? far : -far;
}

bool EdgeField::isBelow(Point p, double level) const {
  if (const Cell* cell = cellOf(p)) {
    const double away = plainDistance(p, cell->middle);
    if (cell->distance + away < level) return true;
    if (cell->distance - away >= level) return false;
  } else {
    const Point nearest{std::clamp(p.x, box_.low.x, box_.high.x), std::clamp(p.y, box_.low.y, box_.high.y)};
    if (-plainDistance(p, nearest) < level) return true;
  }
  return distanceAt(p) < level;
}

}  // namespace widecut
