#include "cutting/level_along.h"

#include <algorithm>

#include "cutting/offset.h"
#include "cutting/planar_map.h"

namespace widecut {
namespace {

constexpr double more = 1.02;  // beyond what was measured

bool isPoint(const Bezier& c) { return c[0] == c[1] && c[1] == c[2] && c[2] == c[3]; }

}  // namespace

LevelPath::LevelPath(const Contour* line, const Box& box) {
  const auto add = [&](const Bezier& c) {
    if (isPoint(c)) return;
    const double length = arcLength(c);
    if (!(length > 0)) return;
    curves_.push_back(c);
    ends_.push_back((ends_.empty() ? 0 : ends_.back()) + length);
  };
  if (line) {
    Point at = line->start;
    for (const Segment& segment : line->segments) {
      add(asCubic(at, segment));
      at = segment.end;
    }
    if (line->closed && at != line->start) add(asCubic(at, Segment::line(line->start)));
  }
  if (!curves_.empty()) return;
  const double middle = box.centre().x, least = 1e-9;
  add(asCubic({middle, box.high.y}, Segment::line({middle, std::min(box.low.y, box.high.y - least)})));
}

LevelPath::Place LevelPath::at(double share) const {
  const double along = std::clamp(share, 0.0, 1.0) * length();
  const auto found = std::lower_bound(ends_.begin(), ends_.end(), along);
  const auto i = std::min<std::size_t>(static_cast<std::size_t>(found - ends_.begin()), curves_.size() - 1);
  const double t = parameterAtLength(curves_[i], along - (i == 0 ? 0 : ends_[i - 1]));
  return {pointOn(curves_[i], t), direction(curves_[i], t)};
}

LevelPath::Near LevelPath::nearest(Point p) const {
  Near best{0, distance(p, curves_.front()[0])};
  for (std::size_t i = 0; i < curves_.size(); ++i) {
    const Nearest here = nearestOn(curves_[i], p);
    if (here.distance >= best.distance) continue;
    best.distance = here.distance;
    best.share = ((i == 0 ? 0 : ends_[i - 1]) + arcLength(curves_[i], 0, here.t)) / length();
  }
  return best;
}

Contour LevelPath::upTo(double share) const {
  const double along = std::clamp(share, 0.0, 1.0) * length();
  Contour out{curves_.front()[0], {}, false};
  for (std::size_t i = 0; i < curves_.size(); ++i) {
    const double before = i == 0 ? 0 : ends_[i - 1];
    if (before >= along) break;
    const Bezier& c = curves_[i];
    const Bezier part = ends_[i] <= along ? c : splitAt(c, parameterAtLength(c, along - before)).first;
    out.segments.push_back(Segment::cubic(part[1], part[2], part[3]));
  }
  return out;
}

LevelReach reachOf(const Outline& outline, const LevelPath& path) {
  const Box box = bounds(outline);
  const double size = box.width() + box.height();
  LevelReach reach;
  for (const auto& run : flattened(outline, 5e-4 * size)) {
    for (std::size_t i = 0; i < run.size(); ++i) {
      const Point from = run[i], to = run[(i + 1) % run.size()];
      // Long edges are looked at between their ends too.
      const int steps = distance(from, to) > 0.05 * size ? 4 : 1;
      for (int k = 0; k < steps; ++k) {
        const Point p = mix(from, to, static_cast<double>(k) / steps);
        const auto near = path.nearest(p);
        double& of = near.share <= 0 || near.share >= 1 ? reach.behind : reach.beside;
        of = std::max(of, near.distance);
      }
    }
  }
  return reach;
}

Result<Outline> filledAlong(const Outline& outline, const LevelPath& path, double share) {
  const LevelReach reach = reachOf(outline, path);
  LineShape wide;
  wide.width = 2 * more * std::max(reach.beside, 1e-3 * path.length());
  wide.join = Join::Round;
  const auto beside = lineOutline({Outline{{path.upTo(share)}}}, wide);
  if (!beside) return beside;
  // What lies behind the start belongs to it.
  const auto [start, way] = path.at(0);
  const Point across{-way.y, way.x};
  const double far = 2 * more * std::max(reach.behind, reach.beside);
  const std::vector<Point> behind{start - across * far, start - across * far - way * far,
                                  start + across * far - way * far, start + across * far};
  const Operand together[] = {{*beside}, {polygon(behind)}};
  const auto reached = PlanarMap::of(together);
  if (!reached) return tl::unexpected(reached.error());
  const Operand operands[] = {{outline}, {reached->unite()}};
  const auto map = PlanarMap::of(operands);
  if (!map) return tl::unexpected(map.error());
  return map->intersect();
}

}  // namespace widecut
