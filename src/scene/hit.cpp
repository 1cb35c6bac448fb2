#include "scene/hit.h"

#include "project/resolve.h"

namespace widecut {
namespace {

bool isNearEdge(const Resolved& shape, Point p, double reach) {
  return shape.box.grown(reach).contains(p) && edgeDistance(shape.outline, p, reach / 8) <= reach;
}

}  // namespace

bool isHit(const Item& item, Point inParent, double reach) {
  const Point p = (*item.toParent().inverse())(inParent);
  const auto shape = resolved(item);
  const bool filled = item.style.fill || item.style.photo || (item.recipe() && item.recipe()->photoFrom);
  if (filled && isInside(shape->outline, FillRule::Nonzero, p)) return true;
  const double line = item.style.line ? item.style.line->width / 2 : 0;
  return isNearEdge(*shape, p, std::max(line, reach));
}

Id itemAt(const Sheet& sheet, Point point, double reach) {
  for (auto item = sheet.items.rbegin(); item != sheet.items.rend(); ++item)
    if (!(*item)->hidden && isHit(**item, point, reach)) return (*item)->id;
  return 0;
}

Id partAt(const Project& project, Id cutout, Point point, double reach) {
  const ItemPtr item = findItem(project, cutout);
  if (!item || !item->recipe()) return 0;
  const auto back = frameToSheet(project, cutout).inverse();
  if (!back) return 0;
  Id best = 0;
  double bestArea = 0;
  for (const ItemPtr& part : item->recipe()->parts) {
    if (part->hidden) continue;
    const Point p = (*part->toParent().inverse())((*back)(point));
    const auto shape = resolved(*part);
    if (!isInside(shape->outline, FillRule::Nonzero, p) && !isNearEdge(*shape, p, reach)) continue;
    const double area = std::abs(signedArea(shape->outline));
    if (best == 0 || area < bestArea) {
      best = part->id;
      bestArea = area;
    }
  }
  return best;
}

std::vector<Id> itemsWithin(const Sheet& sheet, const Box& box) {
  std::vector<Id> ids;
  for (const ItemPtr& item : sheet.items)
    if (!item->hidden && box.contains(boxInParent(*item))) ids.push_back(item->id);
  return ids;
}

}  // namespace widecut
