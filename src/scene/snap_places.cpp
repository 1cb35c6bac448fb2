// Nodes, crossings and places on outlines that a node or a single place comes to rest at.
#include <algorithm>

#include "cutting/planar_map.h"
#include "geometry/curve.h"
#include "project/resolve.h"
#include "scene/snapping.h"

namespace widecut {
namespace {

/// Of outlines with more nodes than this, none is a place of rest.
constexpr std::size_t mostNodes = 4000;
/// Outlines near a place beyond these are not crossed with one another.
constexpr std::size_t mostCrossed = 6;

template <class Visit>
void eachEdge(const Outline& outline, const Affine& frame, const Visit& visit) {
  for (const Contour& contour : outline.contours) {
    Point from = contour.start;
    for (const Segment& s : contour.segments) {
      const Bezier c = asCubic(from, s);
      visit(Bezier{frame(c[0]), frame(c[1]), frame(c[2]), frame(c[3])}, s.kind == SegmentKind::Line);
      from = s.end;
    }
    if (contour.closed && from != contour.start) {
      const Bezier c = asCubic(from, Segment::line(contour.start));
      visit(Bezier{frame(c[0]), frame(c[1]), frame(c[2]), frame(c[3])}, true);
    }
  }
}

/// Where the line from a place touches the curve, near a parameter: Newton's method on cross(B′, B − from).
std::optional<Point> touchedFrom(const Bezier& c, Point from, double t) {
  for (int i = 0; i < 20; ++i) {
    const Point way = pointOn(c, t) - from, slope = derivative(c, t);
    const double value = cross(slope, way), change = cross(secondDerivative(c, t), way);
    if (change == 0) return std::nullopt;
    const double next = t - value / change;
    if (!(next > 0 && next < 1)) return std::nullopt;
    if (std::abs(next - t) < 1e-13) return pointOn(c, next);
    t = next;
  }
  return std::nullopt;
}

}  // namespace

const std::vector<Point>& SnapField::crossings(std::size_t a, std::size_t b) const {
  const auto [known, isNew] = crossings_.try_emplace({a, b});
  if (!isNew) return known->second;
  const Operand operands[] = {{transformed(resolved(*placed_[a].item)->outline, placed_[a].frame)},
                              {transformed(resolved(*placed_[b].item)->outline, placed_[b].frame)}};
  const auto common = cut(operands, Formula::chain(2, Role::Intersect));
  if (!common) return known->second;
  // What the intersection has and neither of the two: there they cross.
  std::vector<Point> before;
  for (const Operand& operand : operands)
    for (const Contour& contour : operand.outline.contours) {
      before.push_back(contour.start);
      for (const Segment& s : contour.segments) before.push_back(s.end);
    }
  for (const Contour& contour : common->contours)
    for (const Segment& s : contour.segments) {
      const auto isNode = [&](Point p) { return distance(p, s.end) < 1e-9 * (1 + std::abs(p.x) + std::abs(p.y)); };
      if (std::none_of(before.begin(), before.end(), isNode)) known->second.push_back(s.end);
    }
  return known->second;
}

void SnapField::onOutline(const Placed& placed, const SnapProbe& probe, double reach, std::vector<At>& found) const {
  const Point p = probe.points.front();
  const Outline& outline = resolved(*placed.item)->outline;
  std::optional<At> nearest;
  eachEdge(outline, placed.frame, [&](const Bezier& c, bool isLine) {
    Box box;
    for (const Point q : c) box.add(q);
    if (!box.grown(reach).contains(p)) return;
    const Nearest near = nearestOn(c, p);
    if (near.distance > reach) return;
    if (probe.from && !isLine && has(SnapKind::Tangent))
      if (const auto touched = touchedFrom(c, *probe.from, near.t); touched && distance(*touched, p) <= reach)
        found.push_back({distance(*touched, p), 0, *touched, SnapKind::Tangent, *touched - p});
    // Its ends are nodes.
    if (near.t > 0 && near.t < 1 && (!nearest || near.distance < nearest->by)) {
      const Point on = pointOn(c, near.t);
      nearest = At{near.distance, 0, on, SnapKind::Outline, on - p};
    }
  });
  if (nearest && has(SnapKind::Outline)) found.push_back(*nearest);
}

std::vector<SnapField::At> SnapField::places(const SnapProbe& probe, double reach) const {
  std::vector<At> found;
  if (probe.points.empty()) return found;
  Box around;
  for (const Point p : probe.points) around.add(p);
  around = around.grown(reach);
  std::vector<std::size_t> near = placedGrid_.touching(around);
  std::erase_if(near, [&](std::size_t i) { return storedNodes(resolved(*placed_[i].item)->outline) > mostNodes; });
  const auto look = [&](Point place, SnapKind kind) {
    if (!around.contains(place)) return;
    for (std::size_t n = 0; n < probe.points.size(); ++n) {
      const Point way = place - probe.points[n];
      const double away = length(way);
      if (away <= reach) found.push_back({away, static_cast<int>(n), place, kind, way});
    }
  };
  for (const Point p : points_) look(p, SnapKind::Node);
  std::vector<std::size_t> under;
  for (const std::size_t i : near) {
    const Placed& placed = placed_[i];
    if (has(SnapKind::Node))
      for (const Contour& contour : resolved(*placed.item)->outline.contours) {
        look(placed.frame(contour.start), SnapKind::Node);
        for (const Segment& s : contour.segments) look(placed.frame(s.end), SnapKind::Node);
      }
    if (probe.onOutlines) onOutline(placed, probe, reach, found);
  }
  // The frontmost are those that are seen.
  under.assign(near.rbegin(), near.rbegin() + static_cast<std::ptrdiff_t>(std::min(near.size(), mostCrossed)));
  if (has(SnapKind::Crossing))
    for (std::size_t a = 0; a < under.size(); ++a)
      for (std::size_t b = a + 1; b < under.size(); ++b)
        if (placed_[under[a]].box.touches(placed_[under[b]].box))
          for (const Point p : crossings(under[a], under[b])) look(p, SnapKind::Crossing);
  // Nodes, crossings and tangents go before other places of outlines, which are everywhere.
  std::stable_sort(found.begin(), found.end(), [](const At& a, const At& b) {
    const bool x = a.kind == SnapKind::Outline, y = b.kind == SnapKind::Outline;
    return x != y ? y : a.by < b.by;
  });
  std::vector<At> kept;
  for (const At& one : found)
    if (std::none_of(kept.begin(), kept.end(), [&](const At& k) { return distance(k.way, one.way) < 1e-9; }))
      kept.push_back(one);
  return kept;
}

}  // namespace widecut
