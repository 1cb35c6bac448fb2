#include "scene/gaps.h"

#include <algorithm>
#include <cmath>

#include "project/lookup.h"
#include "project/resolve.h"

namespace widecut {
namespace {

double along(Point p, bool across) { return across ? p.x : p.y; }
Point made(bool across, double on, double off) { return across ? Point{on, off} : Point{off, on}; }

}  // namespace

std::vector<Gap> gapsAround(const Project& project, const Sheet& sheet, std::span<const Id> items) {
  Box box;
  for (const Id id : items) box.add(boxOnSheet(project, id));
  std::vector<Gap> gaps;
  if (box.isEmpty()) return gaps;
  IdSet own;
  for (const Id id : items)
    if (const auto chain = chainTo(project, id); !chain.empty()) own.insert(chain.front()->id);
  for (const bool across : {true, false})
    for (const bool before : {true, false}) {
      const double side = along(before ? box.low : box.high, across);
      const double low = along(box.low, !across), high = along(box.high, !across);
      Gap best{across, before, {}, {}, 0, 0};
      double at = along(before ? sheet.box().low : sheet.box().high, across), middle = (low + high) / 2;
      best.length = before ? side - at : at - side;
      for (const ItemPtr& item : sheet.items) {
        if (item->hidden || own.contains(item->id)) continue;
        const Box other = boxInParent(*item);
        if (other.isEmpty()) continue;
        const double from = std::max(low, along(other.low, !across)), to = std::min(high, along(other.high, !across));
        const double edge = along(before ? other.high : other.low, across), gap = before ? side - edge : edge - side;
        const bool isNearer = best.neighbour == 0 || gap < best.length;
        if (!(from < to) || gap < 0 || !isNearer) continue;
        best.neighbour = item->id;
        best.length = gap;
        at = edge;
        middle = (from + to) / 2;
      }
      best.from = made(across, side, middle);
      best.to = made(across, at, middle);
      gaps.push_back(best);
    }
  return gaps;
}

Point wayTo(const Gap& gap, double length) {
  const double by = gap.before ? length - gap.length : gap.length - length;
  return gap.across ? Point{by, 0} : Point{0, by};
}

}  // namespace widecut
