#include "shapes/symmetry.h"

#include <algorithm>

#include "geometry/sign_changes.h"
#include "shapes/node_edits.h"

namespace widecut {
namespace {

/// Work on one path, seen from the half that is kept.
class Half {
 public:
  Half(const MirrorAxis& axis, HalfSide keep, double close) : axis_(axis), keep_(keep), close_(close) {}

  /// 1 on the side that stays, −1 on the other one, 0 on the axis.
  int sideOf(Point p) const {
    const double away = axis_.sideOf(p) * keep_;
    return std::abs(away) * length(axis_.across) <= close_ ? 0 : away > 0 ? 1 : -1;
  }

  /// Nodes close to the axis are put on it.
  NodePath settled(NodePath path) const {
    for (Node& n : path.nodes)
      if (sideOf(n.at) == 0) n = n.movedTo(axis_.onto(n.at));
    return path;
  }

  /// With nodes wherever an edge passes over the axis, unless it mirrors itself.
  NodePath cut(const NodePath& path) const {
    NodePath out = path;
    for (std::size_t edge = path.edges(); edge-- > 0;) {
      if (mirrorsItself(path, edge)) continue;
      const Bezier c = edgeOf(path, edge);
      const std::vector<double> places =
          signChanges(Bernstein<4>{axis_.sideOf(c[0]), axis_.sideOf(c[1]), axis_.sideOf(c[2]), axis_.sideOf(c[3])});
      double end = 1;
      for (std::size_t i = places.size(); i-- > 0;) {
        const double t = places[i] / end;
        constexpr double least = 1e-9;
        if (places[i] < least || places[i] > 1 - least || t > 1 - least) continue;
        out = withNodeAdded(out, edge, t);
        end = places[i];
      }
    }
    return settled(out);
  }

  /// Its paths after the half that goes was replaced.
  NodePaths mirrored(const NodePath& path) const {
    std::vector<int> edges(path.edges());
    for (std::size_t i = 0; i < edges.size(); ++i) edges[i] = sideOfEdge(path, i);
    const std::size_t n = path.nodes.size();
    if (path.closed && std::all_of(edges.begin(), edges.end(), [](int s) { return s > 0; }) &&
        std::none_of(path.nodes.begin(), path.nodes.end(), [&](const Node& node) { return sideOf(node.at) == 0; }))
      return {path, twin(path)};
    NodePaths out;
    // From an edge that goes, or a node on the axis, on.
    std::size_t begin = 0;
    if (path.closed)
      while (begin < n && edges[path.previous(begin)] > 0 && sideOf(path.nodes[begin].at) != 0) ++begin;
    for (std::size_t k = 0; k < edges.size();) {
      std::size_t edge = (begin + k) % n;
      if (edges[edge] <= 0) {
        ++k;
        continue;
      }
      Run run;
      run.first = edge;
      if (sideOf(path.nodes[edge].at) >= 0) run.nodes.push_back(path.nodes[edge]);
      for (; k < edges.size() && edges[edge = (begin + k) % n] > 0; ++k) {
        const Node& to = path.nodes[path.next(edge)];
        if (sideOf(to.at) < 0) {
          run.endsAcross = true;
          ++k;
          break;
        }
        if (run.nodes.empty()) {
          run.startsAcross = true;
          run.first = path.next(edge);
        }
        run.nodes.push_back(to);
        if (sideOf(to.at) == 0) {
          ++k;
          break;
        }
      }
      for (NodePath& made : whole(run)) out.push_back(std::move(made));
    }
    return out;
  }

  NodePath twin(const NodePath& path) const {
    NodePath out = path;
    for (Node& node : out.nodes) node = axis_.mirrored(node);
    if (path.nodes.size() > 1) std::reverse(out.nodes.begin() + (path.closed ? 1 : 0), out.nodes.end());
    return out;
  }

 private:
  /// A stretch of a path on the side that stays, with the nodes on the axis where it begins and ends.
  struct Run {
    std::vector<Node> nodes;
    bool startsAcross = false, endsAcross = false;  ///< With an edge over the axis.
    std::size_t first = 0;                          ///< Of its nodes in the path.
  };

  bool mirrorsItself(const NodePath& path, std::size_t edge) const {
    const Bezier c = edgeOf(path, edge);
    return distance(axis_.mirrored(c[0]), c[3]) <= close_ && distance(axis_.mirrored(c[1]), c[2]) <= close_;
  }

  int sideOfEdge(const NodePath& path, std::size_t edge) const {
    const int from = sideOf(path.nodes[edge].at), to = sideOf(path.nodes[path.next(edge)].at);
    if (from > 0 || to > 0) return 1;
    if (from < 0 || to < 0) return -1;
    return sideOf(pointOn(edgeOf(path, edge), 0.5));
  }

  NodePaths whole(const Run& run) const {
    const std::size_t n = run.nodes.size();
    if (n == 0) return {};
    const bool startOn = sideOf(run.nodes.front().at) == 0, endOn = sideOf(run.nodes.back().at) == 0;
    const bool startJoins = startOn || run.startsAcross, endJoins = endOn || run.endsAcross;
    NodePath out{run.nodes, startJoins && endJoins};
    if (!startJoins && !endJoins) {
      out.closed = false;
      out.nodes.front().in = out.nodes.front().at;
      out.nodes.back().out = out.nodes.back().at;
      return {out, twin(out)};
    }
    if (endOn) out.nodes.back().out = axis_.mirrored(out.nodes.back().in);
    if (startOn) out.nodes.front().in = axis_.mirrored(out.nodes.front().out);
    std::vector<Node> back;
    for (std::size_t i = n - (endOn ? 1 : 0); i-- > (startOn ? 1u : 0u);) back.push_back(axis_.mirrored(run.nodes[i]));
    if (endJoins)
      out.nodes.insert(out.nodes.end(), back.begin(), back.end());
    else
      out.nodes.insert(out.nodes.begin(), back.begin(), back.end());
    if (out.closed) {
      // The numbers of nodes stay what they were.
      const std::size_t turn = run.first % out.nodes.size();
      std::rotate(out.nodes.begin(), out.nodes.end() - static_cast<std::ptrdiff_t>(turn), out.nodes.end());
    } else {
      out.nodes.front().in = out.nodes.front().at;
      out.nodes.back().out = out.nodes.back().at;
    }
    return {out};
  }

  MirrorAxis axis_;
  HalfSide keep_;
  double close_;
};

Point middleOf(const NodePath& path) {
  Point sum;
  for (const Node& n : path.nodes) sum = sum + n.at;
  return path.nodes.empty() ? sum : sum / static_cast<double>(path.nodes.size());
}

}  // namespace

MirrorAxis mapped(const MirrorAxis& axis, const Affine& linear) {
  return {linear(axis.through), linear.vector(axis.along), linear.vector(axis.across)};
}

double closeness(const NodePaths& paths) {
  Box box;
  for (const NodePath& path : paths)
    for (const Node& n : path.nodes) box.add(n.at);
  constexpr double share = 1e-7, least = 1e-9;
  return box.isEmpty() ? least : std::max(share * std::max(box.width(), box.height()), least);
}

NodePaths madeSymmetric(const NodePaths& paths, const MirrorAxis& axis, HalfSide keep, Halving halving, double close) {
  const Half half(axis, keep, close);
  std::vector<std::optional<NodePath>> stays(paths.size());
  std::vector<std::size_t> gone;
  std::vector<NodePath> more, twins;
  for (std::size_t i = 0; i < paths.size(); ++i) {
    NodePath path = half.settled(paths[i]);
    if (halving == Halving::Cut) path = half.cut(path);
    const auto any = [&](int side) {
      for (std::size_t e = 0; e < path.edges(); ++e)
        if (half.sideOf(pointOn(edgeOf(path, e), 0.5)) == side) return true;
      return std::any_of(path.nodes.begin(), path.nodes.end(),
                         [&](const Node& n) { return half.sideOf(n.at) == side; });
    };
    if (!any(1)) {
      if (any(-1))
        gone.push_back(i);
      else
        stays[i] = path;
      continue;
    }
    NodePaths made = half.mirrored(path);
    if (made.empty()) continue;
    stays[i] = made.front();
    // A path on the side that stays, and its twin; or further stretches of one that was cut.
    const bool aside = !any(-1) && made.size() == 2;
    (aside ? twins : more).insert((aside ? twins : more).end(), made.begin() + 1, made.end());
  }
  // Twins go where those stood that they replace.
  for (NodePath& twin : twins) {
    const auto nearest = std::min_element(gone.begin(), gone.end(), [&](std::size_t a, std::size_t b) {
      return distance(middleOf(paths[a]), middleOf(twin)) < distance(middleOf(paths[b]), middleOf(twin));
    });
    if (nearest == gone.end()) {
      more.push_back(std::move(twin));
      continue;
    }
    stays[*nearest] = std::move(twin);
    gone.erase(nearest);
  }
  NodePaths out;
  for (auto& path : stays)
    if (path) out.push_back(std::move(*path));
  out.insert(out.end(), more.begin(), more.end());
  return out;
}

std::optional<NodePlace> twinOf(const NodePaths& paths, const MirrorAxis& axis, NodePlace node, double close) {
  const Point at = axis.mirrored(paths[node.path].nodes[node.node].at);
  std::optional<NodePlace> best;
  double least = close;
  for (std::size_t p = 0; p < paths.size(); ++p)
    for (std::size_t i = 0; i < paths[p].nodes.size(); ++i)
      if (const double d = distance(paths[p].nodes[i].at, at); d <= least) {
        least = d;
        best = NodePlace{p, i};
      }
  return best;
}

bool isSymmetric(const NodePaths& paths, const MirrorAxis& axis, double close) {
  std::vector<Point> places;
  for (const NodePath& path : paths)
    for (const Node& n : path.nodes) places.push_back(n.at);
  std::sort(places.begin(), places.end(), [](Point a, Point b) { return a.x < b.x; });
  return std::all_of(places.begin(), places.end(), [&](Point p) {
    const Point twin = axis.mirrored(p);
    for (auto other =
             std::lower_bound(places.begin(), places.end(), twin.x - close, [](Point a, double x) { return a.x < x; });
         other != places.end() && other->x <= twin.x + close; ++other)
      if (distance(*other, twin) <= close) return true;
    return false;
  });
}

}  // namespace widecut
