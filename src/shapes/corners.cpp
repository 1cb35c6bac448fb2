#include "shapes/corners.h"

#include <algorithm>
#include <cmath>

#include "geometry/affine.h"
#include "shapes/contour_maker.h"
#include "shapes/corner_fit.h"

namespace widecut {
namespace {

constexpr double leastTurn = 1e-6;  // radians; less is smooth

/// The cubics of an arc about a point, from one place to another the short way round.
void addArc(std::vector<Segment>& out, Point centre, Point from, Point to) {
  const Point a = from - centre, b = to - centre;
  const double sweep = std::atan2(cross(a, b), dot(a, b));
  const int pieces = arcSteps(sweep);
  const double each = sweep / pieces, reach = arcHandle(each);
  Point at = a;
  for (int i = 1; i <= pieces; ++i) {
    const Point next = i == pieces ? b : Affine::turn(each * i).vector(a);
    out.push_back(Segment::cubic(centre + at + Point{-at.y, at.x} * reach,
                                 centre + next - Point{-next.y, next.x} * reach, i == pieces ? to : centre + next));
    at = next;
  }
}

/// What stands in the place of a corner, from one side to the other.
void addTreatment(std::vector<Segment>& out, CornerKind kind, const CornerPlace& corner, Point centre) {
  const Point a = corner.from - corner.at, b = corner.to - corner.at, at = corner.at;
  const auto line = [&](Point to) { out.push_back(Segment::line(to)); };
  switch (kind) {
    case CornerKind::Round:
      return addArc(out, centre, corner.from, corner.to);
    case CornerKind::Scoop:
      return addArc(out, at, corner.from, corner.to);
    case CornerKind::Step:
      line(at + a + b * 0.5);
      line(at + (a + b) * 0.5);
      line(at + a * 0.5 + b);
      break;
    case CornerKind::Notch:
      line(at + a + b);
      break;
    case CornerKind::Bevel:
    case CornerKind::Sharp:
      break;
  }
  line(corner.to);
}

/// One path and its corners.
class Work {
 public:
  Work(const NodePath& path, std::size_t number) : path_(path) {
    for (std::size_t i = 0; i < path.nodes.size(); ++i) {
      if (path.isEnd(i)) continue;
      const Point in = endDirection(edgeOf(path, path.previous(i))), out = startDirection(edgeOf(path, i));
      const double turn = std::atan2(std::abs(cross(in, out)), dot(in, out));
      if (turn <= leastTurn || turn >= pi - leastTurn || in == Point{} || out == Point{}) continue;
      const Node& n = path.nodes[i];
      corners_.push_back({{number, i}, n.at, {-in, out}, n.corner, 0, n.at, n.at});
    }
  }

  bool isTreated() const {
    return std::any_of(corners_.begin(), corners_.end(), [](const CornerPlace& c) { return !c.wanted.isSharp(); });
  }
  const std::vector<CornerPlace>& corners() const { return corners_; }

  Contour treated() {
    makeSides();
    fit();
    return assembled();
  }

 private:
  /// From one corner, or end, to the next.
  struct Side {
    std::size_t first = 0, edges = 0;     ///< Edges of the path.
    std::optional<std::size_t> from, to;  ///< Corners.
    CurveChain chain, back;
    double start = 0, end = 0;  ///< What of the chain is left.
  };

  void makeSides() {
    const std::size_t n = path_.nodes.size();
    std::vector<std::optional<std::size_t>> cornerAt(n);
    for (std::size_t i = 0; i < corners_.size(); ++i) cornerAt[corners_[i].node.node] = i;
    // A closed path begins at a corner; it has one, or there would be nothing to do.
    const std::size_t begin = path_.closed ? corners_.front().node.node : 0;
    for (std::size_t k = 0; k < path_.edges();) {
      Side side;
      side.first = (begin + k) % n;
      side.from = cornerAt[side.first];
      std::vector<Bezier> curves;
      for (bool goesOn = true; goesOn; ++k, ++side.edges) {
        const std::size_t edge = (begin + k) % n;
        curves.push_back(edgeOf(path_, edge));
        side.to = cornerAt[path_.next(edge)];
        goesOn = k + 1 < path_.edges() && !side.to;
      }
      side.chain = CurveChain(std::move(curves));
      side.back = side.chain.reversed();
      side.end = side.chain.end();
      sides_.push_back(std::move(side));
    }
  }

  const Side& sideBefore(std::size_t corner) const {
    return *std::find_if(sides_.begin(), sides_.end(), [&](const Side& s) { return s.to == corner; });
  }
  const Side& sideAfter(std::size_t corner) const {
    return *std::find_if(sides_.begin(), sides_.end(), [&](const Side& s) { return s.from == corner; });
  }

  void fit() {
    fits_.resize(corners_.size());
    std::vector<double> mostIn(corners_.size()), mostOut(corners_.size());
    const auto fitOne = [&](std::size_t i) {
      const Corner& wanted = corners_[i].wanted;
      if (wanted.isSharp()) return;
      fits_[i] = fittedCorner(wanted, sideBefore(i).back, sideAfter(i).chain, mostIn[i], mostOut[i]);
    };
    for (const Side& s : sides_) {
      if (s.from) mostOut[*s.from] = s.chain.length();
      if (s.to) mostIn[*s.to] = s.chain.length();
    }
    for (std::size_t i = 0; i < corners_.size(); ++i) fitOne(i);
    // Two that do not fit on the side between them share it in proportion.
    std::vector<bool> again(corners_.size(), false);
    for (const Side& s : sides_) {
      if (!s.from || !s.to) continue;
      const double a = fits_[*s.from].out.length, b = fits_[*s.to].in.length, room = s.chain.length();
      if (a + b <= room * (1 + 1e-12)) continue;
      mostOut[*s.from] = room * a / (a + b);
      mostIn[*s.to] = room * b / (a + b);
      again[*s.from] = again[*s.to] = true;
    }
    for (std::size_t i = 0; i < corners_.size(); ++i)
      if (again[i]) fitOne(i);
    for (Side& s : sides_) {
      if (s.from) s.start = fits_[*s.from].out.place;
      if (s.to) s.end = std::max(s.start, s.chain.end() - fits_[*s.to].in.place);
    }
    for (std::size_t i = 0; i < corners_.size(); ++i) {
      CornerPlace& corner = corners_[i];
      corner.size = fits_[i].size;
      if (corner.size == 0) continue;
      corner.from = sideBefore(i).back.at(fits_[i].in.place);
      corner.to = sideAfter(i).chain.at(fits_[i].out.place);
    }
  }

  /// Adds what is left of a side. The contour stands where that begins.
  void addSide(Contour& out, const Side& side) const {
    constexpr double nothing = 1e-9;
    if (side.to && side.end - side.start <= nothing) {
      // Two treatments meet.
      (out.segments.empty() ? out.start : out.segments.back().end) = corners_[*side.to].from;
      return;
    }
    for (std::size_t i = 0; i < side.edges; ++i) {
      const double t0 = std::clamp(side.start - static_cast<double>(i), 0.0, 1.0),
                   t1 = std::clamp(side.end - static_cast<double>(i), 0.0, 1.0);
      if (t1 - t0 <= nothing) continue;
      const std::size_t edge = (side.first + i) % path_.nodes.size();
      const bool whole = t0 == 0 && t1 == 1;
      const Bezier c = whole ? side.chain.curve(i) : pieceOf(side.chain.curve(i), t0, t1);
      const Point to = side.to && t1 < 1 ? corners_[*side.to].from : c[3];
      out.segments.push_back(isStraight(path_, edge) ? Segment::line(to) : Segment::cubic(c[1], c[2], to));
    }
  }

  Contour assembled() const {
    const Side& first = sides_.front();
    Contour out{first.from ? corners_[*first.from].to : first.chain.at(0), {}, path_.closed};
    for (const Side& side : sides_) {
      addSide(out, side);
      if (!side.to) continue;
      const CornerPlace& corner = corners_[*side.to];
      if (corner.size > 0) addTreatment(out.segments, corner.wanted.kind, corner, fits_[*side.to].centre);
    }
    // Where two treatments meet, to the last bit.
    if (out.closed && !out.segments.empty()) out.segments.back().end = out.start;
    return out;
  }

  const NodePath& path_;
  std::vector<CornerPlace> corners_;
  std::vector<Side> sides_;
  std::vector<CornerFit> fits_;
};

/// By what the size of a treatment is multiplied to give its depth.
double depthOfOne(CornerKind kind, double angle) {
  constexpr double least = 0.02;
  const double half = angle / 2;
  switch (kind) {
    case CornerKind::Round:
      return std::max(least, 1 / std::sin(half) - 1);
    case CornerKind::Notch:
      return std::max(least, 2 * std::cos(half));
    case CornerKind::Bevel:
    case CornerKind::Step:
      return std::max(least, std::cos(half));
    case CornerKind::Scoop:
    case CornerKind::Sharp:
      break;
  }
  return 1;
}

}  // namespace

double CornerPlace::angle() const { return std::atan2(std::abs(cross(ways[0], ways[1])), dot(ways[0], ways[1])); }

Point CornerPlace::inwards() const { return unit(ways[0] + ways[1]); }

TreatedOutline treatedOutline(const NodePaths& paths) {
  TreatedOutline out;
  for (std::size_t i = 0; i < paths.size(); ++i) {
    if (paths[i].nodes.empty()) continue;
    Work work(paths[i], i);
    out.outline.contours.push_back(work.isTreated() ? work.treated() : contourOf(paths[i]));
    out.corners.insert(out.corners.end(), work.corners().begin(), work.corners().end());
  }
  return out;
}

double sizeForDepth(CornerKind kind, double angle, double depth) {
  return std::max(0.0, depth) / depthOfOne(kind, angle);
}

double depthOf(const Corner& corner, double angle) { return corner.size * depthOfOne(corner.kind, angle); }

}  // namespace widecut
