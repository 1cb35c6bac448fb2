#include "scene/hit.h"

#include <algorithm>

#include "cutting/planar_map.h"
#include "project/forms/words.h"
#include "project/lookup.h"
#include "project/resolve.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

bool isNearEdge(const Resolved& shape, Point p, double reach) {
  return shape.box.grown(reach).contains(p) && edgeDistance(shape.outline, p, reach / 8) <= reach;
}

/// The point as it lies to each copy of what is inside the item; as it is when the item shows no copies.
std::vector<Point> inCopies(const Item& item, Point inFrame) {
  if (!showsChildren(item.form)) return {inFrame};
  const auto copies = copiesOf(item.form);
  std::vector<Point> points;
  points.reserve(copies.size());
  for (const auto& [number, copy] : copies)
    if (const auto back = copy.inverse()) points.push_back((*back)(inFrame));
  return points;
}

/// Words are taken hold of between their letters too.
bool isOnLine(const Item& item, Point inFrame) {
  const Words* words = wordsOf(item);
  const auto back = words ? words->content().stretch.inverse() : std::nullopt;
  if (!back) return false;
  const SetWords& set = words->set();
  const Point at = (*back)(inFrame);
  for (std::size_t i = 0; i < set.shown; ++i) {
    const SetLine& line = set.lines[i];
    if (line.bends.empty() && boxOf(line).contains(at)) return true;
    for (const Bend& bend : line.bends) {
      const auto flat = bend.place.inverse();
      if (flat && Box{{bend.from, -line.ascent}, {bend.to, line.descent}}.contains((*flat)(at))) return true;
    }
  }
  return false;
}

Id wordsIn(const ItemList& items, Point inParent) {
  for (auto item = items.rbegin(); item != items.rend(); ++item) {
    const auto back = (*item)->toParent().inverse();
    if (!isAtHand(**item) || !back) continue;
    const Point p = (*back)(inParent);
    const auto frame = statedBox((*item)->form);
    if (wordsOf(**item) && (isOnLine(**item, p) || (frame && frame->contains(p)))) return (*item)->id;
    if (const Id inside = wordsIn(childrenOf(**item), p)) return inside;
  }
  return 0;
}

/// Whether the point is on what the item's own style paints.
bool isOnOwn(const Item& item, Point inFrame, double reach) {
  const Style& style = *item.style;
  const auto shape = resolved(item);
  const bool filled = std::any_of(style.fills.begin(), style.fills.end(), [](const Fill& fill) { return fill.shown; });
  if (isOnLine(item, inFrame)) return true;
  if (filled && isInside(shape->outline, FillRule::Nonzero, inFrame)) return true;
  double line = 0;
  for (const Line& l : style.lines)
    if (l.shown) line = std::max(line, l.shape.alignment == Alignment::Centre ? l.shape.width / 2 : l.shape.width);
  return isNearEdge(*shape, inFrame, std::max(line, reach));
}

}  // namespace

bool isHit(const Item& item, Point inParent, double reach) {
  const Point p = (*item.toParent().inverse())(inParent);
  const bool showsInside = showsChildren(item.form);
  const bool isBare = item.style->fills.empty() && item.style->lines.empty();
  if (!(showsInside && isBare) && isOnOwn(item, p, reach)) return true;
  if (!showsInside) return false;
  for (const Point inCopy : inCopies(item, p))
    for (const ItemPtr& child : childrenOf(item))
      if (!child->hidden && isHit(*child, inCopy, reach)) return true;
  return false;
}

Id itemAt(const Sheet& sheet, Point point, double reach) {
  for (auto item = sheet.items.rbegin(); item != sheet.items.rend(); ++item)
    if (isAtHand(**item) && isHit(**item, point, reach)) return (*item)->id;
  return 0;
}

std::vector<Id> itemsAt(const Sheet& sheet, Point point, double reach) {
  std::vector<Id> found;
  for (auto item = sheet.items.rbegin(); item != sheet.items.rend(); ++item)
    if (isAtHand(**item) && isHit(**item, point, reach)) found.push_back((*item)->id);
  return found;
}

Id wordsAt(const Sheet& sheet, Point point) { return wordsIn(sheet.items, point); }

Id childAt(const Project& project, Id whole, Point point, double reach) {
  const ItemPtr item = findItem(project, whole);
  const auto back = frameToSheet(project, whole).inverse();
  if (!item || !back) return 0;
  if (!showsChildren(item->form)) return partAt(project, whole, point, reach);
  const auto points = inCopies(*item, (*back)(point));
  const auto& children = childrenOf(*item);
  for (auto child = children.rbegin(); child != children.rend(); ++child)
    for (const Point p : points)
      if (isAtHand(**child) && isHit(**child, p, reach)) return (*child)->id;
  return 0;
}

Id partAt(const Project& project, Id whole, Point point, double reach) {
  const ItemPtr item = findItem(project, whole);
  const auto back = frameToSheet(project, whole).inverse();
  if (!item || !back) return 0;
  const auto points = inCopies(*item, (*back)(point));
  Id best = 0;
  double bestArea = 0;
  for (const ItemPtr& part : childrenOf(*item)) {
    if (!isAtHand(*part)) continue;
    const auto shape = resolved(*part);
    const Affine toPart = *part->toParent().inverse();
    const bool hit = std::any_of(points.begin(), points.end(), [&](Point inParent) {
      const Point p = toPart(inParent);
      return isInside(shape->outline, FillRule::Nonzero, p) || isOnLine(*part, p) || isNearEdge(*shape, p, reach);
    });
    if (!hit) continue;
    const double area = std::abs(signedArea(shape->outline));
    if (best == 0 || area < bestArea) {
      best = part->id;
      bestArea = area;
    }
  }
  return best;
}

std::vector<Id> itemsWithin(const Sheet& sheet, const Box& box, Taken taken) {
  std::vector<Id> ids;
  const Outline area = fitted(rectangleOutline(1, 1), box);
  const auto takes = [&](const Item& item) {
    const Box own = boxInParent(item);
    if (box.contains(own)) return true;
    if (taken == Taken::Inside || !box.touches(own)) return false;
    if (isCrowd(item)) return true;
    const Outline outline = transformed(resolved(item)->outline, item.toParent());
    const auto map = PlanarMap::of(std::vector<Operand>{{outline}, {area}});
    return map && !map->where(Formula::chain(2, Role::Intersect)).isEmpty();
  };
  for (const ItemPtr& item : sheet.items)
    if (isAtHand(*item) && takes(*item)) ids.push_back(item->id);
  return ids;
}

}  // namespace widecut
