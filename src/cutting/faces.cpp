#include "cutting/faces.h"

#include <algorithm>
#include <map>

#include "cutting/tracing.h"

namespace widecut {
namespace {

std::size_t at(int i) { return static_cast<std::size_t>(i); }

/// A closed walk round a face, on its left.
struct Walk {
  Contour contour;
  double area = 0;
  Box box;
  int set = 0;
  std::vector<Point> probes;  ///< Places just inside the face.
};

class FaceFinder {
 public:
  FaceFinder(const Arrangement& map, std::span<const FillRule> rules, int wall)
      : map_(map), rules_(rules), wall_(wall) {}

  std::vector<Face> find() {
    std::vector<Walk> outers, holes;
    Tracer tracer(map_);
    markBorders(tracer.waiting());
    tracer.walk([&](const std::vector<int>& halves) {
      Walk walk = walkOf(halves, tracer);
      if (walk.contour.segments.empty() || walk.area == 0) return;
      (walk.area > 0 ? outers : holes).push_back(std::move(walk));
    });
    std::vector<Face> faces;
    faces.reserve(outers.size());
    for (const Walk& outer : outers) faces.push_back({{{outer.contour}}, sets_[at(outer.set)]});
    for (const Walk& hole : holes)
      if (const int home = homeOf(hole, outers); home >= 0) faces[at(home)].outline.contours.push_back(hole.contour);
    return faces;
  }

 private:
  /// The operands that cover a label's faces, as a number: 0 for none.
  int setOf(Cover::Label label) {
    const auto [found, isNew] = setOfLabel_.try_emplace(label, 0);
    if (!isNew) return found->second;
    std::vector<int> set;
    for (const Cover::Entry& e : map_.cover().entries(label))
      if (e.operand != wall_ && covers(rules_[at(e.operand)], e.winding)) set.push_back(e.operand);
    const auto known = std::find(sets_.begin(), sets_.end(), set);
    found->second = static_cast<int>(known - sets_.begin());
    if (known == sets_.end()) sets_.push_back(std::move(set));
    return found->second;
  }

  bool isWall(const Edge& edge) const {
    for (const Edge* e = &edge;; e = &map_.edges()[at(e->alias)]) {
      if (e->operand == wall_) return true;
      if (e->alias < 0) return false;
    }
  }

  void markBorders(std::vector<char>& waiting) {
    const auto& edges = map_.edges();
    std::vector<char> kept(edges.size(), 0);
    std::vector<int> degree(at(map_.nodes().count()), 0);
    for (std::size_t e = 0; e < edges.size(); ++e) {
      if (edges[e].isAlias) continue;
      const int half = 2 * static_cast<int>(e);
      const int left = setOf(map_.label(half)), right = setOf(map_.label(half + 1));
      kept[e] = left != right || (wall_ >= 0 && left != 0 && isWall(edges[e]));
      if (!kept[e]) continue;
      ++degree[at(edges[e].from)];
      ++degree[at(edges[e].to)];
    }
    // Walls that end loose part nothing.
    for (bool changed = wall_ >= 0; changed;) {
      changed = false;
      for (std::size_t e = 0; e < edges.size(); ++e) {
        if (!kept[e] || (degree[at(edges[e].from)] > 1 && degree[at(edges[e].to)] > 1)) continue;
        kept[e] = 0;
        --degree[at(edges[e].from)];
        --degree[at(edges[e].to)];
        changed = true;
      }
    }
    waiting.assign(2 * edges.size(), 0);
    for (std::size_t e = 0; e < edges.size(); ++e) {
      if (!kept[e]) continue;
      const int half = 2 * static_cast<int>(e);
      waiting[2 * e] = setOf(map_.label(half)) != 0;
      waiting[2 * e + 1] = setOf(map_.label(half + 1)) != 0;
    }
  }

  Walk walkOf(const std::vector<int>& halves, Tracer& tracer) {
    Walk walk;
    walk.contour = tracer.contourOf(halves);
    walk.area = signedArea({{walk.contour}});
    walk.box = bounds({{walk.contour}});
    walk.set = setOf(map_.label(halves.front()));
    const double aside = 1e-7 * std::max(walk.box.width(), walk.box.height());
    Point from = walk.contour.start;
    const std::size_t step = std::max<std::size_t>(1, walk.contour.segments.size() / 5);
    for (std::size_t i = 0; i < walk.contour.segments.size(); ++i) {
      const Segment& s = walk.contour.segments[i];
      if (i % step == 0) {
        const Point way = pointAt(from, s, 0.51) - pointAt(from, s, 0.49);
        const double size = length(way);
        if (size > 0) walk.probes.push_back(pointAt(from, s, 0.5) + Point{-way.y, way.x} * (aside / size));
      }
      from = s.end;
    }
    return walk;
  }

  /// The smallest outer walk of the same set round the hole; −1 when there is none.
  static int homeOf(const Walk& hole, const std::vector<Walk>& outers) {
    int best = -1;
    for (std::size_t i = 0; i < outers.size(); ++i) {
      const Walk& outer = outers[i];
      if (outer.set != hole.set || !outer.box.grown(1e-6 * outer.box.width()).contains(hole.box)) continue;
      if (best >= 0 && outer.area >= outers[at(best)].area) continue;
      int inside = 0;
      for (const Point p : hole.probes) inside += isInside({{outer.contour}}, FillRule::Nonzero, p) ? 1 : -1;
      if (inside > 0) best = static_cast<int>(i);
    }
    return best;
  }

  const Arrangement& map_;
  std::span<const FillRule> rules_;
  int wall_;
  std::vector<std::vector<int>> sets_{{}};
  std::map<Cover::Label, int> setOfLabel_;
};

}  // namespace

std::vector<Face> facesOf(const Arrangement& map, std::span<const FillRule> rules, int wall) {
  return FaceFinder(map, rules, wall).find();
}

}  // namespace widecut
