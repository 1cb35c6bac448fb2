#include "shapes/pattern.h"

#include <cmath>

#include "geometry/along.h"

namespace widecut {
namespace {

std::size_t size(int count) { return static_cast<std::size_t>(count); }

/// A turn whose quarters are exact.
Affine turned(double angle) {
  Affine t = Affine::turn(angle);
  for (double* v : {&t.xx, &t.yx, &t.xy, &t.yy})
    if (std::abs(*v) < 4e-16) *v = 0;
  return t;
}

Affine ownChange(const Each& each, int i, Point about) {
  if (each == Each{}) return {};
  const double grown = std::pow(1 + each.growth, i);
  return (turned(each.turn * i) * Affine::scale(grown, grown)).about(about);
}

std::vector<Affine> places(const Row& row, Point about) {
  std::vector<Affine> out;
  out.reserve(size(row.count));
  for (int i = 0; i < row.count; ++i) out.push_back(Affine::move(row.step * i) * ownChange(row.each, i, about));
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
    const Affine round = turned(ring.sweep * i / ring.count).about(ring.centre);
    out.push_back((ring.turning ? round : Affine::move(round(about) - about)) * ownChange(ring.each, i, about));
  }
  return out;
}

double pitchOf(const Trail& trail, const Along& along) {
  if (trail.pitch > 0) return trail.pitch;
  const int gaps = along.isClosed() ? trail.count : trail.count - 1;
  return gaps > 0 ? along.length() / gaps : 0;
}

int countOf(const Trail& trail, const Along& along) {
  if (trail.pitch <= 0) return trail.count;
  // A copy that would lie on the first one again is none.
  const double room = along.length() / trail.pitch * (1 + 1e-12);
  return static_cast<int>(std::min(along.isClosed() ? std::max(1.0, std::floor(room)) : std::floor(room) + 1, 1e6));
}

std::vector<Affine> places(const Trail& trail, Point about) {
  const Along along(trail.line);
  const double pitch = pitchOf(trail, along);
  const auto placeAt = [&](double length) {
    const auto [at, direction] = along.at(length);
    return Affine::move(at) * (trail.turning ? turned(std::atan2(direction.y, direction.x)) : Affine{});
  };
  const Affine back = placeAt(0).inverse().value_or(Affine{});
  std::vector<Affine> out;
  const int count = countOf(trail, along);
  out.reserve(size(count));
  for (int i = 0; i < count; ++i) {
    const Affine place = i == 0 ? Affine{} : placeAt(pitch * i) * back;
    out.push_back(place * ownChange(trail.each, i, about));
  }
  return out;
}

std::vector<Affine> places(const Mirrored& mirrored, Point) {
  const Affine axis = turned(2 * mirrored.angle), image{axis.xx, axis.yx, axis.yx, -axis.xx, 0, 0};
  std::vector<Affine> out;
  out.reserve(2 * size(mirrored.axes));
  for (int i = 0; i < mirrored.axes; ++i) {
    const Affine round = turned(2 * pi * i / mirrored.axes);
    out.push_back(i == 0 ? Affine{} : round.about(mirrored.centre));
    // Across the axis between this one and the next.
    out.push_back((round * image).about(mirrored.centre));
  }
  return out;
}

template <class... Kinds>
struct Either : Kinds... {
  using Kinds::operator()...;
};
template <class... Kinds>
Either(Kinds...) -> Either<Kinds...>;

}  // namespace

std::size_t countOf(const Pattern& pattern) {
  return std::visit(Either{[](const Grid& grid) { return size(grid.columns) * size(grid.rows); },
                           [](const Trail& trail) { return size(countOf(trail, Along(trail.line))); },
                           [](const Mirrored& mirrored) { return 2 * size(mirrored.axes); },
                           [](const auto& line) { return size(line.count); }},
                    pattern);
}

std::vector<Affine> placesOf(const Pattern& pattern, Point about) {
  return std::visit([&](const auto& p) { return places(p, about); }, pattern);
}

Pattern mapped(const Pattern& pattern, const Affine& linear) {
  const double way = linear.determinant() < 0 ? -1 : 1;  // a mirror turns turns round
  Pattern out = pattern;
  std::visit(Either{[&](Row& row) {
                      row.step = linear.vector(row.step);
                      row.each.turn *= way;
                    },
                    [&](Grid& grid) {
                      grid.across = linear.vector(grid.across);
                      grid.down = linear.vector(grid.down);
                    },
                    [&](Ring& ring) {
                      ring.centre = linear(ring.centre);
                      ring.sweep *= way;
                      ring.each.turn *= way;
                    },
                    [&](Trail& trail) {
                      trail.line = transformed(Outline{{trail.line}}, linear).contours.front();
                      trail.pitch *= linear.meanScale();
                      trail.each.turn *= way;
                    },
                    [&](Mirrored& mirrored) {
                      mirrored.centre = linear(mirrored.centre);
                      const Point axis = linear.vector({std::cos(mirrored.angle), std::sin(mirrored.angle)});
                      if (linear.linear() != Affine{}) mirrored.angle = std::atan2(axis.y, axis.x);
                    }},
             out);
  return out;
}

Pattern shifted(const Pattern& pattern, Point by) {
  Pattern out = pattern;
  if (auto* ring = std::get_if<Ring>(&out)) ring->centre = ring->centre + by;
  if (auto* trail = std::get_if<Trail>(&out))
    trail->line = transformed(Outline{{trail->line}}, Affine::move(by)).contours.front();
  if (auto* mirrored = std::get_if<Mirrored>(&out)) mirrored->centre = mirrored->centre + by;
  return out;
}

}  // namespace widecut
