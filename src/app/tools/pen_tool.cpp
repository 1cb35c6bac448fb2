#include "app/tools/pen_tool.h"

#include <QKeyEvent>
#include <QPainter>

#include "app/desk/offer.h"
#include "app/desk/reshape.h"
#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/mat/pointer_label.h"
#include "app/tools/line_tool.h"
#include "app/tools/node_marks.h"
#include "geometry/fit.h"
#include "geometry/smooth_through.h"
#include "painting/raster.h"
#include "project/edits/tree.h"
#include "project/names.h"

namespace widecut {
namespace {

constexpr double reach = 8;       // pixels
constexpr double dragStart = 3;   // pixels before a press pulls handles out
constexpr double strokeStep = 2;  // pixels between the places of a stroke

Node nodeAt(Point p) { return {p, p, p}; }

}  // namespace

PenTool::PenTool(Mat& mat, Desk& desk) : Tool(mat, desk), snapper_(mat, desk) {
  // What was drawn on another sheet, or in another project, has no place here.
  QObject::connect(&desk, &Desk::sheetChanged, &mat, [this] { clear(); });
}

bool PenTool::isOver(Point onSheet, const Pointer& p) const {
  return distance(onSheet, p.onSheet) * mat_.zoom() <= reach;
}

bool PenTool::closesAt(const Pointer& p) const { return nodes_.size() > 1 && isOver(nodes_.front().at, p); }

Point PenTool::placeFor(const Pointer& p) const {
  if (nodes_.empty() || !(p.keys & Qt::ShiftModifier)) return p.onSheet;
  return nodes_.back().at + atEighths(p.onSheet - nodes_.back().at);
}

bool PenTool::continueAt(const Pointer& p) {
  const auto end = openEndAt(desk_, p.onSheet, reach / mat_.zoom());
  if (!end) return false;
  const ItemPtr item = findItem(desk_.settled(), end->end.item);
  const NodePath path = transformed((*nodesOf(*item))[end->end.path], frameToSheet(desk_.settled(), item->id));
  nodes_ = end->end.atStart ? reversed(path).nodes : path.nodes;
  continued_ = Continued{item->id, end->end.path};
  return true;
}

NodePath PenTool::pathOf(std::vector<Node> nodes, bool closed) const {
  if (desk_.pen.mode != PenMode::Through || nodes.size() < 3) return {std::move(nodes), closed};
  std::vector<Point> places;
  places.reserve(nodes.size());
  for (const Node& n : nodes) places.push_back(n.at);
  return nodesOf(smoothThrough(places, closed));
}

Pointer PenTool::atRest(const Pointer& p) {
  // A free hand is free, and what is right under the pointer goes before all that is near.
  if (isFreehand() || closesAt(p) || (nodes_.empty() && openEndAt(desk_, p.onSheet, reach / mat_.zoom()))) {
    snapper_.end();
    return p;
  }
  const std::size_t known = pressing_ && !nodes_.empty() ? nodes_.size() - 1 : nodes_.size();
  if (known != rested_) {
    std::vector<Point> places;
    places.reserve(known);
    for (std::size_t i = 0; i < known; ++i) places.push_back(nodes_[i].at);
    snapper_.begin({}, std::move(places));
    rested_ = known;
  }
  return snapper_.resting(p, nodes_.empty() ? std::nullopt : std::optional(nodes_.back().at));
}

void PenTool::press(const Pointer& at) {
  const Pointer p = atRest(at);
  pressed_ = now_ = p;
  pressing_ = true;
  closing_ = false;
  before_ = nodes_;
  if (isFreehand()) {
    stroke_ = {p.onSheet};
    return;
  }
  left_.clear();
  if (nodes_.empty()) {
    if (!continueAt(p)) nodes_.push_back(nodeAt(p.onSheet));
  } else if (closesAt(p)) {
    closing_ = true;
  } else {
    nodes_.push_back(nodeAt(placeFor(p)));
  }
}

void PenTool::drag(const Pointer& p) {
  now_ = p;
  if (!pressing_) return;
  if (isFreehand()) {
    if (distance(stroke_.back(), p.onSheet) * mat_.zoom() >= strokeStep) stroke_.push_back(p.onSheet);
    return;
  }
  const QPointF way = p.onMat - pressed_.onMat;
  if (nodes_.empty() || desk_.pen.mode == PenMode::Through || std::hypot(way.x(), way.y()) < dragStart) return;
  Node& n = closing_ ? nodes_.front() : nodes_.back();
  Point to = p.onSheet;
  if (p.keys & Qt::ShiftModifier) to = n.at + atEighths(to - n.at);
  // The handle of the edge that comes next; the one before mirrors it until Alt breaks them.
  const bool breaks = p.keys & Qt::AltModifier;
  if (closing_) {
    n.in = n.at * 2 - to;
    if (!breaks && n.hasOut()) n.out = n.at + unit(to - n.at) * distance(n.out, n.at);
  } else {
    n.out = to;
    if (!breaks) n.in = nodes_.size() > 1 ? n.at * 2 - to : n.at;
  }
}

void PenTool::release(const Pointer& p) {
  now_ = p;
  if (!pressing_) return;
  pressing_ = false;
  if (isFreehand()) {
    finishStroke();
  } else if (closing_) {
    finish(true);
  }
}

void PenTool::doubleClick(const Pointer&) {
  if (isFreehand() || nodes_.empty()) return;
  // Its second click has made one more node at the same place.
  if (nodes_.size() > 1 && isOver(nodes_[nodes_.size() - 2].at, now_)) nodes_.pop_back();
  finish(false);
}

void PenTool::finish(bool closed) {
  if (nodes_.size() < 2) {
    clear();
    return;
  }
  NodePath path = pathOf(nodes_, closed);
  if (!closed) {
    path.nodes.front().in = path.nodes.front().at;
    path.nodes.back().out = path.nodes.back().at;
  }
  const auto continued = continued_;
  clear();
  if (!continued) {
    lay(path);
    return;
  }
  const auto back = frameToSheet(desk_.settled(), continued->item).inverse();
  if (!back || !findItem(desk_.settled(), continued->item)) return;
  path = transformed(path, *back);
  desk_.commit(closed ? Mat::tr("Close outline") : Mat::tr("Draw on"),
               withReshaped(desk_.settled(), continued->item, path.nodes.back().at, [&](const NodePaths& before) {
                 NodePaths after = before;
                 if (continued->path < after.size()) after[continued->path] = path;
                 return after;
               }));
  desk_.setTool(ToolKind::Select);
  desk_.select({continued->item});
}

void PenTool::finishStroke() {
  const std::vector<Point> stroke = std::move(stroke_);
  stroke_.clear();
  // Back at its start it is closed.
  double size = 0;
  for (const Point p : stroke) size = std::max(size, distance(p, stroke.front()));
  const bool closed = stroke.size() > 4 && distance(stroke.front(), stroke.back()) * mat_.zoom() <= 1.5 * reach &&
                      size * mat_.zoom() > 4 * reach;
  if (const auto contour = fittedStroke(stroke, closed, desk_.pen.tolerance); contour && size * mat_.zoom() > dragStart)
    lay(nodesOf(*contour));
}

void PenTool::lay(const NodePath& onSheet) {
  const Outline outline = outlineOf({onSheet});
  const std::string name = UniqueNames(*desk_.sheet()).take(onSheet.closed ? "outline" : "line");
  const Style style = onSheet.closed ? desk_.styleForNew : lineStyle(desk_);
  Id made = desk_.settled().nextId;
  const Item item = plainItem(made, name, outline, style);
  const auto role = onSheet.closed && desk_.canJoin() ? desk_.joinForNew() : std::nullopt;
  Project changed = role ? withJoined(desk_.settled(), desk_.onlyItem()->id, item, *role, made)
                         : withItemsOnTop(desk_.settled(), desk_.sheet()->id, {item});
  desk_.commit(isFreehand() ? Mat::tr("Draw by hand") : Mat::tr("Draw outline"), std::move(changed));
  desk_.setTool(ToolKind::Select);
  desk_.select({made});
}

void PenTool::cancelDrag() {
  if (!std::exchange(pressing_, false)) return;
  closing_ = false;
  stroke_.clear();
  nodes_ = before_;
  if (nodes_.empty()) clear();
}

bool PenTool::wants(const QKeyEvent& event) const {
  return event.key() == Qt::Key_Backspace && event.modifiers() == Qt::NoModifier && !(nodes_.empty() && left_.empty());
}

bool PenTool::key(QKeyEvent& event) {
  switch (event.key()) {
    case Qt::Key_Backspace:
      if (nodes_.empty()) {
        nodes_ = std::exchange(left_, {});
      } else if (!pressing_) {
        nodes_.pop_back();
        if (nodes_.size() < 2) continued_.reset();
        if (nodes_.size() == 1) nodes_.back().out = nodes_.back().at;
      }
      return true;
    case Qt::Key_Return:
    case Qt::Key_Enter:
      if (nodes_.empty()) return false;
      if (!pressing_) finish(false);
      return true;
    case Qt::Key_Escape:
      if (nodes_.empty() && stroke_.empty()) {
        desk_.setTool(ToolKind::Select);
      } else {
        leave();
      }
      return true;
    default:
      return false;
  }
}

void PenTool::clear() {
  snapper_.end();
  rested_ = 0;
  nodes_.clear();
  left_.clear();
  stroke_.clear();
  continued_.reset();
  pressing_ = closing_ = false;
}

void PenTool::leave() {
  const bool any = nodes_.size() > 1 && !continued_;
  std::vector<Node> kept = std::move(nodes_);
  clear();
  if (!any) return;
  left_ = std::move(kept);
  emit desk_.told(Mat::tr("What the pen drew is left away · Backspace takes it up again"));
}

void PenTool::putAway() {
  if (desk_.tool() != ToolKind::Pen) {
    leave();
    return;
  }
  // Only the press is over.
  pressing_ = closing_ = false;
  stroke_.clear();
}

NodePath PenTool::shown() const {
  std::vector<Node> nodes = nodes_;
  if (pressing_) return pathOf(nodes, closing_);
  if (closesAt(now_)) return pathOf(nodes, true);
  nodes.push_back(nodeAt(placeFor(now_)));
  return pathOf(std::move(nodes), false);
}

void PenTool::paint(QPainter& painter) {
  if (!pressing_) snapper_.paint(painter);
  painter.setBrush(Qt::NoBrush);
  if (stroke_.size() > 1) {
    QPolygonF line;
    for (const Point p : stroke_) line << mat_.toMat(p);
    painter.setPen(QPen(theme::plum, 1.8));
    painter.drawPolyline(line);
    return;
  }
  if (nodes_.empty()) return;
  const NodePath path = shown();
  const std::size_t settled = pressing_ && !closing_ ? path.edges() : nodes_.size() - 1;
  for (std::size_t i = 0; i < path.edges(); ++i) {
    // The edge that a click would make.
    const bool next = i >= settled;
    painter.setPen(QPen(theme::onMat, next ? 2.6 : 3.4));
    painter.drawPath(pathOnMat(mat_, edgeOf(path, i)));
    painter.setPen(QPen(theme::plum, next ? 1.3 : 1.8, next ? Qt::DashLine : Qt::SolidLine));
    painter.drawPath(pathOnMat(mat_, edgeOf(path, i)));
  }
  for (std::size_t i = 0; i < nodes_.size(); ++i) {
    const Node& n = i < path.nodes.size() ? path.nodes[i] : nodes_[i];
    const QPointF at = mat_.toMat(n.at);
    if (i + 1 == nodes_.size() || (closing_ && i == 0)) {
      if (n.hasIn()) paintHandle(painter, at, mat_.toMat(n.in), false);
      if (n.hasOut()) paintHandle(painter, at, mat_.toMat(n.out), pressing_);
    }
    paintNode(painter, at, i < path.nodes.size() ? kindOf(path, i) : NodeKind::Corner, i + 1 == nodes_.size(), false,
              false);
  }
  if (!pressing_ && closesAt(now_)) {
    painter.setPen(QPen(theme::amber, 2.4));
    painter.setBrush(Qt::NoBrush);
    painter.drawEllipse(mat_.toMat(nodes_.front().at), 9, 9);
    paintPointerLabel(painter, mat_, now_.onMat, Mat::tr("closes the outline"));
  }
}

QString PenTool::hint() const {
  if (isFreehand()) return Mat::tr("Draw with the button held · back at the start it closes · Esc puts the pen away");
  if (nodes_.empty())
    return Mat::tr("Click for corners, drag for curves · an open end is drawn on · Esc puts the pen away");
  return Mat::tr(
      "Shift keeps to 45° · B held breaks the handle · Backspace takes back · the first node closes · Enter ends it "
      "open");
}

}  // namespace widecut
