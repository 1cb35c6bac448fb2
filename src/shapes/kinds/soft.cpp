// Soft shapes.
#include "shapes/kinds/kinds.h"

namespace widecut::kinds {
namespace {

constexpr StarterNumber blobNumbers[] = {count("lobes", 3, 24, 6, "how many swellings it has"),
                                         share("ragged", 0, 1, 0.45, "how irregular it is"),
                                         share("softness", 0.2, 1, 1, "from a soft polygon to a round one"), seed()};
Outline blob(StarterSize, Values v) {
  const auto [lobes, ragged, softness, seed] = take<4>(v);
  const int n = static_cast<int>(lobes);
  const double step = 2 * pi / n;
  const auto angleOf = [=, rough = ragged, from = seed](int i) {
    return step * (i + rough * 0.5 * (chance(from, 2 * static_cast<unsigned>(i % n)) - 0.5));
  };
  const auto radiusOf = [=, rough = ragged, from = seed](int i) {
    return 1 - rough * 0.55 * chance(from, 2 * static_cast<unsigned>(i % n) + 1);
  };
  std::vector<Point> nodes, tangents;
  for (int i = 0; i < n; ++i) nodes.push_back(around(angleOf(i)) * radiusOf(i));
  for (int i = 0; i < n; ++i) {
    // Between along the chord of the neighbours and square to the radius.
    const auto at = [&](int k) { return nodes[static_cast<std::size_t>((i + k + n) % n)]; };
    const Point chord = at(1) - at(-1), square = aroundStep(angleOf(i));
    const Point way = chord / length(chord) + square;
    tangents.push_back(way / length(way));
  }
  ContourMaker out(nodes[0]);
  for (int i = 0; i < n; ++i) {
    const std::size_t a = static_cast<std::size_t>(i), b = static_cast<std::size_t>((i + 1) % n);
    const double turn = angleOf(i + 1) - angleOf(i);
    // As long as those of an arc through as wide an angle over as long a chord.
    const double reach = softness * distance(nodes[a], nodes[b]) * arcHandle(turn) / (2 * std::sin(turn / 2));
    out.curve(nodes[a] + tangents[a] * reach, nodes[b] - tangents[b] * reach, nodes[b]);
  }
  return {{out.closed()}};
}
int blobNodes(StarterSize, Values v) { return static_cast<int>(v[0]); }
Symmetry blobSymmetry(Values v) { return {v[1] == 0, v[1] == 0 && std::fmod(v[0], 2) == 0}; }

constexpr NumberHandle blobHandles[] = {{0, -1, node<0, 1>}};

constexpr StarterNumber pebbleNumbers[] = {share("squareness", 0, 1, 0.5, "from an ellipse to a box"),
                                           share("belly", -1, 1, 0, "which end is the fuller one")};
Outline pebble(StarterSize, Values v) {
  // An ellipse whose handles reach out to the corners; the widest place moves up or down.
  const auto [square, belly] = take<2>(v);
  const double k = arcHandle(pi / 2) + (0.98 - arcHandle(pi / 2)) * square, mid = 0.45 * belly;
  const double up = 1 + mid, down = 1 - mid;
  ContourMaker out({0, -1});
  out.curve({k, -1}, {1, mid - k * up}, {1, mid}).curve({1, mid + k * down}, {k, 1}, {0, 1});
  out.curve({-k, 1}, {-1, mid + k * down}, {-1, mid}).curve({-1, mid - k * up}, {-k, -1}, {0, -1});
  return {{out.closed()}};
}
constexpr NumberHandle pebbleHandles[] = {{1, -1, node<0, 1>}};

constexpr StarterKind table[] = {
    {"blob", "soft", "", blobNumbers, usualSide, blob, blobNodes, blobSymmetry, blobHandles},
    {"pebble", "soft", "", pebbleNumbers, inMm(48, 36), pebble, always<4>,
     [](Values v) {
       return Symmetry{true, v[1] == 0};
     },
     pebbleHandles},
};

}  // namespace

std::span<const StarterKind> soft() { return table; }

}  // namespace widecut::kinds
