#include "app/tools/node_tool.h"

#include <QApplication>
#include <QKeyEvent>

#include "app/desk/reshape.h"
#include "app/desk/selecting.h"
#include "app/look/theme.h"
#include "app/mat/pointer_label.h"
#include "app/tools/axis_line.h"
#include "app/tools/line_tool.h"
#include "scene/hit.h"

namespace widecut {
namespace {

constexpr double dragStart = 3;  // pixels before a press becomes a drag
constexpr double snap = 6;       // pixels to an axis, or to the node that a handle goes back into
constexpr double reach = 8;

NodesOfItems with(NodesOfItems nodes, const NodeHit& hit) {
  if (!isChosen(nodes, hit.item, hit.place)) nodes[hit.item].push_back(hit.place);
  return nodes;
}
NodesOfItems without(NodesOfItems nodes, const NodeHit& hit) {
  std::erase(nodes[hit.item], hit.place);
  return nodes;
}

std::vector<Id> allOf(const Sheet& sheet) {
  std::vector<Id> ids;
  for (const ItemPtr& item : sheet.items) ids.push_back(item->id);
  return ids;
}

const NodePath& pathOf(const NodePaths& paths, NodePlace place) { return paths[place.path]; }

}  // namespace

std::vector<ItemPtr> NodeTool::items() const { return itemsWithNodes(desk_.project(), desk_.selection()); }

std::optional<NodeHit> NodeTool::hitAt(const Pointer& p) const {
  return nodeHitAt(mat_, desk_.project(), items(), desk_.chosenNodes(), hot_, p.onMat);
}

std::optional<SelectionFrame> NodeTool::frame() const {
  if (countOf(desk_.chosenNodes()) < 2) return std::nullopt;
  const Box box = boxOf(desk_.project(), desk_.chosenNodes());
  constexpr double room = 14;  // pixels, so that grips and nodes keep clear of one another
  return box.isEmpty() ? std::nullopt : std::optional(SelectionFrame{{}, box.grown(room / mat_.zoom())});
}

bool NodeTool::mayReshape(Id id) {
  const ItemPtr item = findItem(desk_.settled(), id);
  if (!item || !starterOf(*item) || desk_.makesPlain()) return item != nullptr;
  asked_ = true;
  emit desk_.told(Mat::tr("“%1” follows its numbers. Enter makes it a plain outline, whose nodes move freely.")
                      .arg(QString::fromStdString(item->name)));
  emit desk_.toolSet();
  return false;
}

void NodeTool::press(const Pointer& p) {
  pressed_ = now_ = p;
  held_ = hitAt(p);
  grip_.reset();
  if (!held_ || held_->what == NodeHit::What::Edge) {
    if ((corner_ = cornerAt(mat_, desk_.project(), items(), p.onMat))) {
      doing_ = Doing::Cornering;
      return;
    }
    if (const auto around = frame())
      if ((grip_ = gripAt(*around, mat_, p.onMat))) {
        gripped_ = around;
        doing_ = Doing::Gripping;
        return;
      }
    if ((axis_ = axisAt(p))) {
      doing_ = axis_->turns ? Doing::TurningAxis : Doing::MovingAxis;
      return;
    }
  }
  doing_ = held_ ? Doing::Pressed : Doing::Marquee;
  wasChosen_ = held_ && isChosen(desk_.chosenNodes(), held_->item, held_->place);
  if (!held_ || held_->what != NodeHit::What::Node || wasChosen_) return;
  const bool add = p.keys & Qt::ShiftModifier;
  desk_.chooseNodes(with(add ? desk_.chosenNodes() : NodesOfItems{}, *held_));
  hot_ = held_;
}

void NodeTool::begin() {
  if (!mayReshape(held_->item)) {
    doing_ = Doing::Nothing;
    return;
  }
  switch (held_->what) {
    case NodeHit::What::Node:
      doing_ = pressed_.keys & Qt::AltModifier ? Doing::PullingHandle : Doing::MovingNodes;
      break;
    case NodeHit::What::Handle:
      doing_ = Doing::MovingHandle;
      break;
    case NodeHit::What::Edge:
      doing_ = Doing::Bending;
      break;
  }
}

void NodeTool::drag(const Pointer& p) {
  now_ = p;
  const QPointF way = p.onMat - pressed_.onMat;
  if (doing_ == Doing::Pressed && std::hypot(way.x(), way.y()) >= dragStart) begin();
  switch (doing_) {
    case Doing::MovingNodes:
      moveNodes(p);
      break;
    case Doing::MovingHandle:
    case Doing::PullingHandle:
    case Doing::Bending:
      moveHandle(p);
      break;
    case Doing::Gripping:
      trial_.show(withNodesMapped(desk_.settled(), desk_.chosenNodes(),
                                  gripMap(*gripped_, *grip_, pressed_.onSheet, p.onSheet, p.keys & Qt::ShiftModifier,
                                          p.keys & Qt::AltModifier, {}),
                                  pressed_.onSheet));
      break;
    case Doing::Cornering:
      if (std::hypot(way.x(), way.y()) >= dragStart || trial_.isShown())
        trial_.show(withCornerDragged(desk_.settled(), *corner_, desk_.chosenNodes(),
                                      cornerFor(desk_.settled(), *corner_, pressed_.onSheet, p.onSheet),
                                      p.keys & Qt::AltModifier));
      break;
    case Doing::MovingAxis:
    case Doing::TurningAxis:
      moveAxis(p);
      break;
    default:
      break;
  }
}

std::optional<NodeHit> NodeTool::endToJoin(const Pointer& p) const {
  if (countOf(desk_.chosenNodes()) != 1) return std::nullopt;
  const auto isOpenEnd = [&](Id id, NodePlace place) {
    const auto paths = nodesOf(*findItem(desk_.settled(), id));
    return paths && (*paths)[place.path].isEnd(place.node);
  };
  if (!isOpenEnd(held_->item, held_->place)) return std::nullopt;
  for (const ItemPtr& item : itemsWithNodes(desk_.settled(), allOf(*desk_.sheet()))) {
    const auto paths = nodesOf(*item);
    const Affine frame = frameToSheet(desk_.settled(), item->id);
    for (std::size_t path = 0; path < paths->size(); ++path)
      for (const std::size_t node : {std::size_t{0}, (*paths)[path].nodes.size() - 1}) {
        const NodePlace place{path, node};
        if (!(*paths)[path].isEnd(node) || (item->id == held_->item && place == held_->place)) continue;
        // Two nodes beside one another are an edge: there is nothing to close.
        if (item->id == held_->item && path == held_->place.path && (*paths)[path].nodes.size() < 3) continue;
        const Point at = frame((*paths)[path].nodes[node].at);
        if (distance(at, p.onSheet) * mat_.zoom() <= reach)
          return NodeHit{NodeHit::What::Node, item->id, place, Side::Out, 0, at};
      }
  }
  return std::nullopt;
}

void NodeTool::moveNodes(const Pointer& p) {
  Point by = p.onSheet - pressed_.onSheet;
  if (p.keys & Qt::ShiftModifier) (std::abs(by.x) > std::abs(by.y) ? by.y : by.x) = 0;
  const ItemPtr item = findItem(desk_.settled(), held_->item);
  if (!item) return;
  if (const auto axis = axisOf(*item)) {
    const Affine frame = frameToSheet(desk_.settled(), item->id);
    const Point on = frame(axis->onto((*frame.inverse())(held_->at + by)));
    if (distance(on, held_->at + by) * mat_.zoom() <= snap) by = on - held_->at;
  }
  movedBy_ = by;
  end_ = endToJoin(p);
  const auto end = [](const NodeHit& hit) { return PathEnd{hit.item, hit.place.path, hit.place.node == 0}; };
  trial_.show(end_ ? withEndsJoined(desk_.settled(), end(*held_), end(*end_))
                   : withNodesMapped(desk_.settled(), desk_.chosenNodes(), Affine::move(by), held_->at));
}

void NodeTool::moveHandle(const Pointer& p) {
  const Affine frame = frameToSheet(desk_.settled(), held_->item), back = frame.inverse().value_or(Affine{});
  Point onSheet = held_->at + p.onSheet - pressed_.onSheet;
  const ItemPtr item = findItem(desk_.settled(), held_->item);
  const auto paths = item ? nodesOf(*item) : std::nullopt;
  if (!paths || held_->place.path >= paths->size() || held_->place.node >= pathOf(*paths, held_->place).nodes.size())
    return;
  const Node& node = pathOf(*paths, held_->place).nodes[held_->place.node];
  const Point nodeOnSheet = frame(node.at);
  if (doing_ != Doing::Bending) {
    if (p.keys & Qt::ShiftModifier) onSheet = nodeOnSheet + atEighths(onSheet - nodeOnSheet);
    if (distance(onSheet, nodeOnSheet) * mat_.zoom() <= snap) onSheet = nodeOnSheet;
  }
  const Point to = onSheet == nodeOnSheet ? node.at : back(onSheet);
  const NodeHit held = *held_;
  const bool alone = p.keys & Qt::AltModifier;
  const auto change = [&](const NodePaths& before) {
    NodePaths after = before;
    NodePath& path = after[held.place.path];
    constexpr double nearest = 0.08;  // to an end of the edge, where handles pull nothing
    if (doing_ == Doing::Bending) {
      path = withBend(path, held.place.node, std::clamp(held.t, nearest, 1 - nearest), to);
    } else if (doing_ == Doing::MovingHandle) {
      path = withHandle(path, held.place.node, held.side, to, alone);
    } else {
      // Both handles come out of the node, alike.
      path = withHandle(path, held.place.node, Side::Out, to, true);
      path = withHandle(path, held.place.node, Side::In, node.at * 2 - to, true);
    }
    return after;
  };
  trial_.show(withReshaped(desk_.settled(), held.item, back(held.at), change));
}

std::optional<NodeTool::AxisHit> NodeTool::axisAt(const Pointer& p) const {
  for (const ItemPtr& item : items()) {
    const auto line = AxisLine::of(mat_, desk_.project(), *item);
    if (line && line->isOnKnob(p.onMat)) return AxisHit{item->id, true};
    if (line && line->isOnLine(p.onMat)) return AxisHit{item->id, false};
  }
  return std::nullopt;
}

void NodeTool::moveAxis(const Pointer& p) {
  const ItemPtr item = findItem(desk_.settled(), axis_->item);
  const auto axis = item ? axisOf(*item) : std::nullopt;
  if (!axis) return;
  const auto moved = axis_->turns ? turnedAxis(desk_, mat_, *item, *axis, p)
                                  : movedAxis(desk_, mat_, *item, *axis, p.onSheet - pressed_.onSheet);
  trial_.show(withAxis(desk_.settled(), axis_->item, moved));
}

/// Where the chosen nodes of mirrored items will be. Making one half of another shape gives them other numbers.
std::map<Id, std::vector<Point>> NodeTool::placesOfMirrored() const {
  std::map<Id, std::vector<Point>> places;
  for (const auto& [id, nodes] : desk_.chosenNodes()) {
    const ItemPtr item = findItem(desk_.settled(), id);
    if (!item || !axisOf(*item)) continue;
    for (const NodePlace node : nodes) places[id].push_back(placeOnSheet(desk_.settled(), id, node) + movedBy_);
  }
  return places;
}

void NodeTool::chooseAgain(const std::map<Id, std::vector<Point>>& places) {
  NodesOfItems chosen = desk_.chosenNodes();
  constexpr double close = 0.01;  // points
  const NodesOfItems all = allNodes(desk_);
  for (const auto& [id, points] : places) {
    chosen[id].clear();
    const auto nodes = all.find(id);
    if (nodes == all.end()) continue;
    for (const NodePlace node : nodes->second) {
      const Point at = placeOnSheet(desk_.settled(), id, node);
      if (std::any_of(points.begin(), points.end(), [&](Point p) { return distance(p, at) < close; }))
        chosen[id].push_back(node);
    }
  }
  desk_.chooseNodes(std::move(chosen));
}

void NodeTool::release(const Pointer& p) {
  now_ = p;
  const auto mirrored = placesOfMirrored();
  switch (doing_) {
    case Doing::Pressed:
      click(p);
      break;
    case Doing::MovingNodes:
      if (end_) desk_.chooseNodes({});
      trial_.settle(end_                                ? Mat::tr("Join ends")
                    : countOf(desk_.chosenNodes()) == 1 ? Mat::tr("Move node")
                                                        : Mat::tr("Move nodes"));
      break;
    case Doing::MovingHandle:
    case Doing::PullingHandle:
      trial_.settle(Mat::tr("Move handle"));
      break;
    case Doing::Bending:
      trial_.settle(Mat::tr("Bend edge"));
      break;
    case Doing::Cornering:
      if (!trial_.settle(Mat::tr("Treat corner")) && !trial_.isShown())
        desk_.chooseNodes({{corner_->item, {corner_->corner.node}}});
      break;
    case Doing::Gripping:
      trial_.settle(grip_->turns ? Mat::tr("Turn nodes") : Mat::tr("Scale nodes"));
      break;
    case Doing::MovingAxis:
    case Doing::TurningAxis:
      trial_.settle(Mat::tr("Move the axis"));
      break;
    case Doing::Marquee: {
      const QPointF way = p.onMat - pressed_.onMat;
      if (std::hypot(way.x(), way.y()) < dragStart) {
        click(p);
        break;
      }
      const Box box = Box::between(pressed_.onSheet, p.onSheet);
      if (items().empty()) desk_.select(itemsWithin(*desk_.sheet(), box, Taken::Touched));
      NodesOfItems found = nodesWithin(desk_, box);
      if (p.keys & Qt::ShiftModifier)
        for (const auto& [id, places] : desk_.chosenNodes())
          for (const NodePlace place : places)
            if (!isChosen(found, id, place)) found[id].push_back(place);
      desk_.chooseNodes(std::move(found));
      break;
    }
    case Doing::Nothing:
      break;
  }
  const bool reshaped = doing_ == Doing::MovingNodes || doing_ == Doing::MovingHandle || doing_ == Doing::PullingHandle;
  if (reshaped && !mirrored.empty()) chooseAgain(mirrored);
  stop();
  hot_ = hitAt(p);
}

void NodeTool::click(const Pointer& p) {
  if (!held_) {
    // Beside all edges: what lies here is taken up, or the nodes are let go.
    const Id item = itemAt(*desk_.sheet(), p.onSheet, reach / mat_.zoom());
    const bool inside = item != 0 && !chainTo(desk_.project(), item).empty() &&
                        std::find(desk_.selection().begin(), desk_.selection().end(), item) != desk_.selection().end();
    if (item != 0 && !inside && desk_.chosenNodes().empty())
      desk_.select({item});
    else if (item == 0 && desk_.chosenNodes().empty())
      desk_.select({});
    desk_.chooseNodes({});
    return;
  }
  if (held_->what == NodeHit::What::Edge) {
    if (!mayReshape(held_->item)) return;
    constexpr double end = 1e-3;
    NodePlace made;
    Project changed =
        withNodeAdded(desk_.settled(), held_->item, held_->place, std::clamp(held_->t, end, 1 - end), made);
    const Id item = held_->item;
    if (!desk_.commit(Mat::tr("Add node"), std::move(changed))) return;
    added_ = NodeHit{NodeHit::What::Node, item, made, Side::Out, 0, held_->at};
    sinceAdded_.start();
    desk_.chooseNodes({{item, {made}}});
    return;
  }
  const NodeHit node{NodeHit::What::Node, held_->item, held_->place, Side::Out, 0, held_->at};
  if (p.keys & Qt::ShiftModifier && wasChosen_)
    desk_.chooseNodes(without(desk_.chosenNodes(), node));
  else if (!(p.keys & Qt::ShiftModifier))
    desk_.chooseNodes(with({}, node));
}

void NodeTool::doubleClick(const Pointer& p) {
  const auto hit = hitAt(p);
  if (!hit || hit->what != NodeHit::What::Node) return;
  // Two quick clicks on an edge: the first has added the node, and that is all that was meant.
  const bool isNew = added_ && added_->item == hit->item && added_->place == hit->place;
  if (isNew && sinceAdded_.elapsed() < 2 * QApplication::doubleClickInterval()) {
    added_.reset();
    return;
  }
  if (!mayReshape(hit->item)) return;
  const auto paths = nodesOf(*findItem(desk_.settled(), hit->item));
  desk_.chooseNodes({{hit->item, {hit->place}}});
  const NodeKind now = kindOf(pathOf(*paths, hit->place), hit->place.node);
  setKind(desk_, now == NodeKind::Corner ? NodeKind::Smooth : NodeKind::Corner);
}

void NodeTool::choose(const Pointer& p) {
  if (const auto hit = hitAt(p);
      hit && hit->what == NodeHit::What::Node && !isChosen(desk_.chosenNodes(), hit->item, hit->place))
    desk_.chooseNodes({{hit->item, {hit->place}}});
}

void NodeTool::hover(const Pointer& p) {
  now_ = p;
  hot_ = hitAt(p);
  const auto around = frame();
  const bool isMark = hot_ && hot_->what != NodeHit::What::Edge;
  corner_ = isMark ? std::nullopt : cornerAt(mat_, desk_.project(), items(), p.onMat);
  grip_ = around && !isMark && !corner_ ? gripAt(*around, mat_, p.onMat) : std::nullopt;
  axis_ = !isMark && !grip_ && !corner_ ? axisAt(p) : std::nullopt;
  if (corner_ || grip_ || axis_) hot_.reset();
}

bool NodeTool::wants(const QKeyEvent& event) const {
  if (event.matches(QKeySequence::SelectAll)) return !items().empty();
  const bool deletes = event.key() == Qt::Key_Delete || event.key() == Qt::Key_Backspace;
  return deletes && event.modifiers() == Qt::NoModifier && !desk_.chosenNodes().empty();
}

bool NodeTool::key(QKeyEvent& event) {
  // In the middle of a drag nothing pulls away what is held.
  if (doing_ != Doing::Nothing && event.key() != Qt::Key_Escape) return true;
  if (event.matches(QKeySequence::SelectAll)) {
    desk_.chooseNodes(allNodes(desk_));
    return true;
  }
  switch (event.key()) {
    case Qt::Key_Escape:
      if (doing_ != Doing::Nothing)
        putAway();
      else if (!desk_.chosenNodes().empty())
        desk_.chooseNodes({});
      else
        desk_.setTool(ToolKind::Select);
      return true;
    case Qt::Key_Return:
    case Qt::Key_Enter:
      if (!startersWithNodes(desk_).empty() && !desk_.makesPlain())
        makePlain(desk_);
      else
        desk_.setTool(ToolKind::Select);
      asked_ = false;
      return true;
    case Qt::Key_Tab:
    case Qt::Key_Backtab:
      stepNode(desk_, event.key() == Qt::Key_Tab ? 1 : -1);
      return true;
    case Qt::Key_Delete:
    case Qt::Key_Backspace:
      if (desk_.chosenNodes().empty()) return false;
      deleteNodes(desk_);
      return true;
    default:
      break;
  }
  const auto way = arrowStep(event.key());
  if (!way || desk_.chosenNodes().empty()) return false;
  nudgeNodes(desk_, *way, event.modifiers());
  return true;
}

void NodeTool::stop() {
  doing_ = Doing::Nothing;
  held_.reset();
  end_.reset();
  grip_.reset();
  gripped_.reset();
  axis_.reset();
  corner_.reset();
  movedBy_ = {};
}

void NodeTool::putAway() {
  trial_.drop();
  stop();
  hot_.reset();
  added_.reset();
  asked_ = false;
}

void NodeTool::paint(QPainter& painter) {
  const auto shown = items();
  for (const ItemPtr& item : shown)
    if (const auto line = AxisLine::of(mat_, desk_.project(), *item))
      line->paint(painter, axis_ && axis_->item == item->id, axis_ && axis_->item == item->id && axis_->turns);
  const auto& lit = doing_ == Doing::Nothing || doing_ == Doing::Pressed ? hot_ : held_;
  for (const ItemPtr& item : shown) paintNodes(painter, mat_, desk_.project(), *item, desk_.chosenNodes(), lit);
  if (doing_ == Doing::Nothing || doing_ == Doing::Cornering)
    paintCorners(painter, mat_, desk_.project(), shown, corner_);
  if (doing_ == Doing::Nothing && hot_ && hot_->what == NodeHit::What::Edge) {
    // The node that a click would add.
    const QPointF at = mat_.toMat(hot_->at);
    painter.setPen(QPen(theme::plum, 1.4, Qt::DashLine));
    painter.setBrush(QColor(255, 255, 255, 170));
    painter.drawEllipse(at, 6, 6);
    painter.setPen(QPen(theme::plum, 1.6));
    painter.drawLine(at - QPointF(3, 0), at + QPointF(3, 0));
    painter.drawLine(at - QPointF(0, 3), at + QPointF(0, 3));
  }
  if (const auto around = frame(); around && (doing_ == Doing::Nothing || doing_ == Doing::Gripping))
    paintGrips(painter, doing_ == Doing::Gripping ? *gripped_ : *around, mat_, grip_);
  if (end_) {
    painter.setPen(QPen(theme::amber, 2.4));
    painter.setBrush(Qt::NoBrush);
    painter.drawEllipse(mat_.toMat(end_->at), 9, 9);
  }
  if (doing_ == Doing::Marquee && now_.onMat != pressed_.onMat) {
    painter.setPen(QPen(theme::plum, 1, Qt::DashLine));
    painter.setBrush(QColor(0x6C, 0x3B, 0xAA, 28));
    painter.drawRect(QRectF(pressed_.onMat, now_.onMat));
  }
  if (const QString label = labelNow(); !label.isEmpty()) paintPointerLabel(painter, mat_, now_.onMat, label);
}

QString NodeTool::labelNow() const {
  const Point by = now_.onSheet - pressed_.onSheet;
  switch (doing_) {
    case Doing::MovingNodes:
      return end_ ? Mat::tr("joins the ends") : textOfWay(desk_, by);
    case Doing::MovingHandle:
    case Doing::PullingHandle:
      return textOfWay(desk_, now_.onSheet - placeOnSheet(desk_.project(), held_->item, held_->place));
    case Doing::Cornering:
      return textOfCorner(desk_, *corner_);
    default:
      return corner_ ? textOfCorner(desk_, *corner_) : QString();
  }
}

QString NodeTool::hint() const {
  if (items().empty())
    return Mat::tr("Click an item to see its nodes · drag a box over several · Esc puts the tool away");
  switch (doing_) {
    case Doing::MovingNodes:
      return Mat::tr("Shift keeps to one direction · an end dragged onto another end joins it · Esc puts it back");
    case Doing::MovingHandle:
    case Doing::PullingHandle:
      return Mat::tr(
          "Shift keeps to steps of 45° · Alt breaks the handle from the other one · onto the node it is gone");
    case Doing::Bending:
      return Mat::tr("The edge follows where it was taken hold of · Esc puts it back");
    case Doing::MovingAxis:
    case Doing::TurningAxis:
      return Mat::tr("Every edit happens on both sides of the axis · Shift keeps to steps of 15° · Esc puts it back");
    default:
      break;
  }
  if (hot_ && hot_->what == NodeHit::What::Edge) return Mat::tr("Click adds a node here · drag bends the edge");
  if (hot_ && hot_->what == NodeHit::What::Handle) return Mat::tr("Drag the handle · Alt breaks it from the other one");
  if (hot_)
    return Mat::tr(
        "Drag the node · double click turns it smooth or to a corner · Alt pulls handles out · Del takes it away");
  if (corner_) return Mat::tr("Drag to round all corners · Alt rounds this one alone · the bench has other treatments");
  if (axis_) return Mat::tr("Drag the axis that both sides are mirrored at · its knob turns it");
  return Mat::tr(
      "Click or drag nodes, handles and edges · a box chooses several · Tab goes to the next · Enter is done");
}

QCursor NodeTool::cursor() const {
  if (grip_ && frame()) return cursorFor(*grip_, *frame());
  if (corner_) return Qt::PointingHandCursor;
  if (axis_) return axis_->turns ? Qt::PointingHandCursor : Qt::SizeAllCursor;
  if (hot_ && hot_->what == NodeHit::What::Edge) return Qt::CrossCursor;
  return hot_ ? Qt::SizeAllCursor : Qt::ArrowCursor;
}

}  // namespace widecut
