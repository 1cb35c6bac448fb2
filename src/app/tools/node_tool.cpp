#include "app/tools/node_tool.h"

#include <QApplication>
#include <QKeyEvent>
#include <algorithm>

#include "app/desk/reshape.h"
#include "app/desk/selecting.h"
#include "app/tools/node_drags.h"
#include "project/forms/recipe.h"
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

}  // namespace

std::vector<ItemPtr> NodeTool::items() const { return itemsWithNodes(desk_.project(), desk_.selection()); }
std::vector<ItemPtr> NodeTool::cornered() const {
  std::vector<ItemPtr> found = items();
  for (const ItemPtr& item : itemsWithCorners(desk_.project(), desk_.selection()))
    if (item->recipe()) found.push_back(item);
  return found;
}

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
  if (item && starterOf(*item))
    emit desk_.told(Mat::tr("“%1” is a plain outline now, and its numbers are gone · Ctrl+Z brings them back")
                        .arg(QString::fromStdString(item->name)));
  return item != nullptr;
}

bool NodeTool::mayReshapeChosen() {
  const NodesOfItems& chosen = desk_.chosenNodes();
  return std::all_of(chosen.begin(), chosen.end(), [&](const auto& one) { return mayReshape(one.first); });
}

void NodeTool::press(const Pointer& p) {
  pressed_ = now_ = p;
  held_ = hitAt(p);
  grip_.reset();
  if (!held_ || held_->what == NodeHit::What::Edge) {
    if ((corner_ = cornerAt(mat_, desk_.project(), cornered(), p.onMat))) {
      doing_ = Doing::Cornering;
      return;
    }
    if (const auto around = frame())
      if ((grip_ = gripAt(*around, mat_, p.onMat))) {
        if (!mayReshapeChosen()) return;
        gripped_ = around;
        doing_ = Doing::Gripping;
        return;
      }
    if ((axis_ = axisAt(mat_, desk_.project(), items(), p.onMat))) {
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
  const bool withOthers =
      held_->what == NodeHit::What::Node && isChosen(desk_.chosenNodes(), held_->item, held_->place);
  if (!mayReshape(held_->item) || (withOthers && !mayReshapeChosen())) {
    doing_ = Doing::Nothing;
    return;
  }
  switch (held_->what) {
    case NodeHit::What::Node:
      doing_ = pressed_.keys & Qt::AltModifier ? Doing::PullingHandle : Doing::MovingNodes;
      snapper_.beginNodes(desk_.chosenNodes());
      break;
    case NodeHit::What::Handle:
      doing_ = Doing::MovingHandle;
      snapper_.beginNodes({{held_->item, {}}});
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
  if (doing_ == Doing::MovingNodes && p.keys & Qt::AltModifier && countOf(desk_.chosenNodes()) == 1)
    doing_ = Doing::PullingHandle;
  switch (doing_) {
    case Doing::MovingNodes:
      moveNodes(p);
      break;
    case Doing::MovingHandle:
    case Doing::PullingHandle:
    case Doing::Bending:
      pull(p);
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

void NodeTool::moveNodes(const Pointer& p) {
  Point by = p.onSheet - pressed_.onSheet;
  if (p.keys & Qt::ShiftModifier) (std::abs(by.x) > std::abs(by.y) ? by.y : by.x) = 0;
  movedBy_ = snappedToAxis(desk_.settled(), *held_, by, snap / mat_.zoom());
  if (movedBy_ == by && !(p.keys & Qt::ShiftModifier)) movedBy_ = snapper_.placed(held_->at + by, p) - held_->at;
  const auto end = countOf(desk_.chosenNodes()) == 1 ? heldEnd(desk_.settled(), *held_) : std::nullopt;
  end_ = end ? openEndAt(desk_, p.onSheet, reach / mat_.zoom(), end) : std::nullopt;
  trial_.show(end_ ? withEndsJoined(desk_.settled(), *end, end_->end)
                   : withNodesMapped(desk_.settled(), desk_.chosenNodes(), Affine::move(movedBy_), held_->at));
}

void NodeTool::pull(const Pointer& p) {
  Point to = held_->at + p.onSheet - pressed_.onSheet;
  if (doing_ != Doing::Bending && !(p.keys & Qt::ShiftModifier)) to = snapper_.placed(to, p);
  if (doing_ != Doing::Bending)
    to = handlePlace(desk_.settled(), *held_, to, p.keys & Qt::ShiftModifier, snap / mat_.zoom());
  const Pull what = doing_ == Doing::Bending        ? Pull::Edge
                    : doing_ == Doing::MovingHandle ? Pull::Handle
                                                    : Pull::BothHandles;
  trial_.show(withPulled(desk_.settled(), *held_, what, to, p.keys & Qt::AltModifier));
}

void NodeTool::moveAxis(const Pointer& p) {
  const ItemPtr item = findItem(desk_.settled(), axis_->item);
  const auto axis = item ? axisOf(*item) : std::nullopt;
  if (!axis) return;
  const auto moved = axis_->turns ? turnedAxis(desk_, mat_, *item, *axis, p)
                                  : movedAxis(desk_, mat_, *item, *axis, p.onSheet - pressed_.onSheet);
  trial_.show(withAxis(desk_.settled(), axis_->item, moved));
}

void NodeTool::release(const Pointer& p) {
  now_ = p;
  const PlacesOfNodes mirrored = placesOfMirrored(desk_, movedBy_);
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
      if (trial_.settle(Mat::tr("Treat corner")))
        noteCorner();
      else if (!trial_.isShown())
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
  if (reshaped && !mirrored.empty()) chooseAgain(desk_, mirrored);
  stop();
  hot_ = hitAt(p);
}

/// The corners of the item as they are now, for all of what is selected when it is done again.
void NodeTool::noteCorner() {
  const ItemPtr item = findItem(desk_.settled(), corner_->item);
  if (!item || !desk_.chosenNodes().empty()) return;
  const Corner all = item->recipe() ? item->recipe()->corners : treatmentOf(*item).all;
  desk_.noteAgain({Mat::tr("Treat corner"), cornersTreated(all)});
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
  const NodeKind now = kindOf((*paths)[hit->place.path], hit->place.node);
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
  corner_ = isMark ? std::nullopt : cornerAt(mat_, desk_.project(), cornered(), p.onMat);
  grip_ = around && !isMark && !corner_ ? gripAt(*around, mat_, p.onMat) : std::nullopt;
  axis_ = !isMark && !grip_ && !corner_ ? axisAt(mat_, desk_.project(), items(), p.onMat) : std::nullopt;
  if (corner_ || grip_ || axis_) hot_.reset();
}

bool NodeTool::wants(const QKeyEvent& event) const {
  if (event.matches(QKeySequence::SelectAll)) return !items().empty();
  const bool deletes = event.key() == Qt::Key_Delete || event.key() == Qt::Key_Backspace;
  return deletes && event.modifiers() == Qt::NoModifier && !desk_.chosenNodes().empty();
}

bool NodeTool::key(QKeyEvent& event) {
  // In the middle of a drag nothing pulls away what is held.
  if (doing_ != Doing::Nothing && event.key() != Qt::Key_Escape) {
    if (snapper_.takes(event)) drag(now_);
    return true;
  }
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
      if (!startersWithNodes(desk_).empty())
        makePlain(desk_);
      else
        desk_.setTool(ToolKind::Select);
      return true;
    case Qt::Key_Tab:
    case Qt::Key_Backtab:
      stepNode(desk_, event.key() == Qt::Key_Tab ? 1 : -1);
      return true;
    case Qt::Key_Delete:
    case Qt::Key_Backspace:
      if (desk_.chosenNodes().empty()) return false;
      if (mayReshapeChosen()) deleteNodes(desk_);
      return true;
    default:
      break;
  }
  const auto way = arrowStep(event.key());
  if (!way || desk_.chosenNodes().empty()) return false;
  if (mayReshapeChosen()) nudgeNodes(desk_, *way, event.modifiers());
  return true;
}

void NodeTool::stop() {
  doing_ = Doing::Nothing;
  snapper_.end();
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
}

}  // namespace widecut
