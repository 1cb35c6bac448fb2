#include "cutting/planar_map.h"

#include <polyclipping/clipper.hpp>
#include <string>

namespace widecut {

namespace clip = ClipperLib;

/// Whole-number copies of the operands: polygons on a grid fine enough that rounding stays far below the
/// flattening tolerance, and coarse enough for the fast integer range.
struct PlanarMap::Inside {
  Point centre;
  double unitsPerPoint = 1;
  std::vector<clip::Paths> operands;

  clip::Path toGrid(const std::vector<Point>& run) const {
    clip::Path path;
    path.reserve(run.size());
    for (const Point p : run)
      path.emplace_back(std::llround((p.x - centre.x) * unitsPerPoint), std::llround((p.y - centre.y) * unitsPerPoint));
    return path;
  }

  Contour fromGrid(const clip::Path& path) const {
    Contour contour;
    const auto point = [&](const clip::IntPoint& p) {
      return Point{static_cast<double>(p.X) / unitsPerPoint + centre.x,
                   static_cast<double>(p.Y) / unitsPerPoint + centre.y};
    };
    // Start at the corner that is highest, then furthest left: a small move elsewhere does not shift it.
    std::size_t first = 0;
    for (std::size_t i = 1; i < path.size(); ++i)
      if (path[i].Y < path[first].Y || (path[i].Y == path[first].Y && path[i].X < path[first].X)) first = i;
    contour.start = point(path[first]);
    for (std::size_t i = 1; i <= path.size(); ++i)
      contour.segments.push_back(Segment::line(point(path[(first + i) % path.size()])));
    return contour;
  }

  Outline fromGrid(const clip::Paths& paths) const {
    Outline outline;
    for (const clip::Path& path : paths)
      if (path.size() > 2) outline.contours.push_back(fromGrid(path));
    return outline;
  }

  static clip::Paths combined(const clip::Paths& a, const clip::Paths& b, clip::ClipType type) {
    clip::Clipper clipper;
    clipper.StrictlySimple(true);
    clipper.AddPaths(a, clip::ptSubject, true);
    clipper.AddPaths(b, clip::ptClip, true);
    clip::Paths out;
    clipper.Execute(type, out, clip::pftNonZero, clip::pftNonZero);
    return out;
  }

  clip::Paths where(const Formula::Node& node) const {
    if (node.part >= 0) {
      const auto index = static_cast<std::size_t>(node.part);
      return index < operands.size() ? operands[index] : clip::Paths{};
    }
    // A run of additions, or of subtractions, is one operation with many clips.
    const bool joins = node.role == Role::Add || node.role == Role::Subtract;
    const Formula::Node* left = &node;
    clip::Paths clips;
    do {
      const clip::Paths right = where(*left->right);
      clips.insert(clips.end(), right.begin(), right.end());
      left = left->left.get();
    } while (joins && left->part < 0 && left->role == node.role);
    const clip::ClipType types[] = {clip::ctUnion, clip::ctDifference, clip::ctIntersection, clip::ctXor};
    return combined(where(*left), clips, types[static_cast<int>(node.role)]);
  }
};

namespace {

/// Separate regions, each an outer contour followed by its holes.
void collectRegions(const clip::PolyNode& parent, std::vector<clip::Paths>& out) {
  for (const clip::PolyNode* outer : parent.Childs) {
    clip::Paths region{outer->Contour};
    for (const clip::PolyNode* hole : outer->Childs) region.push_back(hole->Contour);
    out.push_back(std::move(region));
    for (const clip::PolyNode* hole : outer->Childs) collectRegions(*hole, out);
  }
}

std::vector<clip::Paths> regions(const clip::Paths& paths) {
  clip::Clipper clipper;
  clipper.StrictlySimple(true);
  clipper.AddPaths(paths, clip::ptSubject, true);
  clip::PolyTree tree;
  clipper.Execute(clip::ctUnion, tree, clip::pftNonZero, clip::pftNonZero);
  std::vector<clip::Paths> out;
  collectRegions(tree, out);
  return out;
}

}  // namespace

Result<PlanarMap> PlanarMap::of(std::span<const Operand> operands) {
  Box box;
  for (std::size_t i = 0; i < operands.size(); ++i) {
    if (!isFinite(operands[i].outline))
      return problem("outline " + std::to_string(i + 1) + " has a coordinate that is not a finite number");
    for (const Contour& c : operands[i].outline.contours) {
      box.add(c.start);
      Point at = c.start;
      for (const Segment& s : c.segments) {
        for (const Point p : asCubic(at, s)) box.add(p);
        at = s.end;
      }
    }
  }
  auto inside = std::make_shared<Inside>();
  const double extent = std::max(box.width(), box.height());
  if (extent > 0) {
    inside->centre = box.centre();
    inside->unitsPerPoint = std::exp2(29 - std::ceil(std::log2(extent)));
  }
  const double tolerance = extent > 0 ? std::min(0.01, extent * 1e-3) : 0.01;
  for (const Operand& operand : operands) {
    clip::Paths paths;
    for (const auto& run : flattened(operand.outline, std::max(tolerance, 4 / inside->unitsPerPoint)))
      paths.push_back(inside->toGrid(run));
    // Once simple, every operand reads alike by both rules.
    clip::SimplifyPolygons(paths, operand.rule == FillRule::Nonzero ? clip::pftNonZero : clip::pftEvenOdd);
    inside->operands.push_back(std::move(paths));
  }
  return PlanarMap(std::move(inside));
}

int PlanarMap::operandCount() const { return static_cast<int>(inside_->operands.size()); }

Outline PlanarMap::where(const Formula& formula) const { return inside_->fromGrid(inside_->where(formula.root())); }

std::vector<Face> PlanarMap::divide() const {
  struct Zone {
    clip::Paths paths;
    std::vector<int> coveredBy;
  };
  std::vector<Zone> zones;
  clip::Paths covered;
  for (int i = 0; i < operandCount(); ++i) {
    const clip::Paths& operand = inside_->operands[static_cast<std::size_t>(i)];
    std::vector<Zone> split;
    for (Zone& zone : zones) {
      Zone common{Inside::combined(zone.paths, operand, clip::ctIntersection), zone.coveredBy};
      common.coveredBy.push_back(i);
      zone.paths = Inside::combined(zone.paths, operand, clip::ctDifference);
      if (!zone.paths.empty()) split.push_back(std::move(zone));
      if (!common.paths.empty()) split.push_back(std::move(common));
    }
    Zone alone{Inside::combined(operand, covered, clip::ctDifference), {i}};
    if (!alone.paths.empty()) split.push_back(std::move(alone));
    zones = std::move(split);
    covered = Inside::combined(covered, operand, clip::ctUnion);
  }
  std::vector<Face> faces;
  for (const Zone& zone : zones)
    for (const clip::Paths& region : regions(zone.paths)) faces.push_back({inside_->fromGrid(region), zone.coveredBy});
  return faces;
}

}  // namespace widecut
