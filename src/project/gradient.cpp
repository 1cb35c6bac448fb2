#include "project/gradient.h"

#include <algorithm>
#include <cmath>

namespace widecut {
namespace {

double easedShare(double t) { return t * t * (3 - 2 * t); }

/// Plain mixing of channels, as painters and readers do it.
Colour plainlyMixed(Colour a, Colour b, double t) {
  const auto mixed = [&](std::uint8_t x, std::uint8_t y) {
    return static_cast<std::uint8_t>(std::lround(x + (y - x) * t));
  };
  return {mixed(a.red, b.red), mixed(a.green, b.green), mixed(a.blue, b.blue), mixed(a.alpha, b.alpha)};
}

int difference(Colour a, Colour b) {
  return std::max(
      {std::abs(a.red - b.red), std::abs(a.green - b.green), std::abs(a.blue - b.blue), std::abs(a.alpha - b.alpha)});
}

/// Adds stops between two, until plain mixing is near enough.
template <class ColourAt>
void addBetween(const GradientStop& from, const GradientStop& to, const ColourAt& meant, int depth,
                std::vector<GradientStop>& out) {
  constexpr int deepest = 6;
  bool isNear = true;
  for (const double t : {0.25, 0.5, 0.75})
    isNear = isNear && difference(meant(from.at + (to.at - from.at) * t), plainlyMixed(from.colour, to.colour, t)) <= 1;
  if (isNear || depth == deepest) return;
  const double middle = (from.at + to.at) / 2;
  const GradientStop between{middle, meant(middle)};
  addBetween(from, between, meant, depth + 1, out);
  out.push_back(between);
  addBetween(between, to, meant, depth + 1, out);
}

}  // namespace

Affine Gradient::placed(const Affine& fromUnit) const {
  const Point start = fromUnit(from), way = fromUnit(to) - start;
  const double wide = kind == GradientKind::Radial ? across : 1;
  return {way.x, way.y, -way.y * wide, way.x * wide, start.x, start.y};
}

Colour colourAt(const std::vector<GradientStop>& stops, bool eased, double at) {
  if (stops.empty()) return {};
  const auto after = std::upper_bound(stops.begin(), stops.end(), at,
                                      [](double value, const GradientStop& stop) { return value < stop.at; });
  if (after == stops.begin()) return stops.front().colour;
  if (after == stops.end()) return stops.back().colour;
  const GradientStop &a = *(after - 1), &b = *after;
  const double t = (at - a.at) / (b.at - a.at);
  return mixed(a.colour, b.colour, eased ? easedShare(t) : t);
}

std::vector<GradientStop> plainStops(const std::vector<GradientStop>& stops, bool eased) {
  std::vector<GradientStop> out;
  for (std::size_t i = 0; i < stops.size(); ++i) {
    if (i > 0 && stops[i].at > stops[i - 1].at) {
      const std::vector<GradientStop> pair{stops[i - 1], stops[i]};
      addBetween(
          pair[0], pair[1], [&](double at) { return colourAt(pair, eased, at); }, 0, out);
    }
    out.push_back(stops[i]);
  }
  for (GradientStop& stop : out) stop.colour.swatch = 0;
  return out;
}

std::vector<GradientStop> twoStops(Colour from, Colour to) { return {{0, from}, {1, to}}; }

}  // namespace widecut
