#include "app/tools/corner_arcs.h"

#include <algorithm>

#include "app/desk/reshape.h"
#include "app/look/theme.h"
#include "project/forms/recipe.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr double reach = 7;             // pixels
constexpr double inset = 17;            // pixels from a sharp corner to its arc
constexpr double leastRoom = 44;        // pixels of a side beside which there is one
constexpr double flattest = pi - 0.15;  // radians between the sides; a corner that is hardly one has no arc
constexpr std::size_t mostNodes = 400;  // of an item whose corners have arcs

std::vector<CornerPlace> cornersOf(const Item& item) {
  const Treated* treated = treatedOf(item);
  return treated ? treated->corners() : treatedOutline(*corneredPaths(item)).corners;
}

/// Where a corner's arc lies, in the frame space: in the middle of its treatment, and not too close to a sharp one.
Point placeOf(const CornerPlace& corner, double pixel) {
  const double depth = corner.size > 0 ? depthOf({corner.wanted.kind, corner.size}, corner.angle()) : 0;
  return corner.at + corner.inwards() * std::max(depth, inset * pixel);
}

double pixelOf(const Mat& mat, const Affine& frame) { return 1 / std::max(1e-9, mat.zoom() * frame.meanScale()); }

/// True when the side of a corner, over smooth nodes, is this long.
bool hasRoom(const NodePath& path, std::size_t node, bool onwards, double room) {
  double length = 0;
  for (std::size_t i = 0; i < path.edges() && length < room; ++i) {
    if (!path.closed && path.isEnd(node) && (node == 0) != onwards) break;
    const std::size_t next = onwards ? path.next(node) : path.previous(node);
    length += distance(path.nodes[node].at, path.nodes[next].at);
    node = next;
    if (kindOf(path, node) == NodeKind::Corner) break;
  }
  return length >= room;
}

const char* const words[] = {QT_TRANSLATE_NOOP("Mat", "sharp"), QT_TRANSLATE_NOOP("Mat", "round"),
                             QT_TRANSLATE_NOOP("Mat", "scoop"), QT_TRANSLATE_NOOP("Mat", "bevel"),
                             QT_TRANSLATE_NOOP("Mat", "step"),  QT_TRANSLATE_NOOP("Mat", "notch")};

}  // namespace

std::vector<CornerHit> cornersWithArcs(const Mat& mat, const Project& project, const std::vector<ItemPtr>& items) {
  std::vector<CornerHit> found;
  std::vector<Point> onSheet;
  // At a corner of a part that is one of its cutout too, the part's is treated, unless all of the cutout's are.
  const auto add = [&](const Item& item, const CornerPlace& corner, Point at) {
    const auto near = [&](Point other) { return distance(other, at) * mat.zoom() < 1; };
    const auto known = std::find_if(onSheet.begin(), onSheet.end(), near);
    if (!item.recipe() || known == onSheet.end()) {
      found.push_back({item.id, corner});
      onSheet.push_back(at);
    } else if (!item.recipe()->corners.isSharp()) {
      found[static_cast<std::size_t>(known - onSheet.begin())] = {item.id, corner};
    }
  };
  for (const ItemPtr& item : items) {
    const auto paths = corneredPaths(*item);
    if (!paths || countOfNodes(*paths) > mostNodes) continue;
    const Affine frame = frameToSheet(project, item->id);
    const double room = leastRoom * pixelOf(mat, frame);
    for (const CornerPlace& corner : cornersOf(*item)) {
      if (corner.angle() > flattest) continue;
      const NodePath& path = (*paths)[corner.node.path];
      if (hasRoom(path, corner.node.node, true, room) && hasRoom(path, corner.node.node, false, room))
        add(*item, corner, frame(corner.at));
    }
  }
  return found;
}

std::optional<CornerHit> cornerAt(const Mat& mat, const Project& project, const std::vector<ItemPtr>& items,
                                  QPointF onMat) {
  for (const CornerHit& hit : cornersWithArcs(mat, project, items)) {
    const Affine frame = frameToSheet(project, hit.item);
    const QPointF way = mat.toMat(frame(placeOf(hit.corner, pixelOf(mat, frame)))) - onMat;
    if (std::hypot(way.x(), way.y()) <= reach) return hit;
  }
  return std::nullopt;
}

void paintCorners(QPainter& painter, const Mat& mat, const Project& project, const std::vector<ItemPtr>& items,
                  const std::optional<CornerHit>& lit) {
  for (const CornerHit& hit : cornersWithArcs(mat, project, items)) {
    const Affine frame = frameToSheet(project, hit.item);
    const double pixel = pixelOf(mat, frame);
    const Point at = placeOf(hit.corner, pixel), inwards = hit.corner.inwards();
    // A short arc, bent as a round corner would be.
    const bool isLit = lit && lit->item == hit.item && lit->corner.node == hit.corner.node;
    const double radius = (isLit ? 12 : 10) * pixel, half = radians(48);
    QPolygonF arc;
    constexpr int steps = 12;
    const Point centre = at + inwards * radius;
    for (int i = 0; i <= steps; ++i)
      arc << mat.toMat(frame(centre + Affine::turn(half * (2.0 * i / steps - 1)).vector(-inwards) * radius));
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(theme::onMat, isLit ? 5 : 4, Qt::SolidLine, Qt::RoundCap));
    painter.drawPolyline(arc);
    painter.setPen(
        QPen(hit.corner.isLimited() ? theme::amber : theme::plum, isLit ? 3 : 2, Qt::SolidLine, Qt::RoundCap));
    painter.drawPolyline(arc);
  }
}

Corner cornerFor(const Project& project, const CornerHit& hit, Point pressed, Point now) {
  const auto back = frameToSheet(project, hit.item).inverse();
  const CornerKind kind = hit.corner.wanted.isSharp() ? CornerKind::Round : hit.corner.wanted.kind;
  const double angle = hit.corner.angle(), before = depthOf({kind, hit.corner.size}, angle);
  const double by = back ? dot(back->vector(now - pressed), hit.corner.inwards()) : 0;
  return {kind, sizeForDepth(kind, angle, before + by)};
}

Project withCornerDragged(const Project& project, const CornerHit& hit, const NodesOfItems& chosen,
                          const Corner& corner, bool alone) {
  const ItemPtr item = findItem(project, hit.item);
  if (item && item->recipe()) return withAllCorners(project, hit.item, corner);
  if (alone) return withCorners(project, {{hit.item, {hit.corner.node}}}, corner);
  if (isChosen(chosen, hit.item, hit.corner.node)) return withCorners(project, chosen, corner);
  // One that is treated otherwise than the rest is meant itself.
  const Treated* treated = item ? treatedOf(*item) : nullptr;
  if (treated && hit.corner.wanted != treated->content().all && !hit.corner.wanted.isSharp())
    return withCorners(project, {{hit.item, {hit.corner.node}}}, corner);
  return withAllCorners(project, hit.item, corner);
}

QString textOfCorner(const Desk& desk, const CornerHit& hit) {
  const ItemPtr item = findItem(desk.project(), hit.item);
  if (!item) return {};
  for (const CornerPlace& corner : cornersOf(*item)) {
    if (corner.node != hit.corner.node) continue;
    const QString kind = Mat::tr(words[static_cast<std::size_t>(corner.wanted.kind)]);
    if (corner.wanted.isSharp()) return Mat::tr("sharp");
    return corner.isLimited() ? Mat::tr("%1 %2 · room for %3")
                                    .arg(kind, desk.lengthText(corner.wanted.size), desk.lengthText(corner.size))
                              : Mat::tr("%1 %2").arg(kind, desk.lengthText(corner.size));
  }
  return {};
}

}  // namespace widecut
