#include "project/resolve.h"

#include <algorithm>
#include <array>

#include "cutting/live_cut.h"
#include "geometry/stop_point.h"
#include "project/budgets.h"
#include "project/forms/form.h"
#include "project/forms/treated.h"
#include "project/framing.h"
#include "project/lookup.h"
#include "project/node_memo.h"

namespace widecut {
namespace {

NodePaths withCorner(NodePaths paths, const Corner& corner) {
  for (NodePath& path : paths)
    for (Node& node : path.nodes) node.corner = corner;
  return paths;
}

std::size_t bytesIn(const Resolved& shape) {
  return storedBytes(shape.outline) + (shape.sharp ? storedBytes(*shape.sharp) : 0);
}

/// Before its corners are treated.
Outline workedOut(const Form& form) {
  if (auto own = ownOutline(form)) return std::move(*own);
  Flat flat;
  const auto formula = flat.addSharp(form, {});
  if (!formula) return {};
  // While a part is dragged its recipe is worked out for every frame: a few recipes keep their maps for that.
  static thread_local std::array<LiveCut, 4> live;
  static thread_local std::size_t next = 0;
  const auto follows = [&](const LiveCut& l) { return l.follows(flat.operands); };
  auto used = std::find_if(live.begin(), live.end(), follows);
  if (used == live.end()) used = live.begin() + static_cast<std::ptrdiff_t>(next++ % live.size());
  return used->cut(flat.operands, *formula).value_or(Outline{});
}

bool keepsBoxesUpright(const Affine& m) { return (m.xy == 0 && m.yx == 0) || (m.xx == 0 && m.yy == 0); }

/// The box of an item through a map from its parent's space.
Box throughMap(const Item& item, const Affine& map) {
  const Affine frame = map * item.toParent();
  if (!showsChildren(item.form)) {
    if (const auto stated = statedBox(item.form)) return frame(*stated);
    const auto shape = resolved(item);
    return keepsBoxesUpright(frame) ? frame(shape->box) : bounds(transformed(shape->outline, frame));
  }
  Box box;
  for (const auto& [number, copy] : copiesOf(item.form))
    for (const ItemPtr& child : childrenOf(item))
      if (!child->hidden) box.add(throughMap(*child, frame * copy));
  return box;
}

}  // namespace

std::shared_ptr<const void> nodeOf(const Form& form) {
  return std::visit([](const auto& node) -> std::shared_ptr<const void> { return node; }, form);
}

std::shared_ptr<const Resolved> resolved(const Form& form) {
  static NodeMemo<Resolved> memo("outlines", budgets::outlineBytes, bytesIn);
  const auto node = nodeOf(form);
  if (auto known = memo.find({node})) return known;
  stopPoint();
  auto result = std::make_shared<Resolved>();
  result->outline = workedOut(form);
  if (const Corner corner = resultCorners(form); !corner.isSharp()) {
    result->sharp = std::move(result->outline);
    result->outline = treatedOutline(withCorner(nodesOf(*result->sharp), corner)).outline;
  }
  result->box = bounds(result->outline);
  memo.keep({node}, result);
  return result;
}

bool isCrowd(const Item& item) {
  constexpr std::size_t many = 64;
  if (!showsChildren(item.form)) return false;
  const auto& children = childrenOf(item);
  return countOfCopies(item.form) > many ||
         std::any_of(children.begin(), children.end(), [](const ItemPtr& child) { return isCrowd(*child); });
}

std::optional<NodePaths> corneredPaths(const Item& item) {
  if (!item.recipe()) return nodesOf(item);
  const auto shape = resolved(item);
  return withCorner(nodesOf(shape->sharp.value_or(shape->outline)), resultCorners(item.form));
}

Box boxInFrame(const Item& item) {
  static NodeMemo<Box> memo("boxes", budgets::smallMemoBytes);
  if (const auto stated = statedBox(item.form)) return *stated;
  if (!showsChildren(item.form)) return resolved(item)->box;
  const auto node = nodeOf(item.form);
  if (const auto known = memo.find({node})) return *known;
  Item still = item;
  still.position = {};
  still.turn = 0;
  const Box box = throughMap(still, {});
  memo.keep({node}, std::make_shared<const Box>(box));
  return box;
}

Box boxInParent(const Item& item) {
  if (item.turn == 0) return Affine::move(item.position)(boxInFrame(item));
  return throughMap(item, {});
}

Box boxThrough(const Item& item, const Affine& map) {
  if (map.linear() != Affine{}) return throughMap(item, map);
  const Box box = boxInParent(item);
  return box.isEmpty() ? box : Box{map(box.low), map(box.high)};
}

Box boxOnSheet(const Project& project, Id id) {
  const ItemPtr item = findItem(project, id);
  return item ? boxThrough(*item, parentToSheet(project, id)) : Box{};
}

std::optional<ShownPhoto> photoIn(const Item& item, const Fill& fill) {
  if (const auto* picture = std::get_if<Picture>(&fill.paint)) {
    const Medium& medium = *picture->medium;
    return ShownPhoto{picture->medium,
                      pixelsToFrame(picture->framing, medium.width, medium.height),
                      picture->framing.pointsPerPixel,
                      picture->framing.habits,
                      picture->adjustments,
                      picture->playing};
  }
  const auto* from = std::get_if<PartPicture>(&fill.paint);
  if (!from) return std::nullopt;
  for (const ItemPtr& child : childrenOf(item)) {
    if (child->id != from->part) continue;
    auto shown = shownPhoto(*child);
    if (shown) shown->pixelsToFrame = child->toParent() * shown->pixelsToFrame;
    return shown;
  }
  return std::nullopt;
}

std::optional<ShownPhoto> shownPhoto(const Item& item) {
  const Fill* fill = pictureFillOf(*item.style);
  return fill ? photoIn(item, *fill) : std::nullopt;
}

std::optional<Picture> shownPicture(const Item& item) {
  const auto shown = shownPhoto(item);
  if (!shown) return std::nullopt;
  const Medium& m = *shown->medium;
  return Picture{shown->medium, framingOf(shown->pixelsToFrame, m.width, m.height, shown->habits), shown->adjustments,
                 0, shown->playing};
}

bool showsPicture(const Item& item) { return pictureFillOf(*item.style) != nullptr; }

const StylePtr& lookOf(const Item& item) {
  if (!item.style->fills.empty() || !item.style->lines.empty() || !showsChildren(item.form)) return item.style;
  const auto& children = childrenOf(item);
  for (auto child = children.rbegin(); child != children.rend(); ++child)
    if (!(*child)->hidden) return lookOf(**child);
  return item.style;
}

}  // namespace widecut
