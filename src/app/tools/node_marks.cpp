#include "app/tools/node_marks.h"

#include "app/desk/reshape.h"
#include "app/look/theme.h"
#include "app/mat/selection_frame.h"
#include "painting/raster.h"
#include "project/forms/words.h"

namespace widecut {
namespace {

constexpr double reach = 8;           // pixels
constexpr std::size_t crowded = 240;  // nodes in sight from which on they are small

double away(QPointF a, QPointF b) { return std::hypot(a.x() - b.x(), a.y() - b.y()); }

Point handleOf(const Node& node, Side side) { return side == Side::In ? node.in : node.out; }

Bezier mapped(const Affine& map, const Bezier& c) { return {map(c[0]), map(c[1]), map(c[2]), map(c[3])}; }

/// The nearer of two hits wins; nodes are a little nearer than what they lie among.
struct Best {
  std::optional<NodeHit> hit;
  double distance = reach;
  void offer(double d, double handicap, const NodeHit& found) {
    if (d > reach || d + handicap >= distance) return;
    distance = d + handicap;
    hit = found;
  }
};

}  // namespace

bool showsHandle(const NodePath& path, NodePlace place, Side side, Id item, const NodesOfItems& chosen,
                 const std::optional<NodeHit>& hot) {
  const auto isLit = [&](NodePlace p) {
    const bool hovered = hot && hot->item == item && hot->place == p && hot->what != NodeHit::What::Edge;
    return hovered || isChosen(chosen, item, p);
  };
  if (isLit(place)) return true;
  if (path.isEnd(place.node) && ((side == Side::In) == (place.node == 0))) return false;
  const std::size_t edge = side == Side::Out ? place.node : path.previous(place.node);
  if (hot && hot->item == item && hot->what == NodeHit::What::Edge && hot->place == NodePlace{place.path, edge})
    return true;
  return isLit({place.path, side == Side::Out ? path.next(place.node) : path.previous(place.node)});
}

std::optional<NodeHit> nodeHitAt(const Mat& mat, const Project& project, const std::vector<ItemPtr>& items,
                                 const NodesOfItems& chosen, const std::optional<NodeHit>& hot, QPointF onMat) {
  const Point pointer = mat.toSheet(onMat);
  for (auto one = items.rbegin(); one != items.rend(); ++one) {
    const Item& item = **one;
    const Affine frame = frameToSheet(project, item.id);
    const auto paths = nodesOf(item);
    Best marks, edges;
    for (std::size_t p = 0; p < paths->size(); ++p) {
      const NodePath& path = (*paths)[p];
      for (std::size_t i = 0; i < path.nodes.size(); ++i) {
        const Node& n = path.nodes[i];
        const NodePlace place{p, i};
        const Point at = frame(n.at);
        marks.offer(away(mat.toMat(at), onMat), 0, {NodeHit::What::Node, item.id, place, Side::Out, 0, at});
        for (const Side side : {Side::In, Side::Out}) {
          const Point end = handleOf(n, side);
          if (end == n.at || !showsHandle(path, place, side, item.id, chosen, hot)) continue;
          marks.offer(away(mat.toMat(frame(end)), onMat), 1.5,
                      {NodeHit::What::Handle, item.id, place, side, 0, frame(end)});
        }
        if (!path.hasEdge(i)) continue;
        const Bezier c = mapped(frame, edgeOf(path, i));
        Box box;
        for (const Point corner : c) box.add(corner);
        if (!box.grown(reach / mat.zoom()).contains(pointer)) continue;
        const Nearest near = nearestOn(c, pointer);
        edges.offer(near.distance * mat.zoom(), 0,
                    {NodeHit::What::Edge, item.id, place, Side::Out, near.t, pointOn(c, near.t)});
      }
    }
    if (marks.hit) return marks.hit;
    if (edges.hit) return edges.hit;
  }
  return std::nullopt;
}

QPainterPath pathOnMat(const Mat& mat, const Bezier& c) {
  QPainterPath path(mat.toMat(c[0]));
  path.cubicTo(mat.toMat(c[1]), mat.toMat(c[2]), mat.toMat(c[3]));
  return path;
}

void paintNode(QPainter& painter, QPointF at, NodeKind kind, bool chosen, bool lit, bool small) {
  if (small && !lit) {
    // Of very many: areas of whole pixels, which are painted at once.
    const auto square = [&](int across, const QColor& colour) {
      painter.fillRect(QRect((at - QPointF(across, across) / 2).toPoint(), QSize(across, across)), colour);
    };
    if (chosen) square(8, theme::onMat);
    square(chosen ? 6 : 4, theme::plum);
    return;
  }
  const double r = lit ? 5.5 : 4;
  painter.setPen(QPen(chosen || small ? theme::onMat : theme::plum, chosen ? 1.2 : 1.6));
  painter.setBrush(chosen || small ? theme::plum : QColor(Qt::white));
  if (kind == NodeKind::Corner)
    painter.drawRect(QRectF(at.x() - r, at.y() - r, 2 * r, 2 * r));
  else
    painter.drawEllipse(at, r + 0.5, r + 0.5);
  if (kind != NodeKind::Even) return;
  painter.setPen(Qt::NoPen);
  painter.setBrush(chosen ? QColor(Qt::white) : theme::plum);
  painter.drawEllipse(at, 1.6, 1.6);
}

void paintHandle(QPainter& painter, QPointF node, QPointF end, bool lit) {
  painter.setPen(QPen(theme::onMat, 2.6));
  painter.drawLine(node, end);
  painter.setPen(QPen(theme::plum, 1.2));
  painter.drawLine(node, end);
  painter.setPen(QPen(theme::onMat, 1.2));
  painter.setBrush(theme::plum);
  const double r = lit ? 5 : 3.5;
  painter.drawEllipse(end, r, r);
}

void paintNodes(QPainter& painter, const Mat& mat, const Project& project, const Item& item, const NodesOfItems& chosen,
                const std::optional<NodeHit>& hot) {
  const Affine frame = frameToSheet(project, item.id);
  const auto paths = nodesOf(item);
  if (!paths) return;
  painter.setBrush(Qt::NoBrush);
  painter.setPen(QPen(theme::plum, 1.4));
  // As it shows, and thinly as it is drawn where corners are treated.
  const Words* words = wordsOf(item);
  if (words && words->content().frame) {
    // The nodes are those of the frame, and so is the edge; the letters stay as they are.
    const Affine toSheet = frameToSheet(project, item.id) * words->content().stretch;
    painter.drawPath(mat.sheetToMat().map(painterPath(transformed(edgeOf(*words->content().frame), toSheet))));
  } else {
    paintOutline(painter, mat, project, item.id);
  }
  if (const Treated* treated = treatedOf(item); treated && outlineOf(*paths) != treated->outline()) {
    painter.setPen(QPen(theme::plum, 1, Qt::DotLine));
    painter.drawPath(mat.sheetToMat().map(painterPath(transformed(outlineOf(*paths), frame))));
  }
  // What was under the pointer may be gone, or have another number in what is being tried.
  const bool ours = hot && hot->item == item.id && hot->place.path < paths->size() &&
                    hot->place.node < (*paths)[hot->place.path].nodes.size();
  if (ours && hot->what == NodeHit::What::Edge && (*paths)[hot->place.path].hasEdge(hot->place.node)) {
    painter.setPen(QPen(theme::plum, 3.2));
    painter.drawPath(pathOnMat(mat, mapped(frame, edgeOf((*paths)[hot->place.path], hot->place.node))));
  }
  const QRectF sight = QRectF(mat.rect()).adjusted(-10, -10, 10, 10);
  std::size_t seen = 0;
  for (const NodePath& path : *paths)
    for (const Node& n : path.nodes) seen += sight.contains(mat.toMat(frame(n.at)));
  for (std::size_t p = 0; p < paths->size(); ++p) {
    const NodePath& path = (*paths)[p];
    for (std::size_t i = 0; i < path.nodes.size(); ++i) {
      const Node& n = path.nodes[i];
      const QPointF at = mat.toMat(frame(n.at));
      if (!sight.contains(at) && !isChosen(chosen, item.id, {p, i})) continue;
      for (const Side side : {Side::In, Side::Out}) {
        const Point end = handleOf(n, side);
        if (end == n.at || !showsHandle(path, {p, i}, side, item.id, chosen, hot)) continue;
        const bool lit =
            ours && hot->what == NodeHit::What::Handle && hot->place == NodePlace{p, i} && hot->side == side;
        paintHandle(painter, at, mat.toMat(frame(end)), lit);
      }
      const bool lit = ours && hot->what == NodeHit::What::Node && hot->place == NodePlace{p, i};
      paintNode(painter, at, kindOf(path, i), isChosen(chosen, item.id, {p, i}), lit, seen > crowded);
    }
  }
}

}  // namespace widecut
