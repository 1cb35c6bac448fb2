#include "app/desk/finishing.h"

#include "project/edits/colours.h"
#include "project/edits/reshaping.h"
#include "project/forms/treated.h"
#include "project/resolve.h"

namespace widecut {
namespace {

/// The treatment that all corners of the item have alike.
std::optional<Corner> cornerOf(const Item& item) {
  const auto paths = corneredPaths(item);
  std::optional<Corner> found;
  if (!paths) return std::nullopt;
  for (const NodePath& path : *paths)
    for (const Node& node : path.nodes) {
      if (node.corner.isSharp()) continue;
      if (found && !(*found == node.corner)) return std::nullopt;
      found = node.corner;
    }
  return found;
}

}  // namespace

void takeUpFinish(Desk& desk) {
  const ItemPtr item = desk.onlyItem();
  if (!item) return;
  desk.finishTaken = FinishTaken{finishOf(*item->style), cornerOf(*item)};
  emit desk.told(
      Desk::tr("The finish of “%1” can be applied to others: Alt+Shift+E").arg(QString::fromStdString(item->name)));
}

void layFinish(Desk& desk) {
  if (!desk.finishTaken) return;
  const FinishTaken taken = *desk.finishTaken;
  const auto edit = [taken](const Project& p, const std::vector<Id>& ids) {
    Project out = withFinishOn(p, ids, taken.look);
    if (taken.corner)
      for (const Id id : ids) out = withAllCorners(out, id, *taken.corner);
    return out;
  };
  const QString name = Desk::tr("Apply the finish");
  if (desk.commit(name, edit(desk.settled(), desk.selection()))) desk.noteAgain({name, edit});
}

}  // namespace widecut
