// What lies under the pointer, for the select tool.
#include <algorithm>

#include "app/desk/selecting.h"
#include "app/tools/select_tool.h"
#include "project/lookup.h"
#include "project/resolve.h"
#include "scene/hit.h"

namespace widecut {

Id SelectTool::targetAt(const Pointer& p) const {
  const Project& project = desk_.project();
  const Id item = itemAt(*desk_.sheet(), p.onSheet, reach());
  const ItemPtr open = desk_.openWhole();
  if (!open) return item;
  const auto chain = chainTo(project, open->id);
  // Another item on the way keeps its right to be picked, and so does a cutout's own picture.
  if (item != 0 && item != chain.front()->id) return item;
  for (auto whole = chain.rbegin(); whole != chain.rend(); ++whole) {
    if ((*whole)->recipe() && isOnResult(**whole, p.onSheet)) return (*whole)->id;
    if (const Id child = childAt(project, (*whole)->id, p.onSheet, reach())) return child;
  }
  return item;
}

bool SelectTool::isOnSelected(const Pointer& p) const {
  return std::any_of(desk_.selection().begin(), desk_.selection().end(), [&](Id id) {
    const ItemPtr item = isAnyUnlocked(desk_.project(), {id}) ? findItem(desk_.project(), id) : nullptr;
    const auto back = item ? parentToSheet(desk_.project(), id).inverse() : std::nullopt;
    return back && isHit(*item, (*back)(p.onSheet), reach());
  });
}

bool SelectTool::fillsSheet(Id id) const {
  const ItemPtr item = findItem(desk_.project(), id);
  constexpr double rounding = 0.5;  // points
  return item && boxOnSheet(desk_.project(), id).contains(desk_.sheet()->box().grown(-rounding));
}

bool SelectTool::isOnResult(const Item& cutout, Point onSheet) const {
  const auto back = frameToSheet(desk_.project(), cutout.id).inverse();
  return back && isInside(resolved(cutout)->outline, FillRule::Nonzero, (*back)(onSheet));
}

/// The item under the one that is selected here; the frontmost one again when it was the last.
Id SelectTool::targetBelow(const Pointer& p) const {
  const auto there = itemsAt(*desk_.sheet(), p.onSheet, reach());
  if (there.empty()) return 0;
  const auto selected =
      std::find_if(there.begin(), there.end(), [&](Id id) { return contains(desk_.selection(), id); });
  return selected == there.end() || selected + 1 == there.end() ? there.front() : *(selected + 1);
}

}  // namespace widecut
